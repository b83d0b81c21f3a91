import { expect } from 'chai';
import type { Outcome } from '../math/index.ts';
import { applyChange, create, newFeature, newOpening, type Operation, type ProjectDocument } from '../model/index.ts';
import { smallHouse } from '../testing/index.ts';
import {
  alignFeatures,
  arrayMotions,
  clipBounds,
  clipOf,
  distributeFeatures,
  mirrorMotion,
  moveFeatures,
  paste,
} from './arrange.ts';
import { featureBox, surveyHit } from '../house/index.ts';
import type { NewId } from './walls.ts';

const made = (project: ProjectDocument, outcome: Outcome<readonly Operation[]> | readonly Operation[]): ProjectDocument => {
  const operations = 'ok' in outcome ? outcome : { ok: true as const, value: outcome };
  const applied = operations.ok ? applyChange(project, { operations: operations.value }) : operations;
  if (!applied.ok) throw new Error(JSON.stringify(applied.problem));
  return applied.value;
};
const ids = (): [NewId, () => string] => {
  let n = 0;
  return [(kind) => `${kind}_${++n}`, () => `f_${++n}`];
};
const box = (id: string, x: number, y: number, more: object = {}): Operation =>
  create('features', newFeature({ id, levelId: 'm', kind: 'cabinet', points: [[x, y]], widthM: 1, depthM: 0.4, ...more }));

describe('things on the plan', () => {
  const house = made(smallHouse(), [
    box('low', 1, 1),
    box('high', 2.2, 3),
    box('mid', 4, 1.6),
    create(
      'openings',
      newOpening({ id: 'door', wallId: 'middle', kind: 'door', offsetM: 2, widthM: 0.8, sillM: 0, headM: 2, swing: 'left' }),
    ),
    create(
      'features',
      newFeature({
        id: 'terrace',
        levelId: 'm',
        kind: 'terrace',
        area: true,
        points: [
          [11, 0],
          [14, 0],
          [14, 3],
          [11, 3],
        ],
      }),
    ),
  ]);

  it('are found under the pointer: doors before walls, things before rooms, hidden kinds not at all', () => {
    const at = (x: number, y: number, hidden?: ReadonlySet<string>) => {
      const hit = surveyHit(house, 'm', [x, y], 0.1, hidden);
      return hit && `${hit.kind} ${hit.id}`;
    };
    expect([at(5.1, 2), at(5.12, 0.8), at(2.5, 2), at(1.3, 1.1), at(9.8, 2), at(12, 1), at(20, 20)]).to.deep.equal([
      'opening door',
      'wall middle',
      'room a',
      'feature low',
      'rack rack',
      'feature terrace',
      null,
    ]);
    expect(at(1.3, 1.1, new Set(['cabinet']))).to.equal('room a');
  });

  it('are turned about their middle', () => {
    const corners = featureBox({ points: [[1, 1]], widthM: 2, depthM: 1, facingRad: Math.PI / 2 });
    expect(corners.map(([x, y]) => [Math.round(x * 10) / 10, Math.round(y * 10) / 10])).to.deep.equal([
      [1.5, 0],
      [1.5, 2],
      [0.5, 2],
      [0.5, 0],
    ]);
  });

  it('line up at an edge and spread evenly, the outermost staying', () => {
    const aligned = made(house, alignFeatures(house, ['low', 'high', 'mid'], 'bottom'));
    expect(['low', 'high', 'mid'].map((id) => aligned.features[id].points[0][1])).to.deep.equal([1, 1, 1]);
    const spread = made(house, distributeFeatures(house, ['low', 'high', 'mid'], 'x'));
    expect(['low', 'high', 'mid'].map((id) => spread.features[id].points[0][0])).to.deep.equal([1, 2.5, 4]);
    expect(alignFeatures(house, ['low'], 'left')).to.deep.equal([]);
    expect(made(house, moveFeatures(house, ['low'], [0.5, -0.2])).features.low.points).to.deep.equal([[1.5, 0.8]]);
  });

  it('are pasted with their openings, make rooms there, and in a mirror swing the other way', () => {
    const [newId, featureId] = ids();
    const clip = clipOf(house, ['south1', 'west', 'north1', 'middle', 'low']);
    expect(clipBounds(clip)).to.deep.equal({ minX: 0, minY: 0, maxX: 5.1, maxY: 4.1 });
    const copied = made(house, paste(house, clip, 'm', [{ by: [0, 10] }], newId, featureId));
    expect(Object.keys(copied.rooms)).to.have.length(3);
    expect(
      Object.values(copied.features)
        .filter((f) => f.kind === 'cabinet')
        .map((f) => f.points[0]),
    ).to.deep.include([1, 11]);
    const mirrored = made(house, paste(house, clip, 'm', [{ ...mirrorMotion(clip, false)!, by: [5.1, 20] }], newId, featureId));
    const door = Object.values(mirrored.openings).find((o) => o.id !== 'door')!;
    expect(door.swing).to.equal('right');
    expect(mirrored.walls[door.wallId].a).to.deep.equal([0, 20]);
  });

  it('come in rows and grids beside the original', () => {
    expect(arrayMotions(3, 2, 1.5, -1).map(({ by }) => by)).to.deep.equal([
      [0, -1],
      [1.5, 0],
      [1.5, -1],
      [3, 0],
      [3, -1],
    ]);
  });
});

import { expect } from 'chai';
import fc from 'fast-check';
import { pointInPolygon, polygonArea } from '../../math/index.ts';
import { applyChange, create, type Feature, newFeature, newOpening, type Operation } from '../../model/index.ts';
import { smallHouse } from '../../testing/index.ts';
import { featureBox, surveyHit } from './hit.ts';

const feature = (more: Pick<Feature, 'id' | 'kind' | 'points'> & Partial<Feature>): Operation =>
  create('features', newFeature({ levelId: 'm', ...more }));
function house(...operations: Operation[]) {
  const base = smallHouse({
    openings: [newOpening({ id: 'door', wallId: 'middle', kind: 'door', offsetM: 2, widthM: 0.9, sillM: 0, headM: 2.04 })],
  });
  const applied = applyChange(base, { operations });
  if (!applied.ok) throw new Error(JSON.stringify(applied.problem));
  return applied.value;
}
const hit = (project: ReturnType<typeof house>, x: number, y: number, hidden?: ReadonlySet<string>) => {
  const found = surveyHit(project, 'm', [x, y], 0.1, hidden);
  return found && `${found.kind} ${found.id}`;
};

describe('a click on the survey', () => {
  it('chooses the wall at its line, the opening in it, and the room beside it', () => {
    const plain = house();
    expect(hit(plain, 5.1, 0.6)).to.equal('wall middle');
    expect(hit(plain, 5.1, 2.2)).to.equal('opening door');
    expect(hit(plain, 2, 2)).to.equal('room a');
    expect(hit(plain, 7, 2)).to.equal('room b');
    expect(hit(plain, 9.8, 2)).to.equal('rack rack');
    expect(hit(plain, 30, 30)).to.equal(null);
  });

  it('chooses small things before the wall behind them, and large ones before the room', () => {
    const furnished = house(
      feature({ id: 'box', kind: 'existing-box', points: [[5.1, 0.6]], widthM: 0.09, depthM: 0.05 }),
      feature({ id: 'bed', kind: 'bed', points: [[2, 2]], widthM: 1.8, depthM: 2.1 }),
    );
    expect(hit(furnished, 5.1, 0.6)).to.equal('feature box');
    expect(hit(furnished, 1.3, 2.9)).to.equal('feature bed');
    expect(hit(furnished, 3.5, 3.5)).to.equal('room a');
    expect(hit(furnished, 5.1, 0.6, new Set(['existing-box']))).to.equal('wall middle');
  });

  it('chooses an area by its edge inside the house, and anywhere outside it', () => {
    const plot = house(
      feature({
        id: 'plot',
        kind: 'plot',
        area: true,
        points: [
          [-10, -10],
          [20, -10],
          [20, 20],
          [-10, 20],
        ],
      }),
      feature({
        id: 'wet',
        kind: 'wet-zone',
        area: true,
        points: [
          [1, 1],
          [2, 1],
          [2, 2],
          [1, 2],
        ],
      }),
    );
    expect(hit(plot, 1.05, 1.5)).to.equal('feature wet');
    expect(hit(plot, 1.5, 1.5)).to.equal('room a');
    expect(hit(plot, -5, -5)).to.equal('feature plot');
  });
});

describe('the outline of a thing', () => {
  it('has its size however it is turned, and its place inside', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 5, noNaN: true }),
        fc.double({ min: 0.05, max: 5, noNaN: true }),
        fc.double({ min: -7, max: 7, noNaN: true }),
        (widthM, depthM, facingRad) => {
          const box = featureBox({ points: [[3, -2]], widthM, depthM, facingRad });
          expect(polygonArea(box)).to.be.closeTo(widthM * depthM, 1e-9);
          expect(pointInPolygon([3, -2], box)).to.equal(true);
        },
      ),
    );
    expect(polygonArea(featureBox({ points: [[0, 0]], widthM: 0.5, depthM: 0, facingRad: 1 }))).to.be.closeTo(0.25, 1e-9);
  });
});

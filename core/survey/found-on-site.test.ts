import { expect } from 'chai';
import fc from 'fast-check';
import { distance2, type Point2 } from '../math/index.ts';
import {
  applyChange,
  create,
  type Device,
  type Feature,
  newDevice,
  newFeature,
  newUnderlay,
  type Operation,
  type ProjectDocument,
  SUBSTRATES,
} from '../model/index.ts';
import { smallHouse } from '../testing/index.ts';
import { anchoringIn, cornersOf, fromTwoCorners, heightsOf, mountingDepth, mountOf } from '../house/index.ts';
import { correctionsOf } from './trade-marks.ts';
import { drawingPlace } from './drawing-place.ts';
import { sameKind } from './same-kind.ts';
import { moveFeatures } from './arrange.ts';

const apply = (project: ProjectDocument, operations: readonly Operation[]) => {
  const applied = applyChange(project, { operations });
  if (!applied.ok) throw new Error(JSON.stringify(applied.problem));
  return applied.value;
};
const withFeatures = (...features: (Pick<Feature, 'id' | 'kind' | 'points'> & Partial<Feature>)[]) =>
  apply(
    smallHouse(),
    features.map((one) => create('features', newFeature({ levelId: 'm', ...one }))),
  );

describe('a height', () => {
  it('is given from finished floor, from the subfloor there at rough-in and from the laser line, worked by hand', () => {
    // 22 mm of screed and tile to come; the line struck 1.000 above finished floor; the room's floor 0.15 lower.
    const heights = heightsOf({ floorBuildUpM: 0.022, benchmarkM: 1 }, { floorM: -0.15 }, 1.2);
    expect(heights.affM).to.equal(1.2);
    expect(heights.fromRoomFloorM).to.be.closeTo(1.35, 1e-12);
    expect(heights.fromSubfloorM).to.be.closeTo(1.372, 1e-12);
    expect(heights.fromBenchmarkM).to.be.closeTo(0.2, 1e-12);
    expect(heightsOf({ floorBuildUpM: 0, benchmarkM: null }, null, 0.4)).to.include({ fromSubfloorM: 0.4, fromBenchmarkM: null });
  });
});

describe('a box in a wall', () => {
  const house = smallHouse({
    walls: {
      middle: { finishLeft: 'board 12.5, tile 10', finishLeftM: 0.0225, finishRight: 'board 12.5', finishRightM: 0.0125 },
    },
  });
  const keypad = (facingRad: number): Device =>
    newDevice({ id: 'd', typeId: 'keypad', levelId: 'm', roomId: 'a', number: 1, x: 5.1, y: 2, heightM: 1.2, facingRad });

  it('stands out by the finish of the side it faces, and may be as deep as finish and cavity', () => {
    // The middle wall runs from (5.1, 0) to (5.1, 4.1): its left is the west side, with board and tile.
    expect(mountOf(house, keypad(Math.PI))).to.include({ side: 'left', setOutM: 0.0225, finish: 'board 12.5, tile 10' });
    expect(mountOf(house, keypad(0))).to.include({ side: 'right', setOutM: 0.0125 });
    const { cavityDepthM } = house.walls.middle;
    expect(mountOf(house, keypad(Math.PI))!.deepestM).to.be.closeTo(cavityDepthM + 0.0225, 1e-12);
    expect(mountingDepth({ ...house.walls.middle, cavityDepthM: 0 }, 'right').deepestM).to.equal(0.0125);
  });

  it('is on no wall where it stands free of all, or hangs from the ceiling', () => {
    expect(mountOf(house, { ...keypad(0), x: 2.5 })).to.equal(null);
    expect(mountOf(house, { ...keypad(0), typeId: 'ceiling-speaker' })).to.equal(null);
  });
});

describe('a stub-out', () => {
  it('is measured from two corners of the building that a tape reaches', () => {
    const found = fromTwoCorners(smallHouse(), 'm', [5.1, -3])!;
    expect(found.corners.map(({ at }) => at)).to.have.deep.members([
      [0, 0],
      [10.2, 0],
    ]);
    // 3 m in front of the middle of a front of 10.2 m: both tapes are the root of 5.1 squared and 3 squared.
    for (const tape of found.distancesM) expect(tape).to.be.closeTo(Math.sqrt(5.1 ** 2 + 9), 1e-9);
  });

  it('is never measured through the house, and is fixed by its two tapes wherever it is', () => {
    fc.assert(
      fc.property(fc.double({ min: -8, max: 18, noNaN: true }), fc.double({ min: -8, max: 12, noNaN: true }), (x, y) => {
        fc.pre(x < -0.5 || x > 10.7 || y < -0.5 || y > 4.6);
        const found = fromTwoCorners(smallHouse(), 'm', [x, y]);
        if (!found) return;
        const [p, q] = found.corners.map(({ at }) => at);
        const meets = circlesMeet(p, found.distancesM[0], q, found.distancesM[1]);
        expect(Math.min(...meets.map((point) => distance2(point, [x, y])))).to.be.below(1e-6);
        // Half way along each tape is outdoors.
        for (const c of [p, q]) {
          const [mx, my] = [(c[0] + x) / 2, (c[1] + y) / 2];
          expect(mx > 1e-6 && mx < 10.2 - 1e-6 && my > 1e-6 && my < 4.1 - 1e-6).to.equal(false);
        }
      }),
      { numRuns: 200 },
    );
  });

  it('takes corners that were entered before those that are worked out', () => {
    const entered = withFeatures(
      { id: 'c1', kind: 'building-corner', name: 'porch', points: [[0, 0]] },
      { id: 'c2', kind: 'building-corner', name: 'bay', points: [[10.2, 0]] },
    );
    expect(cornersOf(entered, 'm').map(({ name }) => name)).to.deep.equal(['porch', 'bay']);
    expect(cornersOf(smallHouse(), 'm')).to.have.length(4);
    expect(fromTwoCorners(apply(smallHouse(), []), 'u', [0, 0])).to.equal(null);
  });
});

function circlesMeet(p: Point2, r: number, q: Point2, s: number): Point2[] {
  const d = distance2(p, q);
  const along = (r * r - s * s + d * d) / (2 * d);
  const aside = Math.sqrt(Math.max(0, r * r - along * along));
  const [ux, uy] = [(q[0] - p[0]) / d, (q[1] - p[1]) / d];
  return [1, -1].map((side): Point2 => [p[0] + ux * along - side * uy * aside, p[1] + uy * along + side * ux * aside]);
}

describe('a mark of another trade', () => {
  const mark = {
    id: 't1',
    kind: 'trade-mark' as const,
    points: [[2, 0.05]] as Point2[],
    owner: 'Electrician',
    decision: 'open' as const,
  };

  it('that is moved remembers where it was, and put back it is open again', () => {
    const house = withFeatures({ ...mark, points: [[2, 0.05]] });
    const once = apply(house, moveFeatures(house, ['t1'], [0.5, 0]));
    const twice = apply(once, moveFeatures(once, ['t1'], [0.5, 0]));
    expect(twice.features.t1).to.deep.include({ points: [[3, 0.05]], markedAt: [2, 0.05], decision: 'move' });
    const back = apply(twice, moveFeatures(twice, ['t1'], [-1, 0]));
    expect(back.features.t1).to.deep.include({ points: [[2, 0.05]], markedAt: null, decision: 'open' });
  });

  it('stands on the sheet of its trade with its answer, the open ones first', () => {
    let house = withFeatures(
      { ...mark, points: [[2, 0.05]], decision: 'accept', bottomM: 0.3, topM: 0.4, edge: 'centre' },
      { ...mark, id: 't2', points: [[6, 0.05]], name: 'Outlet' },
      { ...mark, id: 't3', points: [[7, 0.05]], owner: 'Builder', decision: 'strike' },
      { ...mark, id: 't4', points: [[4, 0.05]] },
      { id: 'bed', kind: 'bed', points: [[1, 1]] },
    );
    house = apply(house, moveFeatures(house, ['t4'], [0.6, 0]));
    const sheet = correctionsOf(house);
    expect(sheet.map(({ id, answer }) => [id, answer])).to.deep.equal([
      ['t3', 'strike'],
      ['t2', 'open'],
      ['t4', 'move'],
      ['t1', 'accept'],
    ]);
    // 4.6 along a wall of 5.1 m is 0.5 from its nearer end.
    expect(sheet[2].movedM).to.be.closeTo(0.6, 1e-9);
    expect(sheet[2].alongWallM).to.be.closeTo(0.5, 1e-9);
    expect(sheet[2].wantedAt).to.deep.equal([4.6, 0.05]);
    expect(sheet[3]).to.include({ heightM: 0.35, wantedAt: null, movedM: 0 });
  });
});

describe('a substrate', () => {
  it('says for each kind what may be fastened into it; furring and channel bear nothing', () => {
    for (const substrate of SUBSTRATES) {
      const { bears, anchors, cautions } = anchoringIn(substrate);
      expect(cautions.length, substrate).to.be.above(0);
      if (bears) expect(anchors.length, substrate).to.be.above(0);
    }
    expect(anchoringIn('hollow-block').anchors).to.not.include('sleeve');
    expect(anchoringIn('furring')).to.deep.include({ bears: false, anchors: ['solid-spacer'] });
    expect(anchoringIn('unknown').anchors).to.deep.equal([]);
  });
});

describe('a drawing that comes later', () => {
  const sheet = (id: string, more: Partial<Parameters<typeof newUnderlay>[0]>) =>
    newUnderlay({
      id,
      levelId: 'm',
      pictureId: 'a'.repeat(64),
      name: id,
      originX: 0,
      originY: 0,
      metresPerPixel: 0.01,
      rotationRad: 0,
      opacity: 0.5,
      scaled: true,
      drawingCorner: [100, 200],
      ...more,
    });
  const house = (...sheets: ReturnType<typeof sheet>[]) =>
    apply(
      smallHouse(),
      sheets.map((one) => create('underlays', one)),
    );

  it('is laid by its file coordinates over the one that is there, wherever that was moved to', () => {
    expect(drawingPlace(smallHouse(), 'm', [100, 200])).to.deep.equal([0, 0]);
    // The electrician's sheet begins 1.5 m further right and 0.25 m lower in the same coordinates.
    expect(drawingPlace(house(sheet('a', {})), 'm', [101.5, 199.75])).to.deep.equal([1.5, -0.25]);
    expect(drawingPlace(house(sheet('a', { originX: 2, originY: -1 })), 'm', [101.5, 199.75])).to.deep.equal([3.5, -1.25]);
  });

  it('is laid over the sheet of its own level first, never over a turned one or one in other coordinates', () => {
    const both = house(sheet('a', { originX: 7 }), sheet('b', { retired: true, originX: 9 }));
    expect(drawingPlace(both, 'm', [100, 200])).to.deep.equal([7, 0]);
    expect(drawingPlace(house(sheet('a', { rotationRad: 0.1 })), 'm', [101, 200])).to.deep.equal([0, 0]);
    expect(drawingPlace(house(sheet('a', {})), 'm', [90_000, 200])).to.deep.equal([0, 0]);
  });
});

describe('all of one kind', () => {
  it('are those of the level and no others', () => {
    const house = withFeatures(
      { id: 'b1', kind: 'bed', points: [[1, 1]] },
      { id: 'b2', kind: 'bed', points: [[2, 1]] },
      { id: 's1', kind: 'sofa', points: [[3, 1]] },
    );
    expect(sameKind(house, 'm', { kind: 'feature', id: 'b1' })).to.deep.equal(['b1', 'b2']);
    expect(sameKind(house, 'm', { kind: 'room', id: 'a' })).to.deep.equal(['a', 'b']);
    const walls = smallHouse({ walls: { west: { kind: 'masonry' }, east: { kind: 'masonry' } } });
    expect(sameKind(walls, 'm', { kind: 'wall', id: 'west' })).to.deep.equal(['east', 'west']);
    expect(sameKind(walls, 'elsewhere', { kind: 'wall', id: 'west' })).to.deep.equal([]);
  });
});

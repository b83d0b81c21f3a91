import { expect } from 'chai';
import fc from 'fast-check';
import { type Level, newRoom, newWall } from '@dusky-spool/core/model';
import { levelCrossings, polygonArea } from '@dusky-spool/core/math';
import { smallHouse } from '@dusky-spool/core/testing';
import { NUDGE_M, toHandGrid } from './tools/nudge.ts';
import { guessRole, guessRoles } from '../screens/survey/layer-roles.ts';
import { detailAt } from './device-detail.ts';
import { joistPath, pathThrough, wallBand } from './room-drawing.ts';
import { levelAt, strokesOnLevel } from './route-drawing.ts';

const level = smallHouse().levels.m;
const levels: Level[] = [{ ...level, id: 'low', elevationM: -2.7 }, level, { ...level, id: 'up', elevationM: 2.8 }];

describe('what is drawn', () => {
  it('of a way is what lies on the level, the device end in its place and the rest aside', () => {
    const pathway = [
      [1, 1, 2.4],
      [1, 1, 2.6],
      [4, 1, 2.6],
      [4, 1, -0.5],
      [6, 1, -0.5],
    ] as const;
    expect(strokesOnLevel(pathway, levels, 'm', 0.05)).to.deep.equal([
      [
        [1.05, 1.05],
        [4.05, 1.05],
      ],
    ]);
    expect(strokesOnLevel(pathway, levels, 'low', 0)).to.deep.equal([
      [
        [4, 1],
        [6, 1],
      ],
    ]);
    expect(strokesOnLevel(pathway, levels, 'up', 0)).to.deep.equal([]);
    // A first level stretch begins at the device itself.
    expect(strokesOnLevel([pathway[1], pathway[2]], levels, 'm', 0.1)[0]).to.deep.equal([
      [1, 1],
      [4.1, 1.1],
    ]);
  });

  it('belongs to the highest level whose floor is not above it', () => {
    expect([-9, -2.7, -0.01, 0, 2.79, 2.8, 99].map((z) => levelAt(levels, z))).to.deep.equal([
      'low',
      'low',
      'low',
      'm',
      'm',
      'up',
      'up',
    ]);
  });

  it('of a wall is a band as long and as thick as the wall, on both sides of its line', () => {
    fc.assert(
      fc.property(
        fc.tuple(fc.integer({ min: -50, max: 50 }), fc.integer({ min: -50, max: 50 })),
        fc.integer({ min: 5, max: 60 }),
        ([x, y], cm) => {
          fc.pre(x !== 0 || y !== 0);
          const wall = newWall({
            id: 'w',
            levelId: 'm',
            a: [1, 2],
            b: [1 + x / 10, 2 + y / 10],
            thicknessM: cm / 100,
            kind: 'stud',
            cavityDepthM: 0.089,
            cableMayRun: true,
          });
          expect(Math.abs(polygonArea(wallBand(wall)))).to.be.closeTo((Math.hypot(x, y) / 10) * (cm / 100), 1e-9);
        },
      ),
    );
  });

  it('of joists runs through the room in their direction, first joist and spacing as surveyed', () => {
    const room = newRoom({
      id: 'r',
      levelId: 'm',
      code: 'R',
      name: 'Room',
      polygon: [
        [0, 0],
        [4, 0],
        [4, 1],
        [0, 1],
      ],
      joistSpacingM: 0.4,
      joistOffsetM: 0.1,
    });
    // At 0.1, 0.5 and 0.9 m from the line through the origin.
    expect(joistPath(room)).to.equal('M0 0.1L4 0.1M0 0.5L4 0.5M0 0.9L4 0.9');
    expect(joistPath({ ...room, framing: 'slab' })).to.equal('');
    expect(
      pathThrough(
        [
          [0, 0],
          [1.00049, 0],
        ],
        true,
      ),
    ).to.equal('M0 0L1 0Z');
  });

  it('of a level line through an outline is inside it, piece by piece', () => {
    const horseshoe = [
      [0, 0],
      [6, 0],
      [6, 4],
      [4, 4],
      [4, 1],
      [2, 1],
      [2, 4],
      [0, 4],
    ] as const;
    expect(levelCrossings(horseshoe, 3)).to.deep.equal([0, 2, 4, 6]);
    expect(levelCrossings(horseshoe, 0.5)).to.deep.equal([0, 6]);
    expect(levelCrossings(horseshoe, 5)).to.deep.equal([]);
  });

  it('of devices grows from dots to beads to true size', () => {
    expect([5, 16.9, 17, 110, 111].map(detailAt)).to.deep.equal(['dots', 'dots', 'beads', 'beads', 'true-size']);
  });
});

describe('a place set by hand', () => {
  it('is a whole centimetre, or a quarter inch', () => {
    expect(toHandGrid([1.2349, -0.006], 'metric')).to.deep.equal([1.23, -0.01]);
    expect(toHandGrid([0.0254 * 3.3, 0], 'imperial')).to.deep.equal([0.08255, 0]);
    expect(NUDGE_M.imperial).to.be.closeTo(0.0127, 1e-12);
  });
});

describe('a layer of a drawing', () => {
  it('is taken for what its name usually means, and otherwise lies below', () => {
    expect(
      ['A-WALL', 'Doors', 'FURN', 'E-SOCKETS', 'TEXT-NOTES', 'HATCH'].map((name) =>
        guessRole({ name, isOff: false, isFrozen: false }),
      ),
    ).to.deep.equal(['walls', 'openings', 'furniture', 'marks', 'text', 'underlay']);
  });

  it('that says nothing and holds most lines is searched for walls where none is named for them', () => {
    const layer = (name: string, lines: number) => ({ name, isOff: false, isFrozen: false, lines: new Float32Array(4 * lines) });
    expect(guessRoles([layer('0', 300), layer('DETAIL', 20), layer('TEXT', 900)])).to.deep.equal({
      0: 'walls',
      DETAIL: 'underlay',
      TEXT: 'text',
    });
    expect(guessRoles([layer('0', 300), layer('WALLS', 20)])).to.deep.equal({ 0: 'underlay', WALLS: 'walls' });
    expect(guessRoles([{ ...layer('0', 300), isFrozen: true }])).to.deep.equal({ 0: 'leave' });
  });
});

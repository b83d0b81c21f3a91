import { expect } from 'chai';
import fc from 'fast-check';
import { proposalInput, proposeWalls, readDxf, type WallProposal } from '../house/index.ts';
import type { Point2 } from '../math/index.ts';
import { checkIntegrity, newDevice, type ProjectDocument } from '../model/index.ts';
import { applied, smallHouse } from '../testing/index.ts';
import { type DrawnWall, drawnPlans } from '../testing/drawn-plans.ts';
import { acceptRevision, changedRooms, touchedBy } from './accept-revision.ts';
import { type RevisedPiece, revisedPieces, revisionShift } from './revised-plan.ts';
import { wallsFromProposals } from './walls-from-proposals.ts';
import { splitWall } from './walls.ts';

const ids = (before = '') => {
  let n = 0;
  return (kind: string) => `${before}${kind}_${++n}`;
};
const empty = (): ProjectDocument => ({ ...smallHouse(), rooms: {}, walls: {}, openings: {}, racks: {}, devices: {}, runs: {} });
const [COTTAGE] = drawnPlans();

const asProposal = ({ a, b, thicknessM, openings = [] }: DrawnWall): WallProposal => ({
  a,
  b,
  thicknessM,
  openings: openings.map(({ at, widthM, kind }) => ({ kind, offsetM: at, widthM, hinge: 'start', swing: 'left' })),
  certainty: 1,
});
function houseOf(proposals: readonly WallProposal[]): ProjectDocument {
  const made = wallsFromProposals(empty(), 'm', proposals, ids());
  if (!made.ok) throw new Error(made.problem.code);
  return applied(empty(), made.value);
}
const cottage = COTTAGE.walls.map(asProposal);
const kinds = (pieces: readonly RevisedPiece[]) => pieces.map(({ kind }) => kind).sort();
const changed = (n: number, change: Partial<WallProposal>) => cottage.map((one, k) => (k === n ? { ...one, ...change } : one));
const accepted = (house: ProjectDocument, pieces: readonly RevisedPiece[]) => {
  const done = acceptRevision(house, 'm', pieces, ids('new'));
  expect(done.refused).to.deep.equal([]);
  expect(checkIntegrity(done.project).ok).to.equal(true);
  return done.project;
};

describe('a revised plan', () => {
  it('that is the same differs in nothing, whatever way it was drawn and however its walls are cut', () => {
    for (const plan of drawnPlans().filter(({ name }) => name !== 'single lines')) {
      const read = readDxf(plan.dxf);
      if (!read.ok) throw new Error(read.problem.code);
      const input = proposalInput(read.value, read.value.metresPerUnit!, [plan.wallLayer], [plan.openingLayer]);
      const { walls } = proposeWalls(input);
      expect(revisedPieces(houseOf(walls), 'm', walls), plan.name).to.deep.equal([]);
    }
    const house = houseOf(cottage);
    const cut = splitWall(house, Object.keys(house.walls)[0], 4.2, ids('cut'));
    if (!cut.ok) throw new Error(cut.problem.code);
    expect(revisedPieces(applied(house, cut.value), 'm', cottage)).to.deep.equal([]);
  });

  it('in which a wall moved tells the wall and its way, and the rooms beside it', () => {
    const house = houseOf(cottage);
    const revised = changed(4, { a: [4.25, 0], b: [4.25, 7] });
    // The wall that ended at it ends at it still.
    revised[5] = {
      ...revised[5],
      a: [4.25, 3.2],
      openings: revised[5].openings.map((one) => ({ ...one, offsetM: one.offsetM - 0.25 })),
    };
    const pieces = revisedPieces(house, 'm', revised);
    expect(kinds(pieces)).to.deep.equal(['wall-moved']);
    expect(pieces[0]).to.deep.include({
      by: [0.25, 0],
      before: [
        [
          [4, 0],
          [4, 7],
        ],
      ],
      after: [
        [
          [4.25, 0],
          [4.25, 7],
        ],
      ],
    });
    const after = accepted(house, pieces);
    expect(revisedPieces(after, 'm', revised)).to.deep.equal([]);
    // 0.25 m by the clear depth of 6.7 m from the room on the left, and its doors moved along with it.
    const areas = changedRooms(house, after).map(({ beforeM2, afterM2 }) => Math.round((afterM2! - beforeM2!) * 100) / 100);
    expect(areas.sort((p, q) => p - q)[0]).to.be.closeTo(-0.93, 0.1);
    expect(areas.at(-1)).to.be.closeTo(1.75, 0.15);
  });

  it('tells walls that are new, gone, thicker or longer, and openings moved, wider, new or gone', () => {
    const house = houseOf(cottage);
    const one = (n: number, change: Partial<WallProposal>) => revisedPieces(house, 'm', changed(n, change));
    const wall: WallProposal = { ...cottage[4], a: [2, 0], b: [2, 7], openings: [] };
    expect(kinds(revisedPieces(house, 'm', [...cottage, wall]))).to.deep.equal(['wall-new']);
    expect(kinds(revisedPieces(house, 'm', cottage.slice(0, 6)))).to.deep.equal(['wall-gone']);
    expect(one(5, { thicknessM: 0.2 }).map((piece) => piece.kind === 'wall-thickness' && piece.thicknessM)).to.deep.equal([0.2]);
    const [stub] = one(6, { b: [6.6, 5.6] });
    expect(stub).to.deep.include({ kind: 'wall-length', longerM: -1.4, by: [0, -1.4] });
    const openings = (...list: [number, number, 'door' | 'window' | 'arch'][]) => ({
      openings: list.map(([offsetM, widthM, kind]) => ({ kind, offsetM, widthM, hinge: 'start', swing: 'left' }) as const),
    });
    expect(one(0, openings([2.3, 1.2, 'window'], [6.5, 1.2, 'window']))[0]).to.deep.include({
      kind: 'opening-changed',
      by: [0.3, 0],
      widthM: 1.2,
    });
    expect(one(0, openings([2, 1.5, 'window'], [6.5, 1.2, 'window']))[0]).to.deep.include({
      kind: 'opening-changed',
      by: [0, 0],
      widthM: 1.5,
    });
    expect(kinds(one(0, openings([2, 1.2, 'window'])))).to.deep.equal(['opening-gone']);
    expect(kinds(one(0, openings([2, 1.2, 'window'], [4.2, 0.9, 'door'], [6.5, 1.2, 'window'])))).to.deep.equal(['opening-new']);
    expect(kinds(one(0, openings([2, 1.2, 'door'], [6.5, 1.2, 'window'])))).to.deep.equal(['opening-gone', 'opening-new']);
  });

  it('taken piece by piece leaves nothing to take, whatever changed', () => {
    const step = fc.integer({ min: -6, max: 6 }).map((n) => n * 0.05);
    const change = fc.record({
      moves: fc.array(step, { minLength: 7, maxLength: 7 }),
      dropped: fc.integer({ min: 4, max: 12 }),
      slid: step,
    });
    fc.assert(
      fc.property(change, ({ moves, dropped, slid }) => {
        // Each wall moves across itself; what ends at it goes along.
        const [s, e, n, w, v, h, i] = moves;
        const [x0, x1, y0, y1, xv, yh, xi] = [0 + w, 9 + e, 0 + s, 7 + n, 4 + v, 3.2 + h, 6.6 + i];
        const ends: [Point2, Point2][] = [
          [
            [x0, y0],
            [x1, y0],
          ],
          [
            [x1, y0],
            [x1, y1],
          ],
          [
            [x1, y1],
            [x0, y1],
          ],
          [
            [x0, y1],
            [x0, y0],
          ],
          [
            [xv, y0],
            [xv, y1],
          ],
          [
            [xv, yh],
            [x1, yh],
          ],
          [
            [xi, yh],
            [xi, y1],
          ],
        ];
        const revised = cottage
          .map((one, k) => {
            const was = one.a[0] !== one.b[0] ? 0 : 1;
            const shift =
              Math.abs(ends[k][0][was] - one.a[was]) *
              (one.b[was] > one.a[was] ? 1 : -1) *
              Math.sign(ends[k][0][was] - one.a[was]);
            const openings = one.openings.map((opening) => ({
              ...opening,
              offsetM: opening.offsetM - shift + (k === 0 ? slid : 0),
            }));
            return { ...one, a: ends[k][0], b: ends[k][1], openings };
          })
          .filter((_, k) => k !== dropped || k < 4);
        const house = houseOf(cottage);
        const after = accepted(house, revisedPieces(house, 'm', revised));
        expect(revisedPieces(after, 'm', revised).map(({ id }) => id)).to.deep.equal([]);
      }),
      { numRuns: 60 },
    );
  });

  it('drawn about another origin is laid over the plan by its walls', () => {
    const house = houseOf(cottage);
    const elsewhere = cottage.map((one) => ({
      ...one,
      a: [one.a[0] + 12.3, one.a[1] - 4] as const,
      b: [one.b[0] + 12.3, one.b[1] - 4] as const,
    }));
    expect(revisionShift(house, 'm', elsewhere)).to.deep.equal([-12.3, 4]);
    expect(revisionShift(house, 'm', cottage)).to.deep.equal([0, 0]);
  });

  it('touches the devices on what changes and the runs that end there or go through it', () => {
    const [type] = Object.values(smallHouse().deviceTypes);
    const device = (id: string, x: number, y: number) =>
      newDevice({ id, typeId: type.id, levelId: 'm', roomId: null, number: 1, x, y, heightM: 1.2, facingRad: 0 });
    const bare = houseOf(cottage);
    const house = {
      ...bare,
      devices: Object.fromEntries([device('on', 4.1, 5), device('far', 1, 1)].map((one) => [one.id, one])),
    } as ProjectDocument;
    const [piece] = revisedPieces(house, 'm', changed(4, { a: [4.25, 0], b: [4.25, 7] })).filter(
      ({ kind }) => kind === 'wall-moved',
    );
    const { elevationM } = house.levels.m;
    const run = (runId: string, deviceId: string, ...points: [number, number, number][]) => ({ runId, deviceId, points });
    const z = elevationM + 2.5;
    expect(
      touchedBy(house, 'm', piece, [
        run('ends', 'on', [4.1, 5, z], [4.1, 5, z]),
        run('crosses', 'far', [1, 1, z], [8, 1, z]),
        run('beside', 'far', [1, 1, z], [3, 1, z]),
        run('another level', 'far', [1, 1, z + 4], [8, 1, z + 4]),
      ]),
    ).to.deep.equal({ deviceIds: ['on'], runIds: ['ends', 'crosses'] });
  });

  it('whose piece does not fit is told, and the rest is taken', () => {
    const house = houseOf(cottage);
    const [moved] = revisedPieces(house, 'm', changed(4, { a: [4.25, 0], b: [4.25, 7] })).filter(
      ({ kind }) => kind === 'wall-moved',
    );
    const missing: RevisedPiece = {
      id: 'x',
      kind: 'opening-changed',
      openingId: 'none',
      by: [0, 0],
      widthM: 1,
      before: [],
      after: [
        [
          [0, 0],
          [1, 0],
        ],
      ],
      halfM: 0.1,
    };
    const done = acceptRevision(house, 'm', [missing, moved], ids('new'));
    expect(done.refused.map(({ pieceId, problem }) => [pieceId, problem.code])).to.deep.equal([['x', 'record-gone']]);
    expect(done.project.walls[moved.kind === 'wall-moved' ? moved.wallIds[0] : ''].a).to.deep.equal([4.25, 0]);
  });
});

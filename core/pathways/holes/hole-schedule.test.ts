import { expect } from 'chai';
import { applyChange, type ProjectDocument, update } from '../../model/index.ts';
import { planRuns, proposeSharedRoutes } from '../../runs/index.ts';
import { applied, countedIds, smallHouse, withDevices } from '../../testing/index.ts';
import { boredLines, holeSchedule, holeTotals } from './hole-schedule.ts';

/** Two speakers side by side along the joists of the west room, which the east room's joists cross. */
function houseOf(more: Parameters<typeof smallHouse>[0] = { rooms: [{}, { joistAngleRad: Math.PI / 2 }] }): ProjectDocument {
  const house = smallHouse(more);
  return withDevices(
    // Where joists may be bored anywhere along their span, the route is straight and its holes are counted by hand.
    { ...house, project: { ...house.project, jurisdiction: 'NA' } },
    [
      { typeId: 'ceiling-speaker', at: [1, 2] },
      { typeId: 'ceiling-speaker', at: [3, 2] },
    ],
    countedIds(),
  ).project;
}
const scheduleOf = (project: ProjectDocument) => holeSchedule(project, planRuns(project));

describe('the hole list', () => {
  it('names each place once, for all cables that pass it there, with a bit that takes them', () => {
    const places = scheduleOf(houseOf());
    expect(holeTotals(places)).to.deep.equal([
      { member: 'joist', places: 13, holes: 13 },
      { member: 'top-plate', places: 1, holes: 1 },
    ]);
    for (const { runs, holes, ask, mostM: maxM, fill } of places) {
      expect(runs).to.have.length(2);
      // Two cables of 7.2 mm: 14.4 mm side by side and 3 mm round them.
      expect(holes).to.deep.equal([{ bitM: 0.02, cables: 2 }]);
      expect(fill).to.be.closeTo((2 * 7.2 ** 2) / 20 ** 2, 1e-9);
      expect(ask).to.equal(null);
      expect(maxM).to.be.greaterThan(0.02);
    }
  });

  it('gathers places that are bored alike into lines, and loses none', () => {
    const lines = boredLines(scheduleOf(houseOf()));
    expect(lines.map(({ first, last, count }) => [first.member, count, first.at[0], last.at[0]])).to.deep.equal([
      ['joist', 13, 5.2, 10],
      ['top-plate', 1, 10.2, 10.2],
    ]);
  });

  it('says which holes need nail plates: those that leave less than 32 mm to the face', () => {
    const thin = houseOf({ walls: { east: { cavityDepthM: 0.063 } } });
    expect(scheduleOf(thin).find(({ member }) => member === 'top-plate')).to.deep.include({ nailPlates: true });
    expect(scheduleOf(houseOf()).find(({ member }) => member === 'top-plate')).to.deep.include({ nailPlates: false });
  });

  it('asks the engineer for joists that are made, and where no hole that is allowed takes a cable', () => {
    const made = houseOf({ rooms: [{}, { joistAngleRad: Math.PI / 2, framing: 'i-joist' }] });
    expect(
      scheduleOf(made)
        .filter(({ member }) => member === 'joist')
        .map(({ ask }) => ask),
    ).to.include('engineer');
    const low = houseOf({ rooms: [{}, { joistAngleRad: Math.PI / 2, joistDepthM: 0.03 }] });
    const joist = scheduleOf(low).find(({ member }) => member === 'joist')!;
    expect([joist.holes, joist.ask]).to.deep.equal([[], 'engineer']);
  });

  it('asks for a firestop and for the mason where walls are of that make', () => {
    const divided = houseOf({ walls: { middle: { kind: 'fire' } } });
    expect(scheduleOf(divided).find(({ member }) => member === 'fire')).to.deep.include({ ask: 'firestop', wallId: 'middle' });
    const built = houseOf({ walls: { middle: { kind: 'masonry' } } });
    expect(scheduleOf(built).find(({ member }) => member === 'masonry')).to.deep.include({ ask: 'mason' });
  });

  it('gets shorter where runs share ways', () => {
    const apartHouse = withDevices(
      smallHouse({ rooms: [{}, { joistAngleRad: Math.PI / 2 }] }),
      [0.7, 1.3, 1.9, 2.6, 3.3].map((y, n) => ({ typeId: 'ceiling-speaker', at: [1 + n * 0.7, y] as const })),
      countedIds(),
    ).project;
    const { operations, together, apart } = proposeSharedRoutes(apartHouse, () => 'trunk');
    expect(together.totalM).to.be.lessThan(apart.totalM);
    const shared = applyChange(apartHouse, { operations });
    if (!shared.ok) throw new Error(shared.problem.code);
    const count = (project: ProjectDocument) => holeTotals(scheduleOf(project)).reduce((sum, { holes }) => sum + holes, 0);
    expect(count(shared.value)).to.be.lessThan(count(apartHouse));
    // A run that is issued is not laid anew.
    const [run] = Object.values(apartHouse.runs);
    const issued = update('runs', run, { state: 'issued' });
    const before = proposeSharedRoutes(apartHouse, () => 'trunk').runs;
    expect(proposeSharedRoutes(applied(apartHouse, issued ? [issued] : []), () => 'trunk').runs).to.equal(before - 1);
  });
});

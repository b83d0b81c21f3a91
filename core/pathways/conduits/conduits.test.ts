import { expect } from 'chai';
import fc from 'fast-check';
import { CABLE_TYPES, placeDevice } from '../../devices/index.ts';
import type { Outcome, Point3 } from '../../math/index.ts';
import { applyChange, type Feature, newFeature, type ProjectDocument } from '../../model/index.ts';
import { planRuns } from '../../runs/index.ts';
import { checked, countingIds, smallHouse, twoStoreyHouse } from '../../testing/index.ts';
import { conduitFill, CONDUITS, conduitSize, fillLimit, jams, pullTension, weightKgPerM } from '../../calculators/index.ts';
import { proposeConduit, spareConduits } from './spare-conduits.ts';
import { pathwayFills } from './pathway-fill.ts';

function must<T>(outcome: Outcome<T>): T {
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problem));
  return outcome.value;
}
const times = (count: number, d: number) => Array.from({ length: count }, () => d);

describe('a conduit', () => {
  it('of 25 mm with five cables of 6.1 mm is 29.8 % full and passes 40 % (worked example W8)', () => {
    const { fill, limit, fits } = must(conduitFill(times(5, 0.0061), 0.025, 'EU'));
    expect(fill).to.be.closeTo(0.298, 5e-4);
    expect([limit, fits]).to.deep.equal([0.4, true]);
  });

  it('takes as many Category 6 and 6A as the table of section 6 says', () => {
    const max = (insideM: number, d: number) => {
      let count = 0;
      while (must(conduitFill(times(count + 1, d), insideM, 'NA')).fits) count++;
      return count;
    };
    const table: Record<string, [number, number]> = {
      'flex-1': [6, 4],
      'flex-1-1/4': [12, 7],
      'flex-1-1/2': [16, 10],
      'flex-2': [27, 17],
      'corr-32': [6, 3],
      'corr-40': [10, 6],
      'corr-50': [16, 10],
      'corr-63': [27, 16],
    };
    for (const [key, counts] of Object.entries(table)) {
      const { insideM } = CONDUITS.find((one) => one.key === key)!;
      // Two cables alone may only fill 31 %, three and more 40: count from three on.
      const from3 = (d: number) => {
        const start = max(insideM, d);
        let count = Math.max(3, start);
        while (must(conduitFill(times(count + 1, d), insideM, 'NA')).fits) count++;
        return count;
      };
      expect([from3(0.0061), from3(0.0078)], key).to.deep.equal(counts);
    }
  });

  it('is chosen as the smallest that takes the cables with a quarter to spare; too many are refused', () => {
    // Two of 7.8 mm and one of 9 mm: 202.7 mm2 x 1.25 = 253.4; 40 % of 25.2 mm squared is needed.
    expect(must(conduitSize([0.0078, 0.0078, 0.009], 'EU')).key).to.equal('corr-40');
    expect(must(conduitSize([0.0061], 'NA')).key).to.equal('flex-3/4');
    expect(conduitSize(times(60, 0.0078), 'EU')).to.have.nested.property('problem.code', 'conduit-none-fits');
    expect(conduitFill([0.006], 0, 'EU')).to.have.nested.property('problem.field', 'insideDiameterM');
  });

  it('has room for so many more, and not one more than that (property)', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.003, max: 0.011, noNaN: true }), { maxLength: 12 }),
        fc.double({ min: 0.014, max: 0.06, noNaN: true }),
        (cables, insideM) => {
          const { roomFor } = must(conduitFill(cables, insideM, 'EU'));
          const after = (more: number) => must(conduitFill([...cables, ...times(more, 0.0061)], insideM, 'EU')).fits;
          if (roomFor > 0) expect(after(roomFor)).to.equal(true);
          expect(after(roomFor + 1)).to.equal(false);
        },
      ),
    );
  });

  it('may be filled by 53, 31 and 40 % in North America, and 60 % as a nipple', () => {
    expect([1, 2, 3, 9].map((count) => fillLimit(count, 'NA'))).to.deep.equal([0.53, 0.31, 0.4, 0.4]);
    expect([fillLimit(1, 'EU'), fillLimit(9, 'NA', 0.5)]).to.deep.equal([0.4, 0.6]);
  });

  it('three times as wide as one of three equal cables may wedge them (F6.3)', () => {
    expect([jams(times(3, 0.0061), 0.0183), jams(times(3, 0.0061), 0.025), jams(times(2, 0.0061), 0.0183)]).to.deep.equal([
      true,
      false,
      false,
    ]);
  });
});

describe('a pull', () => {
  const w = 0.045;
  const g = 9.80665;

  it('on the level, round a bend and up, as worked by hand (F6.4)', () => {
    const corners: Point3[] = [
      [0, 0, 0],
      [10, 0, 0],
      [10, 5, 0],
      [10, 5, 3],
    ];
    // From the end: 0.5 w g 10, bend, + 0.5 w g 5, bend, + w g 3.
    const first = 0.5 * w * g * 10;
    const second = first * Math.exp(Math.PI / 4) + 0.5 * w * g * 5;
    const third = second * Math.exp(Math.PI / 4) + w * g * 3;
    const pull = pullTension(corners, w);
    expect(pull.fromEndN).to.be.closeTo(third, 1e-9);
    // The other way round it falls first, which counts nothing, and turns at nothing.
    expect(pull.fromStartN).to.be.closeTo(0.5 * w * g * 5 * Math.exp(Math.PI / 4) + 0.5 * w * g * 10, 1e-9);
    expect(pull).to.include({ pullFrom: 'start', lengthM: 18 });
    expect(pull.bendsRad).to.be.closeTo(Math.PI, 1e-9);
  });

  it('weighs a Category 6 cable about as it is: 35 to 55 g a metre', () => {
    const cat6 = CABLE_TYPES.find(({ id }) => id === 'cat6_utp')!;
    expect(weightKgPerM(cat6)).to.be.within(0.035, 0.06);
  });
});

/** The small house with its rack, and a conduit from the south wall over the ceilings to the rack's wall. */
function withConduit(insideDiameterM: number | null, more: Partial<Feature> = {}): ProjectDocument {
  return {
    ...smallHouse({ rooms: [{ framing: 'slab' }, { framing: 'slab' }] }),
    features: {
      c: newFeature({
        id: 'c',
        levelId: 'm',
        kind: 'conduit',
        name: 'To the rack',
        points: [
          [2, 0],
          [2, 2],
          [10.2, 2],
        ],
        widthM: 0.032,
        bottomM: 2.3,
        topM: 2.33,
        insideDiameterM,
        ...more,
      }),
    },
  };
}
function withDrops(project: ProjectDocument, count: number, typeId = 'network-drop'): ProjectDocument {
  const ids = countingIds();
  return Array.from({ length: count }).reduce<ProjectDocument>(
    (house, _, n) =>
      must(applyChange(house, must(placeDevice(house, { typeId, levelId: 'm', at: [1.2 + 0.3 * n, 0.05] }, ids())))),
    project,
  );
}

describe('what lies in made ways', () => {
  it('is counted by the runs that go through', () => {
    const project = withDrops(withConduit(0.0243), 2);
    const runs = planRuns(project);
    const [load] = pathwayFills(project);
    expect(load.runs).to.have.length(runs.length);
    const square = runs.reduce((sum, { run }) => sum + project.cableTypes[run.cableTypeId].outsideDiameterM ** 2, 0);
    expect(load.fill).to.be.closeTo(square / 0.0243 ** 2, 1e-9);
    expect(load.pull!.lengthM).to.be.closeTo(10.2, 1e-9);
  });

  it('over the limit is a stop that a larger conduit cures; the rest is still routed', () => {
    const project = withDrops(withConduit(0.0141), 3);
    const finding = checked(project).find(({ code }) => code === 'way-over-full')!;
    expect(finding.rank).to.equal('stop');
    expect(finding.measured).to.be.greaterThan(finding.allowed!);
    const cured = must(applyChange(project, { operations: finding.cures[0].operations }));
    const after = checked(cured).filter(({ check }) => check === 'ways-fit');
    expect(after.filter(({ code }) => code === 'way-over-full')).to.deep.equal([]);
    expect(after.some(({ rank }) => rank === 'stop')).to.equal(false);
    expect(planRuns(project).every(({ proposedRoute }) => proposedRoute.ok)).to.equal(true);
  });

  it('of an unknown size is asked for', () => {
    expect(checked(withDrops(withConduit(null), 1)).some(({ code }) => code === 'way-size-unknown')).to.equal(true);
  });

  it('round too many bends or too far is told', () => {
    const codes = (points: [number, number][]) =>
      checked(withConduit(0.03, { points }))
        .filter(({ check }) => check === 'ways-fit')
        .map(({ code, rank }) => `${rank} ${code}`);
    expect(
      codes([
        [0, 0],
        [2, 0],
        [2, 2],
        [4, 2],
      ]),
    ).to.deep.equal([]);
    expect(
      codes([
        [0, 0],
        [2, 0],
        [2, 2],
        [4, 2],
        [4, 0],
      ]),
    ).to.deep.equal(['look way-bends']);
    expect(
      codes([
        [0, 0],
        [2, 0],
        [2, 2],
        [4, 2],
        [4, 0],
        [6, 0],
        [6, 2],
      ]),
    ).to.deep.equal(['stop way-bends-over']);
    expect(
      codes([
        [0, 0],
        [31, 0],
      ]),
    ).to.deep.equal(['look way-long']);
  });

  it('of a riser is measured by its open area', () => {
    const ids = countingIds();
    let project = twoStoreyHouse();
    project = must(
      applyChange(project, must(placeDevice(project, { typeId: 'ceiling-speaker', levelId: 'u', at: [9, 3.2] }, ids()))),
    );
    const riser = pathwayFills(project).find(({ kind }) => kind === 'riser')!;
    expect(riser.limit).to.equal(0.4);
    expect(riser.fill).to.be.lessThan(0.4);
    expect(riser.roomFor).to.be.greaterThan(0);
  });
});

describe('spare conduits', () => {
  it('are wanted at every display, to its furniture and not to the head end; putting them on the plan answers it', () => {
    const ids = countingIds();
    let project = smallHouse();
    project = must(applyChange(project, must(placeDevice(project, { typeId: 'display', levelId: 'm', at: [2, 0.05] }, ids()))));
    const [wanted] = spareConduits(project);
    expect(wanted).to.include({ why: 'display', servedBy: null });
    const proposed = proposeConduit(project, wanted, 'spare')!;
    // Two of 7.8 mm and a picture lead of 9 mm with a quarter to spare.
    expect(proposed.size.key).to.equal('corr-40');
    // From 1.35 m down to a place at 0.4 m, and no farther aside than its box must be off the stud.
    expect(proposed.lengthM).to.be.within(0.95 - 1e-6, 0.95 + 0.4);
    const finding = checked(project).find(({ code }) => code === 'conduits-missing')!;
    expect(finding).to.include({ rank: 'look', measured: 1 });
    const cured = must(applyChange(project, { operations: finding.cures[0].operations }));
    const laid = Object.values(cured.runs).find((run) => cured.cableTypes[run.cableTypeId].family === 'conduit')!;
    expect(cured.devices[laid.toDeviceId!].typeId).to.equal('equipment-place');
    expect(spareConduits(cured)[0].servedBy).to.equal(laid.number);
    expect(checked(cured).some(({ code }) => code === 'conduits-missing')).to.equal(false);
    // The runs of today go where they went before.
    const today = (house: ProjectDocument) =>
      planRuns(house)
        .filter(({ run }) => project.runs[run.id])
        .map(({ points }) => points);
    expect(today(cured)).to.deep.equal(today(project));
    expect(checked(cured).filter(({ rank }) => rank === 'stop')).to.deep.equal(
      checked(project).filter(({ rank }) => rank === 'stop'),
    );
    // Nothing is said of the conduit that is only true of cables.
    expect(
      checked(cured).filter(({ rank, subjects }) => rank !== 'fine' && subjects.some(({ id }) => id === laid.id)),
    ).to.deep.equal([]);
  });

  it('of a display go to the connection box that is there, also where its project knows neither conduits nor such places', () => {
    const ids = countingIds();
    const { 'equipment-place': _, ...deviceTypes } = smallHouse().deviceTypes;
    const cableTypes = Object.fromEntries(
      Object.entries(smallHouse().cableTypes).filter(([, { family }]) => family !== 'conduit'),
    );
    const old: ProjectDocument = { ...smallHouse(), deviceTypes, cableTypes };
    const place = (project: ProjectDocument, typeId: string, at: [number, number]) =>
      must(applyChange(project, must(placeDevice(project, { typeId, levelId: 'm', at }, ids()))));
    const house = place(old, 'display', [2, 0.05]);
    const cure = checked(house).find(({ code }) => code === 'conduits-missing')!.cures[0];
    expect(must(applyChange(house, { operations: cure.operations })).deviceTypes).to.have.property('equipment-place');
    const boxed = place(house, 'connection-box', [3, 0.4]);
    const led = checked(boxed).find(({ code }) => code === 'conduits-missing')!.cures[0];
    const after = must(applyChange(boxed, { operations: led.operations }));
    const laid = Object.values(after.runs).find((run) => after.cableTypes[run.cableTypeId].family === 'conduit')!;
    expect(after.devices[laid.toDeviceId!].typeId).to.equal('connection-box');
  });

  it('cannot be proposed where nothing leads to the head end', () => {
    const ids = countingIds();
    let project = smallHouse({ rooms: [{ framing: 'slab' }, { framing: 'slab' }] });
    project = must(applyChange(project, must(placeDevice(project, { typeId: 'display', levelId: 'm', at: [2, 0.05] }, ids()))));
    expect(proposeConduit(project, { ...spareConduits(project)[0], why: 'projector' }, 'spare')).to.equal(null);
    expect(spareConduits({ ...project, racks: {} })).to.deep.equal([]);
  });
});

import { expect } from 'chai';
import fc from 'fast-check';
import { listOf } from '../derive/index.ts';
import {
  type CableTest,
  create,
  forbiddenOperation,
  type InspectionItem,
  type Operation,
  type Photo,
  type ProjectDocument,
  type TaskTime,
  update,
} from '../model/index.ts';
import { holeSchedule } from '../pathways/index.ts';
import { planSpoolsOf } from '../order/index.ts';
import { plannedRun, planRuns } from '../runs/index.ts';
import { applied, countedIds, smallHouse, twoStoreyHouse, withDevices } from '../testing/index.ts';
import {
  addDeviceOnSite,
  addRunOnSite,
  crewDay,
  faultOfWord,
  inWalkingOrder,
  judgeNameplate,
  judgeTest,
  learnedOf,
  looksLikeSecret,
  markSeen,
  measuredLengths,
  missingToBring,
  movedBy,
  photoCoverage,
  pullDay,
  recordInspection,
  recordNameplate,
  recordTest,
  searchCable,
  signOff,
  siteInspection,
  STEP_CARDS,
  cardKeysFor,
  stepCardsOf,
  substituteCable,
  substituteDevice,
  takeLearnedWaste,
  takeMeasuredPlace,
  taskHours,
  type TestReading,
  unseenChanges,
} from './index.ts';

const { project: house } = withDevices(
  smallHouse(),
  [
    { typeId: 'network-drop', at: [3, 0.05] },
    { typeId: 'network-drop', at: [1, 0.05] },
    { typeId: 'ceiling-speaker', at: [2, 2] },
  ],
  countedIds(),
);
const runs = Object.values(house.runs);
const [first] = runs;
const data = runs.find(({ cableTypeId }) => house.cableTypes[cableTypeId].family === 'cat')!;
const TODAY = '2026-12-02';
const ids = () => {
  let n = 0;
  return (kind: string) => `${kind}-${++n}`;
};
const site = { by: 'Crew', on: TODAY, reason: 'Asked for on the walk' };
const done = (project: ProjectDocument, more: Partial<(typeof runs)[number]> = {}) =>
  applied(
    project,
    Object.values(project.runs).map((run) =>
      update('runs', run, { state: 'pulled', labelledEnds: 'both', rawTestedOn: TODAY, ...more })!,
    ),
  );
const inspect = (project: ProjectDocument) => siteInspection(project, holeSchedule(project, planRuns(project)), 'boards');
const item = (more: Partial<InspectionItem>): InspectionItem => ({
  ...{
    id: 'i1',
    inspection: 'boards',
    subject: 'devices',
    subjectId: first.deviceId,
    result: 'found',
    levelId: null,
    x: null,
    y: null,
  },
  ...{ heightM: null, by: 'Crew', on: TODAY, owner: '', dueOn: '', fixedOn: '', fixedBy: '', note: '', ...more },
});
const found = (project: ProjectDocument, one: InspectionItem): ProjectDocument => {
  const recorded = recordInspection(project, one);
  if (!recorded.ok) throw new Error(recorded.problem.code);
  return applied(project, recorded.value);
};
/** Everything that is expected was found. */
const allFound = (project: ProjectDocument): ProjectDocument =>
  inspect(project).lines.reduce(
    (now, { subject, subjectId }, n) => found(now, item({ id: `f${n}`, subject, subjectId })),
    project,
  );
const sealed = (project: ProjectDocument): ProjectDocument =>
  applied(
    project,
    inspect(project)
      .lines.filter(({ subject }) => subject === 'penetrations')
      .map(({ subjectId, levelId, at, heightM }, n) => {
        const [member] = subjectId.split(':');
        const elevationM = project.levels[levelId].elevationM;
        const record = {
          id: `seal${n}`,
          levelId,
          member,
          at: [...at, heightM! + elevationM],
          state: 'sealed',
          assembly: 'wall',
          product: 'Caulk',
          system: '',
        };
        return create('seals', { ...record, by: 'Crew', on: TODAY, photo: '', note: '' } as never);
      }),
  );

describe('the inspection before the walls close', () => {
  it('expects every device with its cables, in walking order, and says what the records miss', () => {
    const { lines, openErrors, seen } = inspect(house);
    const devices = lines.filter(({ subject }) => subject === 'devices');
    expect(devices.map(({ subjectId }) => subjectId).sort()).to.deep.equal(
      [...new Set(runs.map(({ deviceId }) => deviceId))].sort(),
    );
    expect(devices.every(({ fromRecords }) => fromRecords.includes('missing'))).to.equal(true);
    expect([seen, openErrors]).to.deep.equal([0, lines.length]);
  });
  it('asks for label, test and seal of what is pulled', () => {
    const bare = inspect(done(house, { labelledEnds: 'device', rawTestedOn: '' }));
    const device = bare.lines.find(({ subjectId }) => subjectId === first.deviceId)!;
    expect(device.fromRecords).to.deep.equal(['untested']);
    const rackOnly = inspect(done(house, { labelledEnds: 'rack' })).lines.find(({ subjectId }) => subjectId === first.deviceId)!;
    expect(rackOnly.fromRecords).to.deep.equal(['unlabelled']);
    expect(
      bare.lines.filter(({ subject }) => subject === 'penetrations').every((one) => one.fromRecords.includes('unsealed')),
    ).to.equal(true);
  });
  it('is clear when everything was found, labeled, tested and sealed, and then signs without anybody accepting', () => {
    const state = inspect(allFound(sealed(done(house))));
    expect([state.openErrors, state.fine, state.punchList.length]).to.deep.equal([0, state.lines.length, 0]);
    const signing = {
      id: 's',
      inspection: 'boards' as const,
      levelId: null,
      signedBy: 'Lead',
      signedOn: TODAY,
      acceptedBy: '',
      why: '',
    };
    const signed = signOff(state, signing, []);
    expect(signed.ok).to.equal(true);
    if (!signed.ok) return;
    const after = applied(house, signed.value);
    // A sign-off is never changed afterwards, and a forged one with open errors is no record.
    expect(() => applied(after, [update('inspectionSignOffs', after.inspectionSignOffs.s, { signedBy: 'Other' })!])).to.throw();
    expect(() => applied(house, [create('inspectionSignOffs', { ...signing, openErrors: 2, lines: [] })])).to.throw();
  });
  it('with open errors needs a name that accepts them, and why', () => {
    const state = inspect(house);
    const signing = {
      id: 's',
      inspection: 'boards' as const,
      levelId: null,
      signedBy: 'Lead',
      signedOn: TODAY,
      acceptedBy: '',
      why: '',
    };
    const codeOf = (more: Partial<typeof signing>) => {
      const signed = signOff(state, { ...signing, ...more }, ['line']);
      return signed.ok ? 'ok' : `${signed.problem.code} ${signed.problem.field}`;
    };
    expect(codeOf({})).to.equal('sign-off-open acceptedBy');
    expect(codeOf({ acceptedBy: 'Builder' })).to.equal('sign-off-why why');
    expect(codeOf({ signedBy: ' ' })).to.equal('sign-off-name signedBy');
    expect(codeOf({ acceptedBy: 'Builder', why: 'Ladder room comes later' })).to.equal('ok');
  });
  it('puts what is wrong on the punch list until it is fixed or found right', () => {
    const kinked = found(house, item({ result: 'kinked', owner: 'Crew', dueOn: '2026-12-04' }));
    expect(inspect(kinked).punchList.map(({ result, owner }) => [result, owner])).to.deep.equal([['kinked', 'Crew']]);
    const right = found(kinked, item({ id: 'i2', on: '2026-12-03' }));
    expect(inspect(right).punchList).to.deep.equal([]);
    expect(right.inspectionItems.i1.fixedOn).to.equal('2026-12-03');
    // Found as planned twice is once.
    expect(listOf(found(right, item({ id: 'i3' })), 'inspectionItems')).to.have.length(2);
  });
  it('counts as moved beyond 0.15 m, and takes the measured place into the plan', () => {
    const at = { at: [1, 1] as const, heightM: 0.3 };
    expect(movedBy(at, { at: [1.15, 1], heightM: 0.3 }).isMoved).to.equal(false);
    expect(movedBy(at, { at: [1.151, 1], heightM: 0.3 }).isMoved).to.equal(true);
    // 0.12 m along and 0.09 m up are 0.15 m.
    expect(movedBy(at, { at: [1.12, 1], heightM: 0.391 }).isMoved).to.equal(true);
    expect(movedBy(at, { at: [1.2, 1], heightM: 0.3 }, 0.25).isMoved).to.equal(false);
    expect(recordInspection(house, item({ result: 'moved' })).ok).to.equal(false);
    const moved = found(house, item({ result: 'moved', x: 2.5, y: 0.05, heightM: 0.4 }));
    const taken = applied(moved, takeMeasuredPlace(moved, moved.inspectionItems.i1, 'Office', TODAY));
    expect(taken.devices[first.deviceId]).to.include({ x: 2.5, y: 0.05, heightM: 0.4 });
    expect(inspect(taken).punchList).to.deep.equal([]);
  });
  it('keeps what nobody planned, and what is about a room', () => {
    const room = Object.keys(house.rooms)[0];
    const extra = found(house, item({ subject: 'rooms', subjectId: room, result: 'extra', note: 'Lead at the door' }));
    expect(inspect(extra).others.map(({ note }) => note)).to.deep.equal(['Lead at the door']);
    expect(inspect(extra).openErrors).to.equal(inspect(house).openErrors + 1);
  });
  it('before a pour looks only for what lies in slab or screed', () => {
    const all = siteInspection(house, [], 'pour');
    expect(all.lines).to.deep.equal([]);
  });
});

describe('walking order', () => {
  it('keeps all things, level by level, and finishes a room before the next', () => {
    const tall = twoStoreyHouse();
    const rooms = Object.values(tall.rooms);
    fc.assert(
      fc.property(fc.array(fc.nat(rooms.length - 1), { maxLength: 30 }), (picks) => {
        const things = picks.map((n, k) => ({ id: k, levelId: rooms[n].levelId, roomId: rooms[n].id, at: [k, -k] as const }));
        const walked = inWalkingOrder(tall, things);
        expect(walked.map(({ id }) => id).sort((a, b) => a - b)).to.deep.equal(things.map(({ id }) => id));
        const visits = walked.map(({ roomId }) => roomId).filter((roomId, n, list) => roomId !== list[n - 1]);
        expect(new Set(visits).size).to.equal(visits.length);
        const orders = walked.map(({ levelId }) => tall.levels[levelId].order);
        expect(orders).to.deep.equal(orders.toSorted((a, b) => a - b));
      }),
    );
  });
});

describe('a cable test', () => {
  const planned = plannedRun(house, data.id);
  const { leastM, mostM, cutLengthM } = planned.length!;
  const read = (more: Partial<TestReading> = {}): TestReading => ({ lengthM: cutLengthM, faults: [], ...more });
  it('passes within the range of the plan and of the reading, and asks why beyond it', () => {
    expect(judgeTest(house, planned, read())).to.include({ passed: true, asksWhy: false });
    expect(judgeTest(house, planned, read({ lengthM: leastM * 0.98 })).passed).to.equal(true);
    const off = judgeTest(house, planned, read({ lengthM: Math.max(mostM, cutLengthM) * 1.1 }));
    expect([off.passed, off.asksWhy, off.faults.map(({ fault }) => fault)]).to.deep.equal([false, true, ['wrong-length']]);
    expect(judgeTest(house, planned, read({ lengthM: leastM * 0.8 })).asksWhy).to.equal(true);
    expect(judgeTest(house, planned, read({ lengthM: leastM * 0.8 }), 'Shortcut through the closet').passed).to.equal(true);
  });
  it('fails a category cable beyond 90 m whatever anybody says', () => {
    expect(judgeTest(house, planned, read({ lengthM: 91 }), 'Long way').passed).to.equal(false);
  });
  it('fails with faults of the wiring, and where another cable answers', () => {
    const open = judgeTest(house, planned, read({ faults: [{ fault: 'open', pair: '3-6', atM: 2 }] }));
    expect([open.passed, open.faults[0].fault]).to.deep.equal([false, 'open']);
    // Read up to the fault: nobody is asked why it is so short.
    const upToFault = judgeTest(house, planned, read({ lengthM: 2, faults: [{ fault: 'short', pair: '1-2', atM: 2 }] }));
    expect([upToFault.passed, upToFault.asksWhy, upToFault.faults.length]).to.deep.equal([false, false, 1]);
    expect(judgeTest(house, planned, read({ farEnd: data.number })).passed).to.equal(true);
    expect(judgeTest(house, planned, read({ farEnd: 'OTHER-1' })).faults.map(({ fault }) => fault)).to.deep.equal(['wrong-end']);
  });
  it('is kept as it was, and the run knows the day on which it passed; a failure takes it away', () => {
    const test = (project: ProjectDocument, id: string, reading: TestReading) => {
      const recorded = recordTest(project, plannedRun(project, data.id), {
        ...{ id, kind: 'raw', on: TODAY, by: 'Crew', tester: 'simulated', limits: '', reason: '', note: '', reading },
      });
      if (!recorded.ok) throw new Error(recorded.problem.code);
      return applied(project, recorded.value);
    };
    const passed = test(house, 't1', read());
    expect(passed.runs[data.id].rawTestedOn).to.equal(TODAY);
    const failed = test(passed, 't2', read({ faults: [{ fault: 'short', pair: '1-2', atM: 0.4 }] }));
    expect([failed.runs[data.id].rawTestedOn, listOf(failed, 'cableTests').map(({ passed: ok }) => ok)]).to.deep.equal([
      '',
      [true, false],
    ]);
    expect(() =>
      applied(failed, [update('cableTests', failed.cableTests.t2, { passed: true } as Partial<CableTest>)!]),
    ).to.throw();
    expect(recordTest(house, planned, { ...failed.cableTests.t1, reading: read({ lengthM: 0 }) }).ok).to.equal(false);
  });
  it('reads the words that testers use', () => {
    expect(['OPEN', 'Split Pair', 'miswire', 'reversed', 'short', 'fine'].map(faultOfWord)).to.deep.equal([
      ...['open', 'split-pair', 'crossed-pairs', 'reversed-pair', 'short', null],
    ]);
  });
});

describe('what is found on site', () => {
  const add = () =>
    addDeviceOnSite(
      house,
      { typeId: 'network-drop', levelId: Object.keys(house.levels)[0], at: [2, 0.05], heightM: 0.5 },
      site,
      ids(),
    );
  it('is placed, cabled, priced as a change, put into the brief and reported to the office', () => {
    const added = add();
    if (!added.ok) throw new Error(added.problem.code);
    const { operations, change, runs: own } = added.value;
    const after = applied(house, operations);
    const device = after.devices[change.subjectId];
    expect([device.heightM, own.length > 0, own.every(({ id }) => id in after.runs)]).to.deep.equal([0.5, true, true]);
    const type = house.deviceTypes['network-drop'];
    const cables = own.map(({ id }) => plannedRun(after, id));
    const hand =
      type.price +
      type.hours * house.project.labourRate +
      cables.reduce((sum, one) => sum + one.length!.cutLengthM * house.cableTypes[one.run.cableTypeId].pricePerM, 0);
    // Beside material: the hours of each cable, which the price never leaves out.
    expect(change.priceCents / 100).to.be.greaterThan(hand);
    expect(unseenChanges(after).map(({ id }) => id)).to.deep.equal([change.id]);
    expect(unseenChanges(applied(after, markSeen(change, 'Office', TODAY)))).to.deep.equal([]);
    const cell = listOf(after, 'briefCells').find(({ roomId, topic }) => roomId === device.roomId && topic === type.answers);
    expect([cell?.answer, cell?.count]).to.deep.equal(['wanted', 1]);
  });
  it('may be recorded by a crew, but no change of the plan without a report to the office', () => {
    const added = add();
    const operations = added.ok ? added.value.operations : [];
    expect(forbiddenOperation('crew', operations)).to.equal(null);
    const untold = operations.filter(({ in: list }) => list !== 'siteChanges');
    expect(forbiddenOperation('crew', untold)).not.to.equal(null);
    const seen = operations.map((one): Operation =>
      one.op === 'create' && one.in === 'siteChanges' ? { ...one, record: { ...one.record, seenBy: 'Me' } } : one,
    );
    expect(forbiddenOperation('crew', seen)).not.to.equal(null);
    const gone: Operation = { op: 'delete', in: 'walls', id: 'w', record: {} };
    expect(forbiddenOperation('crew', [...operations, gone])).to.equal(gone);
    expect(forbiddenOperation('client', operations)).to.equal(operations[0]);
  });
  it('needs a reason', () => {
    const blank = addRunOnSite(house, first.deviceId, first.cableTypeId, { ...site, reason: ' ' }, ids());
    expect(blank.ok ? 'ok' : [blank.problem.code, blank.problem.field]).to.deep.equal(['site-reason', 'reason']);
    const added = addRunOnSite(house, first.deviceId, first.cableTypeId, site, ids());
    expect(added.ok && added.value.change.what).to.include(added.ok && added.value.runs[0].number);
  });
  it('substitutes a cable of its family, with label out of date, and no other', () => {
    const other = Object.values(house.cableTypes).find(({ id, family }) => family === 'cat' && id !== data.cableTypeId)!;
    const swapped = substituteCable(house, data.id, other.id, site, ids());
    if (!swapped.ok) throw new Error(swapped.problem.code);
    expect(applied(house, swapped.value.operations).runs[data.id].cableTypeId).to.equal(other.id);
    const codeOf = (cableId: string) => {
      const outcome = substituteCable(house, data.id, cableId, site, ids());
      return outcome.ok ? 'ok' : outcome.problem.code;
    };
    expect(codeOf(data.cableTypeId)).to.equal('substitute-same');
    expect(codeOf('spk_14_4')).to.equal('substitute-family');
    expect(codeOf('nothing')).to.equal('record-gone');
  });
  it('substitutes a device: its price follows that of the other type', () => {
    const swapped = substituteDevice(house, data.deviceId, 'access-point', site, ids());
    if (!swapped.ok) throw new Error(swapped.problem.code);
    expect(applied(house, swapped.value.operations).devices[data.deviceId].typeId).to.equal('access-point');
    expect(swapped.value.change.kind).to.equal('substitution');
  });
});

describe('photos of a wall', () => {
  const wall = Object.values(house.walls).find(({ cableMayRun }) => cableMayRun)!;
  const photo = (id: string, fromCornerM: number, widthM: number): Photo => ({
    ...{
      id,
      fileId: 'a'.repeat(64),
      media: 'photo',
      kind: 'wall',
      takenAt: '2026-12-02T10:00:00Z',
      by: '',
      roomId: null,
      wallId: wall.id,
    },
    ...{
      deviceId: null,
      penetration: '',
      fromCornerM,
      widthM,
      heightM: null,
      bay: null,
      hasTape: false,
      marks: [],
      isShared: false,
      note: '',
    },
  });
  const covered = (photos: readonly Photo[]) =>
    photoCoverage(
      applied(
        house,
        photos.map((one) => create('photos', one)),
      ),
    ).find((one) => one.wall.id === wall.id)!;
  it('cover what they show from near, each part once', () => {
    const two = covered([photo('a', 0.5, 1), photo('b', 1, 1)]);
    expect(two.coveredM).to.be.closeTo(1.5, 1e-9);
    expect(two.gapM).to.be.closeTo(two.lengthM - 1.5, 1e-9);
    // From far away one sees the wall and no lead.
    expect(covered([photo('a', 1, 4)]).coveredM).to.equal(0);
  });
  it('never cover more than the wall, and never less with one more', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.double({ min: 0, max: 12, noNaN: true }), fc.double({ min: 0.05, max: 2.5, noNaN: true })), {
          maxLength: 8,
        }),
        (list) => {
          const photos = list.map(([at, width], n) => photo(`p${n}`, at, width));
          const [less, all] = [covered(photos.slice(1)), covered(photos)];
          expect(all.coveredM).to.be.within(less.coveredM - 1e-9, all.lengthM + 1e-9);
          expect(all.gapM).to.be.within(0, all.lengthM + 1e-9);
        },
      ),
    );
  });
});

describe('what was measured', () => {
  const time = (id: string, hours: number, more: Partial<TaskTime> = {}): TaskTime => ({
    ...{
      id,
      task: 'pull',
      roomId: null,
      count: 4,
      estimateHours: 2,
      hours,
      reason: '',
      isAttic: false,
      by: 'Crew',
      on: TODAY,
      ...more,
    },
  });
  it('is learned from with its spread, and what was assumed counts as five jobs', () => {
    // (3*1.5 + 5*1)/(3 + 5) = 1.1875; standard deviation of 1, 1.5, 2 is 0.5.
    expect(learnedOf([1, 1.5, 2], 1)).to.deep.equal({ n: 3, mean: 1.5, spread: 0.5, factor: 1.1875 });
    expect(learnedOf([], 1.1)).to.deep.equal({ n: 0, mean: 1.1, spread: 0, factor: 1.1 });
  });
  it('gives factors of tasks, those of the attic by themselves', () => {
    const project = applied(house, [
      create('taskTimes', time('a', 3, { reason: 'Blocking in the bays' })),
      create('taskTimes', time('b', 6, { isAttic: true })),
    ]);
    const rows = taskHours(project);
    expect(rows.map(({ task, isAttic, mean, reasons }) => [task, isAttic, mean, reasons.length])).to.deep.equal([
      ['pull', false, 1.5, 1],
      ['pull', true, 3, 0],
    ]);
  });
  it('shows how wrong the plan was, and corrects the waste only from three runs on', () => {
    const spool = { id: 's1', code: 'S1', cableTypeId: first.cableTypeId, lengthM: 1000, jacketColour: '', make: '' };
    const withCuts = (count: number) =>
      applied(done(house), [
        create('spools', { ...spool, isBoxed: false, needsStand: false, note: '' }),
        ...runs.slice(0, count).map(({ id }, n) => {
          const lengthM = plannedRun(house, id).length!.cutLengthM + 1 + n;
          return create('spoolCuts', { id: `c${n}`, spoolId: 's1', runId: id, lengthM, on: TODAY, firstMark: '', lastMark: '' });
        }),
      ]);
    const two = withCuts(2);
    const measured = measuredLengths(two, planRuns(two));
    expect(measured.runs.map(({ overM }) => Math.round(overM * 1000) / 1000)).to.deep.equal([2, 1]);
    expect(takeLearnedWaste(two, measured).ok).to.equal(false);
    const three = withCuts(3);
    const learned = measuredLengths(three, planRuns(three));
    const taken = takeLearnedWaste(three, learned);
    expect(taken.ok && applied(three, taken.value).project.wasteFactor).to.be.closeTo(
      Math.min(1.5, learned.waste.factor),
      0.0006,
    );
  });
});

describe('a lead behind a closed wall', () => {
  const search = (project: ProjectDocument) => searchCable(project, data.deviceId, planRuns(project), TODAY)!;
  it('is looked for where it was recorded first, with likelihoods that make one', () => {
    const { candidates, neighbours, stage } = search(house);
    expect(candidates[0].how).to.equal('as-recorded');
    expect(candidates.reduce((sum, { probability }) => sum + probability, 0)).to.be.closeTo(1, 1e-9);
    expect(neighbours.length).to.be.greaterThan(0);
    expect(stage).to.equal('open');
    expect(searchCable(house, 'nothing', [], TODAY)).to.equal(null);
  });
  it('is learned from where others were found', () => {
    const finds = [1, 2, 3, 4, 5, 6].map((n) =>
      create('cableFinds', {
        id: `f${n}`,
        deviceId: data.deviceId,
        how: 'other-stub',
        alongM: null,
        upM: null,
        stage: 'boarded',
        by: '',
        on: TODAY,
        note: '',
      }),
    );
    const of = (project: ProjectDocument) => search(project).candidates.find(({ how }) => how === 'other-stub')!.probability;
    expect(of(applied(house, finds))).to.be.greaterThan(2 * of(house));
  });
  it('costs more to look for the later it is, and is opened where that is worth most', () => {
    const dated = (gates: readonly string[]) =>
      applied(
        { ...house, project: { ...house.project, siteRates: { channelPerM: 10, openingPerM2: 100, paintPerM2: 30 } } },
        gates.map((gate, n) => create('tradeDates', { id: `g${n}`, gate, on: '2026-11-01', from: '' } as never)),
      );
    const costs = [[], ['board'], ['board', 'mud'], ['board', 'mud', 'paint']].map((gates) => {
      const { openFirst, stage } = search(dated(gates));
      return [stage, openFirst?.cost ?? 0] as const;
    });
    expect(costs.map(([stage]) => stage)).to.deep.equal(['open', 'boarded', 'mudded', 'painted']);
    const prices = costs.map(([, cost]) => cost);
    expect(prices).to.deep.equal(prices.toSorted((a, b) => a - b));
    expect(new Set(prices).size).to.equal(4);
  });
});

describe('the morning of a crew', () => {
  const day = (project: ProjectDocument) => {
    const planned = planRuns(project);
    return crewDay(project, planned, pullDay(project, planSpoolsOf(project)).pulls, holeSchedule(project, planned), TODAY);
  };
  it('says what is open, what is dangerous in it, and what to bring', () => {
    const today = day(house);
    expect(today.openRuns).to.equal(runs.length);
    expect(today.prompts).to.include.members(['eyes', 'lungs', 'ladders']);
    expect(today.bring.some(({ kind }) => kind === 'bit')).to.equal(true);
    expect(missingToBring(today)).to.have.length(today.bring.length);
    const packed = applied(house, [
      create('packedItems', { id: 'p', key: today.bring[0].key, isPacked: true, by: '', on: TODAY }),
    ]);
    expect(missingToBring(day(packed))).to.have.length(today.bring.length - 1);
  });
  it('is quiet when all is pulled', () => {
    const today = day(done(house));
    expect([today.openRuns, today.prompts, today.bring]).to.deep.equal([0, [], []]);
  });
  it('lists labels that were printed before the plan changed', () => {
    const printed = applied(house, [update('runs', data, { printedOn: TODAY, printedAs: 'OLD | label' })!]);
    expect(day(printed).changedSincePrinted.map(({ id }) => id)).to.deep.equal([data.id]);
  });
});

describe('step cards', () => {
  it('are the firm’s own where it has them', () => {
    const own = { id: 'c', key: 'data-jack', title: 'Our jack', tool: '', stripMm: 25, steps: ['One'], polarity: '', proof: '' };
    const cards = stepCardsOf(applied(house, [create('stepCards', own), create('stepCards', { ...own, id: 'd', key: 'ours' })]));
    expect(cards.map(({ title }) => title)).to.include('Our jack');
    expect(cards).to.have.length(STEP_CARDS.length + 1);
  });
  it('fit the device and its cables', () => {
    expect(cardKeysFor(house.deviceTypes['ceiling-speaker'], ['spk_2'])).to.deep.equal(['in-ceiling', 'speaker']);
    expect(cardKeysFor(house.deviceTypes['network-drop'], ['cat', 'cat'])).to.deep.equal(['data-jack']);
  });
});

describe('a nameplate', () => {
  it('is as quoted where the names meet, else it differs until somebody accepts it', () => {
    const read = {
      id: 'n',
      subject: 'devices' as const,
      subjectId: data.deviceId,
      model: 'Network drop Mk II',
      rating: '',
      serial: 'A-1',
      why: '',
      by: '',
      on: TODAY,
    };
    expect(judgeNameplate(house, read).isAsQuoted).to.equal(true);
    const after = applied(house, recordNameplate(house, { ...read, model: 'Doorbell' }));
    expect(after.nameplates.n.result).to.equal('differs');
    const accepted = applied(after, recordNameplate(after, { ...read, id: 'other', model: 'Doorbell', why: 'Out of stock' }));
    expect([Object.keys(accepted.nameplates), accepted.nameplates.n.result]).to.deep.equal([['n'], 'accepted']);
    expect(judgeNameplate(after, { ...read, subjectId: first.id, serial: 'a1' }).sameSerial).to.equal(data.deviceId);
  });
  it('and notes are no place for passwords', () => {
    expect(['Password: hunter', 'PIN 1234', 'wifi key is abc', 'WPA2: abc', 'pwd hunter2'].every(looksLikeSecret)).to.equal(true);
    expect(
      ['Backup on the USB stick', 'Spinning fan replaced', 'Pin 1 is orange-white', 'The client keeps the password', ''].some(
        looksLikeSecret,
      ),
    ).to.equal(false);
  });
});

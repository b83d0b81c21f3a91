import { Derivations, type Touched } from '../derive/index.ts';
import { runChecks } from '../rules/index.ts';
import { moveDevices, placeDevice, removeDevices } from '../devices/index.ts';
import { cablingReport, scheduleOf } from '../sheets/index.ts';
import { COLLECTION_NAMES, type Operation, type ProjectDocument, update, updateProject } from '../model/index.ts';
import { bundleByRoute, planRuns } from '../runs/index.ts';
import { bothRoutes } from '../pathways/index.ts';
import { applied, checked, countedIds, twoStoreyHouse, withDevices } from '../testing/index.ts';
import { applySplices, splicesBetween } from './splices.ts';
import { applyDelta, derivedFrom, NO_LISTS, plannedFrom } from './delta.ts';
import { DerivedProject } from './derived-project.ts';
import { applyPatch, patchOf } from './patch.ts';
import { expect } from 'chai';
import fc from 'fast-check';

const WORDS = { outdoors: 'Outdoors' };
const TODAY = '2026-11-25';

/** To the end, with every share on the way. */
function finished<T>(steps: Generator<number, T>): { value: T; shares: number[] } {
  const shares: number[] = [];
  for (;;) {
    const step = steps.next();
    if (step.done) return { value: step.value, shares };
    shares.push(step.value);
  }
}

/** As it goes to the page and back. */
const sent = <T>(value: T): T => structuredClone(value);

const ids = countedIds();
const { project: start } = withDevices(
  twoStoreyHouse(),
  [
    { typeId: 'ceiling-speaker', at: [1, 1] },
    { typeId: 'network-drop', at: [3, 0.05] },
    { typeId: 'display', at: [5, 0.05] },
    { typeId: 'ceiling-speaker', at: [7, 2] },
  ],
  ids,
);

/** Every record of two states, as if an edit had touched them all. */
const touchedAll = (before: ProjectDocument, after: ProjectDocument): Touched =>
  new Map(COLLECTION_NAMES.map((name) => [name, new Set([...Object.keys(before[name]), ...Object.keys(after[name])])]));

/** A page with its worker: it knows only what is published. */
function page(project: ProjectDocument) {
  const derivedProject = new DerivedProject(WORDS);
  derivedProject.open(sent(project), TODAY);
  let now = project;
  let lists = applyDelta(NO_LISTS, sent(finished(derivedProject.derive(TODAY)).value));
  return {
    derivedProject,
    edit(next: ProjectDocument) {
      derivedProject.edit(sent(patchOf(now, next, touchedAll(now, next))));
      now = next;
      const delta = sent(finished(derivedProject.derive(TODAY)).value);
      lists = applyDelta(lists, delta);
      return delta;
    },
    get derived() {
      return derivedFrom(lists, now);
    },
    get lists() {
      return lists;
    },
  };
}

const plain = (project: ProjectDocument) => {
  const runs = planRuns(project);
  const findings = runChecks(project, TODAY);
  return { runs, findings, rows: scheduleOf(project, WORDS, TODAY) };
};

function expectSame(project: ProjectDocument, derived: ReturnType<typeof derivedFrom>) {
  const wanted = plain(structuredClone(project));
  expect(derived.runs).to.deep.equal(wanted.runs);
  expect(derived.rows).to.deep.equal(wanted.rows);
  const texts = (list: readonly object[]) =>
    list.map((one) => JSON.stringify({ ...one, ref: undefined, cures: undefined, stage: undefined })).sort();
  expect(texts(derived.findings)).to.deep.equal(texts(wanted.findings));
}

describe('what follows from a project', () => {
  it('is published in whole once and then as deltas, which add up to a cold start, whatever is edited', () => {
    const place = fc.tuple(fc.double({ min: 0.2, max: 9.8, noNaN: true }), fc.double({ min: 0.2, max: 3.8, noNaN: true }));
    const step = fc.oneof(
      fc.record({ kind: fc.constant('move' as const), which: fc.nat(20), place }),
      fc.record({ kind: fc.constant('place' as const), which: fc.nat(1), place }),
      fc.record({ kind: fc.constant('remove' as const), which: fc.nat(20), place }),
      fc.record({ kind: fc.constant('wall' as const), which: fc.nat(20), place }),
      fc.record({ kind: fc.constant('waste' as const), which: fc.nat(20), place }),
    );
    fc.assert(
      fc.property(fc.array(step, { maxLength: 8 }), (steps) => {
        const one = page(start);
        let project = start;
        for (const { kind, which, place: at } of steps) {
          const operations = operationsOf(project, kind, which, at);
          if (!operations) continue;
          project = applied(project, operations);
          one.edit(project);
        }
        expectSame(project, one.derived);
      }),
      { numRuns: 40 },
    );
  });

  it('has its routes published ahead of the checks, once, for a house that was just opened', () => {
    const derivedProject = new DerivedProject(WORDS);
    derivedProject.open(start, TODAY);
    const routed = finished(derivedProject.route()).value!;
    const early = applyDelta(NO_LISTS, sent(routed));
    expect(derivedFrom(early, start).runs).to.deep.equal(planRuns(start));
    expect(early.findings).to.deep.equal([]);
    expect(early.rows.map(({ runId }) => runId)).to.deep.equal(planRuns(start).map(({ run }) => run.id));
    expect(finished(derivedProject.route()).value).to.equal(null);
    expectSame(start, derivedFrom(applyDelta(early, sent(finished(derivedProject.derive(TODAY)).value)), start));
  });

  it('is little after a small edit: a device that moved tells its own runs', () => {
    const one = page(start);
    const moved = moveDevices(start, [{ deviceId: 'd1', to: [2, 1] }]);
    const delta = one.edit(applied(start, moved.ok ? moved.value : []));
    const own = Object.values(start.runs).filter(({ deviceId }) => deviceId === 'd1');
    expect(delta.runs.flatMap(({ put }) => put.map(({ runId }) => runId))).to.deep.equal(own.map(({ id }) => id));
    expect(delta.rows.flatMap(({ put }) => put)).to.have.length(own.length);
  });

  it('can be looked at for an edit that is not made, and is as before after it', () => {
    const one = page(start);
    const before = one.lists;
    const removed = removeDevices(start, ['d1']);
    const without = applied(start, removed.ok ? removed.value : []);
    const delta = finished(one.derivedProject.preview(sent(patchOf(start, without, touchedAll(start, without))), TODAY)).value;
    expectSame(without, derivedFrom(applyDelta(before, sent(delta)), without));
    expect(one.edit(start)).to.deep.equal({ isWhole: false, runs: [], findings: [], rows: [] });
  });

  it('of devices in the hand is what it would be if they were let go there', () => {
    const one = page(start);
    const moved = moveDevices(start, [{ deviceId: 'd1', to: [2.2, 1.4] }]);
    const operations = moved.ok ? moved.value : [];
    const held = one.derivedProject.drag(sent(operations), ['d1'])!;
    const there = applied(start, operations);
    const own = planRuns(there).filter(({ device }) => device.id === 'd1');
    expect(held.runs.map((delta) => plannedFrom(sent(delta), there))).to.deep.equal(own);
    // In the wall between the rooms a ceiling speaker has no cavity to go into: it is delta so while it is held.
    const into = moveDevices(start, [{ deviceId: 'd1', to: [4.9, 3.99] }]);
    const clashing = one.derivedProject.drag(into.ok ? into.value : [], ['d1'])!;
    expect(clashing.clashes.map(({ deviceId }) => deviceId)).to.include('d1');
    expect(one.edit(start)).to.deep.equal({ isWhole: false, runs: [], findings: [], rows: [] });
  });

  it('tells its share on the way, and loses nothing where it is called off', () => {
    const derivedProject = new DerivedProject(WORDS);
    derivedProject.open(start, TODAY);
    const steps = derivedProject.derive(TODAY);
    steps.next();
    const { value, shares } = finished(derivedProject.derive(TODAY));
    expectSame(start, derivedFrom(applyDelta(NO_LISTS, value), start));
    expect(shares).to.deep.equal([...shares].sort((a, b) => a - b));
    expect(shares.at(-1)).to.equal(1);
  });

  it('gives the cures of a finding when they are asked for, and none for one that is over', () => {
    const [run] = Object.values(start.runs).filter(({ deviceId }) => deviceId === 'd1');
    const thin = update('runs', run, { cableTypeId: 'sec_22_2' });
    const narrow = applied(start, thin ? [thin] : []);
    const one = page(narrow);
    const [cured] = checked(narrow, TODAY).filter(({ cures }) => cures.length > 0);
    const delta = one.derived.findings.find(
      ({ code, subjects }) => code === cured.code && subjects[0].id === cured.subjects[0].id,
    )!;
    expect(one.derivedProject.cures(delta.ref)).to.deep.equal(cured.cures);
    expect(one.derivedProject.cures('nothing')).to.deep.equal([]);
  });

  it('leaves out what speaks of records that are gone, until the rest is published', () => {
    const one = page(start);
    const removed = removeDevices(start, ['d1']);
    const without = applied(start, removed.ok ? removed.value : []);
    const meanwhile = derivedFrom(one.lists, without);
    expect(meanwhile.runs.map(({ device }) => device.id)).not.to.include('d1');
    expect(meanwhile.rows.map(({ deviceId }) => deviceId)).not.to.include('d1');
    expect(meanwhile.findings.flatMap(({ subjects }) => subjects.map(({ id }) => id))).not.to.include('d1');
  });
});

describe('a patch', () => {
  it('makes the one state of the other and keeps what it does not name', () => {
    const moved = moveDevices(start, [{ deviceId: 'd2', to: [3.5, 0.05] }]);
    const after = applied(start, moved.ok ? moved.value : []);
    const patch = patchOf(start, after, touchedAll(start, after));
    const made = applyPatch(new Derivations(start), sent(patch)).project;
    expect(made).to.deep.equal(after);
    expect(made.walls).to.equal(start.walls);
    expect(made.devices.d1).to.equal(start.devices.d1);
    expect(patchOf(start, start, touchedAll(start, start))).to.deep.equal({ tables: [] });
  });
});

describe('splices', () => {
  it('make the one list of the other, for any two lists', () => {
    const list = fc.array(fc.nat(4), { maxLength: 12 });
    fc.assert(
      fc.property(list, list, (before, after) => {
        const splices = splicesBetween(before, after, (a, b) => a === b);
        expect(applySplices(before, splices)).to.deep.equal(after);
      }),
    );
  });
});

function operationsOf(
  project: ProjectDocument,
  kind: 'move' | 'place' | 'remove' | 'wall' | 'waste',
  which: number,
  at: readonly [number, number],
): readonly Operation[] | null {
  const devices = Object.keys(project.devices).sort();
  const id = devices[which % Math.max(1, devices.length)];
  if (kind === 'move' && id) {
    const moved = moveDevices(project, [{ deviceId: id, to: at }]);
    return moved.ok ? moved.value : null;
  }
  if (kind === 'remove' && id) {
    const removed = removeDevices(project, [id]);
    return removed.ok ? removed.value : null;
  }
  if (kind === 'place') {
    const placed = placeDevice(
      project,
      { typeId: 'ceiling-speaker', levelId: which === 0 ? 'm' : 'u', at },
      { device: ids.device(), run: ids.run },
    );
    return placed.ok ? placed.value.operations : null;
  }
  const walls = Object.keys(project.walls).sort();
  const operation =
    kind === 'wall'
      ? update('walls', project.walls[walls[which % walls.length]], { kind: which % 2 === 0 ? 'fire' : 'stud' })
      : updateProject(project.project, { wasteFactor: 1 + (which % 5) / 20 });
  return operation ? [operation] : null;
}

describe('what is asked of the one that follows', () => {
  it('survives the way to the page, and is what the routes of now say', () => {
    const { derivedProject } = page(start);
    const runs = planRuns(start);
    expect(sent(derivedProject.cabling())).to.deep.equal(sent(cablingReport(start)));
    expect(derivedProject.bundles()).to.deep.equal(bundleByRoute(runs, start.cableTypes));
    expect(derivedProject.scheme('{room}-{device}')).to.have.nested.property('problem.code', 'scheme-not-unique');
    const preview = derivedProject.scheme('{level}{room}{device}.{leg}');
    expect(preview.ok && preview.value.changed).to.equal(runs.length);
    const both = derivedProject.bothRoutes(runs[0].run.id)!;
    expect(sent(both.inWall!.openings)).to.equal(bothRoutes(start, runs[0]).inWall!.openings);
    expect(derivedProject.bothRoutes('nobody')).to.equal(null);
  });
});

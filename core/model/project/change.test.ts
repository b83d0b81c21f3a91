import { expect } from 'chai';
import fc from 'fast-check';
import { countedIds, countingIds, smallHouse, withDevices } from '../../testing/index.ts';
import { placeDevice, removeDevices } from '../../devices/index.ts';
import { applyChange, type Change, changeSchema, type FieldConflict, type Operation, reverseOperations } from './change.ts';
import { checkIntegrity } from './integrity.ts';
import { emptyHistory, redoStep, remember, undoStep } from './history.ts';
import { update } from './operations.ts';
import type { ProjectDocument } from './project-document.ts';

const apply = (project: ProjectDocument, operations: readonly Operation[]) => {
  const applied = applyChange(project, { operations });
  if (!applied.ok) throw new Error(JSON.stringify(applied.problem));
  return applied.value;
};
const change = (operations: readonly Operation[], id = '00000000-0000-4000-8000-000000000001'): Change => ({
  id,
  baseRevision: 0,
  title: 'edit',
  operations,
});

function houseWithSpeakers(): ProjectDocument {
  const ids = countingIds();
  let project = smallHouse();
  for (const x of [1, 2, 3]) {
    const placed = placeDevice(project, { typeId: 'ceiling-speaker', levelId: 'm', at: [x, 2] }, ids());
    if (placed.ok) project = apply(project, placed.value.operations);
  }
  return project;
}

/** A drawn edit of the house with speakers. */
const edit = (project: ProjectDocument, pick: number, value: number): Operation[] => {
  const devices = Object.values(project.devices);
  const device = devices[pick % Math.max(1, devices.length)];
  if (!device) return [];
  if (pick % 5 === 4) {
    const removed = removeDevices(project, [device.id]);
    return removed.ok ? removed.value : [];
  }
  const one =
    pick % 2 === 0 ? update('devices', device, { x: value }) : update('devices', device, { note: `n${value}`, y: value });
  return one ? [one] : [];
};

describe('a change', () => {
  it('reversed brings back the very same document, whatever was done', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(40), fc.nat(4)), { maxLength: 12 }), (edits) => {
        const start = houseWithSpeakers();
        let project = start;
        const done: Operation[][] = [];
        for (const [pick, value] of edits) {
          const operations = edit(project, pick, value);
          project = apply(project, operations);
          done.push(operations);
        }
        for (const operations of done.reverse()) project = apply(project, reverseOperations(operations));
        expect(project).to.deep.equal(start);
      }),
      { numRuns: 60 },
    );
  });

  it('of another field merges, of the same field shows both values', () => {
    const start = houseWithSpeakers();
    const mine = update('devices', start.devices.d1, { x: 1.5 })!;
    const theirs = apply(start, [update('devices', start.devices.d1, { note: 'by the window' })!]);
    expect(apply(theirs, [mine]).devices.d1).to.include({ x: 1.5, note: 'by the window' });

    const moved = apply(start, [update('devices', start.devices.d1, { x: 4 })!]);
    const clash = applyChange(moved, { operations: [mine] });
    expect(clash.ok).to.equal(false);
    const [conflict] = (clash as unknown as { problem: { conflicts: FieldConflict[] } }).problem.conflicts;
    expect(conflict).to.include({ field: 'x', expected: 1, mine: 1.5, theirs: 4 });
  });

  it('of an older app has the fields that came since: a run is then a leg of its recipe', () => {
    const house = smallHouse();
    const { project: later, devices } = withDevices(house, [{ typeId: 'network-drop', at: [1, 0.05] }], countedIds());
    const without = (record: object, ...fields: string[]) =>
      Object.fromEntries(Object.entries(record).filter(([field]) => !fields.includes(field)));
    const runs = Object.values(later.runs);
    const operations = [
      { op: 'create', in: 'devices', id: devices[0].id, record: without(devices[0], 'leftOut') },
      ...runs.map((run) => ({ op: 'create', in: 'runs', id: run.id, record: without(run, 'recipeLeg', 'reason', 'price') })),
    ] as Operation[];
    const applied = applyChange(house, { operations });
    expect(applied.ok && applied.value).to.deep.equal(later);
  });

  it('that deletes what another person has changed is a conflict', () => {
    const start = houseWithSpeakers();
    const removal = removeDevices(start, ['d1']);
    const moved = apply(start, [update('devices', start.devices.d1, { x: 4 })!]);
    expect(removal.ok && applyChange(moved, { operations: removal.value }).ok).to.equal(false);
  });

  it('names the field that is wrong', () => {
    const start = houseWithSpeakers();
    const bad = applyChange(start, { operations: [{ op: 'update', in: 'devices', id: 'd1', before: {}, after: { x: 'left' } }] });
    expect(bad).to.deep.include({ ok: false });
    expect((bad as unknown as { problem: { field: string } }).problem.field).to.equal('devices.d1.x');
    const strange = applyChange(start, {
      operations: [{ op: 'update', in: 'devices', id: 'd1', before: {}, after: { colour: 'red' } }],
    });
    expect((strange as unknown as { problem: { field: string } }).problem.field).to.equal('devices.d1.colour');
  });

  it('from outside is refused when it is malformed or reaches for a prototype', () => {
    const good = change([{ op: 'update', in: 'devices', id: 'd1', before: {}, after: {} }]);
    expect(changeSchema.safeParse(good).success).to.equal(true);
    expect(changeSchema.safeParse({ ...good, operations: [] }).success).to.equal(false);
    expect(changeSchema.safeParse({ ...good, operations: [{ ...good.operations[0], in: 'members' }] }).success).to.equal(false);
    expect(changeSchema.safeParse({ ...good, operations: [{ ...good.operations[0], id: '__proto__' }] }).success).to.equal(false);
    expect(changeSchema.safeParse({ ...good, id: 'one' }).success).to.equal(false);
  });

  it('that leaves a reference in the air or a number twice is told by field', () => {
    const start = houseWithSpeakers();
    const hanging = applyChange(start, {
      operations: [{ op: 'delete', in: 'devices', id: 'd1', record: start.devices.d1 as never }],
    });
    const integrity = hanging.ok && checkIntegrity(hanging.value);
    expect(integrity && !integrity.ok && integrity.problem).to.include({
      code: 'reference-missing',
      field: 'runs.r1x1.deviceId',
    });
    const twice = apply(start, [update('runs', start.runs.r2x1, { number: start.runs.r1x1.number })!]);
    const checked = checkIntegrity(twice);
    expect(!checked.ok && checked.problem).to.include({ code: 'value-taken', value: 'M-AA-01.1' });
  });
});

describe('undo and redo', () => {
  it('take one step back and forth for every edit, without limit', () => {
    let project = houseWithSpeakers();
    const start = project;
    let history = emptyHistory;
    for (let n = 1; n <= 300; n++) {
      const operations = [update('devices', project.devices.d1, { x: 10 + n })!];
      project = apply(project, operations);
      history = remember(history, change(operations));
    }
    const end = project;
    for (let n = 0; n < 300; n++) {
      const step = undoStep(history, project);
      if (!step.ok) throw new Error('refused');
      project = apply(project, step.value.operations);
      history = step.value.history;
    }
    expect(project).to.deep.equal(start);
    expect(undoStep(history, project)).to.deep.equal({ ok: false, problem: { code: 'nothing-to-undo' } });
    for (let n = 0; n < 300; n++) {
      const step = redoStep(history, project);
      if (!step.ok) throw new Error('refused');
      project = apply(project, step.value.operations);
      history = step.value.history;
    }
    expect(project).to.deep.equal(end);
  });

  it('are refused with the reason where another person has changed the same field since', () => {
    const start = houseWithSpeakers();
    const operations = [update('devices', start.devices.d1, { x: 2.5 })!];
    const history = remember(emptyHistory, change(operations));
    const theirs = apply(apply(start, operations), [update('devices', { ...start.devices.d1, x: 2.5 }, { x: 3 })!]);
    const step = undoStep(history, theirs);
    expect(!step.ok && step.problem).to.include({ code: 'undo-overtaken', field: 'x' });
    const elsewhere = apply(apply(start, operations), [update('devices', start.devices.d1, { note: 'moved' })!]);
    expect(undoStep(history, elsewhere).ok).to.equal(true);
  });
});

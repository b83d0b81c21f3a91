import { expect } from 'chai';
import fc from 'fast-check';
import { listOf } from '../derive/index.ts';
import { create, forbiddenOperation, type ProjectDocument, type Spool, update } from '../model/index.ts';
import { openSpool, planSpoolsOf, spoolsLeft } from '../order/index.ts';
import { plannedRun, planRuns, proposedRoutes } from '../runs/index.ts';
import { applied, countedIds, smallHouse, withDevices } from '../testing/index.ts';
import { closeOfDay } from './close-of-day.ts';
import { lengthByMarks } from './footage.ts';
import { pullDay } from './pull-day.ts';
import { pullFigure, recordPull } from './record-pull.ts';

const { project: wired } = withDevices(
  smallHouse(),
  [
    { typeId: 'network-drop', at: [3, 0.05] },
    { typeId: 'network-drop', at: [1, 0.05] },
  ],
  countedIds(),
);
const runs = Object.values(wired.runs);
const [first, ...others] = runs;
const idsOf = (list: readonly { readonly id: string }[]) => list.map(({ id }) => id).sort();
const spool = (id: string, more: Partial<Spool> = {}): Spool => ({
  ...{ id, code: id.toUpperCase(), cableTypeId: first.cableTypeId, lengthM: 100, jacketColour: '', make: '' },
  ...{ isBoxed: false, needsStand: true, note: '', ...more },
});
const house = applied(wired, [create('spools', spool('s1')), create('spools', spool('s2', { lengthM: 5 }))]);
const pull = (project: ProjectDocument, runId: string, spoolId: string | null, lengthM: number | null, plannedM = 12) =>
  recordPull(project, { runId, spoolId, lengthM, on: '2026-12-01' }, plannedM, proposedRoutes(project), `cut-${runId}`);
const pulledIn = (project: ProjectDocument, runId: string, spoolId: string | null, lengthM: number | null) => {
  const recorded = pull(project, runId, spoolId, lengthM);
  if (!recorded.ok) throw new Error(recorded.problem.code);
  return applied(project, recorded.value);
};

describe('length marks on a cable', () => {
  const length = (a: string, b: string, unit: 'm' | 'ft', expectedM: number | null = null) => {
    const read = lengthByMarks({ first: a, last: b, unit }, expectedM);
    return read.ok ? [read.value.lengthM, read.value.turnedOver] : read.problem.code;
  };
  it('rise or fall, in metres or feet', () => {
    expect(length('0120', '0145', 'm')).to.deep.equal([25, false]);
    expect(length('0145', '0120', 'm')).to.deep.equal([25, false]);
    // 50 ft are 15.24 m.
    expect((length('0950', '0900', 'ft') as [number])[0]).to.be.closeTo(15.24, 1e-9);
  });
  it('turn over after the last digit: the planned length says which of the two it is', () => {
    expect(length('990', '015', 'm', 25)).to.deep.equal([25, true]);
    expect(length('990', '015', 'm', 970)).to.deep.equal([975, false]);
    // Four digits do not turn over at a thousand.
    expect(length('0990', '0015', 'm', 25)).to.deep.equal([975, false]);
  });
  it('are refused where they are no number, or alike', () => {
    expect(length('12a', '30', 'm')).to.equal('mark-not-read');
    expect(length('', '30', 'm')).to.equal('mark-not-read');
    expect(length('030', '30', 'm')).to.equal('marks-alike');
  });
  it('give back any length that was laid between them', () => {
    fc.assert(
      fc.property(fc.nat(9999), fc.integer({ min: 1, max: 4000 }), fc.boolean(), (start, lengthM, falls) => {
        const end = (start + (falls ? -lengthM : lengthM) + 20_000) % 10_000;
        const marks = [start, end].map((mark) => String(mark).padStart(4, '0'));
        const read = lengthByMarks({ first: marks[0], last: marks[1], unit: 'm' }, lengthM);
        expect(read.ok && read.value.lengthM).to.equal(lengthM);
      }),
    );
  });
});

describe('a pull that is recorded', () => {
  it('takes its length off the spool, and the run is pulled with its route kept', () => {
    const after = pulledIn(house, first.id, 's1', 14.2);
    expect(after.runs[first.id].state).to.equal('pulled');
    expect(listOf(after, 'routes').map(({ runId }) => runId)).to.deep.equal([first.id]);
    expect(spoolsLeft(after).map(({ leftM }) => leftM)).to.deep.equal([85.8, 5]);
  });
  it('is corrected when it is recorded again, also from another spool or from none', () => {
    const once = pulledIn(house, first.id, 's1', 14.2);
    const again = pulledIn(once, first.id, 's1', 15);
    expect(listOf(again, 'spoolCuts').map(({ lengthM }) => lengthM)).to.deep.equal([15]);
    expect(spoolsLeft(again)[0].leftM).to.equal(85);
    const other = pulledIn(again, first.id, 's2', 4);
    expect(spoolsLeft(other).map(({ leftM }) => leftM)).to.deep.equal([100, 1]);
    expect(listOf(pulledIn(other, first.id, null, null), 'spoolCuts')).to.deep.equal([]);
  });
  it('is the planned cut where nobody measured', () => {
    expect(listOf(pulledIn(house, first.id, 's1', null), 'spoolCuts')[0].lengthM).to.equal(12);
  });
  it('is refused beyond what is left, from another cable, and without a length', () => {
    const codeOf = (outcome: ReturnType<typeof pull>) => (outcome.ok ? 'ok' : [outcome.problem.code, outcome.problem.field]);
    expect(codeOf(pull(house, first.id, 's2', 5))).to.equal('ok');
    expect(codeOf(pull(house, first.id, 's2', 5.01))).to.deep.equal(['pull-longer-than-spool', 'length']);
    expect(codeOf(pull(house, first.id, 's1', 0))).to.deep.equal(['pull-length', 'length']);
    expect(codeOf(pull(house, first.id, 's1', Number.NaN))).to.deep.equal(['pull-length', 'length']);
    const other = Object.keys(house.cableTypes).find((id) => id !== first.cableTypeId)!;
    const strange = applied(house, [create('spools', spool('s3', { cableTypeId: other }))]);
    expect(codeOf(pull(strange, first.id, 's3', 5))).to.deep.equal(['pull-cable', 'spool']);
    expect(codeOf(pull(house, first.id, null, 14))).to.deep.equal(['pull-spool-missing', 'spool']);
    expect(codeOf(pull(house, 'nobody', 's1', 5))).to.deep.equal(['record-gone', undefined]);
  });
  it('is held against the range of the plan', () => {
    const planned = plannedRun(house, first.id);
    const { leastM, cutLengthM } = planned.length!;
    expect(pullFigure(planned, cutLengthM)).to.deep.equal({ overM: 0, isOutside: false });
    expect(pullFigure(planned, cutLengthM + 1)!.isOutside).to.equal(true);
    expect(pullFigure(planned, leastM - 0.1)!.isOutside).to.equal(true);
  });
});

describe('the pulls of a day', () => {
  it('are those of the plan that are still open, with the spools that are there', () => {
    const day = pullDay(house, planSpoolsOf(house));
    expect([day.done, day.all]).to.deep.equal([0, runs.length]);
    expect(idsOf(day.pulls.flatMap((one) => one.runs.map(({ run }) => run)))).to.deep.equal(idsOf(runs));
    const [run] = day.pulls[0].runs;
    expect(run.spools.map(({ spool: one }) => one.code)).to.deep.equal(['S1', 'S2']);
    // What the plan takes from stock is named by its spool; the rest is bought.
    const planned = day.pulls.flatMap((one) => one.runs.map(({ spoolName, spoolId }) => [spoolName, spoolId]));
    expect(planned).to.deep.include(['S1', 's1']);
    for (const [name, id] of planned) if (name !== 'S1' && name !== 'S2') expect(id, String(name)).to.equal(null);
    for (const { newSpoolM, spoolId } of day.pulls.flatMap((one) => one.runs))
      expect(newSpoolM === null).to.equal(spoolId !== null);
    // Marked as pulled without its spool: nothing is set up for it any more.
    const [{ spoolCount }] = day.pulls;
    const marked = pulledIn(house, first.id, null, null);
    const left = pullDay(marked, planSpoolsOf(marked)).pulls[0];
    expect([left.runs.length, left.spoolCount]).to.deep.equal([day.pulls[0].runs.length - 1, spoolCount - 1]);
    const after = pulledIn(house, first.id, 's1', 14);
    const next = pullDay(after, planSpoolsOf(after));
    expect(next.done).to.equal(1);
    expect(idsOf(next.pulls.flatMap((one) => one.runs.map(({ run }) => run)))).to.deep.equal(idsOf(others));
  });
});

describe('a spool that is opened on site', () => {
  it('has the next free number, is full, and the next pull is planned from it', () => {
    const cable = wired.cableTypes[first.cableTypeId];
    const opened = openSpool(house, cable, 'n1', 152);
    expect([opened.code, opened.lengthM, openSpool(house, cable, 'n2').lengthM]).to.deep.equal(['S3', 152, cable.spoolM]);
    const after = applied(house, [create('spools', opened)]);
    const planned = pullDay(after, planSpoolsOf(after)).pulls.flatMap((one) => one.runs.map(({ spoolId }) => spoolId));
    expect(planned).to.include('n1');
  });
  it('and what comes off it may be recorded by the crew, and by no client', () => {
    const issued = applied(house, [update('runs', house.runs[first.id], { state: 'issued' })!]);
    const recorded = pull(issued, first.id, 's1', 14);
    const operations = recorded.ok ? recorded.value.filter((operation) => operation.in !== 'routes') : [];
    const opened = create('spools', openSpool(house, wired.cableTypes[first.cableTypeId], 'n1'));
    const labelled = update('runs', issued.runs[first.id], { labelledEnds: 'both', rawTestedOn: '2026-12-01', testedBy: 'Bo' })!;
    expect(operations).to.have.length(2);
    expect(forbiddenOperation('crew', [...operations, opened, labelled])).to.equal(null);
    expect(forbiddenOperation('client', operations)).to.equal(operations[0]);
    expect(forbiddenOperation('crew', [update('runs', issued.runs[first.id], { bundle: 'B-09' })!])).not.to.equal(null);
  });
});

describe('the close of a day', () => {
  const close = (project: ProjectDocument) => closeOfDay(project, planRuns(project));
  it('is empty before anything is pulled', () => {
    const none = close(house);
    expect([none.done, none.pulledM, none.unlabelled.length, none.bareEnds.length]).to.deep.equal([0, 0, 0, 0]);
    expect(none.rooms.map(({ done, all }) => [done, all])).to.deep.equal([[0, runs.length]]);
  });
  it('lists what has to be done before one leaves, and what the day came to', () => {
    const after = close(pulledIn(house, first.id, 's1', 14.2));
    expect([after.done, after.all, after.pulledM]).to.deep.equal([1, runs.length, 14.2]);
    expect(after.unlabelled.map(({ run, end }) => [run.id, end])).to.deep.equal([
      [first.id, 'device'],
      [first.id, 'rack'],
    ]);
    expect([after.bareEnds, after.untested].map((list) => list.map(({ id }) => id))).to.deep.equal([[first.id], [first.id]]);
  });
  it('has nothing open of a run that is labeled, tested and terminated', () => {
    const pulled = pulledIn(house, first.id, 's1', 14.2);
    const done = applied(pulled, [
      update('runs', pulled.runs[first.id], { state: 'terminated', labelledEnds: 'both', rawTestedOn: '2026-12-01' })!,
    ]);
    const after = close(done);
    expect([after.unlabelled, after.bareEnds, after.untested]).to.deep.equal([[], [], []]);
  });
});

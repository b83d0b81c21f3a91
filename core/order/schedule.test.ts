import { expect } from 'chai';
import { listOf } from '../derive/index.ts';
import {
  applyChange,
  type Baseline,
  type Delivery,
  type Permit,
  type ProjectDocument,
  type TradeGate,
  update,
} from '../model/index.ts';
import { planRuns } from '../runs/index.ts';
import { applied, designedHouse } from '../testing/index.ts';
import { baselineOf, scopeChange } from './baselines.ts';
import { gateItems } from './gates.ts';
import { checkedDelivery, goodsOf } from './goods.ts';
import { offerOf, offerSourceOf } from './offer.ts';
import { scheduleOfJob } from './schedule.ts';
import { firstWorkingDay, lastWorkingDay, orderByDay, windowStart, workingDaysAfter } from './working-days.ts';

const house = designedHouse([
  { typeId: 'ceiling-speaker', at: [1, 2] },
  { typeId: 'network-drop', at: [3, 0.05] },
]);
const offer = (project: ProjectDocument) => offerOf(project, offerSourceOf(project), ({ name }) => [name], '2027-02-01');
const schedule = (project: ProjectDocument, today: string) => scheduleOfJob(project, offer(project), today);
const dated = (dates: Partial<Record<TradeGate, string>>, project = house): ProjectDocument => ({
  ...project,
  tradeDates: Object.fromEntries(
    Object.entries(dates).map(([gate, on]) => [gate, { id: gate, gate: gate as TradeGate, on, from: '' }]),
  ),
});

describe('working days', () => {
  // 2027-03-05 is a Friday.
  it('count back from a gate with both ends in, over weekends', () => {
    expect(windowStart('2027-03-05', 1)).to.equal('2027-03-05');
    expect(windowStart('2027-03-05', 5)).to.equal('2027-03-01');
    expect(windowStart('2027-03-05', 6)).to.equal('2027-02-26');
    expect(windowStart('2027-03-07', 1)).to.equal('2027-03-05');
    expect(windowStart('2027-03-05', 1.2)).to.equal('2027-03-04');
  });
  it('order by the day on site less the lead time', () => {
    expect(orderByDay('2027-03-05', 0)).to.equal('2027-03-05');
    expect(orderByDay('2027-03-05', 10)).to.equal('2027-02-19');
    expect(orderByDay('2027-03-01', 1)).to.equal('2027-02-26');
  });
  it('know the nearest working day on either side', () => {
    expect([lastWorkingDay('2027-03-06'), firstWorkingDay('2027-03-06')]).to.deep.equal(['2027-03-05', '2027-03-08']);
    expect(workingDaysAfter('2027-03-05', 1)).to.equal('2027-03-08');
  });
});

describe('the dates of a job', () => {
  it('give every run, bracket, hole and device a gate, by its room where that has a day of its own', () => {
    const [run] = listOf(house, 'runs');
    const { roomId } = house.devices[run.deviceId];
    const project = {
      ...dated({ insulation: '2027-03-05' }),
      roomDates: { r: { id: 'r', roomId: roomId!, gate: 'insulation' as const, from: '', on: '2027-02-12' } },
    };
    const items = gateItems(project);
    for (const { id } of listOf(house, 'runs')) expect(items.find((item) => item.id === id)?.gate).to.equal('insulation');
    expect(items.find(({ id }) => id === run.id)!.dueOn).to.equal('2027-02-12');
    for (const { id } of listOf(house, 'devices'))
      expect(items.some((item) => item.kind === 'device' && item.id === id && item.gate === 'trim-out')).to.equal(true);
    expect(items.some(({ kind }) => kind === 'hole')).to.equal(true);
    expect(items.find(({ id }) => id === 'holes')!.gate).to.equal('low-voltage-rough-in');
  });

  it('meet the next gate that has a day where their own has none', () => {
    const project = dated({ insulation: '2027-03-05' });
    const [hole] = gateItems(project).filter(({ kind }) => kind === 'hole');
    expect([hole.gate, hole.dueOn]).to.deep.equal(['low-voltage-rough-in', '2027-03-05']);
    expect(gateItems(dated({ board: '2027-03-12' })).find(({ kind }) => kind === 'run')!.dueOn).to.equal('2027-03-12');
    expect(gateItems(dated({ paint: '2027-03-12' })).find(({ kind }) => kind === 'run')!.dueOn).to.equal('');
  });

  it('start the crew so many days before the gate, and order what is bought before that', () => {
    const project = dated({ 'low-voltage-rough-in': '2027-03-05', 'trim-out': '2027-06-04', paint: '2027-05-14' });
    const { gates, orders, commissionFrom } = schedule(project, '2027-01-04');
    const rough = gates.find(({ gate }) => gate === 'low-voltage-rough-in')!;
    expect(rough.crewDays).to.equal(Math.ceil(rough.hours / 16));
    expect(rough.startBy).to.equal(windowStart('2027-03-05', rough.crewDays));
    const cable = orders.find(({ key }) => key.startsWith('cable '))!;
    expect([cable.onSiteBy, cable.orderBy]).to.deep.equal([rough.startBy, orderByDay(rough.startBy, 5)]);
    // Friday, then Monday, Tuesday to dry, Wednesday to begin.
    expect(commissionFrom).to.equal('2027-05-19');
    expect(schedule(project, cable.orderBy).orders.find(({ key }) => key === cable.key)!.isLate).to.equal(false);
    expect(schedule(project, '2027-03-01').orders.find(({ key }) => key === cable.key)!.isLate).to.equal(true);
  });

  it('name the gate that was missed, the trades that come back, and the cost once the walls are closed', () => {
    const project = dated({ insulation: '2027-03-05', board: '2027-03-12' });
    expect(schedule(project, '2027-03-05').late).to.deep.equal([]);
    const open = schedule(project, '2027-03-08').late.filter(({ item }) => item.kind === 'run');
    expect(open.map(({ item, callBack, costCents }) => [item.gate, callBack[0], costCents])[0]).to.deep.equal([
      'insulation',
      'insulation',
      null,
    ]);
    const closed = schedule(project, '2027-03-15').late.filter(({ item }) => item.kind === 'run');
    expect(closed.length).to.equal(listOf(house, 'runs').length);
    expect(closed.every(({ costCents }) => costCents !== null && costCents > 0)).to.equal(true);
    // What is pulled and tested is not late.
    const done = Object.fromEntries(
      listOf(project, 'runs').map((run) => [run.id, { ...run, state: 'pulled' as const, rawTestedOn: '2027-03-01' }]),
    );
    expect(gateItems({ ...project, runs: done }).filter(({ kind, isDone }) => kind === 'run' && !isDone)).to.deep.equal([]);
  });

  it('say by when a permit is applied for, and that work would begin before it', () => {
    // Low-voltage rough-in on Friday 2027-03-05 after one day of work: needed that day, ten working days before is 2027-02-19.
    const permit: Permit = {
      ...{ id: 'p1', name: 'Low-voltage permit', authority: '', number: '', gate: 'low-voltage-rough-in', leadDays: 10 },
      ...{ appliedOn: '', grantedOn: '', inspectedOn: '', inspector: '', result: 'open', note: '' },
    };
    const on = dated({ 'low-voltage-rough-in': '2027-03-05' });
    const stateOf = (after: Partial<Permit>, today: string, project = on) => {
      const [state] = schedule({ ...project, permits: { p1: { ...permit, ...after } } }, today).permits;
      return state;
    };
    const { neededBy, applyBy, state } = stateOf({}, '2027-02-01');
    expect([orderByDay(neededBy, 10), state]).to.deep.equal([applyBy, 'open']);
    const gate = schedule(on, '2027-02-01').gates.find((one) => one.gate === 'low-voltage-rough-in')!;
    expect(neededBy).to.equal(gate.startBy);
    expect(stateOf({}, '2027-03-01').state).to.equal('late');
    expect(stateOf({ appliedOn: applyBy }, '2027-03-01').state).to.equal('applied');
    expect(stateOf({ appliedOn: '2027-03-02' }, '2027-03-02').state).to.equal('late');
    expect(stateOf({ grantedOn: neededBy }, '2027-03-02').state).to.equal('granted');
    expect(stateOf({ grantedOn: '2027-04-01' }, '2027-04-02').state).to.equal('late');
    expect(stateOf({ grantedOn: neededBy, result: 'failed' }, '2027-03-09').state).to.equal('failed');
    expect(stateOf({}, '2027-03-01', house)).to.include({ neededBy: '', applyBy: '', state: 'open' });
  });

  it('tell days that contradict each other', () => {
    expect(schedule(dated({ insulation: '2027-03-12', board: '2027-03-05' }), '2027-01-01').contradictions).to.deep.equal([
      { gate: 'board', before: 'insulation', roomId: null },
    ]);
    const backward = dated({ board: '2027-03-05' });
    backward.tradeDates.board.from = '2027-03-08';
    expect(schedule(backward, '2027-01-01').contradictions).to.deep.equal([{ gate: 'board', before: null, roomId: null }]);
    expect(schedule(dated({ insulation: '2027-03-05', board: '2027-03-05' }), '2027-01-01').contradictions).to.deep.equal([]);
  });
});

describe('baselines and changes', () => {
  const locked = (project: ProjectDocument, id: string): Baseline =>
    baselineOf(project, offer(project), planRuns(project), { id, name: id, lockedOn: '2027-02-01', lockedBy: 'Ada' });

  it('a change is the difference of two of them, to the cent, with the runs that it affects', () => {
    const more = designedHouse([
      { typeId: 'ceiling-speaker', at: [1, 2] },
      { typeId: 'network-drop', at: [3, 0.05] },
      { typeId: 'camera', at: [4, -0.05] },
    ]);
    const change = scopeChange(locked(house, 'a'), locked(more, 'b'));
    expect(change.totalCents).to.equal(offer(more).totalCents - offer(house).totalCents);
    expect(change.lines.reduce((sum, { cents }) => sum + cents, 0)).to.equal(change.totalCents);
    expect(change.runs.filter(({ what }) => what === 'added').length).to.equal(
      listOf(more, 'runs').length - listOf(house, 'runs').length,
    );
    expect(scopeChange(locked(house, 'a'), locked(house, 'c'))).to.deep.equal({
      ...{ lines: [], runs: [], priceCents: 0, taxCents: 0, totalCents: 0 },
    });
    const back = scopeChange(locked(more, 'b'), locked(house, 'a'));
    expect(back.totalCents).to.equal(-change.totalCents);
  });

  it('is changed by nobody, nor is a change order once it is signed', () => {
    const [from, to] = [locked(house, 'a'), { ...locked(house, 'b'), number: 2 }];
    const order = {
      ...{ id: 'c', number: 1, fromId: 'a', toId: 'b', reason: 'A camera', gate: 'board' as const },
      ...{ answer: 'proposed' as const, signedBy: '', signedOn: '' },
    };
    const project = { ...house, baselines: { a: from, b: to }, changeOrders: { c: order } };
    const renamed = applyChange(project, { operations: [update('baselines', from, { name: 'Other' })!] });
    expect(!renamed.ok && renamed.problem.code).to.equal('record-locked');
    const signed = applied(project, [
      update('changeOrders', order, { answer: 'signed', signedBy: 'Bo', signedOn: '2027-02-02' })!,
    ]);
    const again = applyChange(signed, { operations: [update('changeOrders', signed.changeOrders.c, { reason: 'Two' })!] });
    expect(!again.ok && again.problem.code).to.equal('record-locked');
    const nameless = applyChange(project, { operations: [update('changeOrders', order, { answer: 'signed' })!] });
    expect(!nameless.ok && nameless.problem.field).to.include('signedBy');
  });
});

describe('goods', () => {
  const delivery: Delivery = {
    ...{
      id: 'd',
      item: 'Ceiling speaker',
      count: 2,
      supplier: 'Reed & Sluice',
      orderedOn: '2027-02-01',
      promisedOn: '2027-02-12',
    },
    ...{
      receivedOn: '',
      checkedOn: '',
      damagedCount: 0,
      place: 'ordered',
      serials: [],
      terms: '',
      preparedBy: '',
      preparedOn: '',
    },
    note: '',
  };
  it('are counted against what is needed; what is damaged is ordered again', () => {
    const { lines } = offer(house);
    const speaker = lines.find(({ key }) => key === 'device ceiling-speaker')!;
    const of = (own: Partial<Delivery>) =>
      goodsOf(
        { ...house, deliveries: { d: { ...delivery, item: speaker.name, count: 1, ...own } } },
        lines,
        ({ name }) => name,
      ).find(({ key }) => key === speaker.key)!;
    expect(of({})).to.include({ needed: 1, ordered: 1, there: 0, toOrder: 0, nextPromisedOn: '2027-02-12' });
    expect(of({ receivedOn: '2027-02-11' })).to.include({ there: 1, toOrder: 0, nextPromisedOn: '' });
    expect(of({ receivedOn: '2027-02-11', damagedCount: 1 })).to.include({ there: 0, damaged: 1, toOrder: 1 });
    expect(goodsOf(house, lines, ({ name }) => name).find(({ key }) => key === speaker.key)!.toOrder).to.equal(1);
  });
  it('refuse days in the wrong order, more damage than pieces, and serials twice', () => {
    const code = (own: Partial<Delivery>) => {
      const checked = checkedDelivery({ ...delivery, ...own });
      return checked.ok ? 'ok' : `${checked.problem.code} ${String(checked.problem.field)}`;
    };
    expect(code({})).to.equal('ok');
    expect(code({ receivedOn: '2027-01-31' })).to.equal('delivery-order receivedOn');
    expect(code({ promisedOn: '2027-01-31' })).to.equal('delivery-order promisedOn');
    expect(code({ damagedCount: 3 })).to.equal('delivery-damaged damagedCount');
    expect(code({ serials: ['A', 'A'] })).to.equal('delivery-serials serials');
    expect(code({ serials: ['A', 'B', 'C'] })).to.equal('delivery-serials serials');
  });
});

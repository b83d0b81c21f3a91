import { expect } from 'chai';
import type { ScheduleRow } from '@dusky-spool/core/sheets';
import { linesOf, rowsInView, type ScheduleView } from './schedule-view.ts';

const row = (number: string, fields: Partial<ScheduleRow> = {}): ScheduleRow =>
  ({
    number,
    runId: number,
    from: 'Den',
    to: 'Rack A',
    cable: 'Category 6A',
    cableTypeId: 'cat6a',
    levelId: 'm',
    bundle: '',
    purpose: 'data',
    state: 'drafted',
    rank: 'fine',
    cutLengthM: 10,
    deviceSlackM: 0.5,
    rackSlackM: 3,
    ...fields,
  }) as ScheduleRow;
const VIEW: ScheduleView = {
  find: '',
  levelId: null,
  cableTypeId: null,
  state: null,
  group: 'none',
};
const ROWS = [
  row('M-10', { cutLengthM: null, bundle: 'B-01' }),
  row('M-9', { levelId: 'l', cable: 'RG6', cableTypeId: 'rg6', cutLengthM: 25, rank: 'stop' }),
  row('M-2', { state: 'issued', from: 'Great room', rank: 'look' }),
];
const tableRows = ROWS.map((original) => ({ original }));
const numbers = (view: Partial<ScheduleView>) => rowsInView(ROWS, { ...VIEW, ...view }).map(({ number }) => number);

describe('the view of the schedule', () => {
  it('finds rows that hold every word, in whatever order', () => {
    expect(numbers({ find: 'ROOM  6a' })).to.deep.equal(['M-2']);
    expect(numbers({ find: 'rg6' })).to.deep.equal(['M-9']);
    expect(numbers({ find: 'nothing' })).to.deep.equal([]);
  });

  it('filters by level, cable and state together', () => {
    expect(numbers({ levelId: 'm' })).to.deep.equal(['M-10', 'M-2']);
    expect(numbers({ levelId: 'm', state: 'issued' })).to.deep.equal(['M-2']);
    expect(numbers({ cableTypeId: 'rg6', state: 'issued' })).to.deep.equal([]);
  });

  it('has a line for each run, and one before each group with its sum', () => {
    expect(linesOf(tableRows, 'none', 'alone').map(({ kind }) => kind)).to.deep.equal(['row', 'row', 'row']);
    const grouped = linesOf(tableRows, 'bundle', 'alone');
    const heads = grouped.flatMap((line) => (line.kind === 'group' ? [[line.title, line.count, line.cutLengthM]] : []));
    expect(heads).to.have.deep.members([
      ['B-01', 1, 0],
      ['alone', 2, 35],
    ]);
    expect(grouped).to.have.length(5);
  });
});

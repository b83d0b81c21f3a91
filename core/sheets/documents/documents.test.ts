import { expect } from 'chai';
import { buildGranary } from '../../../demo/build/granary.ts';
import { LABEL_SIZES, labelCode, type LabelSize, labelsOf, readLabelCode, sheetLayout } from '../labels/index.ts';
import { placeAll } from '../../devices/index.ts';
import { planRuns } from '../../runs/index.ts';
import { groupSchedule, scheduleOf, type ScheduleWords, totalsByCable } from './schedule.ts';
import { planSheet } from './plan-sheet.ts';
import { type ColumnTitles, scheduleCsv } from './schedule-columns.ts';
import { PLACE_WORDS, smallHouse } from '../../testing/index.ts';
import { applyChange, emptyProject, newHeader, type ProjectDocument } from '../../model/index.ts';

const words = { outdoors: 'Outdoors' };
const { project } = buildGranary({ shortId: '7K3MQ', name: 'Saltmarsh Granary', description: '', client: '', address: '' });
const rowsOf = (house: ProjectDocument, told: ScheduleWords) => scheduleOf(house, told, '2020-01-01');
const rows = rowsOf(project, words);
const titles = new Proxy({}, { get: (_, key) => String(key) }) as ColumnTitles;

describe('the cable schedule', () => {
  it('has one row for each run in the order that people read numbers', () => {
    expect(rows).to.have.length(Object.keys(project.runs).length);
    expect(new Set(rows.map((row) => row.number)).size).to.equal(rows.length);
    const screening = rows.filter((row) => row.number.startsWith('L-SC-')).map((row) => row.number);
    expect(screening.indexOf('L-SC-02.1')).to.be.lessThan(screening.indexOf('L-SC-10.1'));
  });

  it('adds up the same however it is grouped', () => {
    const total = rows.reduce((sum, row) => sum + row.cutLengthM!, 0);
    for (const by of ['none', 'room', 'cable', 'bundle', 'level'] as const) {
      const groups = groupSchedule(rows, by);
      expect(groups.reduce((sum, group) => sum + group.cutLengthM, 0)).to.be.closeTo(total, 1e-6);
      expect(groups.flatMap((group) => group.rows)).to.have.length(rows.length);
    }
    const totals = totalsByCable(project, rows);
    expect(totals.reduce((sum, t) => sum + t.cutLengthM, 0)).to.be.closeTo(total, 1e-6);
    expect(totals.reduce((sum, t) => sum + t.orderLengthM, 0)).to.be.closeTo(total * 1.03, 1e-6);
  });

  it('as CSV has a header with units and a line for each run', () => {
    const lines = scheduleCsv({ ...project, project: { ...project.project, units: 'imperial' } }, rows, titles, PLACE_WORDS)
      .trim()
      .split('\r\n');
    expect(lines).to.have.length(rows.length + 1);
    expect(lines[0]).to.contain('cutLength (ft)');
    const metric = Number(
      /"[^"]*",(?:[^,]*,){8}([^,]*)/.exec(scheduleCsv(project, rows, titles, PLACE_WORDS).split('\r\n')[1])![1],
    );
    expect(metric).to.equal(rows[0].cutLengthM);
  });
});

describe('a place that is not fitted now', () => {
  it('is marked in the schedule, on labels and on the plan', () => {
    const [first] = Object.values(project.runs);
    const device = { ...project.devices[first.deviceId], fitting: 'prepared' as const };
    const prepared = { ...project, devices: { ...project.devices, [device.id]: device } };
    const marked = { ...words, fittingMarks: { prepared: 'prepared', spare: 'spare lead' } };
    const row = rowsOf(prepared, marked).find(({ runId }) => runId === first.id)!;
    expect(row.from).to.match(/\(prepared\)$/);
    expect(rowsOf(project, marked).find(({ runId }) => runId === first.id)!.from).to.not.include('(prepared)');
    const [label] = labelsOf(prepared, planRuns(prepared), marked).filter(({ runId, end }) => runId === first.id && end === 'D');
    expect(label.here).to.match(/\(prepared\)$/);
    const markedOn = (house: ProjectDocument) => {
      const sheet = planSheet(house, device.levelId, 'A3', planRuns(house));
      if (!sheet.ok) throw new Error(sheet.problem.code);
      return sheet.value.marks.filter((mark) => mark.kind === 'device' && mark.prepared).length;
    };
    expect(markedOn(prepared)).to.equal(markedOn(project) + 1);
  });
});

describe('labels', () => {
  let made = 0;

  it('come in pairs, rack end first, and their code reads back', () => {
    const labels = labelsOf(project, planRuns(project), words);
    expect(labels).to.have.length(2 * rows.length);
    expect(labels.slice(0, 2).map((label) => [label.number, label.end])).to.deep.equal([
      [rows[0].number, 'R'],
      [rows[0].number, 'D'],
    ]);
    expect(labels[0].here).to.equal(labels[1].there);
    const code = labelCode({ shortId: '7K3MQ', number: 'M-GR-03.1' });
    expect(code).to.match(/^[0-9A-Z $%*+\-./:]+$/);
    expect(code).to.not.contain('//');
    expect(readLabelCode(code)).to.deep.equal({ ok: true, value: { shortId: '7K3MQ', number: 'M-GR-03.1' } });
    expect(readLabelCode('https://example.test/')).to.have.nested.property('problem.code', 'label-not-ours');
  });

  it('say what each conductor is for, the same at both ends; long maps by their name', () => {
    const placed = placeAll(
      smallHouse(),
      'm',
      [
        { typeId: 'ceiling-speaker', at: [2, 2] },
        { typeId: 'network-drop', at: [1, 0.05] },
        { typeId: 'connection-box', at: [3, 0.05] },
        { typeId: 'fireplace-display', at: [2.5, 0.05] },
      ],
      { device: () => `x${++made}`, run: () => `xr${++made}` },
    );
    if (!placed.ok) throw new Error(placed.problem.code);
    const applied = applyChange(smallHouse(), placed.value);
    if (!applied.ok) throw new Error(applied.problem.code);
    const all = labelsOf(applied.value, planRuns(applied.value), words);
    const said = (find: string) =>
      new Set(all.filter(({ here, there }) => `${here}${there}`.includes(find)).map((l) => l.conductors));
    expect([...said('Ceiling speaker')]).to.deep.equal(['red or marked + / black or plain −']);
    expect([...said('Network drop')]).to.deep.equal(['Network, T568B']);
    // A lead that goes on to another device has that device at its other end, not the rack.
    const [lead] = all.filter(({ here, end }) => end === 'D' && here.includes('over a fireplace'));
    expect(lead.there).to.equal('Room AA · Connection box of a display');
  });

  it('fit on the sheet in even columns', () => {
    for (const size of Object.keys(LABEL_SIZES) as LabelSize[]) {
      for (const paper of ['A4', 'Letter'] as const) {
        const sheet = sheetLayout(size, paper);
        expect(sheet.columns % 2).to.equal(0);
        expect(sheet.leftMm).to.be.at.least(8 - 1e-9);
        expect(sheet.topMm + sheet.rows * (sheet.labelHeightMm + sheet.gapMm) - sheet.gapMm).to.be.at.most(
          sheet.pageHeightMm - 8 + 1e-9,
        );
      }
    }
  });
});

describe('the plan sheet', () => {
  it('is drawn at the largest usual scale that fits, in true proportion', () => {
    const sheet = planSheet(smallHouse(), 'm', 'A4');
    if (!sheet.ok) throw new Error('refused');
    // 10.2 m in 271 mm: 1:50 gives 204 mm, 1:25 would need 408.
    expect(sheet.value.scale).to.equal(50);
    // The wall of 4.1 m, met at both ends by walls 0.12 m thick: 4.22 m at 1:50.
    const south = sheet.value.marks.find((mark) => mark.kind === 'wall')!;
    expect(
      south.kind === 'wall' && Math.hypot(south.points[1][0] - south.points[0][0], south.points[1][1] - south.points[0][1]),
    ).to.be.closeTo(4220 / 50, 1e-9);
    sheet.value.marks
      .flatMap((mark) => ('points' in mark ? mark.points : [mark.at]))
      .forEach(([x, y]) => {
        expect(x).to.be.within(10, 287);
        expect(y).to.be.within(34, 200);
      });
  });

  it('of a level with nothing on it says so', () => {
    const empty = { ...emptyProject(newHeader('7K3MQ', 'x', 'metric')), levels: smallHouse().levels };
    expect(planSheet(empty, 'm', 'A3')).to.have.nested.property('problem.code', 'level-empty');
    expect(planSheet(empty, 'attic', 'A3')).to.have.nested.property('problem.code', 'level-missing');
  });
});

import { expect } from 'chai';
import { parse } from 'csv-parse/sync';
import { placeDevice } from '../../devices/index.ts';
import { applyChange, type ProjectDocument } from '../../model/index.ts';
import { bundleByRoute, planRuns } from '../../runs/index.ts';
import { countedIds, countingIds, smallHouse, withDevices } from '../../testing/index.ts';
import { bundleTags } from './bundle-tag.ts';
import { labelFit } from './fit.ts';
import { labelsCsv } from './labels-csv.ts';
import { labelsOf } from './cable-label.ts';

const ids = countingIds();
const project = [
  [1, 2],
  [3, 2],
  [2, 2],
].reduce<ProjectDocument>((house, at) => {
  const placed = placeDevice(house, { typeId: 'ceiling-speaker', levelId: 'm', at: at as [number, number] }, ids());
  if (!placed.ok) throw new Error('refused');
  const applied = applyChange(house, { operations: placed.value.operations });
  if (!applied.ok) throw new Error('refused');
  return applied.value;
}, smallHouse());

describe('a label', () => {
  it('goes round its cable: 6.1 mm has a girth of 19.2 mm, so 48 mm with clear film, 70 mm as a flag', () => {
    expect(labelFit(0.0061)).to.deep.equal({ wrapMm: 48, printMm: 9, flagMm: 70 });
    expect(labelFit(0.001).wrapMm).to.equal(18);
  });

  it('is in the table of labels for both ends, R at the rack and D at the device', () => {
    const titles = {
      end: 'End',
      number: 'Run',
      here: 'Here',
      there: 'There',
      cable: 'Cable',
      length: 'Length',
      conductors: 'Conductors',
      code: 'Code',
      wrap: 'Wrap',
      flag: 'Flag',
    };
    const rows: string[][] = parse(labelsCsv(labelsOf(project, planRuns(project), { outdoors: 'Outdoors' }), titles));
    expect(rows[0]).to.deep.equal([
      'Run',
      'End',
      'Here',
      'There',
      'Cable',
      'Length (m)',
      'Conductors',
      'Code',
      'Wrap (mm)',
      'Flag (mm)',
    ]);
    expect(rows.slice(1, 3).map((row) => row.slice(0, 2))).to.deep.equal([
      ['M-AA-01.1', 'R'],
      ['M-AA-01.1', 'D'],
    ]);
    expect(rows[1][2]).to.equal(rows[2][3]);
    // 7.2 mm: girth 22.62, 56.5 -> 57; flag 72.6 -> 73.
    expect(rows[1].slice(8)).to.deep.equal(['57', '73']);
  });

  it('of a bundle says where it parts and who leaves first', () => {
    const applied = applyChange(project, { operations: bundleByRoute(planRuns(project), project.cableTypes) });
    if (!applied.ok) throw new Error('refused');
    const [tag] = bundleTags(applied.value);
    expect(tag).to.include({ count: 3, rack: 'Rack A', head: 'Room AA' });
    expect(tag.numbers).to.deep.equal(['M-AA-02.1', 'M-AA-03.1', 'M-AA-01.1']);
    expect(tag.fit).to.deep.equal(labelFit(tag.diameterM));
  });

  it('says on both ends of an optical lead which one is the source', () => {
    const { project } = withDevices(
      smallHouse(),
      [
        { typeId: 'display', at: [2, 0.05] },
        { typeId: 'game-point', at: [4, 0.05] },
      ],
      countedIds(),
    );
    const oneWay = { source: 'source', display: 'display' };
    const labels = labelsOf(project, planRuns(project), { outdoors: 'Outdoors', oneWay });
    const ends = (deviceType: string) => {
      const run = Object.values(project.runs).find(
        ({ cableTypeId, deviceId }) => cableTypeId === 'hdmi_fibre' && project.devices[deviceId].typeId === deviceType,
      )!;
      return Object.fromEntries(labels.filter(({ runId }) => runId === run.id).map(({ end, conductors }) => [end, conductors]));
    };
    // Home from the display: the source is at the rack. From the game place on to the display: it is the source.
    expect(ends('display')).to.deep.equal({ R: 'source', D: 'display' });
    expect(ends('game-point')).to.deep.equal({ R: 'display', D: 'source' });
    expect(labels.filter(({ conductors }) => conductors === 'source')).to.have.length(2);
  });
});

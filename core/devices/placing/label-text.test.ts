import { expect } from 'chai';
import { update } from '../../model/index.ts';
import { planRuns } from '../../runs/index.ts';
import { applied, countedIds, smallHouse, withDevices } from '../../testing/index.ts';
import { moveDevices } from './place.ts';
import { changedOnLabel, labelState, labelText } from './label-text.ts';

const { project: house, devices } = withDevices(smallHouse(), [{ typeId: 'ceiling-speaker', at: [1, 2] }], countedIds());
const [plain] = planRuns(house);
const printed = applied(house, [update('runs', plain.run, { printedOn: '2026-11-20', printedAs: labelText(house, plain) })!]);
const ofRun = (project: typeof house) => planRuns(project)[0];

describe('the labels of a run', () => {
  it('say its number, both ends, its cable and its length', () => {
    expect(labelText(house, plain).split(' | ')).to.have.length(5);
    expect(labelText(house, plain)).to.match(/^M-AA-01\.1 \| .*Ceiling speaker.* \| Rack A \| .* \| \d+\.\d m$/);
  });

  it('are not printed, printed, or out of date', () => {
    expect(labelState(house, plain)).to.equal('not-printed');
    expect(labelState(printed, ofRun(printed))).to.equal('printed');
    const longer = moveDevices(printed, [{ deviceId: devices[0].id, to: [4.5, 0.6] }]);
    if (!longer.ok) throw new Error(longer.problem.code);
    const moved = applied(printed, longer.value);
    expect(labelState(moved, ofRun(moved))).to.equal('out-of-date');
    expect(changedOnLabel(moved, ofRun(moved))).to.deep.equal(['length']);
  });

  it('are out of date by another name, cable or number too', () => {
    const changed = applied(printed, [
      update('devices', printed.devices[devices[0].id], { name: 'left' })!,
      update('runs', ofRun(printed).run, { cableTypeId: 'cat6_utp', number: 'M-AA-77.1' })!,
    ]);
    expect(changedOnLabel(changed, ofRun(changed))).to.include.members(['number', 'device', 'cable']);
  });

  it('that were printed before what they said was kept count as printed', () => {
    const old = applied(house, [update('runs', plain.run, { printedOn: '2026-11-20' })!]);
    expect(labelState(old, ofRun(old))).to.equal('printed');
  });
});

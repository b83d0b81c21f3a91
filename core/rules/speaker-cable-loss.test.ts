import { expect } from 'chai';
import { placeDevice } from '../devices/index.ts';
import { applyChange, type ProjectDocument, update } from '../model/index.ts';
import { withRecords } from '../derive/index.ts';
import { checked, countingIds, smallHouse } from '../testing/index.ts';
import { CHECKS } from './registry.ts';
import { worstRank } from './check.ts';

function houseWith(typeId: string, changes: Partial<ProjectDocument['runs'][string]> = {}): ProjectDocument {
  const house = smallHouse();
  const placed = placeDevice(house, { typeId, levelId: 'm', at: typeId === 'wall-speaker' ? [0.1, 2] : [1, 2] }, countingIds()());
  if (!placed.ok) throw new Error('refused');
  const operation = update('runs', placed.value.runs[0], changes);
  const applied = applyChange(house, { operations: [...placed.value.operations, ...(operation ? [operation] : [])] });
  if (!applied.ok) throw new Error('refused');
  return applied.value;
}
const finding = (project: ProjectDocument) => checked(project).find((f) => f.check === 'speaker-cable-loss')!;

describe('the check of speaker cable', () => {
  it('measures the loss at the routed length, as worked by hand', () => {
    const project = houseWith('ceiling-speaker', { rackSlackM: 10 });
    // 0.1 + 9.2 + 0.6 + 0.8 + 10 = 20.7 m; 2 * 20.7 * 13.439 ohm/km = 0.5564 ohm; 20 log(8.5564/8) = 0.5841 dB > 0.5
    const over = finding(project);
    expect(over).to.include({ rank: 'look', code: 'speaker-loss-over' });
    expect(over.figures.lengthM).to.be.closeTo(20.7, 1e-9);
    expect(over.measured).to.be.closeTo(0.5841, 2e-4);
    expect(over.allowed).to.equal(0.5);
  });

  it('is an error only above 1 dB, or for a material that carries no sound', () => {
    // 8 ohm, 16 AWG: 1 dB is 8 * (10^(1/20) - 1) = 0.9761 ohm, so 36.3 m; route and lead at the speaker are 10.7 m.
    expect(finding(houseWith('ceiling-speaker', { rackSlackM: 20, deviceSlackM: 6.3 }))).to.include({ rank: 'look' });
    expect(finding(houseWith('ceiling-speaker', { rackSlackM: 20, deviceSlackM: 6.6 }))).to.include({
      rank: 'stop',
      code: 'speaker-loss-over',
    });
    const project = houseWith('ceiling-speaker');
    const { spk_16_2: cable } = project.cableTypes;
    const steel = withRecords(project, 'cableTypes', [{ ...cable, material: 'ccs' }]);
    expect(finding(steel)).to.include({ rank: 'stop', code: 'speaker-clad-steel' });
  });

  it('offers 14 AWG, and applying the cure makes it fine', () => {
    const project = houseWith('ceiling-speaker', { rackSlackM: 10 });
    const [cure] = finding(project).cures;
    expect(cure).to.deep.include({ code: 'use-gauge' });
    expect(cure.figures).to.include({ gaugeAwg: 14 });
    const cured = applyChange(project, cure);
    expect(cured.ok && finding(cured.value)).to.include({ rank: 'fine', code: 'speaker-loss-fine' });
    expect(cured.ok && finding(cured.value).measured).to.be.closeTo(cure.figures.lossDb as number, 1e-12);
  });

  it('says nothing of being near the target, unless that is set; and is stricter where the firm is', () => {
    // 17 m lose 0.4815 dB: within 0.5, over 5 % (0.4238).
    const near = houseWith('ceiling-speaker', { rackSlackM: 6.3 });
    const set = (limits: Record<string, number>) =>
      withRecords(near, 'ruleSettings', [
        { id: 's', ruleId: 'speaker-cable-loss', off: false, rank: null, limits, reason: '', by: '', on: '' } as never,
      ]);
    expect(finding(near)).to.include({ rank: 'fine', code: 'speaker-loss-fine' });
    expect(finding(set({ nearShare: 0.9 }))).to.include({ rank: 'look', code: 'speaker-loss-near' });
    expect(finding(set({ targetDb: 0.4238 }))).to.include({ rank: 'look', code: 'speaker-loss-over' });
    expect(finding(set({ theatreDb: 0.3 }))).to.include({ rank: 'fine' });
    expect(finding(houseWith('wall-speaker', { rackSlackM: 0, deviceSlackM: 0 })).measured).to.be.lessThan(0.3);
  });

  it('offers no click for a cable that is already in the wall', () => {
    expect(finding(houseWith('ceiling-speaker', { state: 'pulled' })).cures).to.deep.equal([]);
  });

  it('is registered with title and source, and has nothing to say about data cables', () => {
    expect(new Set(CHECKS.map((check) => check.id)).size).to.equal(CHECKS.length);
    CHECKS.forEach((check) => expect(check.title.length * check.source.length).to.be.greaterThan(0));
    expect(checked(houseWith('access-point'))).to.deep.equal([]);
    expect(worstRank([])).to.equal('fine');
  });
});

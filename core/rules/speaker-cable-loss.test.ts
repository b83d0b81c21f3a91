import { expect } from 'chai';
import { placeDevice } from '../devices/index.ts';
import { applyChange, type ProjectDocument, update } from '../model/index.ts';
import { planRuns } from '../runs/index.ts';
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
  it('measures the loss at the cut length, as worked by hand', () => {
    const project = houseWith('ceiling-speaker');
    // (0.1 + 9.2 + 0.6 + 0.8 + 3) * 1.1 = 15.07 -> 15.5 m; 2 * 15.5 * 13.439 ohm/km = 0.4166 ohm; 20 log(8.4166/8) = 0.4409 dB > 0.4238
    expect(planRuns(project)[0].length!.cutLengthM).to.equal(15.5);
    const over = finding(project);
    expect(over).to.include({ rank: 'stop', code: 'speaker-loss-over' });
    expect(over.measured).to.be.closeTo(0.4409, 2e-4);
    expect(over.allowed).to.be.closeTo(0.4238, 1e-4);
  });

  it('offers 14 AWG, and applying the cure makes it fine', () => {
    const project = houseWith('ceiling-speaker');
    const [cure] = finding(project).cures;
    expect(cure).to.deep.include({ code: 'use-gauge' });
    expect(cure.figures).to.include({ gaugeAwg: 14 });
    const cured = applyChange(project, cure);
    expect(cured.ok && finding(cured.value)).to.include({ rank: 'fine', code: 'speaker-loss-fine' });
    expect(cured.ok && finding(cured.value).measured).to.be.closeTo(cure.figures.lossDb as number, 1e-12);
  });

  it('asks for a look near the limit, and where practice wants more copper', () => {
    expect(finding(houseWith('ceiling-speaker', { rackSlackM: 1.5 }))).to.include({ code: 'speaker-loss-near', rank: 'look' });
    expect(finding(houseWith('ceiling-speaker', { rackSlackM: 0, deviceSlackM: 0, cableTypeId: 'spk_14_2' })).rank).to.equal(
      'fine',
    );
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

import { expect } from 'chai';
import { listOf } from '../derive/index.ts';
import { create, type ProjectDocument, removeWithDependants, update, updateProject } from '../model/index.ts';
import { planRuns } from '../runs/index.ts';
import { applied, countedIds, smallHouse, withDevices } from '../testing/index.ts';
import { centsOf, formatCents } from './money.ts';
import { offersFor, planSpoolsOf, spoolsLeft } from './plan-spools.ts';

const at = (typeId: string, x: number, y = 0.05) => ({ typeId, at: [x, y] as [number, number] });
const wired = withDevices(
  smallHouse(),
  [
    at('ceiling-speaker', 1, 2),
    at('ceiling-speaker', 2, 2),
    at('ceiling-speaker', 3, 2),
    at('network-drop', 4),
    at('display', 2),
  ],
  countedIds(),
).project;
const speakers = (project: ProjectDocument) => planRuns(project).filter(({ run }) => run.cableTypeId === 'spk_16_2');
const inBundle = (bundle: string) =>
  applied(
    wired,
    speakers(wired).flatMap(({ run }) => update('runs', run, { bundle }) ?? []),
  );
const [bundled, alone] = [inBundle('B-X'), inBundle('')];
const spool = (id: string, code: string, lengthM: number) =>
  create('spools', {
    ...{ id, code, cableTypeId: 'spk_16_2', lengthM, jacketColour: 'white', make: '' },
    ...{ isBoxed: false, needsStand: true, note: '' },
  });
const ofSpeakers = (project: ProjectDocument) => planSpoolsOf(project).cables.find(({ cable }) => cable.id === 'spk_16_2')!;

describe('spools of a house', () => {
  it('are as many as cables are pulled at once, and every routed run is on one of them', () => {
    const plan = planSpoolsOf(bundled);
    expect(ofSpeakers(bundled).spools).to.have.length(3);
    const cut = plan.pulls.flatMap(({ cuts }) => cuts.map(({ runId }) => runId)).sort();
    const routed = planRuns(bundled).filter(({ run, length }) => length && bundled.cableTypes[run.cableTypeId].family !== 'hdmi');
    expect(cut).to.deep.equal(routed.map(({ run }) => run.id).sort());
    // Leads with plugs are bought in the next length that is made.
    for (const { lengthM, numbers } of plan.leads)
      for (const one of planRuns(bundled).filter(({ run }) => numbers.includes(run.number)))
        expect(one.length!.cutLengthM).to.be.at.most(lengthM);
    expect(plan.costCents).to.equal(plan.cables.reduce((sum, { answer }) => sum + answer.costCents, 0));
  });

  it('leave after each pull what was on them less every cut so far', () => {
    const { pulls, cables } = planSpoolsOf(bundled);
    const left = new Map(cables.flatMap(({ spools }) => spools.map(({ key, lengthM }) => [key, lengthM] as const)));
    for (const { cuts } of pulls) {
      expect(new Set(cuts.map(({ key }) => key)).size).to.equal(cuts.length);
      for (const { key, lengthM, meanM, leftM } of cuts) {
        expect(meanM).to.be.at.most(lengthM);
        left.set(key, left.get(key)! - meanM);
        expect(leftM).to.be.closeTo(left.get(key)!, 1e-9);
      }
    }
    // Many cables first.
    const counts = pulls.map(({ cuts }) => cuts.length);
    expect(counts).to.deep.equal(counts.toSorted((a, b) => b - a));
  });

  it('come from stock first, and what is cut is off the plan and off its spool', () => {
    const stocked = applied(alone, [spool('s1', 'S1', 300)]);
    expect(ofSpeakers(stocked).answer.costCents).to.equal(0);
    const [first] = speakers(stocked);
    const done = applied(stocked, [
      create('spoolCuts', {
        id: 'c1',
        spoolId: 's1',
        runId: first.run.id,
        lengthM: 12.5,
        on: '2026-12-01',
        firstMark: '',
        lastMark: '',
      }),
    ]);
    expect(spoolsLeft(done)[0].leftM).to.equal(287.5);
    expect(ofSpeakers(done).spools.flatMap(({ cutIds }) => cutIds)).to.not.include(first.run.id);
    expect(ofSpeakers(done).cutM).to.equal(first.length!.cutLengthM);
    // A spool that goes takes what is known of its cuts along.
    const gone = applied(done, removeWithDependants(done, 'spools', 's1'));
    expect(listOf(gone, 'spoolCuts')).to.deep.equal([]);
  });

  it('say what one longer run would need, and where the last cut then comes from', () => {
    const { spools } = ofSpeakers(bundled);
    for (const { lengthM, leftM, spareM, repair } of spools) {
      expect(spareM).to.be.at.least(leftM);
      expect(spareM).to.be.at.most(lengthM);
      // All others pull in the same bundle: one more has to be bought.
      expect(repair).to.deep.equal({ offerId: 'usual:spk_16_2' });
    }
    // By themselves they are cut from one spool, and another of the store helps out.
    const [own, ...others] = ofSpeakers(applied(alone, [spool('s1', 'S9', 300), spool('s2', 'S8', 300)])).spools;
    expect([others.length, own.repair]).to.deep.equal([0, { key: `spk_16_2:${own.stockId === 's1' ? 'S8' : 'S9'}` }]);
  });

  it('cost what their sizes cost, and by the meter where no size was entered', () => {
    const cable = wired.cableTypes.spk_16_2;
    expect(offersFor(wired, cable)).to.deep.equal([
      { id: 'usual:spk_16_2', lengthM: cable.spoolM, priceCents: centsOf(cable.pricePerM * cable.spoolM) },
    ]);
    const offered = applied(wired, [
      create('spoolOffers', {
        ...{ id: 'o1', cableTypeId: 'spk_16_2', name: 'Spool', lengthM: 76, priceCents: 4_567, supplier: '', leadDays: 3 },
      }),
    ]);
    const { answer } = ofSpeakers(offered);
    expect(answer.costCents).to.equal(4_567 * answer.count);
  });

  it('hold every run at its longest where they must last for certain', () => {
    const { spoolSettings } = wired.project;
    const certain = applied(wired, [updateProject(wired.project, { spoolSettings: { ...spoolSettings, confidence: 1 } })!]);
    const lengthOf = new Map(planRuns(certain).map(({ run, length }) => [run.id, length?.cutLengthM ?? 0]));
    for (const { usedM, cutIds } of planSpoolsOf(certain).cables.flatMap(({ spools }) => spools))
      expect(usedM).to.be.closeTo(
        cutIds.reduce((sum, id) => sum + lengthOf.get(id)!, 0),
        1e-9,
      );
  });

  it('are priced in whole hundredths', () => {
    expect([formatCents(123_450, 'USD'), formatCents(5, 'EUR'), formatCents(-99_900_001, 'EUR')]).to.deep.equal([
      '1 234.50 USD',
      '0.05 EUR',
      '−999 000.01 EUR',
    ]);
    expect([centsOf(1.005), centsOf(12.345), centsOf(0)]).to.deep.equal([101, 1235, 0]);
  });
});

import { expect } from 'chai';
import { CHECKS, type Finding, findingKey } from '@dusky-spool/core/rules';
import { placeDevice } from '@dusky-spool/core/devices';
import { applyChange, newOpening, type ProjectDocument, type RunState } from '@dusky-spool/core/model';
import { planRuns } from '@dusky-spool/core/runs';
import { checked, countingIds, smallHouse } from '@dusky-spool/core/testing';
import { placeOf } from './finding-place.ts';
import { isStage, progressOf, STAGES } from './progress.ts';

function houseWithSpeakers(states: readonly RunState[]): ProjectDocument {
  const next = countingIds();
  let house = smallHouse();
  states.forEach((state, i) => {
    const placed = placeDevice(house, { typeId: 'ceiling-speaker', levelId: 'm', at: [1 + i, 2] }, next());
    if (!placed.ok) throw new Error(placed.problem.code);
    const applied = applyChange(house, { operations: placed.value.operations });
    if (!applied.ok) throw new Error(applied.problem.code);
    const runs = Object.fromEntries(
      Object.entries(applied.value.runs).map(([id, run]) => [
        id,
        run.deviceId === placed.value.device.id ? { ...run, state } : run,
      ]),
    );
    house = { ...applied.value, runs };
  });
  return house;
}
const stageOf = (id: string) => CHECKS.find((check) => check.id === id)!.stage;
function derived(project: ProjectDocument) {
  const runs = planRuns(project);
  return {
    runs,
    findings: checked(project).map((finding) => ({ ...finding, ref: findingKey(finding), stage: stageOf(finding.check) })),
  };
}
const shareOf = (project: ProjectDocument, stage: string) =>
  progressOf(project, derived(project)).find((one) => one.stage === stage)!;

describe('the beads of the thread', () => {
  it('stand for every stage in its order, and an empty house has done nothing', () => {
    const empty = { ...smallHouse(), rooms: {}, walls: {}, racks: {}, devices: {}, runs: {} };
    const beads = progressOf(empty, derived(empty));
    expect(beads.map(({ stage }) => stage)).to.deep.equal([...STAGES]);
    // Only the name of the house is there of the four things that the brief's bead counts.
    expect(beads.filter(({ share }) => share > 0).map(({ stage, share }) => [stage, share])).to.deep.equal([['brief', 0.25]]);
    expect(['survey', 'pre-wire', 'Survey', undefined].map(isStage)).to.deep.equal([true, true, false, false]);
  });

  it('fill as runs go through their states', () => {
    const house = houseWithSpeakers(['drafted', 'issued', 'pulled', 'tested']);
    const share = (stage: string) => shareOf(house, stage).share;
    expect([share('order'), share('pre-wire'), share('trim-out')]).to.deep.equal([0.75, 0.5, 0.25]);
    expect(share('handover')).to.equal(0);
    expect(shareOf(houseWithSpeakers(['tested', 'tested']), 'handover').share).to.equal(1);
    // One of the two rooms has a device.
    expect(share('devices')).to.equal(0.5);
  });

  it('are never full while something is open in their stage', () => {
    const house = houseWithSpeakers(['drafted', 'drafted']);
    const drawn = shareOf(house, 'survey');
    // Both rooms have their walls, but nobody has measured how the house is framed.
    expect(drawn.open).to.be.greaterThan(0);
    expect(drawn.share).to.equal(0.95);
  });

  it('carry the stops of their own stage', () => {
    const wide = smallHouse({
      openings: [newOpening({ id: 'w', wallId: 'south1', kind: 'window', offsetM: 2, widthM: 9, sillM: 0.9, headM: 2.1 })],
    });
    expect(shareOf(wide, 'survey').stops).to.equal(1);
    expect(shareOf(wide, 'cabling').stops).to.equal(0);
  });
});

describe('the place of a finding', () => {
  const about = (list: string, id: string) => ({ subjects: [{ in: list, id }] }) as unknown as Finding;
  const house = {
    ...houseWithSpeakers(['drafted']),
    openings: {
      w: newOpening({ id: 'w', wallId: 'south1', kind: 'window', offsetM: 2, widthM: 1, sillM: 0.9, headM: 2.1 }),
    },
  };
  it('is the plan for a run, and the survey for what is of the house', () => {
    const [run] = Object.keys(house.runs);
    expect(placeOf('p', house, about('runs', run))).to.equal(`/p/p/cabling?level=m&sel=run:${run}`);
    expect(placeOf('p', house, about('levels', 'm'))).to.equal('/p/p/survey?level=m');
    expect(placeOf('p', house, about('openings', 'w'))).to.equal('/p/p/survey?level=m&sel=opening:w');
    expect(placeOf('p', house, about('rooms', 'a'))).to.equal('/p/p/survey?level=m&sel=room:a');
    expect(placeOf('p', house, about('walls', 'west'))).to.equal('/p/p/survey?level=m&sel=wall:west');
  });
});

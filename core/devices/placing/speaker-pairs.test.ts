import { expect } from 'chai';
import type { ProjectDocument } from '../../model/index.ts';
import { plannedRun, planRuns, proposedRoutes, runState, speakerSplitOf } from '../../runs/index.ts';
import { applied, checked, countedIds, smallHouse, withDevices } from '../../testing/index.ts';
import { labelsOf } from '../../sheets/index.ts';
import { mirrorDevice } from './placing.ts';
import { pairSpeakers, runSpeakersHome } from './speaker-pairs.ts';

const WORDS = {
  outdoors: 'Outdoors',
  speakerSplits: { on: '{{here}} here, {{onward}} on to {{number}}', from: '{{onward}} of {{number}}' },
};

function paired(
  typeId = 'ceiling-speaker',
  at: readonly [[number, number], [number, number]] = [
    [6, 2],
    [8, 2],
  ],
) {
  const { project, devices } = withDevices(
    smallHouse(),
    [
      { typeId, at: at[0] },
      { typeId, at: at[1] },
    ],
    countedIds(),
  );
  const ids = devices.map(({ id }) => id) as [string, string];
  const outcome = pairSpeakers(project, ids);
  if (!outcome.ok) throw new Error(outcome.problem.code);
  return { before: project, ids, project: applied(project, outcome.value) };
}
const runOf = (project: ProjectDocument, deviceId: string) =>
  Object.values(project.runs).find((run) => run.deviceId === deviceId)!;
const about = (project: ProjectDocument) =>
  checked(project).filter(({ rank, check }) => rank !== 'fine' && /speaker|cable-as|legs|conductors/.test(check));

describe('a pair of speakers', () => {
  it('on one four-conductor cable: it runs home from the nearer one, a jumper goes on, and nothing is wrong with it', () => {
    const { project, ids } = paired();
    // The rack stands at x = 9.8: the speaker at 8 is nearer.
    const [jumper, home] = ids.map((id) => runOf(project, id));
    expect(home).to.deep.include({ toDeviceId: null, cableTypeId: 'spk_16_4', mapId: 'speaker_4' });
    expect(jumper).to.deep.include({ toDeviceId: ids[1], cableTypeId: 'spk_16_2', mapId: 'speaker_2', bundle: '' });
    // 2 m on the plan, and up into the cavity and down again.
    expect(plannedRun(project, jumper.id).length!.runM).to.be.closeTo(2, 1e-9);
    expect(about(project)).to.deep.equal([]);
  });

  it('of 4 ohm each does not overload the amplifier: each has its own pair of conductors', () => {
    const { project } = paired('in-wall-front', [
      [7, 0.06],
      [8, 0.06],
    ]);
    expect(about(project).map(({ code }) => code)).to.not.include('amplifier-under-load');
    // On a two-conductor cable the same two are 2 ohm.
    const home = Object.values(project.runs).find(({ toDeviceId }) => toDeviceId === null)!;
    const thin = { ...project, runs: { ...project.runs, [home.id]: { ...home, cableTypeId: 'spk_14_2' } } };
    const found = about(thin).find(({ code }) => code === 'amplifier-under-load')!;
    expect(found.measured).to.be.closeTo(2, 1e-9);
  });

  it('loses over both runs together, as worked by hand', () => {
    const { project: near } = paired('ceiling-speaker', [
      [1, 2],
      [4, 2],
    ]);
    const [{ id: homeId }] = Object.values(near.runs).filter(({ toDeviceId }) => toDeviceId === null);
    const project = { ...near, runs: { ...near.runs, [homeId]: { ...near.runs[homeId], rackSlackM: 8 } } };
    const [home, jumper] = Object.values(project.runs).sort((a) => (a.toDeviceId === null ? -1 : 1));
    const metres = [home, jumper].map(({ id }) => {
      const { riseM, runM, dropM, deviceSlackM, rackSlackM } = plannedRun(project, id).length!;
      return riseM + runM + dropM + deviceSlackM + rackSlackM;
    });
    // 16 AWG stranded: 0.02688 ohm/m of loop (ENGINEERING 2.1); 8 ohm, each pair by itself.
    const lossDb = 20 * Math.log10((8 + 0.02688 * (metres[0] + metres[1])) / 8);
    const found = about(project).find(({ code }) => code === 'speaker-chain-loss')!;
    expect(found.measured).to.be.closeTo(lossDb, 0.002);
    expect(found.allowed).to.equal(0.5);
  });

  it('says on both labels which conductors are whose', () => {
    const { project, ids } = paired();
    const [jumper, home] = ids.map((id) => runOf(project, id));
    expect(speakerSplitOf(project, home)).to.deep.equal({
      kind: 'on',
      here: 'white/black',
      onward: 'red/green',
      number: jumper.number,
    });
    const labels = labelsOf(project, planRuns(project), WORDS);
    const said = (runId: string) => labels.filter((label) => label.runId === runId).map(({ conductors }) => conductors);
    const onward = `white/black here, red/green on to ${jumper.number}`;
    expect(said(home.id)).to.deep.equal([onward, onward]);
    expect(said(jumper.id)).to.deep.equal([`red/green of ${home.number}`, `red/green of ${home.number}`]);
  });

  it('goes back to two home runs, as it was', () => {
    const { before, project, ids } = paired();
    const back = runSpeakersHome(project, ids);
    const after = applied(project, back.ok ? back.value : []);
    expect(after.runs).to.deep.equal(before.runs);
  });

  it('is made on one cable by mirroring a speaker, in a project of that school', () => {
    const { project, devices } = withDevices(smallHouse(), [{ typeId: 'ceiling-speaker', at: [7, 2] }], countedIds());
    let count = 0;
    const ids = { device: () => `d_${++count}`, run: () => `r_${++count}` };
    const made = (speakerPairs: 'home-runs' | 'four-conductor') => {
      const house = { ...project, project: { ...project.project, speakerPairs } };
      const mirrored = mirrorDevice(house, devices[0].id, 'x', 'pair', ids);
      return Object.values(applied(house, mirrored.ok ? mirrored.value.operations : []).runs).map(
        ({ cableTypeId }) => cableTypeId,
      );
    };
    expect(made('home-runs')).to.deep.equal(['spk_16_2', 'spk_16_2']);
    expect(made('four-conductor').sort()).to.deep.equal(['spk_16_2', 'spk_16_4']);
  });

  it('is refused where a run is issued, or what is chosen is no speaker', () => {
    const { before, ids } = paired();
    const issued = runState(before, [runOf(before, ids[0]).id], 'issued', proposedRoutes(before));
    const code = (outcome: ReturnType<typeof pairSpeakers>) => (outcome.ok ? 'done' : outcome.problem.code);
    expect(code(pairSpeakers(applied(before, issued.ok ? issued.value : []), ids))).to.equal('run-issued');
    const { project, devices } = withDevices(
      smallHouse(),
      [
        { typeId: 'network-drop', at: [1, 0.05] },
        { typeId: 'ceiling-speaker', at: [2, 2] },
      ],
      countedIds(),
    );
    expect(code(pairSpeakers(project, [devices[0].id, devices[1].id]))).to.equal('not-a-speaker');
  });
});

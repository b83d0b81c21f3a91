import { LOSS_STOP_DB, LOSS_TARGET_DB, routedLength, speakerLoopLoss } from '../calculators/index.ts';
import { type Reading, whole } from '../derive/index.ts';
import { type CableType, type ProjectDocument, type Run, update } from '../model/index.ts';
import { compareNumbers, isKept, PLANNED_RUN, RUNS_HANGING, TYPE_OF_DEVICE } from '../runs/index.ts';
import { type Cure, defineCheck, type RuleFinding, say } from './check.ts';
import { exchange, thickerThan } from './cures.ts';
import { speakerOhmPerKm } from './speaker-cable-loss.ts';

/** A speaker on a line: its load, the pair of the home run that feeds it, and the runs between it and the home run. */
interface OnLine {
  readonly deviceId: string;
  readonly typeId: string;
  readonly ohm: number;
  readonly pair: number;
  readonly links: readonly Run[];
}

/** The speakers that one home run feeds. */
interface Chain {
  readonly home: Run;
  readonly speakers: readonly OnLine[];
  /** The least load on a pair of its conductors, ohm. */
  readonly loadOhm: number;
  readonly isShared: boolean;
}

const isAudio = (cableTypes: ProjectDocument['cableTypes'], { cableTypeId }: Run) =>
  cableTypes[cableTypeId].system === 'sound' && cableTypes[cableTypeId].gaugeAwg !== null;

/** The speakers of every home run, in the order of numbers: they do not ask where anything is. */
const CHAINS = whole<readonly Chain[]>({
  name: 'speaker chains',
  tables: ['cableTypes', 'deviceTypes', 'runs'],
  nodes: [RUNS_HANGING, TYPE_OF_DEVICE],
  make: (read) =>
    read
      .rows('runs')
      .filter((run) => run.toDeviceId === null && isAudio(read.project.cableTypes, run))
      .flatMap((home) => chainOf(home, read) ?? [])
      .sort((a, b) => compareNumbers(a.home.number, b.home.number)),
});

/** Speakers that hang on one line are no less load than an amplifier bears, and lose no more than one alone over the whole chain. */
export const speakerChains = defineCheck({
  id: 'speaker-chains',
  title: 'Speakers on one line do not overload its amplifier, nor lose too much over the chain',
  source:
    'Circuit theory; minimum load of the amplifier 4 Ω unless it says otherwise; target 0.5 dB over the chain, error above 1 dB',
  calculators: ['speaker-load', 'speaker-cable-loss'],
  severity: 'stop',
  stage: 'cabling',
  appliesTo: 'runs',
  reads: ['cableTypes', 'deviceTypes', 'project'],
  nodes: [CHAINS, PLANNED_RUN],
  safety: true,
  limits: {
    leastOhm: { usual: 4, min: 2, max: 16, unit: 'Ω', safer: 'more' },
    targetDb: { usual: LOSS_TARGET_DB, min: 0.1, max: 1, unit: 'dB', safer: 'less' },
    stopDb: { usual: LOSS_STOP_DB, min: 0.3, max: 3, unit: 'dB', safer: 'less' },
  },
  run: ({ project, read, limit }) => {
    const lengthM: Lengths = (runId) => {
      const { length } = read.one(PLANNED_RUN, runId)!;
      return length ? routedLength(length) : null;
    };
    const [leastOhm, targetDb, stopDb] = [limit('leastOhm'), limit('targetDb'), limit('stopDb')];
    const chains = read.get(CHAINS).filter(({ loadOhm, isShared }) => isShared || loadOhm < leastOhm);
    return chains.flatMap(({ home, speakers, isShared }) => [
      ...underLoad(home, speakers, leastOhm),
      // A speaker alone is judged with its own run.
      ...(isShared ? lossOver(project, home, speakers, lengthM, { targetDb, stopDb }) : []),
    ]);
  },
});

/**
 * The speakers that hang on a home run, over jumpers and controls, with the one at its own end. Each branch takes a pair of its
 * conductors as long as there are any, and the speaker at its end the first.
 */
function chainOf(home: Run, read: Reading): Chain | null {
  const { cableTypes, deviceTypes } = read.project;
  const hanging = read.get(RUNS_HANGING);
  const soundOn = (deviceId: string) => (hanging.get(deviceId) ?? []).filter((run) => isAudio(cableTypes, run));
  const typeIdOf = (deviceId: string) => read.one(TYPE_OF_DEVICE, deviceId)!;
  const ohmOf = (deviceId: string) => deviceTypes[typeIdOf(deviceId)].impedanceOhm;
  const branches = soundOn(home.deviceId);
  const pairs = Math.max(1, Math.floor(cableTypes[home.cableTypeId].conductors / 2));
  const own = ohmOf(home.deviceId);
  const found: OnLine[] =
    own === null ? [] : [{ deviceId: home.deviceId, typeId: typeIdOf(home.deviceId), ohm: own, pair: 0, links: [] }];
  const seen = new Set([home.deviceId]);
  const follow = (run: Run, pair: number, before: readonly Run[]) => {
    if (seen.has(run.deviceId)) return;
    seen.add(run.deviceId);
    const links = [...before, run];
    const ohm = ohmOf(run.deviceId);
    if (ohm !== null) found.push({ deviceId: run.deviceId, typeId: typeIdOf(run.deviceId), ohm, pair, links });
    for (const next of soundOn(run.deviceId)) follow(next, pair, links);
  };
  for (const [n, run] of branches.entries()) follow(run, Math.min(pairs - 1, n + (own === null ? 0 : 1)), []);
  if (found.length === 0) return null;
  const loadOhm = Math.min(...pairsOf(found).map(parallelOhm));
  return { home, speakers: found, loadOhm, isShared: found.some(({ links }) => links.length > 0) };
}

const parallelOhm = (speakers: readonly OnLine[]) => 1 / speakers.reduce((sum, { ohm }) => sum + 1 / ohm, 0);

/** The speakers of each pair of conductors that feeds any. */
const pairsOf = (speakers: readonly OnLine[]): OnLine[][] =>
  [...new Set(speakers.map(({ pair }) => pair))].map((pair) => speakers.filter((one) => one.pair === pair));

function underLoad(home: Run, chain: readonly OnLine[], minOhm: number): RuleFinding[] {
  const [worst] = pairsOf(chain).sort((a, b) => parallelOhm(a) - parallelOhm(b));
  if (!worst) return [];
  const loadOhm = parallelOhm(worst);
  if (loadOhm >= minOhm * (1 - 1e-9)) return [];
  const links = worst.flatMap((speaker) => speaker.links.slice(-1));
  return [
    say(
      'stop',
      worst.length > 1 ? 'amplifier-under-load' : 'amplifier-load-low',
      [{ in: 'runs', id: home.id }, ...worst.map(({ deviceId }) => ({ in: 'devices' as const, id: deviceId }))],
      { number: home.number, count: worst.length, loadOhm, leastOhm: minOhm },
      { measured: loadOhm, allowed: minOhm, unit: 'Ω', cures: (house) => homeByItself(house, links) },
    ),
  ];
}

/** Routed length of a run, m; null where it has no route. */
type Lengths = (runId: string) => number | null;

/** The speaker of a chain that loses most over all its runs, where that is more than its limit. */
function lossOver(
  project: ProjectDocument,
  home: Run,
  chain: readonly OnLine[],
  lengthM: Lengths,
  { targetDb, stopDb }: { readonly targetDb: number; readonly stopDb: number },
): RuleFinding[] {
  const lossWith = (speaker: OnLine, cable: CableType) => {
    const path = [home, ...speaker.links];
    // Each piece carries what hangs on its pair behind it.
    let share = 0;
    for (const [n, run] of path.entries()) {
      const metres = lengthM(run.id);
      const type = n === 0 ? cable : project.cableTypes[run.cableTypeId];
      if (metres === null) return null;
      const ohmPerKm = speakerOhmPerKm(project, type);
      if (ohmPerKm === null) return null;
      const loadOhm = parallelOhm(chain.filter((one) => one.pair === speaker.pair && (n === 0 || one.links.includes(run))));
      share += speakerLoopLoss(ohmPerKm, metres, loadOhm).loopOhm / loadOhm;
    }
    return { lossDb: 20 * Math.log10(1 + share), lengthM: path.reduce((sum, run) => sum + lengthM(run.id)!, 0) };
  };
  const judged = chain.flatMap((speaker) => {
    const type = project.deviceTypes[speaker.typeId];
    const loss =
      speaker.links.length > 0 && type.soundUse !== null ? lossWith(speaker, project.cableTypes[home.cableTypeId]) : null;
    if (!loss || type.soundUse === null) return [];
    return loss.lossDb > targetDb * (1 + 1e-9) ? [{ speaker, type, limitDb: targetDb, ...loss }] : [];
  });
  const [worst] = judged.sort((a, b) => b.lossDb - a.lossDb);
  if (!worst) return [];
  const { speaker, type, limitDb, lossDb } = worst;
  return [
    say(
      lossDb > stopDb * (1 + 1e-9) ? 'stop' : 'look',
      'speaker-chain-loss',
      [
        { in: 'runs', id: home.id },
        { in: 'devices', id: speaker.deviceId },
      ],
      { number: home.number, device: type.name, count: speaker.links.length + 1, lengthM: worst.lengthM, lossDb, limitDb },
      {
        measured: lossDb,
        allowed: limitDb,
        unit: 'dB',
        cures: (house) => {
          const better = thickerThan(house, house.cableTypes[home.cableTypeId]).find((cable) =>
            judged.every((one) => (lossWith(one.speaker, cable)?.lossDb ?? Infinity) <= one.limitDb),
          );
          const operations = exchange(house, home.id, better);
          if (better && operations.length > 0) return [{ code: 'use-cable', figures: { name: better.name }, operations }];
          return homeByItself(
            house,
            judged.flatMap((one) => one.speaker.links.slice(-1)),
          );
        },
      },
    ),
  ];
}

/** Speakers of a chain with a run of their own to the rack. */
function homeByItself(project: ProjectDocument, links: readonly Run[]): Cure[] {
  const operations = links.flatMap(({ id }) => {
    const run = project.runs[id];
    const operation =
      run && !isKept(run) ? update('runs', run, { toDeviceId: null, rackSlackM: project.project.rackSlackM }) : null;
    return operation ?? [];
  });
  return operations.length === links.length && links.length > 0
    ? [{ code: 'home-by-itself', figures: { count: links.length }, operations }]
    : [];
}

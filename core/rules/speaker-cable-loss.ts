import { type CableType, type ProjectDocument, type Run, update } from '../model/index.ts';
import { derivationsOf, listOf, Remembered, whole } from '../derive/index.ts';
import type { PlannedRun } from '../runs/index.ts';
import { LOSS_STOP_DB, LOSS_TARGET_DB, routedLength, speakerLoopLoss, wireResistance } from '../calculators/index.ts';
import { type Cure, defineCheck, type Rank, type RuleFinding, say } from './check.ts';

/** Practice: 16 AWG is the thinnest in a wall; 14 AWG for theatre and for loads of 4 ohm and less. */
const THINNEST_AWG = 16;
const THINNEST_HEAVY_AWG = 14;
const HEAVY_LOAD_OHM = 4;

/**
 * Loss of every speaker run at its routed length against the target of the project (ENGINEERING section 2): over the target is a warning
 * with the thicker gauge as its cure, an error only above 1 dB or for a material that carries no sound.
 */
export const speakerCableLossCheck = defineCheck({
  id: 'speaker-cable-loss',
  stage: 'cabling',
  title: 'Speaker cable is thick enough for its length and load',
  source: 'Circuit theory; trade practice: target 0.5 dB; 0.3 dB or 5 % (0.42 dB) where the firm is stricter',
  calculators: ['speaker-cable-loss', 'speaker-cable-gauge'],
  severity: 'stop',
  appliesTo: 'runs',
  reads: ['cableTypes', 'deviceTypes', 'project'],
  limits: {
    targetDb: { usual: LOSS_TARGET_DB, min: 0.1, max: 1, unit: 'dB', safer: 'less' },
    theatreDb: { usual: LOSS_TARGET_DB, min: 0.1, max: 1, unit: 'dB', safer: 'less' },
    stopDb: { usual: LOSS_STOP_DB, min: 0.3, max: 3, unit: 'dB', safer: 'less' },
    // Nothing is said of what is only near its target, unless a firm sets from which share of it on.
    nearShare: { usual: 1, min: 0.5, max: 1, unit: '', safer: 'less' },
  },
  ofRun: (planned, { project, limit }) => {
    const use = project.deviceTypes[planned.device.typeId].soundUse;
    const targetDb = limit(use === 'theatre' ? 'theatreDb' : 'targetDb');
    return findingFor(project, planned, { targetDb, stopDb: Math.max(targetDb, limit('stopDb')), nearShare: limit('nearShare') });
  },
});

interface Limits {
  readonly targetDb: number;
  readonly stopDb: number;
  readonly nearShare: number;
}

interface Figures {
  readonly lossDb: number;
  readonly loopOhm: number;
  readonly limitDb: number;
  readonly lengthM: number;
  readonly loadOhm: number;
  readonly gaugeAwg: number;
}

function findingFor(project: ProjectDocument, { run, device, length }: PlannedRun, limits: Limits): RuleFinding[] {
  const type = project.deviceTypes[device.typeId];
  const cable = project.cableTypes[run.cableTypeId];
  if (!length || type.impedanceOhm === null || type.soundUse === null || cable.gaugeAwg === null || cable.system !== 'sound')
    return [];
  const lengthM = routedLength(length);
  const figures = figuresFor(project, cable, lengthM, type.impedanceOhm, limits.targetDb);
  if (!figures) return [];
  const thinnest = thinnestAwg(type.soundUse, type.impedanceOhm);
  const { rank, code } = judge(figures, cable, thinnest, limits);
  const { impedanceOhm } = type;
  const useThicker = (house: ProjectDocument) =>
    rank === 'fine' ? [] : thickerCables(house, run, cable, { code, thinnest, lengthM, loadOhm: impedanceOhm, limits });
  return [
    say(
      rank,
      code,
      [
        { in: 'runs', id: run.id },
        { in: 'devices', id: device.id },
      ],
      { number: run.number, thinnestAwg: thinnest, ...figures, better: useThicker(project)[0]?.figures ?? null },
      { measured: figures.lossDb, allowed: figures.limitDb, unit: 'dB', cures: useThicker },
    ),
  ];
}

const thinnestAwg = (use: 'distributed' | 'theatre', loadOhm: number) =>
  use === 'theatre' || loadOhm <= HEAVY_LOAD_OHM ? THINNEST_HEAVY_AWG : THINNEST_AWG;

/** What is asked of the same cables again and again: ohm/km of one conductor, null where the gauge has none; thicker cables. */
interface SpeakerCables {
  readonly ohmPerKm: Remembered<CableType, number | null>;
  readonly thicker: Remembered<CableType, readonly CableType[]>;
}
const SPEAKER_CABLES = whole<SpeakerCables>({
  name: 'speaker cables',
  tables: ['cableTypes', 'project'],
  make: () => ({ ohmPerKm: new Remembered(), thicker: new Remembered() }),
});

/** Resistance of one conductor of a speaker cable at the temperature of the project, ohm/km; null where its gauge has none. */
export const speakerOhmPerKm = (project: ProjectDocument, cable: CableType): number | null =>
  derivationsOf(project)
    .get(SPEAKER_CABLES)
    .ohmPerKm.of(cable, () => {
      const { stranded, gaugeAwg } = cable;
      const material = cable.material === 'cca' ? 'cca' : 'copper';
      const wire = wireResistance({ gaugeAwg: gaugeAwg!, stranded, material, temperatureC: project.project.ambientC });
      return wire.ok ? wire.value.ohmPerKm : null;
    });

function figuresFor(
  project: ProjectDocument,
  cable: CableType,
  lengthM: number,
  loadOhm: number,
  limitDb: number,
): Figures | null {
  const ohmPerKm = speakerOhmPerKm(project, cable);
  if (ohmPerKm === null) return null;
  return { ...speakerLoopLoss(ohmPerKm, lengthM, loadOhm), limitDb, lengthM, loadOhm, gaugeAwg: cable.gaugeAwg! };
}

function judge(
  figures: Figures,
  cable: CableType,
  thinnest: number,
  { stopDb, nearShare }: Limits,
): { rank: Rank; code: string } {
  if (cable.material === 'ccs') return { rank: 'stop', code: 'speaker-clad-steel' };
  if (figures.lossDb > stopDb * (1 + 1e-9)) return { rank: 'stop', code: 'speaker-loss-over' };
  if (figures.lossDb > figures.limitDb * (1 + 1e-9)) return { rank: 'look', code: 'speaker-loss-over' };
  if (cable.material === 'cca') return { rank: 'look', code: 'speaker-clad-aluminium' };
  if (figures.gaugeAwg > thinnest) return { rank: 'look', code: 'speaker-gauge-thin' };
  if (figures.lossDb > figures.limitDb * nearShare * (1 + 1e-9)) return { rank: 'look', code: 'speaker-loss-near' };
  return { rank: 'fine', code: 'speaker-loss-fine' };
}

/** Copper of the family that is thicker, the thinnest first; any thickness instead of clad aluminium. */
const thickerThan = (project: ProjectDocument, cable: CableType): readonly CableType[] =>
  derivationsOf(project)
    .get(SPEAKER_CABLES)
    .thicker.of(cable, () =>
      listOf(project, 'cableTypes')
        .filter((other) => other.family === cable.family && other.gaugeAwg !== null && other.material === 'copper')
        .filter((other) => other.gaugeAwg! < cable.gaugeAwg! || cable.material !== 'copper')
        .sort((a, b) => b.gaugeAwg! - a.gaugeAwg!),
    );

/** How a run was judged. */
interface Judged {
  readonly code: string;
  readonly thinnest: number;
  readonly lengthM: number;
  readonly loadOhm: number;
  readonly limits: Limits;
}

/**
 * Thicker cables of the same family: the thinnest within the target, and the thinnest that leaves nothing to judge.
 * A cable already pulled cannot be exchanged by a click.
 */
function thickerCables(
  project: ProjectDocument,
  run: Run,
  cable: CableType,
  { code, thinnest, lengthM, loadOhm, limits }: Judged,
): Cure[] {
  if (run.state !== 'drafted' && run.state !== 'issued' && run.state !== 'labelled') return [];
  const candidates = thickerThan(project, cable).flatMap((other) => {
    const figures = figuresFor(project, other, lengthM, loadOhm, limits.targetDb);
    return figures ? [{ other, figures, judged: judge(figures, other, thinnest, limits) }] : [];
  });
  const within = code === 'speaker-loss-over' ? candidates.find(({ judged }) => judged.code !== 'speaker-loss-over') : undefined;
  const good = candidates.find(({ judged }) => judged.rank === 'fine');
  return [...new Set([within, good])].flatMap((choice) => {
    const operation = choice && update('runs', run, { cableTypeId: choice.other.id });
    if (!choice || !operation) return [];
    const { gaugeAwg, lossDb } = choice.figures;
    return [
      { code: 'use-gauge', figures: { gaugeAwg, lossDb, cable: choice.other.name, number: run.number }, operations: [operation] },
    ];
  });
}

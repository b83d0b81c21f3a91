import { type CableType, type ProjectDocument, type Run, update } from '../model/index.ts';
import { derivationsOf, listOf, Remembered, whole } from '../derive/index.ts';
import type { PlannedRun } from '../runs/index.ts';
import { lossLimitDb, speakerCableLoss } from '../calculators/index.ts';
import { type Cure, defineCheck, type Rank, type RuleFinding, say } from './check.ts';

/** Practice: 16 AWG is the thinnest in a wall; 14 AWG for theatre and for loads of 4 ohm and less. */
const THINNEST_AWG = 16;
const THINNEST_HEAVY_AWG = 14;
const HEAVY_LOAD_OHM = 4;

/** Loss of every speaker run at its cut length against the limit of its use (ENGINEERING section 2). */
export const speakerCableLossCheck = defineCheck({
  id: 'speaker-cable-loss',
  stage: 'cabling',
  title: 'Speaker cable is thick enough for its length and load',
  source: 'Circuit theory; trade practice: limits 5 % (distributed) and 0.3 dB (theatre)',
  calculators: ['speaker-cable-loss', 'speaker-cable-gauge'],
  severity: 'stop',
  appliesTo: 'runs',
  reads: ['cableTypes', 'deviceTypes', 'project'],
  // From this share of the limit on a run is worth a look: a detour of a tenth more on site would break it [practice].
  limits: { nearShare: { usual: 0.9, min: 0.5, max: 1, unit: '', safer: 'less' } },
  ofRun: (planned, { project, limit }) => findingFor(project, planned, limit('nearShare')),
});

type SoundUse = 'distributed' | 'theatre';

interface Figures {
  readonly lossDb: number;
  readonly loopOhm: number;
  readonly limitDb: number;
  readonly lengthM: number;
  readonly loadOhm: number;
  readonly gaugeAwg: number;
}

function findingFor(project: ProjectDocument, { run, device, length }: PlannedRun, nearShare: number): RuleFinding[] {
  const type = project.deviceTypes[device.typeId];
  const cable = project.cableTypes[run.cableTypeId];
  if (!length || type.impedanceOhm === null || type.soundUse === null || cable.gaugeAwg === null || cable.system !== 'sound')
    return [];
  const figures = figuresFor(project, cable, length.cutLengthM, type.impedanceOhm, type.soundUse);
  if (!figures) return [];
  const thinnest = thinnestAwg(type.soundUse, type.impedanceOhm);
  const { rank, code } = judge(figures, cable, thinnest, nearShare);
  const { cutLengthM } = length;
  const { impedanceOhm, soundUse } = type;
  const useThicker = (house: ProjectDocument) =>
    rank === 'fine' ? [] : thickerCables(house, run, cable, rank, cutLengthM, impedanceOhm, soundUse, nearShare);
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

const thinnestAwg = (use: SoundUse, loadOhm: number) =>
  use === 'theatre' || loadOhm <= HEAVY_LOAD_OHM ? THINNEST_HEAVY_AWG : THINNEST_AWG;

const MAX_WORKED = 5000;

/** What is worked out of cables: cut lengths come in steps, so many runs have the same figures. */
interface SpeakerCables {
  readonly figures: Remembered<string, Figures | null>;
  readonly thicker: Remembered<CableType, readonly CableType[]>;
}
const SPEAKER_CABLES = whole<SpeakerCables>({
  name: 'speaker cables',
  tables: ['cableTypes'],
  make: () => ({ figures: new Remembered(MAX_WORKED), thicker: new Remembered() }),
});

function figuresFor(project: ProjectDocument, cable: CableType, lengthM: number, loadOhm: number, use: SoundUse): Figures | null {
  const { ambientC } = project.project;
  return derivationsOf(project)
    .get(SPEAKER_CABLES)
    .figures.of(`${cable.id}/${lengthM}/${loadOhm}/${use}/${ambientC}`, () => workOut(ambientC, cable, lengthM, loadOhm, use));
}

function workOut(temperatureC: number, cable: CableType, lengthM: number, loadOhm: number, use: SoundUse): Figures | null {
  const gaugeAwg = cable.gaugeAwg!;
  const material = cable.material === 'cca' ? 'cca' : 'copper';
  const loss = speakerCableLoss({ lengthM, loadOhm, gaugeAwg, stranded: cable.stranded, material, temperatureC });
  if (!loss.ok) return null;
  return { lossDb: loss.value.lossDb, loopOhm: loss.value.loopOhm, limitDb: lossLimitDb(use), lengthM, loadOhm, gaugeAwg };
}

function judge(figures: Figures, cable: CableType, thinnest: number, nearShare: number): { rank: Rank; code: string } {
  if (figures.lossDb > figures.limitDb * (1 + 1e-9)) return { rank: 'stop', code: 'speaker-loss-over' };
  if (cable.material === 'cca') return { rank: 'look', code: 'speaker-clad-aluminium' };
  if (figures.gaugeAwg > thinnest) return { rank: 'look', code: 'speaker-gauge-thin' };
  if (figures.lossDb > figures.limitDb * nearShare) return { rank: 'look', code: 'speaker-loss-near' };
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

/**
 * Thicker cables of the same family: the thinnest within the limit, and the thinnest that leaves nothing to judge.
 * A cable already pulled cannot be exchanged by a click.
 */
function thickerCables(
  project: ProjectDocument,
  run: Run,
  cable: CableType,
  rank: Rank,
  lengthM: number,
  loadOhm: number,
  use: SoundUse,
  nearShare: number,
): Cure[] {
  if (run.state !== 'drafted' && run.state !== 'issued' && run.state !== 'labelled') return [];
  const thinnest = thinnestAwg(use, loadOhm);
  const candidates = thickerThan(project, cable).flatMap((other) => {
    const figures = figuresFor(project, other, lengthM, loadOhm, use);
    return figures ? [{ other, figures, rank: judge(figures, other, thinnest, nearShare).rank }] : [];
  });
  const within = rank === 'stop' ? candidates.find((c) => c.rank !== 'stop') : undefined;
  const good = candidates.find((c) => c.rank === 'fine');
  return [...new Set([within, good])].flatMap((choice) => {
    const operation = choice && update('runs', run, { cableTypeId: choice.other.id });
    if (!choice || !operation) return [];
    const { gaugeAwg, lossDb } = choice.figures;
    return [
      { code: 'use-gauge', figures: { gaugeAwg, lossDb, cable: choice.other.name, number: run.number }, operations: [operation] },
    ];
  });
}

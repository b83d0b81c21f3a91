import { z } from 'zod';
import { err, type Outcome } from '../math/index.ts';
import type { Calculator } from './calculator.ts';
import {
  amplifierOutput,
  bondingConductor,
  cascadeNoise,
  coaxLoss,
  dishAim,
  dishGap,
  fieldStrength,
  horizon,
  levelUnits,
  lnbDrop,
  magneticBearing,
  mastSpacing,
  outletLevel,
  splitterLoss,
  surgeBond,
  thermalNoise,
  transmitterBearing,
} from './coax/index.ts';
import { cameraDensity, pathLoss } from './coverage/index.ts';
import { dataLink, patchCords, pinOut, poeBudget, poeBundle, poeLink } from './data/index.ts';
import {
  amplifierHeat,
  circuitLoad,
  floorLoad,
  patchPorts,
  rackHeat,
  recorderDisk,
  upsShedding,
  upsTime,
} from './head-end/index.ts';
import { lightAtPoint, roomLight } from './lighting/index.ts';
import {
  cableSupports,
  cutLengthCalculator,
  labourHours,
  learnedFactorCalculator,
  orderLength,
  priceOf,
  pullingHoursCalculator,
  spoolPlan,
} from './order/index.ts';
import { conduitFillCalculator, conduitPullCalculator, conduitSizeCalculator } from './pathways/index.ts';
import { ceilingCoverage, frameFit, heightCheck, stereoPair } from './placing/index.ts';
import { classTwo, dcChain, dcDrop, dcPower, ledChannels, ledFeed, ledStrip } from './power/index.ts';
import { contactZones, endOfLine, loopLimit, securityConductors, standbyBattery } from './security/index.ts';
import { shadeRoll, skySeen, sunHours, sunOnPane, sunPosition } from './shades/index.ts';
import {
  constantVoltage,
  damping,
  speakerCableGaugeCalculator,
  speakerCableLossCalculator,
  speakerLoadCalculator,
  speakerNetwork,
  speakerResponse,
  volumeControl,
} from './speakers/index.ts';
import {
  boreCheck,
  bracketLoad,
  fixingLoad,
  holeFill,
  lagScrew,
  notchCheck,
  seismicForce,
  separation,
} from './structure/index.ts';
import { atticHeightCalculator, levelAlignmentCalculator, planScaleCalculator } from './survey/index.ts';
import {
  anamorphicLens,
  beamHeight,
  boundaryNotch,
  channelWindow,
  displayPlace,
  eyeRows,
  firstReflection,
  layoutChannels,
  modalResponse,
  modeCoupling,
  offAxisLoss,
  overheadPair,
  panelArea,
  pistonBeaming,
  projectorOffset,
  reverberation,
  riserSteps,
  roomAir,
  roomMode,
  roomRatios,
  rowSight,
  scopeByZoom,
  screenBrightness,
  screenSize,
  screenWeave,
  seatOffAxis,
  soundInRoom,
  soundLevel,
  soundSightLine,
  soundSpill,
  speakerAim,
  speakerDelay,
  speakerDirection,
  speakerPower,
  subwooferOutput,
  sumOfSources,
  throwWindow,
  viewingAngle,
} from './theatre/index.ts';
import { bundleDiameter, pictureRate, pictureReach, plugConduit, rigidInBend } from './video/index.ts';
import { bendRadius, materialAllowed, parallelConductors, pullLimit, wireResistanceCalculator, wireSizes } from './wire/index.ts';

/** In the order of their topics; within a topic the more usual ones first. */
export const CALCULATORS: readonly Calculator[] = [
  wireResistanceCalculator,
  wireSizes,
  parallelConductors,
  bendRadius,
  pullLimit,
  materialAllowed,
  speakerCableLossCalculator,
  speakerCableGaugeCalculator,
  speakerLoadCalculator,
  speakerNetwork,
  damping,
  speakerResponse,
  volumeControl,
  constantVoltage,
  dcDrop,
  dcPower,
  dcChain,
  ledFeed,
  ledStrip,
  ledChannels,
  classTwo,
  dataLink,
  patchCords,
  pinOut,
  poeLink,
  poeBudget,
  poeBundle,
  pictureRate,
  pictureReach,
  coaxLoss,
  splitterLoss,
  outletLevel,
  amplifierOutput,
  thermalNoise,
  cascadeNoise,
  levelUnits,
  fieldStrength,
  horizon,
  mastSpacing,
  bondingConductor,
  surgeBond,
  lnbDrop,
  dishAim,
  magneticBearing,
  transmitterBearing,
  dishGap,
  conduitFillCalculator,
  conduitSizeCalculator,
  conduitPullCalculator,
  bundleDiameter,
  plugConduit,
  rigidInBend,
  holeFill,
  separation,
  boreCheck,
  notchCheck,
  fixingLoad,
  bracketLoad,
  lagScrew,
  seismicForce,
  heightCheck,
  ceilingCoverage,
  stereoPair,
  frameFit,
  loopLimit,
  endOfLine,
  standbyBattery,
  contactZones,
  securityConductors,
  cutLengthCalculator,
  orderLength,
  spoolPlan,
  cableSupports,
  labourHours,
  learnedFactorCalculator,
  pullingHoursCalculator,
  priceOf,
  screenSize,
  viewingAngle,
  eyeRows,
  throwWindow,
  screenBrightness,
  soundLevel,
  speakerPower,
  soundInRoom,
  speakerDelay,
  layoutChannels,
  roomMode,
  modalResponse,
  anamorphicLens,
  beamHeight,
  boundaryNotch,
  channelWindow,
  displayPlace,
  firstReflection,
  modeCoupling,
  offAxisLoss,
  overheadPair,
  panelArea,
  pistonBeaming,
  projectorOffset,
  reverberation,
  riserSteps,
  roomAir,
  roomRatios,
  rowSight,
  scopeByZoom,
  screenWeave,
  seatOffAxis,
  soundSightLine,
  soundSpill,
  speakerAim,
  speakerDirection,
  subwooferOutput,
  sumOfSources,
  cameraDensity,
  pathLoss,
  shadeRoll,
  sunPosition,
  sunOnPane,
  sunHours,
  skySeen,
  lightAtPoint,
  roomLight,
  rackHeat,
  amplifierHeat,
  recorderDisk,
  upsShedding,
  floorLoad,
  circuitLoad,
  upsTime,
  patchPorts,
  planScaleCalculator,
  levelAlignmentCalculator,
  atticHeightCalculator,
] as unknown as readonly Calculator[];

/** Every calculator with its input as JSON Schema. */
export function listCalculators(): object[] {
  return CALCULATORS.map(({ name, title, topic, source, formulaIds = [], valid, formulas, input }) => ({
    name,
    title,
    topic,
    source,
    formulaIds,
    valid,
    formulas,
    input: z.toJSONSchema(input, { io: 'input' }),
  }));
}
/**
 * Runs a calculator on unchecked input. Problems: `calculator-unknown`, `incomplete` with the missing field,
 * `invalid` with the field, and those of the calculator.
 */
/** No figure of a house is larger, or smaller and not nothing. */
const LARGEST = 1e12;
const SMALLEST = 1e-12;

/** Every number in a value with the path to it. */
function* numbersIn(value: unknown, path = ''): Generator<readonly [path: string, number: number]> {
  if (typeof value === 'number') yield [path, value];
  else if (typeof value === 'object' && value !== null)
    for (const [key, one] of Object.entries(value)) yield* numbersIn(one, path === '' ? key : `${path}.${key}`);
}

/** Runs a calculator on figures that a house can have; an answer that is no number names the figure that spoils it. */
function answer(calculator: Calculator, input: object): Outcome<object> {
  const figures = [...numbersIn(input)];
  const beyond = figures.find(([, value]) => Math.abs(value) > LARGEST || (value !== 0 && Math.abs(value) < SMALLEST));
  if (beyond) {
    const [field, value] = beyond;
    const [least, most] = Math.abs(value) > LARGEST ? [-LARGEST, LARGEST] : [SMALLEST, LARGEST];
    return err('out-of-domain', { kind: 'out_of_domain', field, value, least, most });
  }
  const outcome = calculator.run(input as never);
  const result: unknown = outcome.ok ? outcome.value : outcome.problem;
  if ([...numbersIn(result)].every(([, value]) => Number.isFinite(value))) return outcome;
  const extreme = figures.toSorted(([, a], [, b]) => awayFromOne(b) - awayFromOne(a))[0];
  return err('no-answer', { kind: 'out_of_domain', field: extreme?.[0] ?? 'input', value: extreme?.[1] ?? 0 });
}

/** How far a figure is from an ordinary one; nothing is farthest. */
const awayFromOne = (value: number): number => (value === 0 ? Infinity : Math.abs(Math.log10(Math.abs(value))));

export function runCalculator(name: string, input: unknown): Outcome<object> {
  const calculator = CALCULATORS.find((c) => c.name === name);
  if (!calculator)
    return err('calculator-unknown', { kind: 'invalid', field: 'name', name, known: CALCULATORS.map((c) => c.name) });
  if (typeof input !== 'object' || input === null || Array.isArray(input))
    return err('input-not-object', { kind: 'invalid', field: 'input' });
  const parsed = calculator.input.safeParse(input);
  if (parsed.success) return answer(calculator, parsed.data as object);
  const { issues } = parsed.error;
  const missing = issues.find((issue) => issue.path.length === 1 && !Object.hasOwn(input, String(issue.path[0])));
  const issue = missing ?? issues[0];
  const field = issue.code === 'unrecognized_keys' ? issue.keys[0] : issue.path.map(String).join('.');
  return err(missing ? 'input-missing' : 'input-invalid', {
    kind: missing ? 'incomplete' : 'invalid',
    field,
    reason: issue.message,
  });
}

/** The way to an answer in numbers; empty where it was refused. */
export function stepsOf(name: string, input: unknown): readonly string[] {
  const found = CALCULATORS.find((c) => c.name === name);
  const parsed = found?.input.safeParse(input);
  if (!found || !parsed?.success) return [];
  const outcome = found.run(parsed.data as never);
  return outcome.ok ? found.steps(parsed.data as never, outcome.value as never) : [];
}

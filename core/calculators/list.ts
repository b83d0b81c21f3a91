import { z } from 'zod';
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
import { calculator, type Calculator, fig } from './calculator.ts';
import {
  cableSupports,
  cutLengthCalculator,
  cutLengthInput,
  labourHours,
  orderLength,
  priceOf,
  spoolPlan,
} from './order/index.ts';
import { cameraDensity, pathLoss } from './coverage/index.ts';
import { dataLink, patchCords, poeBudget, poeBundle, poeLink } from './data/index.ts';
import { circuitLoad, patchPorts, rackHeat, upsTime } from './head-end/index.ts';
import { ceilingCoverage, frameFit, heightCheck, stereoPair } from './placing/index.ts';
import { lightAtPoint, roomLight } from './lighting/index.ts';
import { type Outcome, refuse } from '../math/index.ts';
import { bundleDiameter, pictureRate, pictureReach, plugConduit, rigidInBend } from './video/index.ts';
import { classTwo, dcChain, dcDrop, dcPower, ledChannels, ledFeed, ledStrip } from './power/index.ts';
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
} from './coax/index.ts';
import { contactZones, endOfLine, loopLimit, standbyBattery } from './security/index.ts';
import { shadeRoll, skySeen, sunHours, sunOnPane, sunPosition } from './shades/index.ts';
import { atticHeight, atticHeightInput, levelAlignment, levelAlignmentInput, planScale, planScaleInput } from './survey/index.ts';
import {
  eyeRows,
  layoutChannels,
  modalResponse,
  roomMode,
  screenBrightness,
  screenSize,
  soundInRoom,
  soundLevel,
  speakerDelay,
  speakerPower,
  throwWindow,
  viewingAngle,
} from './theatre/index.ts';
import {
  bendRadius,
  materialAllowed,
  parallelConductors,
  pullLimit,
  wireResistance,
  wireResistanceInput,
  wireSizes,
} from './wire/index.ts';
import {
  constantVoltage,
  damping,
  speakerCableGauge,
  speakerCableGaugeInput,
  speakerCableLoss,
  speakerCableLossInput,
  speakerLoad,
  speakerLoadInput,
  speakerNetwork,
  speakerResponse,
  volumeControl,
} from './speakers/index.ts';
import {
  conduitFillCalculator,
  conduitFillInput,
  conduitPullCalculator,
  conduitPullInput,
  conduitSizeCalculator,
  conduitSizeInput,
} from './pathways/index.ts';

/** In the order of their topics; within a topic the more usual ones first. */
export const CALCULATORS: readonly Calculator[] = [
  calculator({
    name: 'wire-resistance',
    title: 'Resistance of one conductor',
    topic: 'wire',
    source: 'ASTM B258, IEC 60028',
    formulaIds: ['F1.1', 'F1.2', 'F1.3', 'F1.4', 'F1.5'],
    valid: 'AWG -3 to 40, -20 to 90 C',
    formulas: ['d = 0.127 mm · 92^((36 − n)/39)', 'r20 = 1000·0.017241/A', 'r(T) = r20·(1 + 0.00393·(T − 20)); stranded × 1.02'],
    input: wireResistanceInput,
    run: wireResistance,
    steps: (_, v) => [
      `d = ${fig(v.diameterMm)} mm, A = ${fig(v.areaMm2)} mm²`,
      `r20 = ${fig(v.solid20OhmPerKm)} Ω/km, as asked ${fig(v.ohmPerKm)} Ω/km`,
    ],
  }),
  wireSizes,
  parallelConductors,
  bendRadius,
  pullLimit,
  materialAllowed,
  calculator({
    name: 'speaker-cable-loss',
    title: 'Loss and resistance of a speaker cable',
    topic: 'speakers',
    source: 'Circuit theory',
    formulaIds: ['F2.1', 'F2.2', 'F2.3', 'F2.5'],
    valid: 'resistive model; AWG -3 to 40, -20 to 90 C',
    formulas: ['R = 2·L·r/n', 'loss = 20·log10((Z + R)/Z)', 'lost = R/(Z + R)'],
    cautions: ['C2'],
    input: speakerCableLossInput,
    run: speakerCableLoss,
    steps: (i, v) => [
      `R = 2 · ${fig(i.lengthM)} m · ${fig(v.ohmPerKm)} Ω/km / ${i.conductorsPerPole} = ${fig(v.loopOhm)} Ω`,
      `loss = 20·log10((${fig(i.loadOhm)} + ${fig(v.loopOhm)})/${fig(i.loadOhm)}) = ${fig(v.lossDb)} dB`,
    ],
  }),
  calculator({
    name: 'speaker-cable-gauge',
    title: 'Thinnest speaker cable for a length',
    topic: 'speakers',
    source: 'Circuit theory; trade practice',
    formulaIds: ['F2.4', 'F2.8'],
    valid: 'resistive model; 18 to 10 AWG',
    formulas: ['L max = Z·k/(2·r/n), k = 10^(dB/20) − 1'],
    cautions: ['C2'],
    input: speakerCableGaugeInput,
    run: speakerCableGauge,
    steps: (i, v) => [
      `limit ${fig(v.lossLimitDb)} dB: ${Object.entries(v.longestM)
        .map(([gauge, m]) => `${gauge} AWG ${fig(m)} m`)
        .join(', ')}`,
      `${fig(i.lengthM)} m: ${v.gaugeAwg} AWG`,
    ],
  }),
  calculator({
    name: 'speaker-load',
    title: 'Load of several speakers on one amplifier',
    topic: 'speakers',
    source: 'Circuit theory',
    formulaIds: ['F2.7'],
    valid: 'nominal, resistive loads',
    formulas: ['parallel: 1/Z = Σ1/Zi', 'series: Z = ΣZi'],
    cautions: ['C2'],
    input: speakerLoadInput,
    run: speakerLoad,
    steps: (i, v) => [v.loadOhm === null ? 'open circuit' : `Z = ${fig(v.loadOhm)} Ω, at least ${fig(i.amplifierLeastOhm)} Ω`],
  }),
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
  dishGap,
  calculator({
    name: 'conduit-fill',
    title: 'How full a conduit is, and its room',
    topic: 'ways',
    source: 'NEC chapter 9 table 1, ANSI/TIA-569',
    formulaIds: ['F6.1', 'F6.3'],
    valid: 'round cables; flat ones by their width',
    formulas: ['fill = Σd²/D²', 'limits 53, 31, 40 %; a nipple 60 %', 'three alike wedge at D/d 2.8 to 3.2'],
    input: conduitFillInput,
    run: conduitFillCalculator,
    steps: (_, v) => [`${fig(v.fill * 100)} % of ${fig(v.limit * 100)} %`, `room for ${v.roomFor} more`],
  }),
  calculator({
    name: 'conduit-size',
    title: 'Smallest conduit for cables',
    topic: 'ways',
    source: 'Trade practice',
    formulaIds: ['F6.2'],
    valid: 'listed conduits by their typical inside: check the product',
    formulas: ['ΣA ≤ limit·A, with 25 % spare'],
    input: conduitSizeInput,
    run: conduitSizeCalculator,
    steps: (_, v) => [`${v.name}: ${fig(v.insideM * 1000)} mm inside`],
  }),
  calculator({
    name: 'conduit-pull',
    title: 'Pull tension through a conduit',
    topic: 'ways',
    source: 'Trade practice',
    formulaIds: ['F6.4'],
    valid: 'one pull between open ends; a fall counts nothing',
    formulas: ['straight: T + μ·w·g·L', 'bend: T·e^(μθ)', 'rise: w·g·z'],
    input: conduitPullInput,
    run: conduitPullCalculator,
    steps: (_, v) => [`${fig(v.tensionN)} N over ${fig(v.lengthM)} m and ${fig((v.bendsRad * 180) / Math.PI)}° of bends`],
  }),
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
  calculator({
    name: 'cut-length',
    title: 'Length to cut for a run',
    topic: 'order',
    source: 'Trade practice: factor on the routed length',
    formulaIds: ['F16.1'],
    valid: 'any length',
    formulas: ['cut = (way + slack)·factor + reserve, rounded up to 0.5 m or 1 ft'],
    input: cutLengthInput,
    run: cutLengthCalculator,
    steps: (_, v) => [`${fig(v.cutLengthM)} m`],
  }),
  orderLength,
  spoolPlan,
  cableSupports,
  labourHours,
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
  circuitLoad,
  upsTime,
  patchPorts,
  calculator({
    name: 'plan-scale',
    title: 'Scale of a plan picture by two measurements',
    topic: 'survey',
    source: 'Geometry',
    valid: 'two lengths that lie apart',
    formulas: ['least squares over both axes'],
    input: planScaleInput,
    run: planScale,
    steps: ({ first, second }, v) => [
      `${fig(first.lengthM)} m / ${fig(Math.hypot(first.dxPx, first.dyPx))} px = ${fig(v.metresPerPixel)} m a pixel`,
      `by that the second is ${fig(Math.hypot(second.dxPx, second.dyPx) * v.metresPerPixel)} m, measured ${fig(second.lengthM)} m: ${fig(100 * v.disagreement)} % apart`,
      `both together: ${fig(v.bestMetresPerPixel)} m a pixel`,
    ],
  }),
  calculator({
    name: 'level-alignment',
    title: 'Levels laid over each other by shared points',
    topic: 'survey',
    source: 'Least squares',
    valid: 'two shared points and more',
    formulas: ['shift and turn of least squares'],
    input: levelAlignmentInput,
    run: levelAlignment,
    steps: ({ points }, v) => [
      `${points.length} points: turned by ${fig((v.turnRad * 180) / Math.PI)}°, moved by ${fig(v.dx)} m and ${fig(v.dy)} m`,
      `what is left: ${fig(v.rmsM * 1000)} mm, at worst ${fig(v.worstM * 1000)} mm`,
    ],
  }),
  calculator({
    name: 'attic-height',
    title: 'Height of an attic, and where one can crawl and drill',
    topic: 'survey',
    source: 'Geometry, trade practice',
    valid: 'plain gables',
    formulas: ['h = tan(pitch)·distance from the eaves'],
    input: atticHeightInput,
    run: atticHeight,
    steps: ({ pitchDeg, distanceFromEavesM, eavesHeightM }, v) => [
      `h = ${fig(eavesHeightM ?? 0)} m + tan(${fig(pitchDeg)}°) · ${fig(distanceFromEavesM)} m = ${fig(v.heightM)} m at the most`,
    ],
  }),
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
export function runCalculator(name: string, input: unknown): Outcome<object> {
  const calculator = CALCULATORS.find((c) => c.name === name);
  if (!calculator)
    return refuse('calculator-unknown', { kind: 'invalid', field: 'name', name, known: CALCULATORS.map((c) => c.name) });
  if (typeof input !== 'object' || input === null || Array.isArray(input))
    return refuse('input-not-object', { kind: 'invalid', field: 'input' });
  const parsed = calculator.input.safeParse(input);
  if (parsed.success) return calculator.run(parsed.data as never);
  const { issues } = parsed.error;
  const missing = issues.find((issue) => issue.path.length === 1 && !Object.hasOwn(input, String(issue.path[0])));
  const issue = missing ?? issues[0];
  const field = issue.code === 'unrecognized_keys' ? issue.keys[0] : issue.path.map(String).join('.');
  return refuse(missing ? 'input-missing' : 'input-invalid', {
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

import { z } from 'zod';
import { FOOT_M, ok, type Outcome, type UnitSystem } from '../../math/index.ts';
import { calculator, fig } from '../calculator.ts';

/** Cut lengths are whole steps: half a metre, or a foot (F16.1). */
export const LENGTH_STEP_M: Readonly<Record<UnitSystem, number>> = { metric: 0.5, imperial: FOOT_M };

/** The parts of a cable's length, m. */
export interface CutLength {
  readonly riseM: number;
  readonly runM: number;
  readonly dropM: number;
  readonly deviceSlackM: number;
  readonly rackSlackM: number;
  /** The factor's share, the reserve and the rounding up. */
  readonly allowanceM: number;
  readonly cutLengthM: number;
  /** Whether the way leads through what was measured. */
  readonly traced: boolean;
  /** What the cable will turn out to need: the routed length, less and more by what the way may be wrong. */
  readonly leastM: number;
  readonly mostM: number;
}

/** The route with the slack at both ends, without allowance and rounding, m: what a signal passes. */
export const routedLength = ({ cutLengthM, allowanceM }: Pick<CutLength, 'cutLengthM' | 'allowanceM'>): number =>
  cutLengthM - allowanceM;

/** What is added to a routed length. */
export interface Allowance {
  /** On the routed length: 1.03 where the way is traced, 1.10 where it is estimated. */
  readonly factor: number;
  readonly reserveM: number;
  readonly traced: boolean;
}

/**
 * How much cable to cut for a run. Routed length is the way with the slack at both ends; cut length is the routed length times the
 * factor, with the reserve, rounded up to 0.5 m (1 ft). Lengths in metres. From F16.1, with the factor on slack too, since loops are
 * laid by hand as ways are. Reel ends are added to orders only.
 */
export function cutLength(
  route: { readonly riseM: number; readonly runM: number; readonly dropM: number },
  slack: { readonly deviceSlackM: number; readonly rackSlackM: number },
  allowance: Allowance,
  units: UnitSystem,
): CutLength {
  const { riseM, runM, dropM } = route;
  const { deviceSlackM, rackSlackM } = slack;
  const routedM = riseM + runM + dropM + deviceSlackM + rackSlackM;
  const step = LENGTH_STEP_M[units];
  const cutLengthM = Math.ceil((routedM * allowance.factor + allowance.reserveM) / step - 1e-9) * step;
  return lengthWith({ riseM, runM, dropM, deviceSlackM, rackSlackM, cutLengthM }, allowance);
}

/** A length that is cut already, with its parts and what it may turn out to need. */
export function lengthWith(
  parts: Pick<CutLength, 'riseM' | 'runM' | 'dropM' | 'deviceSlackM' | 'rackSlackM' | 'cutLengthM'>,
  { factor, traced }: Allowance,
): CutLength {
  const { riseM, runM, dropM, deviceSlackM, rackSlackM, cutLengthM } = parts;
  const routedM = riseM + runM + dropM + deviceSlackM + rackSlackM;
  return {
    riseM,
    runM,
    dropM,
    deviceSlackM,
    rackSlackM,
    cutLengthM,
    allowanceM: cutLengthM - routedM,
    traced,
    leastM: routedM * (2 - factor),
    mostM: routedM * factor,
  };
}

export const cutLengthInput = z.strictObject({
  riseM: z.number().min(0).describe('m, upward part of the route from device to rack'),
  runM: z.number().min(0).describe('m, level part of the route'),
  dropM: z.number().min(0).describe('m, downward part of the route'),
  deviceSlackM: z.number().min(0).default(0.45).describe('m, service loop at the device'),
  rackSlackM: z.number().min(0).default(3).describe('m, service loop at the rack'),
  wasteFactor: z
    .number()
    .min(1)
    .default(1.1)
    .describe('factor on way and slack: 1.03 where the way is traced, 1.10 where it is estimated'),
  reserveM: z.number().min(0).default(0).describe('m, added at the end'),
  units: z.enum(['metric', 'imperial']).default('metric').describe('rounds up to 0.5 m or to 1 ft'),
});

/**
 * Answers: how much cable is cut for a run?
 * Units: m. Formula and source: F16.1, factor on the routed length. Valid: any length. Problems: none beyond invalid input.
 */
export function calculateCutLength(given: z.input<typeof cutLengthInput>): Outcome<CutLength> {
  const { deviceSlackM, rackSlackM, wasteFactor, reserveM, units, ...route } = cutLengthInput.parse(given);
  return ok(cutLength(route, { deviceSlackM, rackSlackM }, { factor: wasteFactor, reserveM, traced: false }, units));
}

export const cutLengthCalculator = calculator({
  name: 'cut-length',
  title: 'Length to cut for a run',
  topic: 'order',
  source: 'Trade practice: factor on the routed length',
  formulaIds: ['F16.1'],
  valid: 'any length',
  formulas: ['cut = (way + slack)·factor + reserve, rounded up to 0.5 m or 1 ft'],
  input: cutLengthInput,
  example: { riseM: 1, runM: 10, dropM: 2 },
  run: calculateCutLength,
  steps: (_, v) => [`${fig(v.cutLengthM)} m`],
});

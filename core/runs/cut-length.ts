import type { UnitSystem } from '../units/index.ts';
import { FOOT_M } from '../units/index.ts';

/** Cut lengths are whole steps: half a metre, or a foot (F16.1). */
export const LENGTH_STEP_M: Readonly<Record<UnitSystem, number>> = { metric: 0.5, imperial: FOOT_M };

/** The parts of a cable's length, m. `allowanceM` is the waste factor's share and the rounding up. */
export interface CutLength {
  readonly riseM: number;
  readonly runM: number;
  readonly dropM: number;
  readonly deviceSlackM: number;
  readonly rackSlackM: number;
  readonly allowanceM: number;
  readonly cutLengthM: number;
}

/**
 * How much cable to cut for a run: F16.1, `L = (route_plan + sum|dz|) * waste + slack_device + slack_rack`,
 * rounded up to 0.5 m (1 ft). Lengths in metres, waste as a factor (1.10).
 */
export function cutLength(
  way: { readonly riseM: number; readonly runM: number; readonly dropM: number },
  slack: { readonly deviceSlackM: number; readonly rackSlackM: number },
  wasteFactor: number,
  units: UnitSystem,
): CutLength {
  const { riseM, runM, dropM } = way;
  const { deviceSlackM, rackSlackM } = slack;
  const wayM = riseM + runM + dropM;
  const neededM = wayM * wasteFactor + deviceSlackM + rackSlackM;
  const step = LENGTH_STEP_M[units];
  const cutLengthM = Math.ceil(neededM / step - 1e-9) * step;
  return { riseM, runM, dropM, deviceSlackM, rackSlackM, allowanceM: cutLengthM - wayM - deviceSlackM - rackSlackM, cutLengthM };
}

import { z } from 'zod';
import { ok, type Outcome } from '../../math/index.ts';
import { constantPower } from '../power/index.ts';

/** IEEE 802.3 classes: W at the source, W guaranteed at the device, least V, pair sets, channel ohm for each, A for each. */
export interface PoeClass {
  readonly type: 1 | 2 | 3 | 4;
  readonly sourceW: number;
  readonly deviceW: number;
  readonly sourceV: number;
  readonly pairSets: 1 | 2;
  readonly channelOhm: number;
  readonly pairSetA: number;
}

export const poeClass = (
  type: PoeClass['type'],
  sourceW: number,
  deviceW: number,
  sourceV: number,
  pairSets: 1 | 2,
  channelOhm: number,
  pairSetA: number,
): PoeClass => ({ type, sourceW, deviceW, sourceV, pairSets, channelOhm, pairSetA });

export const POE_CLASSES: Readonly<Record<number, PoeClass>> = {
  0: poeClass(1, 15.4, 12.95, 44, 1, 20, 0.35),
  1: poeClass(1, 4, 3.84, 44, 1, 20, 0.35),
  2: poeClass(1, 7, 6.49, 44, 1, 20, 0.35),
  3: poeClass(1, 15.4, 12.95, 44, 1, 20, 0.35),
  4: poeClass(2, 30, 25.5, 50, 1, 12.5, 0.6),
  5: poeClass(3, 45, 40, 50, 2, 12.5, 0.6),
  6: poeClass(3, 60, 51, 50, 2, 12.5, 0.6),
  7: poeClass(4, 75, 62, 52, 2, 12.5, 0.96),
  8: poeClass(4, 90, 71.3, 52, 2, 12.5, 0.96),
};

/** One conductor at most, ohm/m (ANSI/TIA-568). */
export const OHM_PER_M = 0.0938;

export interface PoeDelivered {
  readonly pathOhm: number;
  readonly currentA: number;
  readonly lossW: number;
  readonly sourceW: number;
  readonly deviceV: number;
}

/** What a device of so many watts takes from its source. `infeasible` where it cannot be delivered. */
export function poeDelivered(
  deviceW: number,
  { sourceV, pairSets }: PoeClass,
  lengthM: number,
  ohmPerM = OHM_PER_M,
): Outcome<PoeDelivered> {
  const pathOhm = (ohmPerM * lengthM) / pairSets;
  const found = constantPower(sourceV, pathOhm, deviceW);
  if (!found.ok) return found;
  const { currentA, loadV } = found.value;
  return ok({ pathOhm, currentA, lossW: currentA ** 2 * pathOhm, sourceW: sourceV * currentA, deviceV: loadV });
}

export const classOf = z.int().min(0).max(8).describe('IEEE 802.3 class, 0 to 8');

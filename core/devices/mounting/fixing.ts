import { clash, type Clash, less } from './clash.ts';
import type { DeviceType, Substrate } from '../../model/index.ts';
import { GRAVITY } from '../../math/index.ts';
import {
  BOARD_SCREW_KG,
  bracketForces,
  lagWithdrawal,
  OVERHEAD_BOARD_KG,
  OVERHEAD_FACTOR,
  WALL_FACTOR,
} from '../../calculators/index.ts';

/** Ultimate load of a toggle in 12.7 mm board, the low end of 0.5 to 1.2 kN, N. */
const TOGGLE_N = 500;
/** Lag screw of 5/16 in with 51 mm of thread in spruce-pine-fir: an allowable value, N. */
const LAG_N = lagWithdrawal(0.0079375, 'spruce-pine-fir').nPerM * 0.051;
/** Shear of the same screw, taken as half its withdrawal [practice, safe side], N. */
const LAG_SHEAR_N = LAG_N / 2;

/** What a device hangs on: the mount chosen for it, or itself. */
export interface Load {
  readonly massKg: number;
  /** From the wall to the centre of mass, m. */
  readonly armM: number;
  readonly patternM: readonly [number, number];
  readonly moves: boolean;
  readonly ratedKg: number | null;
}

export function loadOf(type: DeviceType, mount: DeviceType | null): Load {
  const depthM = type.sizeM[1];
  const holds = mount?.holds ?? null;
  const moves = holds !== null && holds.reachM > holds.parkedDepthM + 0.15;
  const armM = holds ? (moves ? holds.reachM : holds.parkedDepthM) + depthM / 2 : depthM / 2;
  const patternM = mount?.holePatternM ?? type.holePatternM ?? [0.1, 0.1];
  return { massKg: type.weightKg + (mount?.weightKg ?? 0), armM, patternM, moves, ratedKg: holds?.ratedKg ?? null };
}

/** Force that the fixings of a load on a wall must bear, N. */
export const wallRequiredN = (massKg: number, factor = WALL_FACTOR): number => massKg * GRAVITY * factor;

/** A device heavier than its mount is rated for. */
export const overRated = (type: DeviceType, { ratedKg }: Load): Clash[] =>
  ratedKg !== null && less(ratedKg, type.weightKg)
    ? [
        clash('mount-over-rated', 'stop', {
          measured: type.weightKg,
          allowed: ratedKg,
          unit: 'kg',
          figures: { kg: type.weightKg, ratedKg },
        }),
      ]
    : [];

/** How a load is held on a wall, with the share of what its fixings allow. */
export interface Fixing {
  readonly into: 'board' | 'toggles' | 'studs' | 'blocking' | 'solid' | 'nothing';
  /** T/T_allow + V/V_allow; at most 1 holds. */
  readonly share: number;
  readonly fixings: number;
  /** Force that the fixings must bear with the load factor, N. */
  readonly requiredN: number;
}

/**
 * W on an arm from the wall, fixings in two rows. Against allowable values the factor is in the value already; toggles
 * have an ultimate value, so the factor is applied. A factor above the usual one makes every fixing weaker by as much. `studs` counts members behind the hole pattern.
 */
export function wallFixing(
  load: Load,
  studs: number,
  blocked: boolean,
  substrate: Substrate | null,
  solid: boolean,
  factor = WALL_FACTOR,
): Fixing {
  const requiredN = wallRequiredN(load.massKg, factor);
  // Allowable values have the usual factor in them already.
  const stricter = factor / WALL_FACTOR;
  const heightM = Math.max(0.05, load.patternM[1]);
  const shareWith = (count: number, pullN: number, shearN: number) => {
    const { tensionN, shearN: ownN } = bracketForces(load.massKg, load.armM, heightM, Math.max(1, count / 2), count);
    return stricter * (tensionN / pullN + ownN / shearN);
  };
  if (substrate === 'furring' || substrate === 'channel') return { into: 'nothing', share: Infinity, fixings: 0, requiredN };
  if (load.massKg <= BOARD_SCREW_KG && !load.moves)
    return { into: 'board', share: (stricter * load.massKg) / BOARD_SCREW_KG, fixings: 4, requiredN };
  if (solid) return { into: 'solid', share: shareWith(4, LAG_N, LAG_SHEAR_N), fixings: 4, requiredN };
  if (blocked) return { into: 'blocking', share: shareWith(4, LAG_N, LAG_SHEAR_N), fixings: 4, requiredN };
  if (studs > 0) {
    const fixings = 2 * studs;
    return { into: 'studs', share: shareWith(fixings, LAG_N, LAG_SHEAR_N), fixings, requiredN };
  }
  if (load.moves) return { into: 'nothing', share: Infinity, fixings: 0, requiredN };
  const allowed = TOGGLE_N / WALL_FACTOR;
  return { into: 'toggles', share: shareWith(4, allowed, allowed), fixings: 4, requiredN };
}

/** The heaviest thing that two studs hold with a mount of this arm and pattern, kg: what blocking cannot better. */
export function heaviestOnWall(load: Load, factor = WALL_FACTOR): number {
  const unit = wallFixing({ ...load, massKg: 10 }, 0, true, null, false, factor);
  return unit.share === 0 ? Infinity : 10 / unit.share;
}

/** Force that overhead fixings must bear, N. */
export const overheadRequiredN = (massKg: number, factor = OVERHEAD_FACTOR): number => massKg * GRAVITY * factor;

/** Whether a thing overhead must hang from structure rather than from board. Devices with clamps hold themselves up to that mass. */
export const needsStructureOverhead = (type: DeviceType, massKg: number): boolean =>
  massKg > OVERHEAD_BOARD_KG && (type.cutOut === null || type.weightKg > 6);

import { fixingLoad, lagScrew, rackHeat } from '../calculators/index.ts';
import { framingOf } from '../house/index.ts';
import { INCH_M, rotate2 } from '../math/index.ts';
import type { ProjectDocument, Room } from '../model/index.ts';
import { frameOf } from './frame.ts';
import type { Theatre } from './theatre.ts';

/** How the plate of a projector meets the joists: all of it, half of it, or none. */
export type MountSeat = 'member' | 'half' | 'none' | 'unknown';

/** How a projector hangs, breathes and is fed; lengths in m. */
export interface ProjectorMount {
  readonly deviceId: string;
  readonly weightKg: number;
  /** What its fixings must bear with the usual factor overhead, N. */
  readonly requiredN: number;
  readonly seat: MountSeat;
  /** From the middle of its plate to the nearest joist. */
  readonly joistM: number | null;
  /** Lag screws of 1/4 in with 2 in of thread in the joist that bear it by themselves. */
  readonly lags: number;
  /** Behind it to the wall; heat leaves there. */
  readonly rearM: number;
  /** Air through a hush box for a rise of 10 K, m3/s; null where its heat is not stated. */
  readonly airM3PerS: number | null;
}

/** The plate of a ceiling mount, from its middle to its screws, where its type does not say; a screw keeps this to the edge of a joist, m. */
const HALF_PLATE_M = 0.075;
const SCREW_IN_M = 0.0127;
const [LAG_M, THREAD_M] = [0.25 * INCH_M, 2 * INCH_M];
/** How much warmer the air of a hush box may get, K. */
const HUSH_BOX = { riseK: 10, closetM2: null, wallWPerM2K: 2, exhaustM3PerS: 0 } as const;
/** Air before and behind a projector (ENGINEERING 9.4), m. */
export const PROJECTOR_AIR_M = 0.3;

/** How each projector of a theatre hangs from the ceiling; those on shelves and stands are left out. */
export function projectorMounts(project: ProjectDocument, room: Room, { picture, projections }: Theatre): ProjectorMount[] {
  if (!picture) return [];
  const frame = frameOf(project, room, picture);
  return projections
    .filter(({ deviceId }) => project.deviceTypes[project.devices[deviceId].typeId].mount === 'ceiling')
    .map(({ deviceId }) => {
      const device = project.devices[deviceId];
      const type = project.deviceTypes[device.typeId];
      const { joistM, seat } = seatOf(
        project,
        room,
        [device.x, device.y],
        type.holePatternM ? Math.min(...type.holePatternM) / 2 : HALF_PLATE_M,
      );
      const load = fixingLoad.run({ massKg: type.weightKg, overhead: true, factor: null, ratedN: null, into: 'structure' });
      const requiredN = load.ok ? load.value.requiredN : 0;
      const lag = lagScrew.run({ diameterM: LAG_M, threadM: THREAD_M, wood: 'spruce-pine-fir' });
      // Overhead the allowable withdrawal stands in for the ultimate, which is the safe side; never fewer than two.
      const lags = lag.ok ? Math.max(2, Math.ceil(requiredN / lag.value.allowableN)) : 2;
      const heatW = type.heatW || type.mainsW || 0;
      const air = heatW > 0 ? rackHeat.run({ ...HUSH_BOX, watts: heatW }) : null;
      const { awayM } = frame.insideOf([device.x, device.y, 0]);
      return {
        ...{ deviceId, weightKg: type.weightKg, requiredN, seat, joistM, lags },
        rearM: frame.toM.awayM - awayM - type.sizeM[1] / 2,
        airM3PerS: air?.ok ? air.value.airM3PerS : null,
      };
    });
}

/** How far a place is from the nearest joist, and whether a plate there is screwed into it. */
function seatOf(
  project: ProjectDocument,
  room: Room,
  at: readonly [number, number],
  halfPlateM: number,
): { joistM: number | null; seat: MountSeat } {
  const joists = framingOf(project).joists(room);
  if (joists.length === 0) return { joistM: null, seat: 'unknown' };
  const [, v] = rotate2([at[0], at[1]], -room.joistAngleRad);
  const nearest = joists.reduce((best, one) => (Math.abs(one.offsetM - v) < Math.abs(best.offsetM - v) ? one : best));
  const joistM = Math.abs(nearest.offsetM - v);
  const bearsM = nearest.widthM / 2 - SCREW_IN_M;
  // Both rows of screws in one joist are in line with its middle; beside it only the nearer row meets it.
  const seat = joistM <= Math.max(0.005, bearsM) ? 'member' : joistM - bearsM <= halfPlateM ? 'half' : 'none';
  return { joistM, seat };
}

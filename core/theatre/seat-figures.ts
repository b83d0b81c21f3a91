import { eyeRows, rowSight, seatOffAxis, viewingAngle } from '../calculators/index.ts';
import type { Point2 } from '../math/index.ts';
import { NEAREST_M } from './channel-at-seat.ts';
import { fromMiddle } from './middle-line.ts';
import type { Picture } from './picture.ts';
import type { Seat } from './seats.ts';

/** How a seat sees the picture. */
export interface SeatFigures extends Seat {
  readonly distanceM: number | null;
  readonly viewingDeg: number | null;
  readonly besideDeg: number | null;
  /** Up to the top and to the middle of the picture, degrees. */
  readonly topDeg: number | null;
  readonly middleDeg: number | null;
  /** Beyond this distance the finest detail is lost, m. */
  readonly acuityM: number | null;
  /** Over the head of the row before it, m; null in the first row. */
  readonly clearanceM: number | null;
  /** How high its row would have to stand to see over the row before it, rounded up to 10 mm, m; null in the first row. */
  readonly neededRiseM: number | null;
}

/** Clearance of a sight line over the head before it (ENGINEERING 9.3), m. */
export const ROW_CLEARANCE_M = 0.125;
const PIXELS_ACROSS = 3840;
const UNSEEN = {
  ...{ distanceM: null, viewingDeg: null, besideDeg: null, topDeg: null, middleDeg: null, acuityM: null },
  ...{ clearanceM: null, neededRiseM: null },
};

export function seatFigures(seats: readonly Seat[], picture: Picture | null): SeatFigures[] {
  if (!picture) return seats.map((seat) => ({ ...seat, ...UNSEEN }));
  const { middle, widthM, heightM, facingDeg } = picture;
  const from = fromMiddle(middle, facingDeg);
  const ahead = (p: Point2) => -from(p).aheadM;
  const rows = rowFigures(seats, ahead, middle[2] - heightM / 2);
  return seats.map((seat) => {
    const distanceM = Math.max(NEAREST_M, ahead(seat.at));
    const up = (z: number) => (Math.atan2(z - seat.eyeM, distanceM) * 180) / Math.PI;
    const off = seatOffAxis.run({ widthM, distanceM, asideM: from(seat.at).asideM, halfGainDeg: 60 });
    const seen = viewingAngle.run({ widthM, distanceM, wantedDeg: null, pixelsAcross: PIXELS_ACROSS });
    return {
      ...seat,
      distanceM,
      viewingDeg: off.ok ? off.value.seenDeg : null,
      besideDeg: off.ok ? off.value.besideDeg : null,
      topDeg: up(middle[2] + heightM / 2),
      middleDeg: up(middle[2]),
      acuityM: seen.ok ? seen.value.acuityM : null,
      clearanceM: rows.get(seat.row)?.clearanceM ?? null,
      neededRiseM: rows.get(seat.row)?.neededRiseM ?? null,
    };
  });
}

/** How far each row but the first sees over the heads before it, and how high it would have to stand, m. */
function rowFigures(seats: readonly Seat[], ahead: (p: Point2) => number, bottomM: number) {
  const rows = [...new Set(seats.map(({ row }) => row))].sort((a, b) => a - b);
  const figures = rows.map((row) => {
    const own = seats.filter((seat) => seat.row === row);
    return {
      distanceM: Math.min(...own.map(({ at }) => ahead(at))),
      eyeM: Math.min(...own.map(({ eyeM }) => eyeM)),
      seatedM: Math.min(...own.map(({ eyeM, floorM }) => eyeM - floorM)),
    };
  });
  if (figures.some(({ distanceM }) => !(distanceM > 0))) return new Map<number, { clearanceM: number; neededRiseM: number }>();
  const lowM = Math.max(0, bottomM);
  const sight = rowSight.run({
    ...{ bottomM: lowM, clearanceM: ROW_CLEARANCE_M },
    rows: figures.map(({ distanceM, eyeM }) => ({ distanceM, eyeM })),
  });
  if (!sight.ok) return new Map<number, { clearanceM: number; neededRiseM: number }>();
  return new Map(
    sight.value.clearancesM.map((clearanceM, n) => {
      const [before, own] = [figures[n], figures[n + 1]];
      const built = eyeRows.run({
        ...{ bottomM: lowM, eyeM: before.eyeM, clearanceM: ROW_CLEARANCE_M },
        distancesM: [before.distanceM, own.distanceM],
      });
      const eyeM = built.ok ? built.value.eyesM[1] : own.eyeM;
      const neededRiseM = Math.max(0, Math.ceil((eyeM - own.seatedM) * 100 - 1e-6) / 100);
      return [rows[n + 1], { clearanceM, neededRiseM }] as const;
    }),
  );
}

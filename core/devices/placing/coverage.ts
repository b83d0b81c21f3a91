import { discAndPitch, type Overlap, speakersAlong } from '../../calculators/index.ts';
import { err, ok, type Outcome } from '../../math/index.ts';

/** Ear heights of ENGINEERING 8.3, m. */
export const EAR_M = { seated: 1, standing: 1.6 } as const;
/** ENGINEERING 8.3: nothing nearer to a wall, m. */
const FROM_WALL_M = 0.6;

export interface SpeakerGridInput {
  readonly lengthM: number;
  readonly widthM: number;
  readonly ceilingM: number;
  readonly earM: number;
  /** Included angle at -6 dB, rad. */
  readonly coverageRad: number;
  readonly overlap: Overlap;
}

export interface SpeakerGrid {
  /** Disc of coverage at ear height, m. */
  readonly discM: number;
  readonly columns: number;
  readonly rows: number;
  readonly pitchXM: number;
  readonly pitchYM: number;
  /** Places from the low corner of the room, m. */
  readonly places: readonly (readonly [number, number])[];
}

/**
 * Even coverage of a rectangular room from its ceiling. Metres, radians.
 * Disc and pitch as the calculator has them; actual pitch L/nx, first row at half the pitch; at least 0.6 m from the walls. Valid for speakers that radiate straight down.
 * Problems: `ceiling-not-above-ear` (invalid), `angle-out-of-domain` (0 to 180 degrees), `room-too-small` (invalid).
 */
export function speakerGrid(input: SpeakerGridInput): Outcome<SpeakerGrid> {
  const { lengthM, widthM, ceilingM, earM, coverageRad, overlap } = input;
  if (!(lengthM > 0)) return err('room-too-small', { kind: 'invalid', field: 'lengthM', lengthM });
  if (!(widthM > 0)) return err('room-too-small', { kind: 'invalid', field: 'widthM', lengthM: widthM });
  if (!(ceilingM > earM)) return err('ceiling-not-above-ear', { kind: 'invalid', field: 'ceilingM', ceilingM, earM });
  if (!(coverageRad > 0 && coverageRad < Math.PI))
    return err('angle-out-of-domain', { kind: 'out_of_domain', field: 'coverageRad', value: (coverageRad * 180) / Math.PI });
  const { discM, pitchM } = discAndPitch(ceilingM, earM, coverageRad, overlap);
  const columns = speakersAlong(lengthM, pitchM);
  const rows = speakersAlong(widthM, pitchM);
  const along = spread(lengthM, columns);
  const across = spread(widthM, rows);
  return ok({
    discM,
    columns,
    rows,
    pitchXM: lengthM / columns,
    pitchYM: widthM / rows,
    places: across.flatMap((y) => along.map((x) => [x, y] as const)),
  });
}

/** `count` places over a length, half a pitch from the ends and no nearer to them than practice wants. */
function spread(lengthM: number, count: number): number[] {
  const pitchM = lengthM / count;
  const edgeM = Math.min(Math.max(pitchM / 2, FROM_WALL_M), lengthM / 2);
  if (count === 1) return [lengthM / 2];
  return Array.from({ length: count }, (_, i) => edgeM + (i * (lengthM - 2 * edgeM)) / (count - 1));
}

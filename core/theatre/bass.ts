import { MODES_TO_HZ, SOUND_M_PER_S } from '../calculators/index.ts';
import type { Place } from './channel-at-seat.ts';

/** What a subwoofer does at a place, by frequency: real and imaginary parts of the damped modal sum. */
export interface Response {
  readonly re: Float64Array;
  readonly im: Float64Array;
}

interface Box {
  readonly sidesM: readonly [number, number, number];
  /** Reverberation at low frequency, s. */
  readonly t60S: number;
}

/**
 * The damped modal sum of ENGINEERING 10.5 from every source to every place, for each frequency: `[source][place]`. Levels of one source
 * are `levelDb`; several together are the sum of their responses.
 */
export function responsesOf(
  { sidesM, t60S }: Box,
  sources: readonly Place[],
  places: readonly Place[],
  frequenciesHz: readonly number[],
): Response[][] {
  const orders = sidesM.map((side) => Math.floor((2 * MODES_TO_HZ * side) / SOUND_M_PER_S));
  const shapes = (at: Place) =>
    sidesM.map((side, axis) =>
      Float64Array.from({ length: orders[axis] + 1 }, (_, n) => Math.cos((n * Math.PI * at[axis]) / side)),
    );
  const [from, to] = [sources.map(shapes), places.map(shapes)];
  const responses = sources.map(() =>
    places.map(() => ({ re: new Float64Array(frequenciesHz.length), im: new Float64Array(frequenciesHz.length) })),
  );
  const damping = 2.2 / t60S;
  for (let nx = 0; nx <= orders[0]; nx++)
    for (let ny = 0; ny <= orders[1]; ny++)
      for (let nz = 0; nz <= orders[2]; nz++) {
        const squared = (SOUND_M_PER_S / 2) ** 2 * ((nx / sidesM[0]) ** 2 + (ny / sidesM[1]) ** 2 + (nz / sidesM[2]) ** 2);
        if (squared > MODES_TO_HZ ** 2) break;
        const weight = (nx === 0 ? 1 : 2) * (ny === 0 ? 1 : 2) * (nz === 0 ? 1 : 2);
        const heard = to.map(([x, y, z]) => x[nx] * y[ny] * z[nz]);
        const driven = from.map(([x, y, z]) => weight * x[nx] * y[ny] * z[nz]);
        frequenciesHz.forEach((hz, f) => {
          const [real, imaginary] = [squared - hz * hz, hz * damping];
          const size = real * real + imaginary * imaginary;
          const [a, b] = [real / size, -imaginary / size];
          driven.forEach((drive, s) =>
            heard.forEach((ear, p) => {
              responses[s][p].re[f] += drive * ear * a;
              responses[s][p].im[f] += drive * ear * b;
            }),
          );
        });
      }
  return responses;
}

/** Level of a sum of responses, dB against one such subwoofer at 1 m in free space. */
export function levelsDb({ sidesM }: Box, together: readonly Response[]): Float64Array {
  const scale = SOUND_M_PER_S ** 2 / (Math.PI * sidesM[0] * sidesM[1] * sidesM[2]);
  return together[0].re.map((_, f) => {
    let [re, im] = [0, 0];
    for (const one of together) {
      re += one.re[f];
      im += one.im[f];
    }
    return 20 * Math.log10(scale * Math.hypot(re, im));
  });
}

/** A choice of places for subwoofers, and how evenly they serve the seats. */
export interface SubwooferChoice {
  /** By their place among the candidates. */
  readonly places: readonly number[];
  /** Difference between the seats, a mean over the frequencies, dB. */
  readonly seatSpreadDb: number;
  /** How far the mean of the seats lies from its own mean, rms over the frequencies, dB. */
  readonly rippleDb: number;
  /** Mean level, dB. */
  readonly meanDb: number;
}

/** The seats count more than the ripple, which an equalizer takes out for all of them together. */
const RIPPLE_SHARE = 0.35;

/** How evenly responses that play together serve the seats: `together[place of the choice][seat]`. */
export function evennessOf(box: Box, together: readonly (readonly Response[])[]): Omit<SubwooferChoice, 'places'> {
  const seats = together[0].map((_, seat) =>
    levelsDb(
      box,
      together.map((one) => one[seat]),
    ),
  );
  const count = seats[0].length;
  const means = Array.from({ length: count }, (_, f) => seats.reduce((sum, one) => sum + one[f], 0) / seats.length);
  const meanDb = means.reduce((sum, one) => sum + one, 0) / count;
  const spread = Array.from(
    { length: count },
    (_, f) => Math.max(...seats.map((one) => one[f])) - Math.min(...seats.map((one) => one[f])),
  );
  return {
    seatSpreadDb: spread.reduce((sum, one) => sum + one, 0) / count,
    rippleDb: Math.sqrt(means.reduce((sum, one) => sum + (one - meanDb) ** 2, 0) / count),
    meanDb,
  };
}

/** Every choice of `count` among the candidates, the most even first: by the difference of the seats, then by the ripple. */
export function subwooferChoices(
  box: Box,
  candidates: readonly Place[],
  seats: readonly Place[],
  count: number,
  frequenciesHz: readonly number[],
): SubwooferChoice[] {
  if (seats.length === 0 || count < 1 || count > candidates.length) return [];
  const responses = responsesOf(box, candidates, seats, frequenciesHz);
  return choose(candidates.length, count)
    .map((places) => ({
      places,
      ...evennessOf(
        box,
        places.map((one) => responses[one]),
      ),
    }))
    .sort((a, b) => lost(a) - lost(b) || b.meanDb - a.meanDb);
}

const lost = ({ seatSpreadDb, rippleDb }: SubwooferChoice): number => seatSpreadDb + RIPPLE_SHARE * rippleDb;

function choose(of: number, count: number, from = 0): number[][] {
  if (count === 0) return [[]];
  const found: number[][] = [];
  for (let n = from; n <= of - count; n++) for (const rest of choose(of, count - 1, n + 1)) found.push([n, ...rest]);
  return found;
}

/** The corners and the middles of the walls of a box, on its floor: where subwoofers are tried (ENGINEERING 10.5). */
export function usualSubwooferPlaces([lengthM, widthM]: readonly [number, number, number]): Place[] {
  const [l, w] = [lengthM, widthM];
  return [
    [0, 0, 0],
    [0, w, 0],
    [l, 0, 0],
    [l, w, 0],
    [0, w / 2, 0],
    [l, w / 2, 0],
    [l / 2, 0, 0],
    [l / 2, w, 0],
  ];
}

import { MODES_TO_HZ, SOUND_M_PER_S } from '../calculators/index.ts';

/** A rectangular room with subwoofers, m from one of its corners. */
export interface PressureRoom {
  readonly sidesM: readonly [number, number, number];
  /** Reverberation at low frequency, s. */
  readonly t60S: number;
  readonly subwoofers: readonly {
    readonly at: readonly [number, number, number];
    readonly gain: number;
    readonly delayS: number;
  }[];
}

/** Levels on a plane at one height, dB against one such subwoofer at 1 m in free space. */
export interface PressureMap {
  readonly columns: number;
  readonly rows: number;
  readonly stepM: number;
  /** By frequency, then row by row: `levelsDb[f * rows * columns + row * columns + column]`. */
  readonly levelsDb: Float32Array;
}

/**
 * The damped modal sum of ENGINEERING 10.5 on a grid. Cosines depend on one axis each, so they are tabulated; for each frequency the sum
 * over heights is taken once, then over one axis, and then over the other.
 */
export function pressureMap(room: PressureRoom, heightM: number, stepM: number, frequenciesHz: readonly number[]): PressureMap {
  const [lengthM, widthM, tallM] = room.sidesM;
  const [columns, rows] = [Math.floor(lengthM / stepM + 1e-9) + 1, Math.floor(widthM / stepM + 1e-9) + 1];
  const orders = room.sidesM.map((side) => Math.floor((2 * MODES_TO_HZ * side) / SOUND_M_PER_S));
  const [ox, oy, oz] = orders;
  const cosines = (order: number, side: number, at: number) =>
    Float64Array.from({ length: order + 1 }, (_, n) => Math.cos((n * Math.PI * at) / side));
  const onX = Array.from({ length: columns }, (_, k) => cosines(ox, lengthM, k * stepM));
  const onY = Array.from({ length: rows }, (_, k) => cosines(oy, widthM, k * stepM));
  const onZ = cosines(oz, tallM, heightM);
  const subwoofers = room.subwoofers.map(({ at, gain, delayS }) => ({
    gain,
    delayS,
    ...{ x: cosines(ox, lengthM, at[0]), y: cosines(oy, widthM, at[1]), z: cosines(oz, tallM, at[2]) },
  }));
  const damping = 2.2 / room.t60S;
  const scale = (SOUND_M_PER_S ** 2 / (Math.PI * lengthM * widthM * tallM)) ** 2;
  const levelsDb = new Float32Array(frequenciesHz.length * rows * columns);
  /** Sums over z for each nx, ny; real and imaginary parts. */
  const planeRe = new Float64Array((ox + 1) * (oy + 1));
  const planeIm = new Float64Array((ox + 1) * (oy + 1));
  const lineRe = new Float64Array(ox + 1);
  const lineIm = new Float64Array(ox + 1);
  frequenciesHz.forEach((hz, f) => {
    const phases = subwoofers.map(({ gain, delayS }) => {
      const phase = -2 * Math.PI * hz * delayS;
      return [gain * Math.cos(phase), gain * Math.sin(phase)] as const;
    });
    const imaginary = hz * damping;
    for (let nx = 0; nx <= ox; nx++)
      for (let ny = 0; ny <= oy; ny++) {
        let [re, im] = [0, 0];
        for (let nz = 0; nz <= oz; nz++) {
          const squared = (SOUND_M_PER_S / 2) ** 2 * ((nx / lengthM) ** 2 + (ny / widthM) ** 2 + (nz / tallM) ** 2);
          if (squared > MODES_TO_HZ ** 2) break;
          let [a, b] = [0, 0];
          for (let k = 0; k < subwoofers.length; k++) {
            const shape = subwoofers[k].x[nx] * subwoofers[k].y[ny] * subwoofers[k].z[nz];
            a += shape * phases[k][0];
            b += shape * phases[k][1];
          }
          const real = squared - hz * hz;
          const weight = ((nz === 0 ? 1 : 2) * onZ[nz]) / (real * real + imaginary * imaginary);
          re += weight * (a * real + b * imaginary);
          im += weight * (b * real - a * imaginary);
        }
        const weight = (nx === 0 ? 1 : 2) * (ny === 0 ? 1 : 2);
        planeRe[nx * (oy + 1) + ny] = weight * re;
        planeIm[nx * (oy + 1) + ny] = weight * im;
      }
    for (let row = 0; row < rows; row++) {
      const y = onY[row];
      for (let nx = 0; nx <= ox; nx++) {
        let [re, im] = [0, 0];
        for (let ny = 0, at = nx * (oy + 1); ny <= oy; ny++, at++) {
          re += planeRe[at] * y[ny];
          im += planeIm[at] * y[ny];
        }
        lineRe[nx] = re;
        lineIm[nx] = im;
      }
      for (let column = 0; column < columns; column++) {
        const x = onX[column];
        let [re, im] = [0, 0];
        for (let nx = 0; nx <= ox; nx++) {
          re += lineRe[nx] * x[nx];
          im += lineIm[nx] * x[nx];
        }
        levelsDb[(f * rows + row) * columns + column] = 10 * Math.log10(scale * (re * re + im * im));
      }
    }
  });
  return { columns, rows, stepM, levelsDb };
}

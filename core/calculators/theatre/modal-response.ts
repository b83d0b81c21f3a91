import { z } from 'zod';
import { calculator, fig } from '../calculator.ts';
import { err, ok } from '../../math/index.ts';
import { side } from './room-sides.ts';
import { SOUND_M_PER_S } from './speed-of-sound.ts';

/** F10.16: every mode to here is counted, so that results agree, Hz. */
export const MODES_TO_HZ = 400;

const point = z.tuple([z.number(), z.number(), z.number()]).describe('m, [x, y, z] from a corner');

export const modalResponse = calculator({
  name: 'modal-response',
  title: 'What subwoofers do at a seat',
  topic: 'theatre',
  source: 'Room acoustics: damped modal sum, modes to 400 Hz',
  formulaIds: ['F10.16'],
  valid: 'rectangular rooms; relative to one such subwoofer at 1 m in free space; 3 to 6 dB off below the transition',
  formulas: ['S = Σ e·[Σ g·p(sub)·exp(−j2πfτ)]·p(seat)/(fn² − f² + jfB)', 'B = 2.2/T60', 'G = 20·log10(c²/(πV)·|S|)'],
  cautions: ['C14'],
  input: z.strictObject({
    lengthM: side,
    widthM: side,
    heightM: side,
    t60S: z.number().gt(0).default(0.5).describe('s, at low frequency'),
    seat: point,
    subs: z
      .array(z.strictObject({ at: point, gain: z.number().default(1), delayS: z.number().min(0).default(0) }))
      .min(1)
      .max(16),
    frequenciesHz: z
      .array(
        z
          .number()
          .gt(0)
          .max(MODES_TO_HZ / 2),
      )
      .min(1)
      .max(400),
  }),
  example: {
    lengthM: 6,
    widthM: 4.4,
    heightM: 2.5,
    seat: [3.6, 2.2, 1],
    subs: [{ at: [0, 2.2, 0] }],
    frequenciesHz: [40],
  },
  from: { lengthM: 'roomLengthM', widthM: 'roomWidthM', heightM: 'ceilingM' },
  run: ({ lengthM, widthM, heightM, t60S, seat, subs, frequenciesHz }) => {
    const sides = [lengthM, widthM, heightM];
    for (const [k, p] of [seat, ...subs.map(({ at }) => at)].entries())
      if (p.some((value, axis) => value < 0 || value > sides[axis]))
        return err('outside-room', { kind: 'invalid', field: k === 0 ? 'seat' : `subs.${k - 1}.at` });
    const max = sides.map((s) => Math.floor((2 * MODES_TO_HZ * s) / SOUND_M_PER_S));
    const shape = (axis: number, n: number, at: number) => Math.cos((n * Math.PI * at) / sides[axis]);
    const modes: { hz: number; e: number; seat: number; subs: number[] }[] = [];
    for (let nx = 0; nx <= max[0]; nx++)
      for (let ny = 0; ny <= max[1]; ny++)
        for (let nz = 0; nz <= max[2]; nz++) {
          const n = [nx, ny, nz];
          const hz = (SOUND_M_PER_S / 2) * Math.hypot(nx / sides[0], ny / sides[1], nz / sides[2]);
          if (hz > MODES_TO_HZ) continue;
          const p = (at: readonly number[]) => n.reduce((product, order, axis) => product * shape(axis, order, at[axis]), 1);
          modes.push({
            hz,
            e: n.reduce((product, order) => product * (order === 0 ? 1 : 2), 1),
            seat: p(seat),
            subs: subs.map(({ at }) => p(at)),
          });
        }
    const damping = 2.2 / t60S;
    const volume = lengthM * widthM * heightM;
    const levelsDb = frequenciesHz.map((f) => {
      let [re, im] = [0, 0];
      for (const mode of modes) {
        let [a, b] = [0, 0];
        mode.subs.forEach((p, k) => {
          const phase = -2 * Math.PI * f * subs[k].delayS;
          a += subs[k].gain * p * Math.cos(phase);
          b += subs[k].gain * p * Math.sin(phase);
        });
        const [dr, di] = [mode.hz ** 2 - f ** 2, f * damping];
        const size = dr * dr + di * di;
        const scale = mode.e * mode.seat;
        re += (scale * (a * dr + b * di)) / size;
        im += (scale * (b * dr - a * di)) / size;
      }
      return 20 * Math.log10((SOUND_M_PER_S ** 2 / (Math.PI * volume)) * Math.hypot(re, im));
    });
    return ok({ modes: modes.length, levelsDb });
  },
  steps: (i, v) => i.frequenciesHz.map((f, k) => `${fig(f)} Hz: ${fig(v.levelsDb[k])} dB`),
});

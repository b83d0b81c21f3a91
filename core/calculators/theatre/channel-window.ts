import { z } from 'zod';
import { err, ok } from '../../math/index.ts';
import { calculator, fig } from '../calculator.ts';
import { angleWindow, beyondWindow, WINDOW_CHANNELS } from './angle-windows.ts';

export const channelWindow = calculator({
  name: 'channel-window',
  title: 'Whether a channel stands in its window of angles',
  topic: 'theatre',
  source: 'ITU-R BS.775 and BS.2051; overhead rows by trade practice',
  valid: 'angles from the reference seat; layouts of 2 to 9 floor channels and up to 6 overhead',
  formulas: ['beyond = angle less the nearest edge of its window, nothing inside'],
  input: z.strictObject({
    layout: z.string().max(12).describe('floor, subwoofers, overhead, such as 7.1.4'),
    channel: z.enum(WINDOW_CHANNELS),
    azimuthDeg: z.number().min(-360).max(360).describe('degrees, right positive'),
    elevationDeg: z.number().min(-90).max(90).default(0).describe('degrees'),
    overheadDeg: z.number().min(0).max(180).nullable().default(null).describe('degrees from the front horizon over the zenith'),
  }),
  example: { layout: '7.1.4', channel: 'side', azimuthDeg: -95 },
  run: ({ layout, channel, azimuthDeg, elevationDeg, overheadDeg }) => {
    const window = angleWindow(layout, channel);
    if (!window) return err('channel-not-in-layout', { kind: 'invalid', field: 'channel', layout: layout.slice(0, 12), channel });
    if (window.isOverhead && overheadDeg === null) return err('input-missing', { kind: 'incomplete', field: 'overheadDeg' });
    const aside = Math.abs(azimuthDeg > 180 ? azimuthDeg - 360 : azimuthDeg < -180 ? azimuthDeg + 360 : azimuthDeg);
    const value = window.isOverhead ? overheadDeg! : aside;
    const beyondDeg = beyondWindow(value, window.mainDeg);
    const elevationBeyondDeg = window.isOverhead ? 0 : beyondWindow(elevationDeg, window.elevationDeg);
    const isPractice =
      beyondWindow(value, window.practiceDeg) === 0 &&
      (window.isOverhead || beyondWindow(elevationDeg, window.practiceElevationDeg) === 0);
    const inItu =
      window.itu && beyondWindow(aside, window.itu.azimuthDeg) === 0 && beyondWindow(elevationDeg, window.itu.elevationDeg) === 0;
    return ok({
      nominalDeg: window.nominalDeg,
      windowDeg: window.mainDeg,
      beyondDeg,
      elevationBeyondDeg,
      inWindow: beyondDeg === 0 && elevationBeyondDeg === 0,
      inPractice: isPractice,
      inItu,
    });
  },
  steps: (_, v) => [
    `window ${v.windowDeg.map(fig).join(' to ')}°: ${v.beyondDeg === 0 ? 'inside' : `${fig(v.beyondDeg)}° beyond`}`,
  ],
});

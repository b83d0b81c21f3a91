import { mainAngleDeg, THEATRES } from '../theatre/index.ts';
import { defineCheck, say } from './check.ts';
import { inTheatres, referenceSeat } from './theatre-subjects.ts';

const LIMITS = { beyondDeg: { usual: 0, min: 0, max: 20, unit: 'degrees', safer: 'less' } } as const;

/** Each channel lies in its window of angles for the reference seat (ENGINEERING 10.1). */
export const channelAngles = defineCheck({
  id: 'channel-angles',
  title: 'Channels lie in their windows of angles',
  source: 'ITU-R BS.775, BS.2051; trade practice for overhead rows',
  calculators: ['channel-window', 'speaker-direction'],
  severity: 'look',
  stage: 'devices',
  appliesTo: 'devices',
  reads: ['rooms'],
  nodes: [THEATRES],
  limits: LIMITS,
  run: ({ project, read, limit }) =>
    inTheatres(read, project, (theatre, room) => {
      const n = referenceSeat(theatre);
      return theatre.channels.flatMap(({ channel, deviceId, window, seats }) => {
        if (n < 0 || !window) return [];
        const { beyondDeg } = seats[n];
        if (Math.abs(beyondDeg) <= limit('beyondDeg') + 1e-9) return [];
        const angleDeg = Math.abs(mainAngleDeg(window, seats[n]));
        const [fromDeg, toDeg] = window.mainDeg;
        return [
          say(
            'look',
            'channel-beyond-window',
            [{ in: 'devices', id: deviceId }],
            { number: room.code, channel, angleDeg, fromDeg, toDeg, beyondDeg: Math.abs(beyondDeg) },
            { measured: angleDeg, allowed: beyondDeg > 0 ? toDeg : fromDeg, unit: 'degrees' },
          ),
        ];
      });
    }),
});

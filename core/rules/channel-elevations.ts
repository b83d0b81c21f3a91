import { THEATRES } from '../theatre/index.ts';
import { defineCheck, say } from './check.ts';
import { inTheatres, referenceSeat } from './theatre-subjects.ts';

/** Channels at ear level are neither too high nor too low for the reference seat (ENGINEERING 10.1). */
export const channelElevations = defineCheck({
  id: 'channel-elevations',
  title: 'Channels lie at the height of their windows',
  source: 'ITU-R BS.775, BS.2051; trade practice',
  calculators: ['channel-window', 'speaker-direction'],
  severity: 'look',
  stage: 'devices',
  appliesTo: 'devices',
  reads: ['rooms'],
  nodes: [THEATRES],
  run: ({ project, read }) =>
    inTheatres(read, project, (theatre, room) => {
      const n = referenceSeat(theatre);
      return theatre.channels.flatMap(({ channel, deviceId, window, seats }) => {
        if (n < 0 || !window || window.isOverhead || seats[n].elevationBeyondDeg === 0) return [];
        const { elevationDeg, elevationBeyondDeg } = seats[n];
        const [fromDeg, toDeg] = window.elevationDeg;
        return [
          say(
            'look',
            elevationBeyondDeg > 0 ? 'channel-too-high' : 'channel-too-low',
            [{ in: 'devices', id: deviceId }],
            { number: room.code, channel, angleDeg: elevationDeg, fromDeg, toDeg },
            { measured: elevationDeg, allowed: elevationBeyondDeg > 0 ? toDeg : fromDeg, unit: 'degrees' },
          ),
        ];
      });
    }),
});

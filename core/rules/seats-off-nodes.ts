import { THEATRES } from '../theatre/index.ts';
import { defineCheck, say } from './check.ts';
import { inTheatres } from './theatre-subjects.ts';

/** No seat stands where a low note of the room is not heard (ENGINEERING 10.5). */
export const seatsOffNodes = defineCheck({
  id: 'seats-off-nodes',
  title: 'Seats stand off the nodes of the room',
  source: 'Room acoustics: modes of a box; rooms that are none are approximate',
  calculators: ['mode-coupling', 'room-mode'],
  severity: 'look',
  stage: 'devices',
  appliesTo: 'features',
  reads: ['rooms'],
  nodes: [THEATRES],
  run: ({ project, read }) =>
    inTheatres(read, project, ({ bass, seats }, room) => {
      const keyOf = ({ seat, order }: (typeof bass.seatsOnNodes)[number]) => `${seats[seat].featureId}/${order.join()}`;
      return [...new Set(bass.seatsOnNodes.map(keyOf))].map((key) => {
        const on = bass.seatsOnNodes.filter((one) => keyOf(one) === key);
        const [{ seat, hz, share, node, order }] = on;
        return say(
          'look',
          order[0] > 0 ? 'seat-on-node-along' : 'seat-on-node-across',
          [
            { in: 'features', id: seats[seat].featureId },
            { in: 'rooms', id: room.id },
          ],
          { number: room.code, count: on.length, hz, sharePercent: 100 * share, nodePercent: 100 * node },
          { measured: 100 * share, allowed: 100 * node, unit: '%' },
        );
      });
    }),
});

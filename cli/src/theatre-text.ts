import type { ProjectDocument } from '@dusky-spool/core/model';
import { theatreOf, theatreRooms } from '@dusky-spool/core/theatre';
import { json } from './result.ts';

const fixed = (value: number | null, digits = 1): string => (value === null ? '-' : value.toFixed(digits));

/** Every room with surround channels as a theatre: picture, seats, channels by seat, pairs, score. */
export function theatreText(project: ProjectDocument, asJson: boolean): string {
  const rooms = theatreRooms(project).map((room) => ({ room: room.name, ...theatreOf(project, room) }));
  if (asJson) return json({ units: 'm', rooms });
  return rooms
    .flatMap(({ room, layout, picture, seats, channels, pairs, score }) => [
      `${room}: ${layout ?? 'no layout'}${score ? `, score ${fixed(score.total)} (angles ${fixed(score.angles)}, symmetry ${fixed(score.symmetry)}, levels ${fixed(score.levels)})` : ''}`,
      picture
        ? `  picture ${fixed(picture.widthM, 2)} x ${fixed(picture.heightM, 2)} m, its middle ${fixed(picture.middle[2], 2)} m high`
        : '  no picture',
      ...(seats.length === 0 ? ['  no seats: put rows, sofas or chairs on the plan'] : []),
      ...seats.map(
        ({ row, distanceM, viewingDeg, topDeg, clearanceM }, n) =>
          `  seat ${n + 1} row ${row}: ${fixed(distanceM, 2)} m, ${fixed(viewingDeg)} deg wide, top ${fixed(topDeg)} deg, over the row before ${fixed(clearanceM, 3)} m`,
      ),
      ...channels.map(({ channel, delayMs, trimDb, seats: at }) => {
        const each = at.map(
          ({ azimuthDeg, elevationDeg, beyondDeg, sight }) =>
            `${fixed(azimuthDeg)}/${fixed(elevationDeg)}${beyondDeg === 0 ? '' : ` (${fixed(beyondDeg)})`}${sight === 'clear' ? '' : ` ${sight}`}`,
        );
        return `  ${channel.padEnd(18)} ${fixed(delayMs, 2)} ms ${fixed(trimDb, 1)} dB  ${each.join('  ')}`.trimEnd();
      }),
      ...pairs.map(({ pair, mirrorErrorM }) => `  pair ${pair.padEnd(13)} ${fixed(mirrorErrorM, 3)} m from mirrored`),
    ])
    .join('\n');
}

import type { ProjectDocument } from '@dusky-spool/core/model';
import { designTheatre, frontWallOf, modesOf, projectorMounts, theatreOf, theatreRooms } from '@dusky-spool/core/theatre';
import { json } from './result.ts';

const fixed = (value: number | null, digits = 1): string => (value === null ? '-' : value.toFixed(digits));

/** Every room with surround channels as a theatre: picture, seats, channels by seat, pairs, score. */
export function theatreText(project: ProjectDocument, asJson: boolean): string {
  const rooms = theatreRooms(project).map((room) => {
    const theatre = theatreOf(project, room);
    return {
      ...{ room: room.name, ...theatre },
      front: frontWallOf(project, room, theatre),
      mounts: projectorMounts(project, room, theatre),
      modes: modesOf(project, room, theatre.aim),
    };
  });
  if (asJson) return json({ units: 'm', rooms });
  return rooms
    .flatMap(({ room, layout, picture, projections, bass, sound, seats, channels, pairs, score, front, mounts, modes }) => [
      `${room}: ${layout ?? 'no layout'}${score ? `, score ${fixed(score.total)} (angles ${fixed(score.angles)}, symmetry ${fixed(score.symmetry)}, levels ${fixed(score.levels)})` : ''}`,
      picture
        ? `  picture ${fixed(picture.widthM, 2)} x ${fixed(picture.heightM, 2)} m, its middle ${fixed(picture.middle[2], 2)} m high`
        : '  no picture',
      ...projections.map(
        ({ throwM, windowM, throwFit, shiftUsed, cdM2 }) =>
          `  projector ${fixed(throwM, 2)} m from the screen${windowM ? ` of ${fixed(windowM[0], 2)} to ${fixed(windowM[1], 2)}` : ''} (${throwFit}), shift ${fixed(100 * shiftUsed, 0)} %, ${fixed(cdM2, 0)} cd/m2`,
      ),
      `  room ${bass.sidesM.map((one) => fixed(one, 2)).join(' x ')} m${bass.isApproximate ? ', approximate' : ''}, reverberation ${fixed(sound.rt60S, 2)} s`,
      ...(front
        ? [
            `  fronts ${front.place} the picture: margin ${fixed(front.marginM, 2)} m, cabinet ${fixed(front.cabinetM, 2)} m${front.panels ? `; ${front.panels.count} panels of ${fixed(front.panels.eachKg)} kg` : ''}${front.soundBar ? `; sound bar ${fixed(front.soundBar.missingDeg)} deg inside the window, ${fixed(front.soundBar.lostPoints)} points` : ''}`,
          ]
        : []),
      ...mounts.map(
        ({ weightKg, requiredN, seat, lags, rearM }) =>
          `  projector mount: ${weightKg} kg, ${fixed(requiredN, 0)} N, plate on ${seat}, ${lags} lag screws, ${fixed(rearM, 2)} m behind it`,
      ),
      ...modes.map(
        ({ name, isOn, seats: count, score: worth }) =>
          `  mode ${name}${isOn ? ' (now)' : ''}: ${count} seats, score ${fixed(worth)}`,
      ),
      ...(seats.length === 0 ? ['  no seats: put rows, sofas or chairs on the plan'] : []),
      ...seats.map(
        ({ row, distanceM, viewingDeg, topDeg, clearanceM, weight }, n) =>
          `  seat ${n + 1} row ${row} counts ${fixed(weight, 2)}: ${fixed(distanceM, 2)} m, ${fixed(viewingDeg)} deg wide, top ${fixed(topDeg)} deg, over the row before ${fixed(clearanceM, 3)} m`,
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

/** Places for the speakers of every theatre's layout: what would change, what it is worth, and why places are refused. */
export function theatreDesignText(project: ProjectDocument, asJson: boolean): string {
  const rooms = theatreRooms(project).map((room) => {
    let count = 0;
    const next = () => `new${++count}`;
    return { room: room.name, found: designTheatre(project, room.id, { device: next, run: next }) };
  });
  if (asJson)
    return json({
      units: 'm',
      rooms: rooms.map(({ room, found }) => ({ room, ...(found.ok ? { design: found.value } : { problem: found.problem }) })),
    });
  return rooms
    .flatMap(({ room, found }) => {
      if (!found.ok) return [`${room}: ${found.problem.code}`];
      const { before, after, channels, judged, stopped } = found.value;
      return [
        `${room}: score ${fixed(before?.total ?? null)} as placed, ${fixed(after?.total ?? null)} as designed; ${judged} judged, stopped: ${stopped}`,
        ...channels.map(({ channel, change, places, refused }) => {
          const why = Object.entries(refused).map(([code, times]) => `${times} ${code}`);
          return `  ${channel.padEnd(18)} ${change.padEnd(10)} ${places} places${why.length > 0 ? `, refused: ${why.join(', ')}` : ''}`;
        }),
      ];
    })
    .join('\n');
}

import { deviceNumber, mainsBoxBeside, plateDeviceIds, plateSizeM, wallDistancesAt, wallSide } from '../../devices/index.ts';
import type { Plate, ProjectDocument } from '../../model/index.ts';
import { listOf } from '../../derive/index.ts';
import { buildingOf, nearestWall, wallNumbers } from '../../house/index.ts';
import { formatLength, formatLengthFine } from '../../math/index.ts';
import type { PlaceWords } from './place-text.ts';

export type PlateColumn =
  | 'what'
  | 'place'
  | 'fromWall'
  | 'height'
  | 'devices'
  | 'gangs'
  | 'box'
  | 'divider'
  | 'opening'
  | 'inserts'
  | 'finish'
  | 'beside';

export interface PlateTable {
  readonly section: 'plates' | 'inserts';
  readonly columns: readonly (PlateColumn | 'insert' | 'count')[];
  readonly rows: readonly (readonly string[])[];
}

/** The words that the schedule needs, from the texts. */
export interface PlateWords {
  readonly outdoors: string;
  readonly boxKinds: Readonly<Record<string, string>>;
  readonly openings: Readonly<Record<string, string>>;
  readonly inserts: Readonly<Record<string, string>>;
  readonly yes: string;
  readonly gang: (gang: number) => string;
  readonly plate: (number: number) => string;
  readonly left: string;
  readonly right: string;
  readonly place: PlaceWords;
}

/**
 * The plates of a house in walking order with all that is bought and set for them, and the count of inserts to buy.
 * Heights are above finished floor to the middle; `fromWall` is from the nearest wall beside it, finished face to middle.
 */
export function plateSchedule(project: ProjectDocument, words: PlateWords): PlateTable[] {
  const { units } = project.project;
  const plates = platesInOrder(project);
  const rows = plates.map((plate, index) => {
    const gangs = Array.from({ length: plate.gangs }, (_, i) => i + 1).map((gang) => {
      const kinds = plate.inserts.filter((insert) => insert.gang === gang).map(({ kind }) => words.inserts[kind] ?? kind);
      return kinds.length === 0 ? '' : `${words.gang(gang)}: ${counted(kinds)}`;
    });
    const beside = mainsBoxBeside(project, plate);
    const [from] = wallDistancesAt(project, plate, true);
    return [
      plate.name || words.plate(index + 1),
      `${placeOf(project, plate, words)}, ${project.levels[plate.levelId].name}`,
      from
        ? words.place.fromWall(
            formatLength(from.distanceM, units),
            wallSide(from.away),
            wallNumbers(project).get(from.wall.id) ?? '',
          )
        : '',
      formatLength(plate.heightM, units),
      plateDeviceIds(plate)
        .flatMap((id) => (project.devices[id] ? deviceNumber(project, project.devices[id]) : []))
        .join(' '),
      `${plate.gangs} · ${formatLengthFine(plateSizeM(plate)[0], units)}`,
      words.boxKinds[plate.boxKind],
      plate.divider ? words.yes : '',
      words.openings[plate.opening],
      gangs.filter(Boolean).join('; '),
      plate.finish,
      beside ? `${formatLength(beside.distanceM, units)} ${beside.right ? words.right : words.left}` : '',
    ];
  });
  const counts = new Map<string, number>();
  for (const { inserts } of plates)
    for (const { kind } of inserts) if (kind !== 'face') counts.set(kind, (counts.get(kind) ?? 0) + 1);
  const tables: PlateTable[] = [
    {
      section: 'plates',
      columns: [
        'what',
        'place',
        'fromWall',
        'height',
        'devices',
        'gangs',
        'box',
        'divider',
        'opening',
        'inserts',
        'finish',
        'beside',
      ],
      rows,
    },
    {
      section: 'inserts',
      columns: ['insert', 'count'],
      rows: [...counts].sort(([a], [b]) => (a < b ? -1 : 1)).map(([kind, count]) => [words.inserts[kind] ?? kind, String(count)]),
    },
  ];
  return tables.filter((table) => table.rows.length > 0);
}

/** A plate is on a wall whose center line is this near, m. */
const ON_WALL_M = 0.35;

/** The room and the wall of it that a plate is on: it looks away from that wall. */
function placeOf(project: ProjectDocument, plate: Plate, { outdoors, place }: PlateWords): string {
  const { roomId, facingRad, levelId, x, y } = plate;
  const side = wallSide([Math.cos(facingRad), Math.sin(facingRad)]);
  const host = nearestWall(buildingOf(project), levelId, [x, y], ON_WALL_M)?.wall;
  const wall = (host && wallNumbers(project).get(host.id)) ?? '';
  return roomId === null ? `${outdoors}, ${place.outside(side, wall)}` : place.inWall(project.rooms[roomId].name, side, wall);
}

/** Plates by level, room and place. */
export function platesInOrder(project: ProjectDocument): Plate[] {
  const room = ({ roomId }: Plate) => (roomId === null ? '' : project.rooms[roomId].code);
  const floor = ({ levelId }: Plate) => project.levels[levelId].order;
  return listOf(project, 'plates').toSorted(
    (a, b) => floor(a) - floor(b) || room(a).localeCompare(room(b)) || a.x - b.x || a.y - b.y || (a.id < b.id ? -1 : 1),
  );
}

/** Equal words once, with how many of them. */
function counted(words: readonly string[]): string {
  const counts = new Map<string, number>();
  for (const word of words) counts.set(word, (counts.get(word) ?? 0) + 1);
  return [...counts].map(([word, count]) => (count > 1 ? `${count} × ${word}` : word)).join(', ');
}

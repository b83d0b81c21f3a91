import { centroidOf, distance2, err, ok, type Outcome, pointInPolygon, type Point2 } from '../../math/index.ts';
import { attachmentOf, levelsFromBelow, wallPoint } from '../building/index.ts';
import {
  type CollectionName,
  create,
  type Fact,
  type FactState,
  type Feature,
  type Opening,
  type Operation,
  type ProjectDocument,
  remove,
  type Room,
  update,
} from '../../model/index.ts';
import { derivationsOf, listOf, onLevel, whole } from '../../derive/index.ts';
import { behindFinish, featureNeeds, type Need, need, type NeededBy, openingNeeds } from './hidden-questions.ts';

type Subject = Fact['subject'];

/** Something that a later stage needs and nobody has measured. */
export interface SurveyQuestion {
  readonly id: string;
  readonly subject: Subject;
  readonly subjectId: string;
  readonly field: string;
  readonly kind: Need['kind'];
  /** Values of a choice. */
  readonly choices: readonly string[];
  /** The stage that waits for the answer. */
  readonly neededBy: NeededBy;
  readonly levelId: string;
  /** The room in which one stands to answer; null where it concerns a whole level. */
  readonly roomId: string | null;
  readonly now: number | string | null;
  readonly state: Exclude<FactState, 'measured'>;
}

/** A thing of which every house has one and this survey has none. */
export interface MissingThing {
  readonly kind: 'service-panel' | 'service-entry' | 'rack';
}

/** State of one value. Without a record it is assumed. */
export function factOf(project: ProjectDocument, subject: Subject, subjectId: string, field: string): Fact | null {
  return derivationsOf(project).get(FACTS).get(`${subject}/${subjectId}/${field}`) ?? null;
}

const FACTS = whole<ReadonlyMap<string, Fact>>({
  name: 'facts by field',
  tables: ['facts'],
  make: (read) => new Map(read.rows('facts').map((fact) => [`${fact.subject}/${fact.subjectId}/${fact.field}`, fact])),
});

/** What is not known that a later stage needs, in the order in which one walks through the house. */
export function surveyQuestions(project: ProjectDocument): SurveyQuestion[] {
  return levelsFromBelow(project).flatMap((level) => {
    const ask = (subject: Subject, subjectId: string, roomId: string | null, needs: readonly Need[]): SurveyQuestion[] =>
      needs.flatMap(({ field, kind, neededBy, choices }) => {
        const known = factOf(project, subject, subjectId, field);
        if (known?.state === 'measured') return [];
        const record = (project[subject] as Record<string, Record<string, unknown>>)[subjectId];
        const now = record[field] as number | string | null;
        return [
          {
            id: `${subject}/${subjectId}/${field}`,
            subject,
            subjectId,
            field,
            kind,
            choices,
            neededBy,
            levelId: level.id,
            roomId,
            now,
            state: known?.state ?? 'assumed',
          },
        ];
      });
    const ofLevel = ask('levels', level.id, null, [
      need('ceilingHeightM', 'devices'),
      need('cavityDepthM', 'cabling'),
      need('floorBuildUpM', 'devices'),
    ]);
    const rooms = walkingOrder(listOf(project, 'rooms').filter((room) => room.levelId === level.id));
    const racks = listOf(project, 'racks').filter((rack) => rack.levelId === level.id);
    const risers = listOf(project, 'risers').filter((riser) => riser.bottomLevelId === level.id);
    const wallsOf = wallsByRoom(project, level.id, rooms);
    const guarded = guardedOpenings(project, level.id);
    const thingsOf = featuresByRoom(project, level.id, rooms);
    return [
      ...ofLevel,
      ...rooms.flatMap((room) => [
        ...ask('rooms', room.id, room.id, roomNeeds(room)),
        ...(wallsOf.get(room.id) ?? []).flatMap((id) => ask('walls', id, room.id, wallNeeds(project, id))),
        ...openingsOf(project, wallsOf.get(room.id) ?? []).flatMap((opening) =>
          ask('openings', opening.id, room.id, openingNeeds(opening, guarded.has(opening.id))),
        ),
        ...(thingsOf.get(room.id) ?? []).flatMap((feature) => ask('features', feature.id, room.id, featureNeeds(feature))),
        ...racks
          .filter((rack) => roomHolding(rooms, [rack.x, rack.y]) === room.id)
          .flatMap((rack) => ask('racks', rack.id, room.id, [need('entryHeightM', 'cabling')])),
      ]),
      ...(thingsOf.get('') ?? []).flatMap((feature) => ask('features', feature.id, null, featureNeeds(feature))),
      ...risers.flatMap((riser) => ask('risers', riser.id, null, [need('widthM', 'cabling'), need('depthM', 'cabling')])),
    ];
  });
}

/** Things that every house has and this survey does not show yet. */
export function missingThings(project: ProjectDocument): MissingThing[] {
  const has = (kind: string) => Object.values(project.features).some((feature) => feature.kind === kind);
  return [
    ...(has('service-entry') ? [] : [{ kind: 'service-entry' as const }]),
    ...(has('service-panel') ? [] : [{ kind: 'service-panel' as const }]),
    ...(Object.keys(project.racks).length > 0 ? [] : [{ kind: 'rack' as const }]),
  ];
}

function roomNeeds(room: Room): Need[] {
  const framed = room.framing === 'solid' || room.framing === 'i-joist' || room.framing === 'open-web';
  return [
    need('ceilingHeightM', 'devices'),
    ...(framed
      ? [need('joistAngleRad', 'cabling', 'angle'), need('joistSpacingM', 'devices'), need('joistDepthM', 'devices')]
      : []),
  ];
}

function wallNeeds(project: ProjectDocument, wallId: string): Need[] {
  const wall = project.walls[wallId];
  // A cavity of hidden make is the costliest guess; an ordinary stud wall is asked only where something is mounted in it.
  return [...(wall.cableMayRun ? [need('cavityDepthM', 'devices')] : []), ...behindFinish(wall)];
}

/** Walls that are asked about: those with devices in them, and those whose make cannot be seen. Each belongs to one room. */
function wallsByRoom(project: ProjectDocument, levelId: string, rooms: readonly Room[]): Map<string, string[]> {
  const hidden = new Set(['furred', 'closed', 'fire']);
  const used = new Map<string, string>();
  const walls = listOf(project, 'walls').filter((wall) => wall.levelId === levelId);
  for (const device of listOf(project, 'devices')) {
    if (device.levelId !== levelId || device.roomId === null || attachmentOf(project.deviceTypes[device.typeId]) !== 'wall')
      continue;
    const wall = walls.find((w) => onLine([device.x, device.y], w.a, w.b));
    if (wall) used.set(wall.id, device.roomId);
  }
  const byRoom = new Map<string, string[]>();
  for (const wall of walls) {
    const middle: Point2 = [(wall.a[0] + wall.b[0]) / 2, (wall.a[1] + wall.b[1]) / 2];
    const roomId = used.get(wall.id) ?? (hidden.has(wall.kind) ? roomBeside(rooms, middle) : null);
    if (roomId) byRoom.set(roomId, [...(byRoom.get(roomId) ?? []), wall.id]);
  }
  return byRoom;
}

function openingsOf(project: ProjectDocument, wallIds: readonly string[]): Opening[] {
  const walls = new Set(wallIds);
  return listOf(project, 'openings').filter(({ wallId }) => walls.has(wallId));
}

/** A contact, lock or reader this near to the middle of an opening belongs to it, beside half its width, m. */
const AT_OPENING_M = 0.6;

/** Openings with a contact, a lock or a reader. */
function guardedOpenings(project: ProjectDocument, levelId: string): ReadonlySet<string> {
  const devices = onLevel(project, 'devices', levelId).filter(
    ({ typeId }) => project.deviceTypes[typeId].system === 'guard' && attachmentOf(project.deviceTypes[typeId]) === 'wall',
  );
  return new Set(
    listOf(project, 'openings').flatMap((opening) => {
      const wall = project.walls[opening.wallId];
      if (wall.levelId !== levelId) return [];
      const middle = wallPoint(wall, opening.offsetM);
      const isNear = devices.some(({ x, y }) => distance2([x, y], middle) <= opening.widthM / 2 + AT_OPENING_M);
      return isNear ? [opening.id] : [];
    }),
  );
}

/** Found and hidden things by the room in which they lie; under the empty key those of no room. */
function featuresByRoom(project: ProjectDocument, levelId: string, rooms: readonly Room[]): Map<string, Feature[]> {
  const byRoom = new Map<string, Feature[]>();
  for (const feature of onLevel(project, 'features', levelId)) {
    const at = centroidOf(feature.points as Point2[]);
    const p = feature.points.length < 3 ? (feature.points[0] as Point2) : at;
    const roomId = rooms.find(({ polygon }) => pointInPolygon(p, polygon as Point2[], 0.3))?.id ?? '';
    byRoom.set(roomId, [...(byRoom.get(roomId) ?? []), feature]);
  }
  return byRoom;
}

function onLine(p: Point2, a: Point2, b: Point2): boolean {
  return Math.abs(distance2(p, a) + distance2(p, b) - distance2(a, b)) < 0.01;
}

const roomBeside = (rooms: readonly Room[], p: Point2): string | null =>
  rooms.find((room) => room.polygon.some((q, i) => onLine(p, q, room.polygon[(i + 1) % room.polygon.length])))?.id ?? null;

function roomHolding(rooms: readonly Room[], p: Point2): string | null {
  const away = (room: Room) => distance2(centroidOf(room.polygon as Point2[]), p);
  return [...rooms].sort((a, b) => away(a) - away(b))[0]?.id ?? null;
}

/** From room to the nearest room not yet seen, from the lower left on. */
function walkingOrder(rooms: readonly Room[]): Room[] {
  const left = rooms.map((room) => ({ room, at: centroidOf(room.polygon as Point2[]) }));
  left.sort((a, b) => a.at[0] + a.at[1] - b.at[0] - b.at[1]);
  const order: Room[] = [];
  let here: Point2 | null = null;
  while (left.length > 0) {
    let next = 0;
    if (here) for (let i = 1; i < left.length; i++) if (distance2(left[i].at, here) < distance2(left[next].at, here)) next = i;
    const [{ room, at }] = left.splice(next, 1);
    order.push(room);
    here = at;
  }
  return order;
}

/**
 * Writes an answer down: the value where there is one, and how it is known.
 * `by` and `on` (YYYY-MM-DD) say who and when; `factId` is the id for a new record.
 * Problems: `record-gone`.
 */
export function answerFact(
  project: ProjectDocument,
  at: { readonly subject: Subject; readonly subjectId: string; readonly field: string },
  answer: { readonly value?: unknown; readonly state: FactState; readonly by: string; readonly on: string },
  factId: string,
): Outcome<Operation[]> {
  const record = (project[at.subject] as Record<string, { id: string }>)[at.subjectId];
  if (!record) return err('record-gone', { in: at.subject, id: at.subjectId });
  const operations: (Operation | null)[] = [];
  if (answer.value !== undefined)
    operations.push(update(at.subject as CollectionName, record as never, { [at.field]: answer.value } as never));
  const known = factOf(project, at.subject, at.subjectId, at.field);
  const { state, by, on } = answer;
  if (state === 'assumed' && known) operations.push(remove('facts', known));
  else if (known) operations.push(update('facts', known, { state, by, on }));
  else if (state !== 'assumed')
    operations.push(
      create('facts', { id: factId, subject: at.subject, subjectId: at.subjectId, field: at.field, state, by, on, note: '' }),
    );
  return ok(operations.filter((operation) => operation !== null));
}

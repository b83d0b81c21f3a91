import { wallPoint } from '../house/index.ts';
import { err, ok, type Outcome, type Point2, polygonArea } from '../math/index.ts';
import {
  type Answer,
  BRIEF_TOPICS,
  type BriefCell,
  type BriefTopic,
  create,
  type Operation,
  type ProjectDocument,
  remove,
  type Room,
  type RoomBrief,
  update,
} from '../model/index.ts';
import { derivationsOf, listOf, whole } from '../derive/index.ts';
import { TOPIC_RULES, topicsAsked } from './topics.ts';

const key = (roomId: string, topic: BriefTopic) => `${roomId}/${topic}`;

const CELLS = whole<ReadonlyMap<string, BriefCell>>({
  name: 'answers by room and topic',
  tables: ['briefCells'],
  make: (read) => new Map(read.rows('briefCells').map((cell) => [key(cell.roomId, cell.topic), cell])),
});

/** The answer of a room to a topic; undefined where it was not discussed. */
export const cellOf = (project: Pick<ProjectDocument, 'briefCells'>, roomId: string, topic: BriefTopic): BriefCell | undefined =>
  derivationsOf(project).get(CELLS).get(key(roomId, topic));

export const briefOf = (project: Pick<ProjectDocument, 'roomBriefs'>, roomId: string): RoomBrief | undefined =>
  listOf(project, 'roomBriefs').find((brief) => brief.roomId === roomId);

const EMPTY_BRIEF = {
  who: '',
  used: '',
  noise: '',
  overflowSeats: 0,
  walkOrder: 0,
  signedBy: '',
  signedOn: '',
  asksToSign: '',
  alsoSignedOn: '',
} as const;

/** Writes down how a room is used, or who signed it. */
export function tellRoom(
  project: ProjectDocument,
  roomId: string,
  after: Partial<Omit<RoomBrief, 'id' | 'roomId'>>,
  newId: () => string,
): Operation[] {
  const known = briefOf(project, roomId);
  if (!known) return [create('roomBriefs', { id: newId(), roomId, ...EMPTY_BRIEF, pastSignatures: [], ...after })];
  const operation = update('roomBriefs', known, after);
  return operation ? [operation] : [];
}

/** How many devices a room of this size and shape usually has for a topic: a pair of speakers for 28 m², a contact an opening. */
export function usualCount(project: ProjectDocument, room: Room, topic: BriefTopic): number {
  const areaM2 = Math.abs(polygonArea(room.polygon as Point2[]));
  if (topic === 'sound') return areaM2 < 9 ? 1 : 2 * Math.max(1, Math.ceil(areaM2 / 28));
  if (topic === 'surround') return TOPIC_RULES.surround.usual ?? 5;
  if (topic === 'shade') return Math.max(1, openingsIn(project, room, ['window']));
  if (topic === 'security') return Math.max(1, openingsIn(project, room, ['window', 'door'], true));
  return 1;
}

/** Openings on the outline of a room; `outer` leaves out those that lead into another room. */
function openingsIn(project: ProjectDocument, room: Room, kinds: readonly string[], outer = false): number {
  const rooms = listOf(project, 'rooms').filter((other) => other.levelId === room.levelId);
  const onOutline = (one: Room, p: Point2) =>
    one.polygon.some((a, i) => {
      const b = one.polygon[(i + 1) % one.polygon.length];
      const long = Math.hypot(b[0] - a[0], b[1] - a[1]);
      return Math.hypot(p[0] - a[0], p[1] - a[1]) + Math.hypot(p[0] - b[0], p[1] - b[1]) - long < 0.02;
    });
  return listOf(project, 'openings').filter((opening) => {
    const wall = project.walls[opening.wallId];
    if (wall.levelId !== room.levelId || !kinds.includes(opening.kind)) return false;
    const p = wallPoint(wall, opening.offsetM);
    return onOutline(room, p) && (!outer || rooms.filter((other) => onOutline(other, p)).length === 1);
  }).length;
}

type Given = Partial<Pick<BriefCell, 'count' | 'threshold' | 'typeId' | 'phaseId' | 'note'>>;

/** As many signatures of the past as are kept. */
const MOST_PAST = 40;

/** Takes back the signature of a room; that it was there is kept. */
export function withdrawSignature(brief: RoomBrief): Operation[] {
  if (brief.signedOn === '') return [];
  const past = [{ by: brief.signedBy, on: brief.signedOn }];
  if (brief.alsoSignedOn !== '') past.push({ by: brief.asksToSign, on: brief.alsoSignedOn });
  const operation = update('roomBriefs', brief, {
    signedBy: '',
    signedOn: '',
    alsoSignedOn: '',
    pastSignatures: [...brief.pastSignatures, ...past].slice(-MOST_PAST),
  });
  return operation ? [operation] : [];
}

/** An answer to give; null takes it back to not discussed. */
export interface NewAnswer {
  readonly roomId: string;
  readonly topic: BriefTopic;
  readonly answer: Answer | null;
  readonly given?: Given;
}

/** Answers one cell. */
export const answerCell = (
  project: ProjectDocument,
  roomId: string,
  topic: BriefTopic,
  answer: Answer | null,
  newId: () => string,
  given: Given = {},
): Operation[] => answerCells(project, [{ roomId, topic, answer, given }], newId);

/** Answers cells. A room that was signed is signed no longer; its signature is taken back once, however many of its answers change. */
export function answerCells(project: ProjectDocument, answers: readonly NewAnswer[], newId: () => string): Operation[] {
  const changed = new Set<string>();
  const operations = answers.flatMap((one) => {
    const operation = cellOperation(project, one, newId);
    if (operation) changed.add(one.roomId);
    return operation ? [operation] : [];
  });
  const signatures = [...changed].flatMap((roomId) => {
    const brief = briefOf(project, roomId);
    return brief ? withdrawSignature(brief) : [];
  });
  return [...operations, ...signatures];
}

function cellOperation(
  project: ProjectDocument,
  { roomId, topic, answer, given = {} }: NewAnswer,
  newId: () => string,
): Operation | null {
  const known = cellOf(project, roomId, topic);
  if (answer === null) return known ? remove('briefCells', known) : null;
  const room = project.rooms[roomId];
  if (known) {
    const count = given.count ?? (known.count === 0 && answer !== 'nothing' ? usualCount(project, room, topic) : known.count);
    return update('briefCells', known, { answer, ...given, count: answer === 'nothing' ? 0 : count });
  }
  return create('briefCells', {
    id: newId(),
    roomId,
    topic,
    answer,
    count: answer === 'nothing' ? 0 : usualCount(project, room, topic),
    threshold: answer === 'nothing' ? null : TOPIC_RULES[topic].usual,
    typeId: null,
    phaseId: null,
    note: '',
    ...given,
  });
}

/** Topics of a room without an answer. */
export const notDiscussed = (project: ProjectDocument, roomId: string): BriefTopic[] =>
  BRIEF_TOPICS.filter((topic) => !cellOf(project, roomId, topic));

/** Says "nothing here on purpose" to all that a room of this use is not even asked about. */
export function fillRest(project: ProjectDocument, roomId: string, newId: () => string): Operation[] {
  const asked = new Set(topicsAsked(project.rooms[roomId].use));
  const rest = notDiscussed(project, roomId).filter((topic) => !asked.has(topic));
  return answerCells(
    project,
    rest.map((topic) => ({ roomId, topic, answer: 'nothing' })),
    newId,
  );
}

/**
 * Signs a room off. Problems: `brief-not-discussed` (with the topics), `signature-missing`.
 */
export function signRoom(
  project: ProjectDocument,
  roomId: string,
  by: string,
  on: string,
  newId: () => string,
): Outcome<Operation[]> {
  const open = notDiscussed(project, roomId);
  const { name } = project.rooms[roomId];
  if (open.length > 0) return err('brief-not-discussed', { kind: 'incomplete', field: name, count: open.length, topics: open });
  if (by.trim() === '') return err('signature-missing', { kind: 'incomplete', field: name });
  return ok(tellRoom(project, roomId, { signedBy: by.trim(), signedOn: on }, newId));
}

/** A question that is still open, and why it is asked. */
export interface BriefPrompt {
  readonly topic: BriefTopic;
  readonly because: 'use' | 'daily' | 'noise' | 'overflow' | 'seat';
}

/** What to ask about a room next: by its use first, then by what its people do there. Only what has no answer yet. */
export function briefPrompts(project: ProjectDocument, roomId: string): BriefPrompt[] {
  const room = project.rooms[roomId];
  const brief = briefOf(project, roomId);
  const prompts: BriefPrompt[] = topicsAsked(room.use).map((topic) => ({ topic, because: 'use' }));
  if (brief?.used === 'daily') prompts.push({ topic: 'wifi', because: 'daily' }, { topic: 'climate', because: 'daily' });
  if (brief && brief.who !== '') prompts.push({ topic: 'charging', because: 'seat' }, { topic: 'display', because: 'seat' });
  if (brief && brief.noise !== '') prompts.push({ topic: 'keypad', because: 'noise' }, { topic: 'sound', because: 'noise' });
  if (brief && brief.overflowSeats > 0)
    prompts.push({ topic: 'sound', because: 'overflow' }, { topic: 'display', because: 'overflow' });
  const seen = new Set<BriefTopic>();
  return prompts.filter(({ topic }) => {
    if (seen.has(topic) || cellOf(project, roomId, topic)) return false;
    seen.add(topic);
    return true;
  });
}

/** Lays the answers of one room into others: counts anew for each room; what they have stays unless it is to be replaced. */
export function copyAnswers(
  project: ProjectDocument,
  fromId: string,
  toIds: readonly string[],
  replace: boolean,
  newId: () => string,
): Operation[] {
  const answers = toIds.flatMap((roomId) =>
    BRIEF_TOPICS.flatMap((topic): NewAnswer[] => {
      const cell = cellOf(project, fromId, topic);
      if (!cell || (cellOf(project, roomId, topic) && !replace)) return [];
      const counted = project.rooms[roomId] && cell.answer !== 'nothing' ? usualCount(project, project.rooms[roomId], topic) : 0;
      const given = { count: counted, threshold: cell.threshold, typeId: cell.typeId, phaseId: cell.phaseId };
      return [{ roomId, topic, answer: cell.answer, given }];
    }),
  );
  return answerCells(project, answers, newId);
}

import { wallPoint } from '../house/index.ts';
import { distance2, err, ok, type Outcome, type Point2, polygonArea } from '../math/index.ts';
import {
  type Answer,
  BRIEF_TOPICS,
  type BriefCell,
  type BriefTopic,
  create,
  type Operation,
  type ProjectDocument,
  remove,
  type RoomBrief,
  update,
} from '../model/index.ts';
import { derivationsOf, listOf, whole } from '../derive/index.ts';
import { type BriefPlace, isOutdoors, placeFields, placeIdOf, placeOf } from './places.ts';
import { channelsOf } from './surround.ts';
import { TOPIC_RULES, topicsAsked, topicsOf } from './topics.ts';

const key = (placeId: string, topic: BriefTopic) => `${placeId}/${topic}`;

const CELLS = whole<ReadonlyMap<string, BriefCell>>({
  name: 'answers by place and topic',
  tables: ['briefCells'],
  make: (read) => new Map(read.rows('briefCells').map((cell) => [key(placeIdOf(cell), cell.topic), cell])),
});

/** The answer of a room or area to a topic; undefined where it was not discussed. */
export const cellOf = (project: Pick<ProjectDocument, 'briefCells'>, placeId: string, topic: BriefTopic): BriefCell | undefined =>
  derivationsOf(project).get(CELLS).get(key(placeId, topic));

export const briefOf = (project: Pick<ProjectDocument, 'roomBriefs'>, placeId: string): RoomBrief | undefined =>
  listOf(project, 'roomBriefs').find((brief) => placeIdOf(brief) === placeId);

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

/** Writes down how a room or area is used, or who signed it. */
export function tellRoom(
  project: ProjectDocument,
  placeId: string,
  after: Partial<Omit<RoomBrief, 'id' | 'roomId' | 'areaId'>>,
  newId: () => string,
): Operation[] {
  const known = briefOf(project, placeId);
  if (!known)
    return [
      create('roomBriefs', {
        id: newId(),
        ...placeFields(project, placeId),
        ...EMPTY_BRIEF,
        useGroups: [],
        pastSignatures: [],
        ...after,
      }),
    ];
  const operation = update('roomBriefs', known, after);
  return operation ? [operation] : [];
}

/** How many devices a place of this size and shape usually has for a topic: a pair of speakers for 28 m², a contact an opening. */
export function usualCount(project: ProjectDocument, place: BriefPlace, topic: BriefTopic): number {
  const areaM2 = place.polygon.length < 3 ? 0 : Math.abs(polygonArea(place.polygon));
  if (topic === 'sound') return areaM2 < 9 ? 1 : 2 * Math.max(1, Math.ceil(areaM2 / 28));
  if (topic === 'surround') return TOPIC_RULES.surround.usual ?? 5;
  if (isOutdoors(place)) return 1;
  if (topic === 'shade') return Math.max(1, openingsIn(project, place, ['window']));
  if (topic === 'security') return Math.max(1, openingsIn(project, place, ['window', 'door'], true));
  return 1;
}

/** Openings on the outline of a room; `outer` leaves out those that lead into another room. */
function openingsIn(project: ProjectDocument, room: BriefPlace, kinds: readonly string[], outer = false): number {
  const rooms = listOf(project, 'rooms').filter((other) => other.levelId === room.levelId);
  const onOutline = (polygon: readonly (readonly [number, number])[], p: Point2) =>
    polygon.some((a, i) => {
      const b = polygon[(i + 1) % polygon.length];
      return distance2(p, a as Point2) + distance2(p, b as Point2) - distance2(a as Point2, b as Point2) < 0.02;
    });
  return listOf(project, 'openings').filter((opening) => {
    const wall = project.walls[opening.wallId];
    if (wall.levelId !== room.levelId || !kinds.includes(opening.kind)) return false;
    const p = wallPoint(wall, opening.offsetM);
    return onOutline(room.polygon, p) && (!outer || rooms.filter(({ polygon }) => onOutline(polygon, p)).length === 1);
  }).length;
}

type Given = Partial<Pick<BriefCell, 'count' | 'threshold' | 'typeId' | 'phaseId' | 'layout' | 'preWired' | 'note'>>;

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
  readonly placeId: string;
  readonly topic: BriefTopic;
  readonly answer: Answer | null;
  readonly given?: Given;
}

/** Answers one cell. */
export const answerCell = (
  project: ProjectDocument,
  placeId: string,
  topic: BriefTopic,
  answer: Answer | null,
  newId: () => string,
  given: Given = {},
): Operation[] => answerCells(project, [{ placeId, topic, answer, given }], newId);

/** Answers cells. A room or area that was signed is signed no longer; its signature is taken back once, however many of its answers change. */
export function answerCells(project: ProjectDocument, answers: readonly NewAnswer[], newId: () => string): Operation[] {
  const changed = new Set<string>();
  const operations = answers.flatMap((one) => {
    const operation = cellOperation(project, one, newId);
    if (operation) changed.add(one.placeId);
    return operation ? [operation] : [];
  });
  const signatures = [...changed].flatMap((placeId) => {
    const brief = briefOf(project, placeId);
    return brief ? withdrawSignature(brief) : [];
  });
  return [...operations, ...signatures];
}

function cellOperation(
  project: ProjectDocument,
  { placeId, topic, answer, given: wanted = {} }: NewAnswer,
  newId: () => string,
): Operation | null {
  const channels = wanted.layout === undefined ? null : channelsOf(wanted.layout);
  // A layout says how many channels it has.
  const given = channels ? { ...wanted, count: channels.length, threshold: channels.length } : wanted;
  const known = cellOf(project, placeId, topic);
  if (answer === null) return known ? remove('briefCells', known) : null;
  const place = placeOf(project, placeId);
  if (!place) return null;
  if (known) {
    const count = given.count ?? (known.count === 0 && answer !== 'nothing' ? usualCount(project, place, topic) : known.count);
    return update('briefCells', known, { answer, ...given, count: answer === 'nothing' ? 0 : count });
  }
  return create('briefCells', {
    id: newId(),
    ...placeFields(project, placeId),
    topic,
    answer,
    count: answer === 'nothing' ? 0 : usualCount(project, place, topic),
    threshold: answer === 'nothing' ? null : TOPIC_RULES[topic].usual,
    typeId: null,
    phaseId: null,
    layout: '',
    preWired: true,
    note: '',
    ...given,
  });
}

/** Topics without an answer of those that a room or area is to be asked about. */
export function notDiscussed(project: ProjectDocument, placeId: string): BriefTopic[] {
  const place = placeOf(project, placeId);
  return place ? topicsOf(place).filter((topic) => !cellOf(project, placeId, topic)) : [];
}

/** Answers "not required" to all that a place of this use is not even asked about. */
export function fillRest(project: ProjectDocument, placeId: string, newId: () => string): Operation[] {
  const asked = new Set(topicsAsked(placeOf(project, placeId)?.use ?? ''));
  const rest = notDiscussed(project, placeId).filter((topic) => !asked.has(topic));
  return answerCells(
    project,
    rest.map((topic) => ({ placeId, topic, answer: 'nothing' })),
    newId,
  );
}

/**
 * Signs a room or area off. Problems: `brief-not-discussed` (with the topics), `signature-missing`.
 */
export function signRoom(
  project: ProjectDocument,
  placeId: string,
  by: string,
  on: string,
  newId: () => string,
): Outcome<Operation[]> {
  const open = notDiscussed(project, placeId);
  const name = placeOf(project, placeId)?.name ?? '';
  if (open.length > 0) return err('brief-not-discussed', { kind: 'incomplete', field: name, count: open.length, topics: open });
  if (by.trim() === '') return err('signature-missing', { kind: 'incomplete', field: name });
  return ok(tellRoom(project, placeId, { signedBy: by.trim(), signedOn: on }, newId));
}

/** A question that is still open, and why it is asked. */
export interface BriefPrompt {
  readonly topic: BriefTopic;
  readonly because: 'use' | 'daily' | 'noise' | 'overflow' | 'seat';
}

/** What to ask about a room or area next: by its use first, then by what its people do there. Only what has no answer yet. */
export function briefPrompts(project: ProjectDocument, placeId: string): BriefPrompt[] {
  const brief = briefOf(project, placeId);
  const prompts: BriefPrompt[] = topicsAsked(placeOf(project, placeId)?.use ?? '').map((topic) => ({ topic, because: 'use' }));
  if (brief?.used === 'daily') prompts.push({ topic: 'wifi', because: 'daily' }, { topic: 'climate', because: 'daily' });
  if (brief && brief.who !== '') prompts.push({ topic: 'charging', because: 'seat' }, { topic: 'display', because: 'seat' });
  if (brief && brief.noise !== '') prompts.push({ topic: 'keypad', because: 'noise' }, { topic: 'sound', because: 'noise' });
  if (brief && brief.overflowSeats > 0)
    prompts.push({ topic: 'sound', because: 'overflow' }, { topic: 'display', because: 'overflow' });
  const seen = new Set<BriefTopic>();
  return prompts.filter(({ topic }) => {
    if (seen.has(topic) || cellOf(project, placeId, topic)) return false;
    seen.add(topic);
    return true;
  });
}

/** Copies the answers of one room or area into others: counts again for each of them; what they have stays unless it is to be replaced. */
export function copyAnswers(
  project: ProjectDocument,
  fromId: string,
  toIds: readonly string[],
  replace: boolean,
  newId: () => string,
): Operation[] {
  const answers = toIds.flatMap((placeId) => {
    const place = placeOf(project, placeId);
    return BRIEF_TOPICS.flatMap((topic): NewAnswer[] => {
      const cell = cellOf(project, fromId, topic);
      if (!cell || !place || (cellOf(project, placeId, topic) && !replace)) return [];
      const count = cell.answer === 'nothing' ? 0 : usualCount(project, place, topic);
      const { threshold, typeId, phaseId, layout, preWired } = cell;
      return [{ placeId, topic, answer: cell.answer, given: { count, threshold, typeId, phaseId, layout, preWired } }];
    });
  });
  return answerCells(project, answers, newId);
}

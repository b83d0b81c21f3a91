import { distance2, ok, type Outcome, type Point2, pointInPolygon } from '../math/index.ts';
import type { WallProposal } from '../house/index.ts';
import {
  create,
  newOpening,
  newWall,
  type Opening,
  type Operation,
  type ProjectDocument,
  type Room,
  type WallKind,
} from '../model/index.ts';
import { settleHouse } from './settle.ts';
import { type NewId, SHORTEST_WALL_M, WALL_BUILDS } from './walls.ts';

/** Walls this thick and thicker are taken for outside walls until somebody says otherwise, m. */
const THICK_M = 0.2;
const HEIGHTS = { door: [0, 2.04], window: [0.9, 2.1], arch: [0, 2.1] } as const;

/** Words of a drawing, m on the plan. */
export interface WordsAt {
  readonly at: Point2;
  readonly text: string;
  readonly heightM: number;
}

/**
 * The accepted proposals as walls with their openings; all that they close becomes rooms, with what `finished` adds to each. Everything
 * stays assumed until measured.
 */
export function wallsFromProposals(
  project: ProjectDocument,
  levelId: string,
  proposals: readonly WallProposal[],
  newId: NewId,
  finished: (room: Room) => Room = (room) => room,
): Outcome<Operation[]> {
  const ceilingM = project.levels[levelId].ceilingHeightM;
  const tidy = ([x, y]: Point2): [number, number] => [Math.round(x * 1000) / 1000, Math.round(y * 1000) / 1000];
  const operations = proposals
    .filter(({ a, b }) => distance2(a, b) >= SHORTEST_WALL_M)
    .flatMap((proposal): Operation[] => {
      const kind: WallKind = proposal.thicknessM >= THICK_M ? 'insulated' : 'stud';
      const make = WALL_BUILDS[kind];
      const cavityDepthM = Math.min(make.cavityDepthM, Math.max(0, proposal.thicknessM - 0.025));
      const wall = newWall({
        id: newId('wall'),
        levelId,
        a: tidy(proposal.a),
        b: tidy(proposal.b),
        ...make,
        thicknessM: proposal.thicknessM,
        cavityDepthM,
      });
      const openings = proposal.openings.map((opening) =>
        create('openings', openingFromProposal(opening, wall.id, newId('opening'), ceilingM)),
      );
      return [create('walls', wall), ...openings];
    });
  const settled = settleHouse(project, operations, [levelId], () => newId('room'));
  if (!settled.ok) return settled;
  return ok(
    settled.value.map((operation) =>
      operation.op === 'create' && operation.in === 'rooms' ? create('rooms', finished(operation.record as Room)) : operation,
    ),
  );
}

/** An opening of a drawing with the heights that its kind usually has. */
export function openingFromProposal(
  { kind, offsetM, widthM, hinge, swing }: WallProposal['openings'][number],
  wallId: string,
  id: string,
  ceilingM: number,
): Opening {
  const [sillM, headM] = HEIGHTS[kind];
  const isDoor = kind === 'door';
  return newOpening({
    id,
    wallId,
    kind,
    offsetM: Math.max(widthM / 2, offsetM),
    widthM,
    sillM,
    headM: Math.min(headM, ceilingM),
    hinge: isDoor ? (hinge ?? 'start') : null,
    swing: isDoor ? (swing ?? 'left') : null,
  });
}

const LONGEST_NAME = 60;
/** A name has a word of letters; areas, lengths and door numbers have none, or say a unit. */
const IS_NAME = /\p{L}{2,}/u;
const IS_MEASURE = /\d\s*(mm|cm|m|m2|m²|sqm|sq\.?\s?ft|ft|in)\b|^[A-Z]{0,3}-?\d+[a-z]?$/iu;

/** Names a new room by the largest words of a drawing in it that may be a name. */
export const namedByWords =
  (words: readonly WordsAt[]) =>
  (room: Room): Room => {
    const [best] = words
      .filter(
        ({ at, text }) => IS_NAME.test(text) && !IS_MEASURE.test(text) && pointInPolygon(at, room.polygon as readonly Point2[]),
      )
      .sort((a, b) => b.heightM - a.heightM || (a.text < b.text ? -1 : 1));
    return best ? { ...room, name: best.text.slice(0, LONGEST_NAME).trim() } : room;
  };

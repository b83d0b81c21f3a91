import { buildingOf, nearestWall, roomAt, wallLength } from '../house/index.ts';
import { distance2, type Point2 } from '../math/index.ts';
import type { Decision, Feature, ProjectDocument } from '../model/index.ts';
import { listOf } from '../derive/index.ts';

/** One mark of another trade on the sheet that goes back to it. Lengths in m. */
export interface Correction {
  readonly id: string;
  readonly owner: string;
  readonly name: string;
  readonly level: string;
  readonly room: string;
  readonly answer: Decision;
  readonly markedAt: Point2;
  /** Where it shall go; null where it stays or goes altogether. */
  readonly wantedAt: Point2 | null;
  /** How far it moves along the plan; 0 where it stays. */
  readonly movedM: number;
  /** Distances of the wanted place from the wall that it is on, or nearest to, measured along it from its nearer end. */
  readonly alongWallM: number | null;
  readonly heightM: number;
  readonly edge: Feature['edge'];
  readonly note: string;
}

/** All marks of other trades, those still open first, by trade, level and room. */
export function correctionsOf(project: ProjectDocument): Correction[] {
  const building = buildingOf(project);
  const order = ['open', 'move', 'strike', 'accept'];
  return listOf(project, 'features')
    .filter(({ kind }) => kind === 'trade-mark')
    .map((mark): Correction => {
      const [at] = mark.points;
      const answer = mark.decision ?? 'open';
      const wantedAt = answer === 'move' ? at : null;
      const on = nearestWall(building, mark.levelId, at, 0.3);
      return {
        id: mark.id,
        owner: mark.owner,
        name: mark.name,
        level: project.levels[mark.levelId].name,
        room: roomAt(building, mark.levelId, at)?.name ?? '',
        answer,
        markedAt: mark.markedAt ?? at,
        wantedAt,
        movedM: wantedAt ? distance2(mark.markedAt ?? at, at) : 0,
        alongWallM: on ? Math.min(on.offsetM, wallLength(on.wall) - on.offsetM) : null,
        heightM: heightOf(mark),
        edge: mark.edge,
        note: mark.note,
      };
    })
    .sort(
      (a, b) =>
        a.owner.localeCompare(b.owner) ||
        order.indexOf(a.answer) - order.indexOf(b.answer) ||
        a.level.localeCompare(b.level) ||
        a.room.localeCompare(b.room) ||
        (a.id < b.id ? -1 : 1),
    );
}

const heightOf = ({ edge, bottomM, topM }: Feature): number =>
  edge === 'lower' ? bottomM : edge === 'top' ? topM : (bottomM + topM) / 2;

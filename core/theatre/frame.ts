import { ceilingHeightAt, clearOutline } from '../house/index.ts';
import type { Point2 } from '../math/index.ts';
import type { Feature, ProjectDocument, Room } from '../model/index.ts';
import { fromMiddle, onPlan } from './middle-line.ts';
import type { Picture } from './picture.ts';

/** A place in a theatre, m: to the right of the middle line, away from the picture, above the floor of the level. */
export interface Inside {
  readonly asideM: number;
  readonly awayM: number;
  readonly upM: number;
}

/** A theatre seen from above with the picture at the top, from its side with the picture at the left, or square at the picture. */
export type TheatreView = 'top' | 'side' | 'front';

/** How a room lies about its middle line: its outline, and what leads places of the plan there. */
export interface TheatreFrame {
  readonly insideOf: (at: readonly [number, number, number]) => Inside;
  readonly outline: readonly Inside[];
  /** Under the ceiling along the middle line, from the picture on. */
  readonly ceiling: readonly Inside[];
  readonly fromM: Inside;
  readonly toM: Inside;
  readonly facingDeg: number;
}

const CEILING_STEPS = 24;

/** The frame of a room; without a picture its middle line goes up the plan through the middle of the room. */
export function frameOf(project: ProjectDocument, room: Room, picture: Picture | null): TheatreFrame {
  const polygon = clearOutline(project, room);
  const middle: readonly [number, number, number] = picture?.middle ?? middleOf(polygon);
  const facingDeg = picture?.facingDeg ?? 0;
  const from = fromMiddle(middle, facingDeg);
  const insideOf = (at: readonly [number, number, number]): Inside => {
    const { asideM, aheadM } = from(at);
    return { asideM, awayM: -aheadM, upM: at[2] };
  };
  const outline = polygon.map(([x, y]) => insideOf([x, y, room.floorM]));
  const aways = outline.map(({ awayM }) => awayM);
  const asides = outline.map(({ asideM }) => asideM);
  const [first, last] = [Math.min(...aways), Math.max(...aways)];
  const level = project.levels[room.levelId];
  const ceiling = Array.from({ length: CEILING_STEPS + 1 }, (_, n) => {
    const awayM = first + ((last - first) * n) / CEILING_STEPS;
    const [dx, dy] = onPlan(facingDeg, { asideM: 0, awayM });
    return { asideM: 0, awayM, upM: ceilingHeightAt(room, level, [middle[0] + dx, middle[1] + dy]) };
  });
  return {
    ...{ insideOf, outline, ceiling, facingDeg },
    fromM: { asideM: Math.min(...asides), awayM: first, upM: room.floorM },
    toM: { asideM: Math.max(...asides), awayM: last, upM: Math.max(...ceiling.map(({ upM }) => upM)) },
  };
}

const middleOf = (polygon: readonly Point2[]): [number, number, number] => {
  const [xs, ys] = [polygon.map(([x]) => x), polygon.map(([, y]) => y)];
  return [(Math.min(...xs) + Math.max(...xs)) / 2, Math.max(...ys), 1];
};

/** A place on a view, m, y down. */
export const flatOf =
  (view: TheatreView) =>
  ({ asideM, awayM, upM }: Inside): readonly [number, number] =>
    view === 'top' ? [asideM, awayM] : view === 'side' ? [awayM, -upM] : [asideM, -upM];

/** What a view sees of the room: its outline from above, a section along its middle line, or its wall behind the picture. */
export function outlineOn(view: TheatreView, { outline, ceiling, fromM, toM }: TheatreFrame): readonly Inside[] {
  if (view === 'top') return outline;
  if (view === 'side') {
    const floor = [toM.awayM, fromM.awayM].map((awayM): Inside => ({ asideM: 0, awayM, upM: fromM.upM }));
    return [...ceiling, ...floor];
  }
  const topM = ceiling[0].upM;
  return [fromM, { ...fromM, asideM: toM.asideM }, { ...fromM, asideM: toM.asideM, upM: topM }, { ...fromM, upM: topM }];
}

/** The corners of the picture: from its left bottom, around. */
export function pictureCorners({ middle, widthM, heightM }: Picture, frame: TheatreFrame): readonly Inside[] {
  const { asideM, awayM, upM } = frame.insideOf(middle);
  return [
    [-1, -1],
    [1, -1],
    [1, 1],
    [-1, 1],
  ].map(([u, v]) => ({ asideM: asideM + (u * widthM) / 2, awayM, upM: upM + (v * heightM) / 2 }));
}

/** A thing from above, or its box from the side or the seats. */
export function boxOn(
  view: TheatreView,
  corners: readonly Inside[],
  { bottomM, topM }: Pick<Feature, 'bottomM' | 'topM'>,
): readonly Inside[] {
  if (view === 'top') return corners;
  const along = corners.map(({ awayM, asideM }) => (view === 'side' ? awayM : asideM));
  const at = (value: number, upM: number): Inside =>
    view === 'side' ? { asideM: 0, awayM: value, upM } : { asideM: value, awayM: 0, upM };
  const [from, to] = [Math.min(...along), Math.max(...along)];
  return [at(from, bottomM), at(to, bottomM), at(to, topM), at(from, topM)];
}

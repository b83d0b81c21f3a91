import { planToPicture } from '@dusky-spool/core/house';
import type { Point2 } from '@dusky-spool/core/math';
import { type Operation, type ProjectDocument, removeWithDependants } from '@dusky-spool/core/model';
import { noSelection, type Selection } from './selection-kinds.ts';

const TABLES = {
  wall: 'walls',
  room: 'rooms',
  opening: 'openings',
  feature: 'features',
  rack: 'racks',
  riser: 'risers',
  dimension: 'dimensions',
  reference: 'referencePoints',
  device: 'devices',
  run: 'runs',
} as const;

/** What is left of a selection: things deleted since are not selected any more; devices and runs belong to other stages. */
export function present(project: ProjectDocument, selection: Selection): Selection {
  if (selection.kind === 'none' || selection.kind === 'device' || selection.kind === 'run') return noSelection;
  const table: Readonly<Record<string, unknown>> = project[TABLES[selection.kind]];
  const ids = selection.ids.filter((id) => Object.hasOwn(table, id));
  return ids.length === 0 ? noSelection : { kind: selection.kind, ids };
}

/** What must go with a thing that is removed. */
export function removed(project: ProjectDocument, kind: Selection['kind'], id: string): Operation[] {
  return kind === 'none' || kind === 'device' || kind === 'run' ? [] : removeWithDependants(project, TABLES[kind], id);
}

/** Whether nothing at all is drawn on a level. */
export const isBare = (project: ProjectDocument, levelId: string) =>
  ![project.walls, project.rooms, project.underlays, project.features].some((table) =>
    Object.values(table).some((record) => record.levelId === levelId),
  );

/** The part of a picture between two corners on the plan, as shares of the picture; null where it is too small to see. */
export function cropBetween(
  underlay: Parameters<typeof planToPicture>[0],
  picture: { readonly widthPx: number; readonly heightPx: number },
  first: Point2,
  second: Point2,
): [number, number, number, number] | null {
  const share = (at: Point2): Point2 => {
    const [x, y] = planToPicture(underlay, at);
    return [x / picture.widthPx, y / picture.heightPx];
  };
  const [p, q] = [share(first), share(second)];
  const within = (value: number) => Math.min(1, Math.max(0, value));
  const crop: [number, number, number, number] = [
    within(Math.min(p[0], q[0])),
    within(Math.min(p[1], q[1])),
    within(Math.max(p[0], q[0])),
    within(Math.max(p[1], q[1])),
  ];
  return crop[2] - crop[0] < 0.01 || crop[3] - crop[1] < 0.01 ? null : crop;
}

/** All of one kind inside an area: walls where there are any, else things. */
export function insideOf(
  project: ProjectDocument,
  levelId: string,
  inside: (p: Point2) => boolean,
  hidden: ReadonlySet<string>,
): Selection {
  const walls = Object.values(project.walls).filter((wall) => wall.levelId === levelId && inside(wall.a) && inside(wall.b));
  const features = Object.values(project.features).filter(
    (f) => f.levelId === levelId && !hidden.has(f.kind) && f.points.every(inside),
  );
  const ids = walls.length >= features.length ? walls.map(({ id }) => id) : features.map(({ id }) => id);
  return ids.length === 0 ? noSelection : { kind: walls.length >= features.length ? 'wall' : 'feature', ids };
}

import { type Point2, polygonArea } from '../../math/index.ts';
import { buildingOf, wallLength, wallTopM } from '../../house/index.ts';
import type { ProjectDocument } from '../../model/index.ts';
import { holesOfRun, type PlannedRun } from '../../runs/index.ts';

/** What has to be opened, closed and painted again for a run in a finished house. */
export interface Opened {
  /** Places that are opened to bore behind the finish. */
  readonly openings: number;
  readonly openedM2: number;
  /** Walls and ceilings that are painted whole, since a patch shows. */
  readonly paintedM2: number;
  readonly walls: readonly string[];
  readonly rooms: readonly string[];
}

/** A hand and a right-angle drill need this much at each member, m2 (practice: 0.2 by 0.3 m). */
const OPENING_M2 = 0.06;
/** Members within this are reached through one opening, m. */
const ONE_OPENING_M = 0.1;
/** Members that are bored behind a finish; through a riser or a board nothing is opened. */
const BEHIND = new Set(['stud', 'joist', 'top-plate', 'sole-plate', 'fire', 'masonry']);

/** What one run opens. */
export const openedBy = (project: ProjectDocument, planned: PlannedRun): Opened => openedByAll(project, [planned]);

/** What runs open together: what several need is opened once, and each wall and ceiling is painted once. */
export function openedByAll(project: ProjectDocument, runs: readonly PlannedRun[]): Opened {
  const building = buildingOf(project);
  const walls = new Set<string>();
  const rooms = new Set<string>();
  const places = new Set<string>();
  for (const planned of runs) {
    for (const { member, at, wallId, roomId } of planned.points.length > 1 ? holesOfRun(project, planned) : []) {
      if (!BEHIND.has(member)) continue;
      places.add(`${member}/${at.map((value) => Math.round(value / ONE_OPENING_M)).join()}`);
      if (roomId !== null) rooms.add(roomId);
      else if (wallId !== null) walls.add(wallId);
    }
  }
  const areas = [
    ...[...walls].flatMap((id) =>
      project.walls[id] ? [wallLength(project.walls[id]) * wallTopM(building, project.walls[id])] : [],
    ),
    ...[...rooms].flatMap((id) => (project.rooms[id] ? [Math.abs(polygonArea(project.rooms[id].polygon as Point2[]))] : [])),
  ];
  return {
    openings: places.size,
    openedM2: places.size * OPENING_M2,
    paintedM2: areas.reduce((sum, area) => sum + area, 0),
    walls: [...walls].sort(),
    rooms: [...rooms].sort(),
  };
}

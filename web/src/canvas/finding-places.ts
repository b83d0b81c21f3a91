import type { DerivedFinding } from '@dusky-spool/core/deltas';
import { wallPoint } from '@dusky-spool/core/house';
import type { Point2 } from '@dusky-spool/core/math';
import type { ProjectDocument } from '@dusky-spool/core/model';

/** The place on a joist or in a wall that a finding names; null where it names none. */
function namedPlace({ at }: DerivedFinding['figures']): Point2 | null {
  return Array.isArray(at) && at.length === 2 && at.every((value) => typeof value === 'number') ? [at[0], at[1]] : null;
}

/** Where the things that a finding is about stand on a level; a run at its device, and a bored member where it is bored. */
export function placesOf(project: ProjectDocument, { subjects, figures }: DerivedFinding, levelId: string): Point2[] {
  const named = namedPlace(figures);
  const [first] = subjects;
  if (named && first && (first.in === 'rooms' || first.in === 'walls'))
    return project[first.in][first.id]?.levelId === levelId ? [named] : [];
  const all = subjects.flatMap(({ in: list, id }): Point2[] => {
    if (list === 'runs' || list === 'devices') {
      const device = project.devices[list === 'runs' ? (project.runs[id]?.deviceId ?? '') : id];
      return device?.levelId === levelId ? [[device.x, device.y]] : [];
    }
    if (list === 'racks' || list === 'plates') {
      const thing = project[list][id];
      return thing?.levelId === levelId ? [[thing.x, thing.y]] : [];
    }
    if (list === 'risers') {
      const riser = project.risers[id];
      return riser && [riser.bottomLevelId, riser.topLevelId].includes(levelId) ? [[riser.x, riser.y]] : [];
    }
    if (list === 'openings') {
      const opening = project.openings[id];
      const wall = opening && project.walls[opening.wallId];
      return wall?.levelId === levelId ? [wallPoint(wall, opening.offsetM)] : [];
    }
    if (list === 'walls') {
      const wall = project.walls[id];
      return wall?.levelId === levelId ? [[(wall.a[0] + wall.b[0]) / 2, (wall.a[1] + wall.b[1]) / 2]] : [];
    }
    if (list === 'rooms' || list === 'features') {
      const points = list === 'rooms' ? project.rooms[id]?.polygon : project.features[id]?.points;
      if (!points || project[list][id].levelId !== levelId) return [];
      return [
        [points.reduce((sum, [x]) => sum + x, 0) / points.length, points.reduce((sum, [, y]) => sum + y, 0) / points.length],
      ];
    }
    return [];
  });
  // A run and its own device are one place.
  return subjects[0]?.in === 'runs' && subjects.length === 2 ? all.slice(0, 1) : all;
}

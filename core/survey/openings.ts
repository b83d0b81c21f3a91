import { distance2, err, ok, type Outcome } from '../math/index.ts';
import { create, type Opening, type Operation, type ProjectDocument, remove, update, type Wall } from '../model/index.ts';
import { listOf } from '../derive/index.ts';

/**
 * Puts a door, window or arch into a wall.
 * Problems: `opening-wider-than-wall`, `opening-outside-wall`, `opening-overlaps`, `window-above-ceiling`.
 */
export function placeOpening(project: ProjectDocument, opening: Opening): Outcome<Operation[]> {
  const fits = openingFits(project, opening);
  if (!fits.ok) return fits;
  const known = project.openings[opening.id];
  const operation = known ? update('openings', known, opening) : create('openings', opening);
  return ok(operation ? [operation] : []);
}

/** Whether an opening fits its wall; its fields are named where it does not. */
export function openingFits(project: ProjectDocument, opening: Opening): Outcome<Opening> {
  const wall = project.walls[opening.wallId];
  if (!wall) return err('record-gone', { in: 'walls', id: opening.wallId });
  const lengthM = distance2(wall.a, wall.b);
  if (opening.widthM > lengthM + 1e-9)
    return err('opening-wider-than-wall', { kind: 'invalid', field: 'widthM', widthM: opening.widthM, wallM: lengthM });
  if (opening.offsetM - opening.widthM / 2 < -1e-6 || opening.offsetM + opening.widthM / 2 > lengthM + 1e-6)
    return err('opening-outside-wall', { kind: 'invalid', field: 'offsetM', widthM: opening.widthM, wallM: lengthM });
  const beside = listOf(project, 'openings')
    .filter((o) => o.wallId === opening.wallId)
    .find((o) => o.id !== opening.id && Math.abs(o.offsetM - opening.offsetM) < (o.widthM + opening.widthM) / 2 - 1e-6);
  if (beside) return err('opening-overlaps', { kind: 'invalid', field: 'offsetM' });
  const topM = wall.heightM ?? highestCeiling(project, wall);
  if (opening.headM > topM + 1e-9)
    return err('opening-above-ceiling', { kind: 'invalid', field: 'headM', headM: opening.headM, ceilingM: topM });
  return ok(opening);
}

function highestCeiling(project: ProjectDocument, wall: Wall): number {
  const level = project.levels[wall.levelId];
  const rooms = Object.values(project.rooms).filter((room) => room.levelId === wall.levelId);
  return Math.max(level.ceilingHeightM, ...rooms.map((room) => room.slope?.highM ?? room.ceilingHeightM ?? 0));
}

/** Takes an opening out. */
export const removeOpenings = (project: ProjectDocument, ids: readonly string[]): Outcome<Operation[]> =>
  ok(ids.flatMap((id) => (project.openings[id] ? [remove('openings', project.openings[id])] : [])));

import { wallPlaceOf } from '@dusky-spool/core/devices';
import type { Device, ProjectDocument } from '@dusky-spool/core/model';
import { facedSide, type WallSide } from '@dusky-spool/core/house';

/** What stands in the address as `view` when a wall or a ceiling is looked at instead of the plan. */
export type SurfaceView =
  | { readonly kind: 'wall'; readonly wallId: string; readonly side: WallSide }
  | { readonly kind: 'ceiling'; readonly roomId: string };

export const wallView = (wallId: string, side: WallSide): string => `wall-${wallId}:${side}`;
export const ceilingView = (roomId: string): string => `ceiling-${roomId}`;

/** The view of the wall that a box or plate hangs on, from the side that it faces; null where it is on none. */
export function viewOfItsWall(project: ProjectDocument, thing: Pick<Device, 'levelId' | 'x' | 'y' | 'facingRad'>): string | null {
  const wall = wallPlaceOf(project, thing)?.wall;
  return wall ? wallView(wall.id, facedSide(wall, thing.facingRad)) : null;
}

/** The same where the house still has what the address names; else null. */
export function surfaceIn(project: ProjectDocument, view: string | null): SurfaceView | null {
  const surface = readSurface(view);
  const there = surface?.kind === 'wall' ? project.walls[surface.wallId] : surface && project.rooms[surface.roomId];
  return there ? surface : null;
}

/** The wall or ceiling that an address names; null is the plan or another view. Without a side a wall is seen from its right. */
export function readSurface(view: string | null): SurfaceView | null {
  const ceiling = /^ceiling-(.+)$/.exec(view ?? '');
  if (ceiling) return { kind: 'ceiling', roomId: ceiling[1] };
  const wall = /^wall-([^:]+)(?::(left|right))?$/.exec(view ?? '');
  return wall ? { kind: 'wall', wallId: wall[1], side: (wall[2] as WallSide | undefined) ?? 'right' } : null;
}

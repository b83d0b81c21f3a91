import type { WallSide } from '@dusky-spool/core/survey';

/** What stands in the address as `view` when a wall or a ceiling is looked at instead of the plan. */
export type SurfaceView =
  | { readonly kind: 'wall'; readonly wallId: string; readonly side: WallSide }
  | { readonly kind: 'ceiling'; readonly roomId: string };

export const wallView = (wallId: string, side: WallSide): string => `wall-${wallId}:${side}`;
export const ceilingView = (roomId: string): string => `ceiling-${roomId}`;

/** The wall or ceiling that an address names; null is the plan or another view. Without a side a wall is seen from its right. */
export function readSurface(view: string | null): SurfaceView | null {
  const ceiling = /^ceiling-(.+)$/.exec(view ?? '');
  if (ceiling) return { kind: 'ceiling', roomId: ceiling[1] };
  const wall = /^wall-([^:]+)(?::(left|right))?$/.exec(view ?? '');
  return wall ? { kind: 'wall', wallId: wall[1], side: (wall[2] as WallSide | undefined) ?? 'right' } : null;
}

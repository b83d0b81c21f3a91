import type { Rack } from '../../model/index.ts';

/** A level between a place and a head end counts like this many metres on the plan. */
const LEVEL_AWAY_M = 5;

/** The head end that is nearest to a place; of two as near, the one with the lower id. Furniture of a room comes after all others. */
export function nearestHeadEnd(
  racks: readonly Rack[],
  { levelId, x, y }: { readonly levelId: string; readonly x: number; readonly y: number },
): Rack | undefined {
  const away = (rack: Rack) => Math.hypot(rack.x - x, rack.y - y) + (rack.levelId === levelId ? 0 : LEVEL_AWAY_M);
  const isFurniture = ({ kind }: Rack) => Number(kind === 'cabinet');
  return racks.toSorted((a, b) => isFurniture(a) - isFurniture(b) || away(a) - away(b) || (a.id < b.id ? -1 : 1))[0];
}

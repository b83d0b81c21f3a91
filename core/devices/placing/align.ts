import { type Outcome, tidyM } from '../../math/index.ts';
import type { Operation, ProjectDocument } from '../../model/index.ts';
import { type DeviceMove, moveDevices } from './place.ts';

export const ALIGNMENTS = ['column', 'row', 'spread-x', 'spread-y'] as const;
/** `column`: one above the other; `row`: side by side; `spread`: equally far apart, the outermost stay. */
export type Alignment = (typeof ALIGNMENTS)[number];

/** Lines devices up through their middles, or spreads them equally. Problems: those of `moveDevices`. */
export function alignDevices(project: ProjectDocument, ids: readonly string[], how: Alignment): Outcome<Operation[]> {
  const devices = ids.flatMap((id) => project.devices[id] ?? []);
  const axis = how === 'column' || how === 'spread-x' ? 'x' : 'y';
  const sorted = [...devices].sort((a, b) => a[axis] - b[axis] || (a.id < b.id ? -1 : 1));
  const [low, high] = [sorted[0]?.[axis] ?? 0, sorted.at(-1)?.[axis] ?? 0];
  const spread = how === 'spread-x' || how === 'spread-y';
  const moves = sorted.map((device, i): DeviceMove => {
    const value = spread ? low + ((high - low) * i) / Math.max(1, sorted.length - 1) : (low + high) / 2;
    return { deviceId: device.id, to: axis === 'x' ? [tidyM(value), device.y] : [device.x, tidyM(value)] };
  });
  return moveDevices(project, moves);
}

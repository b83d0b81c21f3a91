import { attachmentOf } from '../../house/index.ts';
import { plateDeviceIds } from '../placing/index.ts';
import { heightOf, wallPlaceOf } from '../mounting/index.ts';
import type { Device, ProjectDocument } from '../../model/index.ts';
import { listOf } from '../../derive/index.ts';

/** Boxes this near, side by side and one over the other, become one plate, m. */
const TOGETHER_M = 0.25;
const SAME_HEIGHT_M = 0.06;

/** Devices in boxes of a wall that no plate holds yet, those that stand together as one. The first of each is the leftmost id. */
export function platesWanted(project: ProjectDocument): string[][] {
  const held = new Set(listOf(project, 'plates').flatMap(plateDeviceIds));
  const free = listOf(project, 'devices').filter((device) => {
    const type = project.deviceTypes[device.typeId];
    return attachmentOf(type) === 'wall' && type.boxKind !== 'none' && type.cutOut !== null && !held.has(device.id);
  });
  const wallOf = new Map(free.map((device) => [device.id, wallPlaceOf(project, device)?.wall.id]));
  const near = (a: Device, b: Device) =>
    a.levelId === b.levelId &&
    wallOf.get(a.id) !== undefined &&
    wallOf.get(a.id) === wallOf.get(b.id) &&
    Math.cos(a.facingRad - b.facingRad) > 0.9 &&
    Math.hypot(a.x - b.x, a.y - b.y) <= TOGETHER_M &&
    Math.abs(heightOf(project, a) - heightOf(project, b)) <= SAME_HEIGHT_M;
  const groups: Device[][] = [];
  for (const device of free) {
    if (wallOf.get(device.id) === undefined) continue;
    const mine = groups.filter((group) => group.some((other) => near(device, other)));
    const joined = [device, ...mine.flat()];
    for (const group of mine) groups.splice(groups.indexOf(group), 1);
    groups.push(joined);
  }
  return groups.map((group) => group.map(({ id }) => id).sort()).sort((a, b) => (a[0] < b[0] ? -1 : 1));
}

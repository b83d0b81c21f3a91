import type { Wall } from '../../model/index.ts';

/** How far each end of each wall reaches on: into the thickest wall that it meets there, but no more than its own half. */
export function wallReaches(walls: readonly Wall[]): Map<string, readonly [number, number]> {
  const key = ([x, y]: readonly [number, number]) => `${Math.round(x * 100)},${Math.round(y * 100)}`;
  const ends = new Map<string, Wall[]>();
  for (const wall of walls) {
    for (const end of [wall.a, wall.b]) {
      const list = ends.get(key(end));
      if (list) list.push(wall);
      else ends.set(key(end), [wall]);
    }
  }
  const reach = (wall: Wall, end: readonly [number, number]) => {
    const others = ends.get(key(end))!.filter((other) => other !== wall);
    return Math.min(wall.thicknessM, Math.max(0, ...others.map((other) => other.thicknessM))) / 2;
  };
  return new Map(walls.map((wall) => [wall.id, [reach(wall, wall.a), reach(wall, wall.b)] as const]));
}

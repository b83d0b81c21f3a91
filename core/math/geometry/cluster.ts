import { distance2, type Point2 } from './vector.ts';

/** Points that lie together, with their middle. */
export interface Cluster<T> {
  readonly members: readonly T[];
  readonly at: Point2;
}

/**
 * Gathers points into clusters: each joins the first one whose first member is nearer than `reach`, or begins one. The order
 * decides, so the same points give the same clusters; linear in their number by a grid of that size.
 */
export function clusterPoints<T>(items: readonly T[], place: (item: T) => Point2, reach: number): Cluster<T>[] {
  const cells = new Map<string, { seed: Point2; members: T[] }[]>();
  const clusters: { seed: Point2; members: T[] }[] = [];
  for (const item of items) {
    const at = place(item);
    const [i, j] = [Math.floor(at[0] / reach), Math.floor(at[1] / reach)];
    let home: { seed: Point2; members: T[] } | undefined;
    for (let di = -1; di <= 1 && !home; di++)
      for (let dj = -1; dj <= 1 && !home; dj++)
        home = cells.get(`${i + di},${j + dj}`)?.find(({ seed }) => distance2(seed, at) < reach);
    if (home) {
      home.members.push(item);
      continue;
    }
    const made = { seed: at, members: [item] };
    clusters.push(made);
    const cell = cells.get(`${i},${j}`);
    if (cell) cell.push(made);
    else cells.set(`${i},${j}`, [made]);
  }
  return clusters.map(({ members }) => {
    const places = members.map(place);
    const sum = places.reduce(([x, y], p): [number, number] => [x + p[0], y + p[1]], [0, 0]);
    return { members, at: [sum[0] / members.length, sum[1] / members.length] };
  });
}

import type { ProjectDocument } from '../../core/model/index.ts';
import { wiredHouse } from '../../core/testing/big-house.ts';

/** The wired house with so many of its runs. */
export function houseOf(count: number): ProjectDocument {
  const house = wiredHouse();
  const ids = Object.keys(house.runs);
  // More than there are devices: a second and third cable from each.
  const runs = Object.fromEntries(
    Array.from({ length: count }, (_, n) => {
      const run = house.runs[ids[(n * 37) % ids.length]];
      const leg = 1 + Math.floor(n / ids.length);
      return [`${run.id}_${leg}`, { ...run, id: `${run.id}_${leg}`, number: `${run.number.slice(0, -2)}.${leg}`, leg }];
    }),
  );
  return { ...house, runs };
}

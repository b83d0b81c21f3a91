import { wantedPresets } from './design.ts';
import type { HeadEnd } from './head-end.ts';

/** What a head end is short of: the next size of generic equipment, how many, and what it costs. */
export interface Shortfall {
  readonly presetId: string;
  readonly name: string;
  readonly count: number;
  readonly price: number;
}

/** What is missing for everything that ends at a head end, with its spare; empty where nothing is, or where nothing was chosen yet. */
export function shortfalls({ rack, needs, equipment }: HeadEnd): Shortfall[] {
  if (equipment.length === 0) return [];
  const found = new Map<string, Shortfall>();
  for (const { presetId, name, price } of wantedPresets(needs, equipment, rack)) {
    const before = found.get(presetId);
    found.set(presetId, { presetId, name, count: (before?.count ?? 0) + 1, price: (before?.price ?? 0) + price });
  }
  return [...found.values()];
}

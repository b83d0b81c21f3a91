/** One measured figure; a reference has no limit and is there to compare with. */
export interface Figure {
  readonly area: string;
  readonly name: string;
  readonly value: number;
  readonly unit: string;
  readonly limit: number | null;
  readonly ok: boolean;
}

export const figure = (area: string, name: string, value: number, unit: string, limit: number | null = null): Figure => ({
  area,
  name,
  value: Math.round(value * 1000) / 1000,
  unit,
  limit,
  ok: limit === null || value <= limit,
});

/** The value below which a share of the samples lies. */
export function percentile(samples: readonly number[], share: number): number {
  const sorted = [...samples].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.ceil(share * sorted.length) - 1)];
}

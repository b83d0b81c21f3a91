import { err, ok, type Outcome, parseLength, type UnitSystem } from '../math/index.ts';

/** Scales that plans are usually drawn at: 50 is 1:50. */
export const USUAL_RATIOS: Readonly<Record<UnitSystem, readonly number[]>> = {
  metric: [20, 25, 50, 75, 100, 200],
  imperial: [24, 32, 48, 64, 96, 192],
};

const MOST = 100_000;
const RATIO = /^(\d+(?:\.\d+)?)\s*(?::|\/|to)\s*(\d+(?:\.\d+)?)$/i;

/**
 * Reads the scale that a sheet states: "1:50", "50", or two lengths such as 1/4" = 1' and 1 cm = 0.5 m. Gives how many times larger the
 * house is than the sheet. Problems: `scale-not-read` with the field, also for a ratio of nothing or beyond 1:100 000.
 */
export function parseScale(typed: string, units: UnitSystem): Outcome<number> {
  const refused = err('scale-not-read', { kind: 'invalid', field: 'scale', typed: typed.slice(0, 40) });
  const text = typed.trim();
  const [sheet, house, ...more] = text.split('=');
  const ratio = house === undefined ? plainRatio(text) : more.length > 0 ? null : lengthRatio(sheet, house, units);
  return ratio !== null && ratio > 0 && ratio <= MOST && ratio >= 1 / MOST ? ok(ratio) : refused;
}

function plainRatio(text: string): number | null {
  const match = RATIO.exec(text);
  if (match) return Number(match[2]) / Number(match[1]);
  return /^\d+(\.\d+)?$/.test(text) ? Number(text) : null;
}

function lengthRatio(sheet: string, house: string, units: UnitSystem): number | null {
  const [a, b] = [parseLength(sheet.trim(), units), parseLength(house.trim(), units)];
  return a.ok && b.ok && a.value > 0 ? b.value / a.value : null;
}

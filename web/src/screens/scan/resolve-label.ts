import { readLabelCode } from '@dusky-spool/core/sheets';
import type { Problem } from '@dusky-spool/core/math';
import type { KeptHouse } from '../../ground/api/device-store.ts';

/** Finds the run of a code, or of a bare number in the houses at hand. */
export function resolveLabel(
  houses: readonly KeptHouse[],
  code: string,
): { found: { house: KeptHouse; runId: string } | null; problem: Problem | null } {
  const read = readLabelCode(code);
  const number = read.ok ? read.value.number : code.trim().toUpperCase();
  const candidates = read.ok ? houses.filter((house) => house.shortId === read.value.shortId) : houses;
  if (!read.ok && !/^[A-Z0-9./-]{3,40}$/.test(number)) return { found: null, problem: read.problem };
  if (read.ok && candidates.length === 0)
    return { found: null, problem: { code: 'label-other-house', number, shortId: read.value.shortId } };
  for (const house of candidates) {
    const run = Object.values(house.document.runs).find((r) => r.number === number);
    if (run) return { found: { house, runId: run.id }, problem: null };
  }
  return { found: null, problem: { code: 'label-unknown-run', number } };
}

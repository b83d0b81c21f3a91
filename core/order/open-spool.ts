import type { CableType, ProjectDocument, Spool } from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import { firstFree } from '../math/index.ts';

/** A spool that is opened now: the next free number `S1`, `S2` and so on, full; `lengthM` is what is on it, m. */
export function openSpool(
  project: ProjectDocument,
  { id: cableTypeId, jacketColour, spoolM }: CableType,
  id: string,
  lengthM: number = spoolM,
): Spool {
  const codes = new Set(listOf(project, 'spools').map(({ code }) => code));
  const { name: code } = firstFree((n) => `S${n}`, codes);
  return { id, code, cableTypeId, lengthM, jacketColour, make: '', isBoxed: true, needsStand: false, note: '' };
}

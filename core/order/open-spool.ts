import type { CableType, ProjectDocument, Spool } from '../model/index.ts';
import { listOf } from '../derive/index.ts';

/** A spool that is opened now: the next free number `S1`, `S2` and so on, full; `lengthM` is what is on it, m. */
export function openSpool(
  project: ProjectDocument,
  { id: cableTypeId, jacketColour, spoolM }: CableType,
  id: string,
  lengthM: number = spoolM,
): Spool {
  const codes = new Set(listOf(project, 'spools').map(({ code }) => code));
  let n = 1;
  while (codes.has(`S${n}`)) n++;
  return { id, code: `S${n}`, cableTypeId, lengthM, jacketColour, make: '', isBoxed: true, needsStand: false, note: '' };
}

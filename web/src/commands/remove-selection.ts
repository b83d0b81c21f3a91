import { err, type Outcome } from '@dusky-spool/core/math';
import type { Operation, ProjectDocument } from '@dusky-spool/core/model';
import { type NewId, removeOpenings, removeWalls } from '@dusky-spool/core/survey';
import type { Selection } from '../state/selection-kinds.ts';
import { signatureOf } from '@dusky-spool/core/house';
import { removed } from '../state/survey-selection.ts';

/** Deletes what is selected, with what cannot stand without it. Refused (`way-signed`) for a conduit that was signed before the pour. */
export function removeSelection(project: ProjectDocument, { kind, ids }: Selection, newId: NewId): Outcome<readonly Operation[]> {
  const signed = kind === 'feature' ? ids.map((id) => signatureOf(project, id)).find((sign) => sign !== undefined) : undefined;
  if (signed) return err('way-signed', { kind: 'prohibited', field: 'way', by: signed.by, on: signed.on });
  if (kind === 'wall') return removeWalls(project, ids, newId);
  if (kind === 'opening') return removeOpenings(project, ids);
  return { ok: true, value: ids.flatMap((id) => removed(project, kind, id)) };
}

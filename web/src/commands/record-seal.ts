import type { Penetration } from '@dusky-spool/core/pathways';
import { create, type Operation, type Seal } from '@dusky-spool/core/model';
import { changeRecord } from './change-record.ts';

/** What was done about a penetration: changes its record, or begins one. */
export function recordSeal(
  { seal, member, at: [x, y, z], levelId, assembly, family }: Penetration,
  { id, fields }: { readonly id: string; readonly fields: Partial<Seal> },
): Operation[] {
  if (seal) return changeRecord('seals', seal, fields);
  const blank: Seal = {
    id,
    levelId,
    member,
    at: [x, y, z],
    assembly,
    product: family,
    system: '',
    state: 'open',
    by: '',
    on: '',
    photo: '',
    note: '',
  };
  return [create('seals', { ...blank, ...fields })];
}

import type { Problem } from '@dusky-spool/core/math';
import { COLLECTION_NAMES, type CollectionName, COLLECTIONS } from '@dusky-spool/core/model';
import type { BrokenConstraint } from '../../database/failures.ts';

const camel = (name: string): string => name.replace(/_(\w)/g, (_, letter: string) => letter.toUpperCase());
const snake = (name: string): string => name.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);
const COLLECTION_OF = new Map<string, CollectionName>(COLLECTION_NAMES.map((name) => [snake(name), name]));
/** Checks over several columns, by the field to put right. */
const OVER_COLUMNS: Readonly<Record<string, string>> = {
  features_heights: 'topM',
  number_blocks_order: 'to',
  openings_head: 'headM',
};

/**
 * What a constraint of the database refuses, as a problem of a field: `value-taken`, `record-exists`, `reference-missing` or
 * `record-invalid`. The database has the last word only where two people change a project at once; the core says the same before.
 */
export function problemOfConstraint({ kind, table, constraint, column }: BrokenConstraint): Problem {
  const collection = COLLECTION_OF.get(table);
  const list = collection ?? (table === 'projects' ? 'project' : camel(table));
  if (kind === 'unique') {
    if (constraint.endsWith('_pkey')) return { code: 'record-exists', kind: 'invalid', field: list };
    const field = (collection && lastOf(COLLECTIONS[collection].unique)) ?? 'id';
    return { code: 'value-taken', kind: 'invalid', field: `${list}.${field}` };
  }
  const between = constraint.slice(table.length + 1).replace(/_(fkey|check)\d*$/, '');
  const field = `${list}.${OVER_COLUMNS[constraint] ?? camel(column || between)}`;
  if (kind === 'reference') return { code: 'reference-missing', kind: 'invalid', field };
  return {
    code: 'record-invalid',
    kind: 'invalid',
    field,
    reason: kind === 'missing' ? 'is missing' : 'is outside of its limits',
  };
}

/** The field of the first rule of uniqueness that a person would change. */
const lastOf = (unique: readonly (readonly string[])[]): string | undefined => unique[0]?.at(-1);

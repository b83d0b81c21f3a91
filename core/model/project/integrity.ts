import { err, ok, type Outcome } from '../../math/index.ts';
import { COLLECTION_NAMES, type CollectionName, COLLECTIONS } from './collections.ts';
import type { ProjectDocument } from './project-document.ts';

/**
 * Whether every reference points at a record and every value that must be unique is.
 * The database holds the same rules as constraints; files and changes are told here by field.
 * Problems: `reference-missing`, `value-taken`.
 */
export function checkIntegrity(project: ProjectDocument): Outcome<ProjectDocument> {
  for (const name of COLLECTION_NAMES) {
    const records = Object.values(project[name] as Record<string, Record<string, unknown>>);
    for (const [field, target] of Object.entries(COLLECTIONS[name].refers)) {
      const table = project[target as CollectionName] as object;
      for (const record of records) {
        const value = record[field];
        if (value !== null && !Object.hasOwn(table, value as string)) {
          return err('reference-missing', { kind: 'invalid', field: `${name}.${String(record.id)}.${field}`, value, target });
        }
      }
    }
    for (const fields of COLLECTIONS[name].unique) {
      const seen = new Map<string, string>();
      for (const record of records) {
        if (fields.some((field) => record[field] === null)) continue;
        const key = JSON.stringify(fields.map((field) => record[field]));
        const other = seen.get(key);
        if (other !== undefined) {
          const field = `${name}.${String(record.id)}.${fields[fields.length - 1]}`;
          return err('value-taken', { kind: 'invalid', field, value: record[fields[fields.length - 1]], other });
        }
        seen.set(key, String(record.id));
      }
    }
  }
  return ok(project);
}

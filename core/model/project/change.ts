import { z } from 'zod';
import { err, ok, type Outcome, type Problem } from '../../math/index.ts';
import { COLLECTION_NAMES, type CollectionName, COLLECTIONS } from './collections.ts';
import type { ProjectDocument } from './project-document.ts';
import { id as recordId, words } from './fields.ts';
import { projectHeader } from './records.ts';

type Fields = Readonly<Record<string, unknown>>;

/** One step of a change. `before` says what the author saw; an update holds only the fields that it touches. */
export type Operation =
  | { readonly op: 'create'; readonly in: CollectionName; readonly id: string; readonly record: Fields }
  | {
      readonly op: 'update';
      readonly in: CollectionName | 'project';
      readonly id: string;
      readonly before: Fields;
      readonly after: Fields;
    }
  | { readonly op: 'delete'; readonly in: CollectionName; readonly id: string; readonly record: Fields };

/** A value that can be applied, reversed, sent, stored and audited. Sending it twice does nothing twice. */
export interface Change {
  readonly id: string;
  readonly baseRevision: number;
  readonly title: string;
  readonly operations: readonly Operation[];
  /** The change that this one takes back, where it is an undo. */
  readonly undoes?: string;
}

/** Ids are compared in lower case everywhere. */
const changeId = z.uuid().transform((id) => id.toLowerCase());
const fields = z.record(z.string().max(60), z.unknown());
const collection = z.enum(COLLECTION_NAMES as [CollectionName, ...CollectionName[]]);

export const changeSchema: z.ZodType<Change> = z.strictObject({
  id: changeId,
  baseRevision: z.int().min(0).max(2_147_483_647),
  title: words(120),
  operations: z
    .array(
      z.discriminatedUnion('op', [
        z.strictObject({ op: z.literal('create'), in: collection, id: recordId, record: fields }),
        z.strictObject({
          op: z.literal('update'),
          in: z.union([collection, z.literal('project')]),
          id: recordId,
          before: fields,
          after: fields,
        }),
        z.strictObject({ op: z.literal('delete'), in: collection, id: recordId, record: fields }),
      ]),
    )
    .min(1)
    .max(20_000),
  undoes: changeId.optional(),
});

/** Two people's values of one field. */
export interface FieldConflict {
  readonly in: CollectionName | 'project';
  readonly id: string;
  readonly field: string;
  readonly expected: unknown;
  readonly mine: unknown;
  readonly theirs: unknown;
}

/**
 * Applies a change to a project. A field whose present value is neither what the author saw nor what he
 * wants is a conflict; fields that the change does not touch merge by themselves.
 * Problems: `conflict` (with `conflicts`), `record-exists`, `record-gone`, `record-locked`, `record-invalid` (with `field`).
 */
export function applyChange(project: ProjectDocument, change: Pick<Change, 'operations'>): Outcome<ProjectDocument> {
  const next: Record<string, unknown> = { ...project };
  const copied = new Set<CollectionName>();
  const table = (name: CollectionName): Record<string, Fields> => {
    if (!copied.has(name)) next[name] = { ...(next[name] as object) };
    copied.add(name);
    return next[name] as Record<string, Fields>;
  };
  const conflicts: FieldConflict[] = [];
  for (const operation of change.operations) {
    const current = currentRecord(next, operation);
    const outcome = resultOf(operation, current, conflicts);
    if (!outcome.ok) return outcome;
    const result = outcome.value;
    if (operation.in === 'project') next.project = result;
    else if (result === null) delete table(operation.in)[operation.id];
    else table(operation.in)[operation.id] = result;
  }
  if (conflicts.length > 0) return err('conflict', { conflicts });
  return ok(next as unknown as ProjectDocument);
}

/** A record of an app that is older than some of its fields; those that do not depend on others are filled in by the schema. */
const completed = (name: CollectionName | 'project', record: Fields): Fields =>
  name === 'runs' && !('recipeLeg' in record) ? { ...record, recipeLeg: record.leg } : record;

/** Lists of what was agreed or measured: their records are never changed. */
const NEVER_CHANGED: ReadonlySet<string> = new Set(['baselines', 'packageSignatures', 'inspectionSignOffs', 'cableTests']);

/** A baseline, a signed list and a test are never changed, and a change order no more once it is signed. */
const isLocked = ({ op, in: list }: Operation, current: Fields): boolean =>
  op === 'update' && (NEVER_CHANGED.has(list) || (list === 'changeOrders' && current.answer === 'signed'));

/** What one operation makes of a record: the new record, null for none. Shared by client and server. */
export function resultOf(operation: Operation, current: Fields | undefined, conflicts: FieldConflict[]): Outcome<Fields | null> {
  const place = { in: operation.in, id: operation.id };
  if (operation.op === 'create') {
    if (current) return err('record-exists', place);
    return validRecord(operation.in, operation.id, completed(operation.in, operation.record));
  }
  if (!current) return err('record-gone', place);
  if (isLocked(operation, current)) return err('record-locked', { ...place, field: operation.in });
  if (operation.op === 'delete') {
    collectConflicts(operation, current, operation.record, {}, conflicts);
    return ok(null);
  }
  collectConflicts(operation, current, operation.before, operation.after, conflicts);
  return validRecord(operation.in, operation.id, { ...current, ...operation.after });
}

function currentRecord(next: Record<string, unknown>, operation: Operation): Fields | undefined {
  if (operation.in === 'project') return next.project as Fields;
  const table = next[operation.in] as Record<string, Fields>;
  return Object.hasOwn(table, operation.id) ? table[operation.id] : undefined;
}

function collectConflicts(operation: Operation, current: Fields, before: Fields, after: Fields, into: FieldConflict[]): void {
  for (const field of Object.keys(before)) {
    const theirs = current[field];
    const wanted = Object.hasOwn(after, field) ? after[field] : undefined;
    if (sameValue(theirs, before[field]) || (wanted !== undefined && sameValue(theirs, wanted))) continue;
    into.push({ in: operation.in, id: operation.id, field, expected: before[field], mine: wanted, theirs });
  }
}

function validRecord(name: CollectionName | 'project', id: string, record: Fields): Outcome<Fields> {
  const schema: z.ZodType = name === 'project' ? projectHeader : COLLECTIONS[name].schema;
  const parsed = schema.safeParse(record);
  if (!parsed.success) return { ok: false, problem: problemOfIssue(parsed.error.issues[0], `${name}.${id}`) };
  if (record.id !== id) return err('record-invalid', { field: `${name}.${id}.id`, reason: 'does not match' });
  // An app of before does not know the newest fields: they get their usual values.
  return ok(name === 'project' ? record : { ...(parsed.data as Fields), ...record });
}

/** The first thing that is wrong with a record, as a problem that names the field. */
export function problemOfIssue(issue: z.core.$ZodIssue, prefix: string): Problem {
  const path = issue.path.map((part) => (typeof part === 'number' ? `[${part}]` : `.${String(part)}`)).join('');
  const unknown = issue.code === 'unrecognized_keys' ? `.${issue.keys[0]}` : '';
  return {
    code: 'record-invalid',
    kind: 'invalid',
    field: `${prefix}${path}${unknown}`.replace(/^\./, ''),
    reason: issue.message,
    ...boundOf(issue),
  };
}

/** The bound that a value is beyond, for the sentence beside its field. */
function boundOf(issue: z.core.$ZodIssue): Partial<Problem> {
  if (issue.code !== 'too_small' && issue.code !== 'too_big') return {};
  const bound = Number(issue.code === 'too_small' ? issue.minimum : issue.maximum);
  const side = `${issue.code === 'too_small' ? 'min' : 'max'}${issue.inclusive === false ? 'Beyond' : ''}`;
  return { bound, side, of: issue.origin };
}

/** The change that takes this one back. */
export function reverseOperations(operations: readonly Operation[]): Operation[] {
  return [...operations].reverse().map((operation) => {
    if (operation.op === 'create') return { ...operation, op: 'delete' as const };
    if (operation.op === 'delete') return { ...operation, op: 'create' as const };
    return { ...operation, before: operation.after, after: operation.before };
  });
}

/** Whether two lists hold the same values in the same order. */
export const sameItems = (a: readonly unknown[], b: readonly unknown[]): boolean =>
  a.length === b.length && a.every((item, n) => item === b[n]);

/** Deep equality of JSON values. */
export function sameValue(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return a === b;
  if (Array.isArray(a) !== Array.isArray(b)) return false;
  const keysA = Object.keys(a);
  const keysB = Object.keys(b);
  if (keysA.length !== keysB.length) return false;
  return keysA.every((key) => Object.hasOwn(b, key) && sameValue((a as Fields)[key], (b as Fields)[key]));
}

interface DatabaseFailure {
  readonly name?: string;
  readonly code?: string;
  readonly message?: string;
  readonly original?: DatabaseFailure & { readonly constraint?: string; readonly table?: string; readonly column?: string };
  readonly parent?: DatabaseFailure;
}

/**
 * SQLSTATE classes and socket codes that mean the database cannot do it now, but may soon: stopping, no connection, no room
 * on its disk or in its memory, a fault of its files, a deadlock, a lock or statement that took too long.
 */
const AWAY = /^(57P0[123]|57014|08\w{3}|53\w{3}|58\w{3}|40001|40P01|55P03|ECONNREFUSED|ECONNRESET|EPIPE|ETIMEDOUT)$/;
const AWAY_WORDS =
  /Connection terminated|connection timeout|terminating connection|the database system is|Client has encountered a connection error/i;

/** Whether a failure says that the database is stopped, starting or unreachable. */
export function isDatabaseAway(error: unknown): boolean {
  const failure = error as DatabaseFailure;
  if (!failure || typeof failure !== 'object') return false;
  if (failure.name?.startsWith('SequelizeConnection')) return true;
  if (AWAY.test(failure.code ?? '') || AWAY_WORDS.test(failure.message ?? '')) return true;
  return failure.original !== undefined && failure.original !== failure ? isDatabaseAway(failure.original) : false;
}

/** The name of the constraint that a failed statement broke; undefined for other failures. */
const constraintOf = (error: unknown): string | undefined => (error as DatabaseFailure | null)?.original?.constraint;

const KINDS = { '23505': 'unique', '23503': 'reference', '23514': 'check', '23502': 'missing' } as const;

/** A rule of the database that a statement broke; names are those of the migrations, empty where there is none. */
export interface BrokenConstraint {
  readonly kind: (typeof KINDS)[keyof typeof KINDS];
  readonly table: string;
  readonly constraint: string;
  readonly column: string;
}

/** The constraint that a failed statement broke; null for other failures. */
export function brokenConstraint(error: unknown): BrokenConstraint | null {
  const { code = '', table = '', constraint = '', column = '' } = (error as DatabaseFailure | null)?.original ?? {};
  return Object.hasOwn(KINDS, code) ? { kind: KINDS[code as keyof typeof KINDS], table, constraint, column } : null;
}

/** SQLSTATE classes of values that no statement could store: wrong data (22), and statements too complex for the server (54). */
export const isBadValue = (error: unknown): boolean => {
  const failure = error as DatabaseFailure | null;
  const state = failure?.original?.code ?? failure?.parent?.code ?? '';
  return /^(22|54)\w{3}$/.test(state);
};

/** A failure in words that hold no value, statement, name or address: what may be logged. */
export function describeFailure(error: unknown): { readonly kind: string; readonly at: readonly string[] } {
  const failure = error as DatabaseFailure & { stack?: string };
  const sqlState = failure?.original?.code ?? failure?.code;
  const kind = [failure?.name ?? typeof error, sqlState, constraintOf(failure ?? {})].filter(Boolean).join(' ').slice(0, 120);
  const at = (failure?.stack ?? '')
    .split('\n')
    .filter((line) => /^\s+at /.test(line))
    .slice(0, 12)
    .map((line) => line.trim());
  return { kind, at };
}

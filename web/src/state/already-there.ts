import { type Change, type Operation, type ProjectDocument, sameValue } from '@dusky-spool/core/model';

/**
 * The operations of a change without those that make what is there already: two people who pull the same run write down the same kept
 * route, and the first one stands. Null where something else is there under that id.
 */
export function withoutAlreadyThere(base: ProjectDocument, { operations }: Pick<Change, 'operations'>): Operation[] | null {
  const isThere = (operation: Operation) => operation.op === 'create' && Object.hasOwn(base[operation.in], operation.id);
  const differs = operations.some(
    (operation) =>
      operation.op === 'create' &&
      isThere(operation) &&
      operation.in !== 'routes' &&
      !sameValue((base[operation.in] as Readonly<Record<string, unknown>>)[operation.id], operation.record),
  );
  return differs ? null : operations.filter((operation) => !isThere(operation));
}

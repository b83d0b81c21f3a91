import type { Operation } from '../project/index.ts';

/** Roles in a firm, from the one that may do most. */
export const ROLES = ['owner', 'planner', 'crew', 'client'] as const;
export type Role = (typeof ROLES)[number];

/**
 * What a route asks of a member: `read` every role; `field` who works on site; `plan` who changes the project;
 * `own` who runs the firm.
 */
export type Right = 'read' | 'field' | 'plan' | 'own';

const RIGHTS: Readonly<Record<Role, readonly Right[]>> = {
  owner: ['read', 'field', 'plan', 'own'],
  planner: ['read', 'field', 'plan'],
  crew: ['read', 'field'],
  client: ['read'],
};

export const hasRight = (role: Role, right: Right): boolean => RIGHTS[role].includes(right);

/** Lists in which a crew writes down what it found and did. */
const CREW_LISTS: ReadonlySet<string> = new Set([
  ...['facts', 'walkResults', 'deviceWalks', 'seals', 'waySigns', 'spentNumbers'],
  // Spools that were opened, what was cut from which, and what came in.
  ...['spools', 'spoolCuts', 'deliveries'],
]);
/** Fields that a crew may change of what is planned. */
const CREW_FIELDS: Readonly<Record<string, ReadonlySet<string>>> = {
  runs: new Set(['state', 'printedOn', 'printedAs', 'note', 'labelledEnds', 'rawTestedOn', 'endTestedOn', 'testedBy']),
  devices: new Set(['note']),
};

/** The first operation of a change that a role may not make; null where it may make all of them. */
export function forbiddenOperation(role: Role, operations: readonly Operation[]): Operation | null {
  if (hasRight(role, 'plan')) return null;
  if (!hasRight(role, 'field')) return operations[0] ?? null;
  return (
    operations.find((operation) => {
      if (CREW_LISTS.has(operation.in)) return false;
      const fields = CREW_FIELDS[operation.in];
      return operation.op !== 'update' || !fields || Object.keys(operation.after).some((field) => !fields.has(field));
    }) ?? null
  );
}

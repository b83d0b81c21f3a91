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
  // The day on site: photos, inspection, tests, hours, handovers, leads found again, commissioning, what is packed.
  ...['photos', 'inspectionItems', 'inspectionSignOffs', 'cableTests', 'taskTimes', 'crewHandovers', 'cableFinds'],
  ...['siteChanges', 'adjustments', 'nameplates', 'packedItems'],
]);
/** Fields that a crew may change of what is planned. */
const CREW_FIELDS: Readonly<Record<string, ReadonlySet<string>>> = {
  runs: new Set([
    'state',
    'printedOn',
    'printedAs',
    'note',
    'labelledEnds',
    'rawTestedOn',
    'endTestedOn',
    'testedBy',
    'endsBaggedOn',
    'wrappedOn',
    'floorMark',
  ]),
  devices: new Set(['note']),
};

/** Lists in which a crew adds what nobody planned, and fields that a substitution changes. */
const SITE_LISTS: ReadonlySet<string> = new Set([
  'devices',
  'runs',
  'routes',
  'features',
  'cableTypes',
  'deviceTypes',
  'briefCells',
]);
const SUBSTITUTED: Readonly<Record<string, ReadonlySet<string>>> = {
  runs: new Set(['cableTypeId', 'printedOn', 'printedAs', 'labelledEnds', 'leg']),
  devices: new Set(['typeId', 'note']),
  equipment: new Set(['presetId', 'name', 'note']),
  briefCells: new Set(['answer', 'count', 'note']),
  roomBriefs: new Set(['signedBy', 'signedOn', 'alsoSignedOn', 'pastSignatures']),
};
/** Most records that one change on site may touch: a device with its cables, not a plan. */
const MAX_SITE_OPERATIONS = 60;

/**
 * Whether a change is one on site: it holds a new record in `siteChanges`, not yet seen by the office, so that nothing of the plan changes
 * behind its back.
 */
const isOnSite = (operations: readonly Operation[]): boolean =>
  operations.length <= MAX_SITE_OPERATIONS &&
  operations.some((one) => one.op === 'create' && one.in === 'siteChanges' && one.record.seenBy === '');

/** Whether such a change may hold this operation. */
function mayBeOnSite(operation: Operation): boolean {
  if (operation.op === 'create') return SITE_LISTS.has(operation.in);
  return operation.op === 'update' && hasOnly(operation.after, SUBSTITUTED[operation.in]);
}

const hasOnly = (fields: object, allowed: ReadonlySet<string> | undefined): boolean =>
  allowed !== undefined && Object.keys(fields).every((field) => allowed.has(field));

/** The first operation of a change that a role may not make; null where it may make all of them. */
export function forbiddenOperation(role: Role, operations: readonly Operation[]): Operation | null {
  if (hasRight(role, 'plan')) return null;
  if (!hasRight(role, 'field')) return operations[0] ?? null;
  const onSite = isOnSite(operations);
  const isAllowed = (operation: Operation): boolean =>
    CREW_LISTS.has(operation.in) ||
    (onSite && mayBeOnSite(operation)) ||
    (operation.op === 'update' && hasOnly(operation.after, CREW_FIELDS[operation.in]));
  return operations.find((operation) => !isAllowed(operation)) ?? null;
}

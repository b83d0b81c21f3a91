import {
  type Change,
  COLLECTION_NAMES,
  type CollectionName,
  type Operation,
  type ProjectDocument,
  USUAL_PRICE_SETTINGS,
} from '../project/index.ts';
import { hasRight, type Role } from './access.ts';
import type { StoredChange } from './replies.ts';

type Fields = Readonly<Record<string, unknown>>;

/** Lists of what the firm buys, pays and agrees on: a client gets none of their records. */
const FIRM_LISTS: ReadonlySet<string> = new Set<CollectionName>([
  ...(['prices', 'spoolOffers', 'spools', 'spoolCuts', 'deliveries', 'siteTasks', 'rateCards'] as const),
  ...(['offerOptions', 'baselines', 'changeOrders', 'siteChanges', 'taskTimes'] as const),
]);

/** Fields that hold money or work of the firm in the other lists, with the value that a client gets instead. */
const FIRM_FIELDS: Readonly<Partial<Record<CollectionName | 'project', Fields>>> = {
  project: {
    ...{ labourRate: 0, labour: {}, routeWeights: {}, outletPrice: null, windowPrice: null },
    siteRates: { channelPerM: 0, openingPerM2: 0, paintPerM2: 0 },
    priceSettings: { ...USUAL_PRICE_SETTINGS, marginPercent: 0 },
  },
  cableTypes: { pricePerM: 0 },
  deviceTypes: { price: 0 },
  runs: { price: null },
};

/** Whether someone with this role sees what the firm pays and earns. */
export const maySeeCosts = (role: Role): boolean => hasRight(role, 'field');

function withoutFirmFields<T extends Fields>(list: string, record: T): T {
  const values = FIRM_FIELDS[list as CollectionName];
  if (!values) return record;
  return Object.fromEntries(
    Object.entries(record).map(([field, value]) => [field, field in values ? values[field] : value]),
  ) as T;
}

const withoutKeys = (record: Fields, values: Fields): Fields =>
  Object.fromEntries(Object.entries(record).filter(([field]) => !(field in values)));

/** The project as a client gets it: without costs, margin, price lists, purchases and baselines of the firm. */
export function projectForClient(project: ProjectDocument): ProjectDocument {
  const tables = COLLECTION_NAMES.map((name) => {
    if (FIRM_LISTS.has(name)) return [name, {}];
    if (!FIRM_FIELDS[name]) return [name, project[name]];
    const records = Object.entries(project[name] as Record<string, Fields>);
    return [name, Object.fromEntries(records.map(([id, record]) => [id, withoutFirmFields(name, record)]))];
  });
  const header = withoutFirmFields('project', project.project as unknown as Fields);
  return { project: header, ...Object.fromEntries(tables) } as unknown as ProjectDocument;
}

/** What stands for a change of which a client gets nothing, so that revisions stay in their order. */
const NO_OPERATION: Operation = { op: 'update', in: 'project', id: 'project', before: {}, after: {} };

function operationForClient(operation: Operation): Operation[] {
  if (FIRM_LISTS.has(operation.in)) return [];
  const values = FIRM_FIELDS[operation.in];
  if (!values) return [operation];
  if (operation.op !== 'update') return [{ ...operation, record: withoutFirmFields(operation.in, operation.record) }];
  const after = withoutKeys(operation.after, values);
  return Object.keys(after).length === 0 ? [] : [{ ...operation, before: withoutKeys(operation.before, values), after }];
}

/** A stored change as a client gets it: applied to `projectForClient` of the state before, it makes that of the state after. */
export function changeForClient(change: Change): Change {
  const operations = change.operations.flatMap(operationForClient);
  if (operations.length === change.operations.length && operations.every((one, n) => one === change.operations[n])) return change;
  // The title of a change of prices may name them.
  return operations.length === 0 ? { ...change, title: '', operations: [NO_OPERATION] } : { ...change, operations };
}

/** A stored change as a member with this role gets it. */
export const storedChangeFor = (role: Role, stored: StoredChange): StoredChange =>
  maySeeCosts(role) ? stored : { ...stored, change: changeForClient(stored.change) };

import { Derivations, derivationsOf } from '../derive/index.ts';
import type { Operation, ProjectDocument } from '../model/index.ts';

const TABLES = ['devices', 'runs', 'plates'] as const;
type Table = (typeof TABLES)[number];
type Fields = Readonly<Record<string, unknown>>;

/**
 * The project with devices where the pointer has them, as a layer over it: applying each picture of a drag as a change would copy
 * thousands of records. The drop is applied as any other change. Null where the operations are more than moves of devices with
 * their runs and plates.
 */
export function dragDraft(project: ProjectDocument, operations: readonly Operation[]): ProjectDocument | null {
  const own = derivationsOf(project);
  if (!(own instanceof Derivations)) return null;
  const puts: Partial<Record<Table, Map<string, { readonly id: string }>>> = {};
  for (const operation of operations) {
    if (operation.op !== 'update' || !(TABLES as readonly string[]).includes(operation.in)) return null;
    const name = operation.in as Table;
    const of = (puts[name] ??= new Map());
    const record = of.get(operation.id) ?? project[name][operation.id];
    if (!record) return null;
    of.set(operation.id, { ...(record as Fields), ...operation.after } as { readonly id: string });
  }
  return own.layer(puts).project;
}

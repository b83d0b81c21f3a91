import type { ProjectDocument } from '../model/index.ts';
import type { Touched } from './touched.ts';

type Table = Readonly<Record<string, { readonly id: string }>>;
type Puts = Readonly<Record<string, ReadonlyMap<string, { readonly id: string } | null>>>;

const LAYER = Symbol('layer');
interface Layer {
  readonly base: Table;
  readonly own: ReadonlyMap<string, { readonly id: string } | null>;
}

/** A table with some records replaced, added or (null) taken out, which copies none of the others. */
function layeredTable(table: Table, puts: ReadonlyMap<string, { readonly id: string } | null>): Table {
  const below = (table as { readonly [LAYER]?: Layer })[LAYER];
  const base = below?.base ?? table;
  const own = below ? new Map([...below.own, ...puts]) : puts;
  const now = (id: string | symbol): unknown => {
    if (id === LAYER) return { base, own };
    const put = own.get(id as string);
    return put === undefined ? base[id as string] : (put ?? undefined);
  };
  return new Proxy(base, {
    get: (_, id) => now(id),
    has: (_, id) => now(id) !== undefined,
    ownKeys: () => {
      const ids = new Set(Object.keys(base));
      for (const [id, put] of own)
        if (put) ids.add(id);
        else ids.delete(id);
      return [...ids];
    },
    getOwnPropertyDescriptor: (_, id) => {
      const value = now(id);
      return value === undefined ? undefined : { value, writable: true, enumerable: true, configurable: true };
    },
    set: () => false,
  });
}

/** A project with some of its records replaced, added or (null) taken out, and what that touches. Nothing of it is copied. */
export function layerOver(
  project: ProjectDocument,
  puts: Puts,
): { readonly project: ProjectDocument; readonly touched: Touched } {
  const next: Record<string, unknown> = { ...project };
  const touched = new Map<string, ReadonlySet<string>>();
  for (const [name, own] of Object.entries(puts)) {
    if (own.size === 0) continue;
    next[name] = layeredTable(next[name] as Table, own);
    touched.set(name, new Set(own.keys()));
  }
  return { project: next as unknown as ProjectDocument, touched: touched as Touched };
}

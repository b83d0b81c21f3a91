import { addToDraft, draftOf, type Operation, type ProjectDocument } from '../project/index.ts';

const TABLES = ['devices', 'runs', 'plates'] as const;
type Table = (typeof TABLES)[number];
type Fields = Readonly<Record<string, unknown>>;

/**
 * The project with devices where the pointer has them, one picture after the other of one drag: the tables are copied when it
 * begins and written in place from then on, where applying each as a change would copy thousands of records for every picture.
 * What it gives is true until the next call; the drop is applied as any other change.
 */
export class HeldDraft {
  private base: ProjectDocument | null = null;
  private draft: ProjectDocument | null = null;
  private touched = new Set<string>();

  /** Null where the operations are more than moves of devices with their runs. */
  show(view: ProjectDocument, operations: readonly Operation[]): ProjectDocument | null {
    if (!operations.every(({ op, in: name }) => op === 'update' && (TABLES as readonly string[]).includes(name))) return null;
    if (this.base !== view || !this.draft) {
      this.base = view;
      this.draft = draftOf(view, TABLES);
      this.touched = new Set();
    }
    const wanted = new Map<string, Fields>();
    for (const operation of operations) {
      const name = operation.in as Table;
      const record = view[name][operation.id];
      if (!record) return null;
      const key = `${name}/${operation.id}`;
      // What was touched by an earlier picture and is no longer goes back to where it was.
      wanted.set(key, { ...(wanted.get(key) ?? record), ...(operation as { after: Fields }).after });
    }
    for (const key of this.touched) if (!wanted.has(key)) wanted.set(key, recordAt(view, key));
    this.touched = new Set(wanted.keys());
    for (const [key, record] of wanted) addToDraft(this.draft, key.split('/')[0] as Table, [record as never]);
    return { ...this.draft };
  }

  /** The drag is over. */
  end(): void {
    this.base = null;
    this.draft = null;
  }
}

function recordAt(document: ProjectDocument, key: string): Fields {
  const [name, id] = key.split('/') as [Table, string];
  return document[name][id];
}

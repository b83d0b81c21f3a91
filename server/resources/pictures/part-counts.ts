interface Part {
  /** Parts that it holds, itself included, without what they refer to. */
  count: number;
  /** Ids that it and what it holds refer to: each is drawn once more for it. */
  readonly refersTo: string[];
}

/** How many parts a drawing comes to once everything that it repeats by reference is drawn. */
export class PartCounts {
  /** Parts in the file. */
  count = 0;
  private readonly byId = new Map<string, Part>();
  private readonly openParts: { readonly part: Part | null; readonly at: number }[] = [];
  /** References in the order of the file, with how many parts came before each. */
  private readonly references: string[] = [];

  /** A part begins, with its id and the ids to which its attributes refer. */
  open(id: string | undefined, refersTo: readonly string[]): void {
    const isNamed = id !== undefined && !this.byId.has(id);
    const part: Part | null = isNamed ? { count: this.count, refersTo: [] } : null;
    if (isNamed) this.byId.set(id, part!);
    this.openParts.push({ part, at: this.references.length });
    this.count++;
    this.references.push(...refersTo);
  }

  /** The last part that began ends. */
  close(): void {
    const { part, at } = this.openParts.pop()!;
    if (!part) return;
    part.count = this.count - part.count;
    for (let n = at; n < this.references.length; n++) part.refersTo.push(this.references[n]);
  }

  /** All parts that are drawn; `loop` where one refers to itself, `deep` and `many` beyond the limits. */
  drawn(max: number, deepest: number): number | 'loop' | 'deep' | 'many' {
    const known = new Map<string, number>();
    const waiting = new Set<string>();
    let fault: 'loop' | 'deep' | 'many' | null = null;
    const drawnOf = (id: string, depth: number): number => {
      const part = this.byId.get(id);
      if (!part || fault) return 0;
      const before = known.get(id);
      if (before !== undefined) return before;
      if (waiting.has(id)) fault = 'loop';
      else if (depth > deepest) fault = 'deep';
      if (fault) return 0;
      waiting.add(id);
      const all = this.sum(part.count, part.refersTo, max, (one) => drawnOf(one, depth + 1));
      waiting.delete(id);
      known.set(id, all);
      return all;
    };
    const all = this.sum(this.count, this.references, max, (id) => drawnOf(id, 1));
    return fault ?? (all > max ? 'many' : all);
  }

  /** Adds up until it is too many. */
  private sum(own: number, ids: readonly string[], max: number, of: (id: string) => number): number {
    let all = own;
    for (const id of ids) {
      if (all > max) break;
      all += of(id);
    }
    return all;
  }
}

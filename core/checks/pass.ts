import { Stamps, type Stamp, type CollectionName, type ProjectDocument } from '../project/index.ts';
import { boundTo, type Bound } from './bound.ts';
import type { Finding, FindingDraft, Rank } from './check.ts';

/** What was said of one thing, with the slot of each finding. */
interface Said {
  readonly stamp: Stamp;
  readonly bound: readonly Bound[];
  readonly told: readonly Finding[];
  readonly slots: readonly number[];
}

export interface Look {
  readonly document: ProjectDocument;
  /** The project that was looked at before. */
  readonly before: ProjectDocument | null;
  readonly today: string;
}

/** How the rules of a pass are asked in one state of the project. */
export interface Asking<T> {
  readonly drafts: (thing: T) => readonly FindingDraft[];
  /** The rank that the firm gives to findings of a rule, where it gives one. */
  readonly rankOf: (check: string) => Rank | null;
  readonly slotOf: (finding: Finding) => number;
}

/**
 * All rules about one kind of thing over a list of them. A thing that is the same, in a house that is the same, is not looked at
 * again, and only the slots of findings that came or went are put together anew.
 */
export class Pass<T extends object> {
  private readonly said = new WeakMap<T, Said>();
  private readonly reads: readonly CollectionName[];
  private readonly stamps = new Stamps();
  private stamp: Stamp | null = null;
  private things: readonly T[] = [];
  private all: Said[] = [];
  private slots: Finding[][] = [];

  constructor(reads: readonly CollectionName[]) {
    this.reads = reads;
  }

  /** The findings of each slot, in the order of the things; slots without any are left out. */
  over(things: readonly T[], { document, before, today }: Look, asking: Asking<T>): readonly (readonly Finding[])[] {
    const stamp = this.stamps.of([document.project, today, ...this.reads.map((name) => document[name])]);
    const touched = new Set<number>();
    if (stamp === this.stamp && things.length === this.things.length) {
      for (let n = 0; n < things.length; n++) {
        if (things[n] === this.things[n]) continue;
        const said = this.sayOf(things[n], stamp, asking);
        lose(this.all[n], before, touched);
        find(said, asking, touched);
        this.all[n] = said;
      }
    } else {
      for (const one of this.all) lose(one, before, touched);
      this.all = things.map((thing) => this.sayOf(thing, stamp, asking));
      for (const one of this.all) find(one, asking, touched);
    }
    this.things = things;
    this.stamp = stamp;
    this.putTogether(touched);
    return this.slots;
  }

  private sayOf(thing: T, stamp: Stamp, asking: Asking<T>): Said {
    const known = this.said.get(thing);
    if (known?.stamp === stamp) return known;
    const bound = asking.drafts(thing).map(boundTo);
    const told = bound.length === 0 ? NONE : bound.map((one, n) => one.found(asking.rankOf(bound[n].shown.check)));
    const said: Said = { stamp, bound, told, slots: told.map(asking.slotOf) };
    this.said.set(thing, said);
    return said;
  }

  private putTogether(touched: ReadonlySet<number>): void {
    if (touched.size === 0) return;
    for (const slot of touched) this.slots[slot] = [];
    for (const { told, slots } of this.all)
      for (let n = 0; n < slots.length; n++) if (touched.has(slots[n])) this.slots[slots[n]].push(told[n]);
  }
}

const NONE: readonly Finding[] = [];

function lose({ bound, slots }: Said, before: ProjectDocument | null, touched: Set<number>): void {
  for (let n = 0; n < bound.length; n++) {
    bound[n].lost(before);
    touched.add(slots[n]);
  }
}

function find<T>({ bound, slots }: Said, { rankOf }: Asking<T>, touched: Set<number>): void {
  for (let n = 0; n < bound.length; n++) {
    bound[n].found(rankOf(bound[n].shown.check));
    touched.add(slots[n]);
  }
}

import type { ProjectDocument } from '../project/index.ts';
import { boundTo, type Bound } from './bound.ts';
import type { Finding, FindingDraft, Rank } from './check.ts';

const NONE: readonly never[] = [];

/** What one rule over the whole house found, put together anew only where it differs from what it found before. */
export class HousePass {
  private drafts: readonly (Finding | FindingDraft)[] = NONE;
  private bound: readonly Bound[] = NONE;
  private rank: Rank | null = null;
  private slots: ReadonlyMap<number, readonly Finding[]> = new Map();

  /**
   * Its findings by slot. `rank` is the one that the firm gives to it; `before` is the project that was looked at before, for whose
   * state the cures of what is not found any more hold.
   */
  over(
    drafts: readonly (Finding | FindingDraft)[],
    rank: Rank | null,
    before: ProjectDocument | null,
    slotOf: (finding: Finding) => number,
  ): ReadonlyMap<number, readonly Finding[]> {
    const was = this.drafts;
    if (rank === this.rank && (drafts === was || (drafts.length === was.length && drafts.every((one, n) => one === was[n]))))
      return this.slots;
    let head = 0;
    let tail = 0;
    const most = Math.min(drafts.length, was.length);
    while (head < most && drafts[head] === was[head]) head++;
    while (tail < most - head && drafts[drafts.length - 1 - tail] === was[was.length - 1 - tail]) tail++;
    for (let n = head; n < was.length - tail; n++) this.bound[n].lost(before);
    const fresh: Bound[] = [];
    for (let n = head; n < drafts.length - tail; n++) fresh.push(boundTo(drafts[n]));
    this.bound = [...this.bound.slice(0, head), ...fresh, ...this.bound.slice(was.length - tail)];
    for (const one of rank === this.rank ? fresh : this.bound) one.found(rank);
    this.drafts = drafts;
    this.rank = rank;
    // One rule's findings of one rank have one slot.
    const byRank = new Map<Rank, Finding[]>();
    let last: Finding[] = [];
    let lastRank: Rank | null = null;
    for (const { shown } of this.bound) {
      if (shown.rank !== lastRank) {
        lastRank = shown.rank;
        last = byRank.get(lastRank) ?? [];
        byRank.set(lastRank, last);
      }
      last.push(shown);
    }
    return (this.slots = new Map([...byRank.values()].map((those) => [slotOf(those[0]), those])));
  }
}

import type { Stamp } from './stamps.ts';

/**
 * What is worked out of each of a list, one by one: only of those that are not the same as the last time at their place, or as
 * they were known before, while the stamp is the same. Lists of thousands are compared in microseconds.
 */
export class Each<T extends object, R> {
  private readonly known = new WeakMap<T, { readonly stamp: Stamp; readonly made: R }>();
  private stamp: Stamp | null = null;
  private things: readonly T[] = [];
  private made: readonly R[] = [];

  /** The results in the order of the list; the same array again where nothing differs. */
  over(things: readonly T[], stamp: Stamp, of: (thing: T) => R): readonly R[] {
    if (stamp === this.stamp && things === this.things) return this.made;
    const alike = stamp === this.stamp && things.length === this.things.length;
    let next: R[] | null = alike ? null : [];
    for (let n = 0; n < things.length; n++) {
      const thing = things[n];
      if (alike && thing === this.things[n]) continue;
      let last = this.known.get(thing);
      if (last?.stamp !== stamp) this.known.set(thing, (last = { stamp, made: of(thing) }));
      (next ??= [...this.made])[n] = last.made;
    }
    this.stamp = stamp;
    this.things = things;
    return (this.made = next ?? this.made);
  }
}

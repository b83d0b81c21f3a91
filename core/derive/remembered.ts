/**
 * Answers of a pure question by its key, part of the value of a node and gone with it. Where there are more than `most`, those
 * that were not asked for the longest time are let go.
 */
export class Remembered<K, V> {
  private readonly answers = new Map<K, V>();

  constructor(private readonly max = Infinity) {}

  /** The answer where it is known. */
  known(key: K): V | undefined {
    return this.answers.get(key);
  }

  of(key: K, answer: () => V): V {
    const known = this.answers.get(key);
    if (known !== undefined || this.answers.has(key)) {
      if (this.answers.size >= this.max) {
        this.answers.delete(key);
        this.answers.set(key, known as V);
      }
      return known as V;
    }
    if (this.answers.size >= this.max) this.answers.delete(this.answers.keys().next().value as K);
    const made = answer();
    this.answers.set(key, made);
    return made;
  }
}

/** A part of a value that is worked out when it is first asked for. */
export function once<V>(make: () => V): () => V {
  let made: { readonly value: V } | null = null;
  return () => (made ??= { value: make() }).value;
}

/** Numbers that are added one by one and end as a typed array. */
export class Growing<A extends Float64Array | Int32Array | Uint8Array> {
  length = 0;

  private constructor(private array: A) {}

  static floats = () => new Growing(new Float64Array(1024));
  static ints = () => new Growing(new Int32Array(1024));
  static bytes = () => new Growing(new Uint8Array(1024));

  push(value: number): void {
    if (this.length === this.array.length) {
      const wider = new (this.array.constructor as new (length: number) => A)(2 * this.length);
      wider.set(this.array);
      this.array = wider;
    }
    this.array[this.length++] = value;
  }

  get(at: number): number {
    return this.array[at];
  }

  /** The numbers as they are now, without a copy: good until the next one is added. */
  view(): A {
    return this.array.subarray(0, this.length) as A;
  }

  done(): A {
    return this.array.slice(0, this.length) as A;
  }
}

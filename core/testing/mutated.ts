import { drawFrom } from '../math/index.ts';

const CHANGES = ['flip', 'cut', 'repeat', 'zero', 'insert', 'number'] as const;
const MOST = 8;

/** A file with a few seeded faults: bits turned, parts cut out, repeated or zeroed, bytes put in, digits made large. */
export function mutated(bytes: Uint8Array, seed: number): Uint8Array {
  const draw = drawFrom(seed);
  const below = (n: number) => Math.floor(draw() * n);
  let now = Uint8Array.from(bytes);
  for (let n = 1 + below(MOST); n > 0; n--) {
    const at = below(Math.max(1, now.length));
    const length = 1 + below(Math.min(200, Math.max(1, now.length - at)));
    const change = CHANGES[below(CHANGES.length)];
    if (change === 'flip') now[at] ^= 1 << below(8);
    else if (change === 'zero') now.fill(0, at, at + length);
    else if (change === 'cut') now = joined(now.subarray(0, at), now.subarray(at + length));
    else if (change === 'repeat') now = joined(now.subarray(0, at + length), now.subarray(at));
    else if (change === 'insert')
      now = joined(
        now.subarray(0, at),
        Uint8Array.from({ length }, () => below(256)),
        now.subarray(at),
      );
    else {
      const digit = now.findIndex((byte, k) => k >= at && byte >= 48 && byte <= 57);
      if (digit >= 0) now = joined(now.subarray(0, digit), new TextEncoder().encode('9999999999'), now.subarray(digit));
    }
  }
  return now;
}

function joined(...parts: readonly Uint8Array[]): Uint8Array<ArrayBuffer> {
  const all = new Uint8Array(parts.reduce((sum, { length }) => sum + length, 0));
  let at = 0;
  for (const part of parts) {
    all.set(part, at);
    at += part.length;
  }
  return all;
}

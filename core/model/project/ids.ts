/** A source of random bytes, handed in so that the core stays repeatable. */
export type RandomSource = (count: number) => Uint8Array;

const ALPHABET = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';

/** A record id: a prefix that helps a reader, and 60 random bits. */
export const idFrom = (random: RandomSource, prefix: string): string => `${prefix}_${letters(random, 12)}`;

/** The short id of a project that goes into QR codes: 25 random bits, no letters that look alike. */
export const shortIdFrom = (random: RandomSource): string => letters(random, 5);

const letters = (random: RandomSource, count: number): string =>
  Array.from(random(count), (byte) => ALPHABET[byte % ALPHABET.length]).join('');

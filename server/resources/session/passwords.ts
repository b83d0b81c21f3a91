import { randomUUID } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import { refusal } from '../../http/problems.ts';

/** Argon2id with 19 MiB and two passes, the usual minimum for a server. */
const HASHING = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };
/** Fewer different characters make a word that is guessed at once. */
const MIN_DIFFERENT = 5;

export const hashPassword = (password: string): Promise<string> => hash(password, HASHING);

let nobody: string | null = null;

/** Whether a password is the one of this hash. The same work is done where there is none. */
export async function isPassword(password: string, passwordHash: string | undefined): Promise<boolean> {
  nobody ??= await hashPassword(randomUUID());
  const right = await verify(passwordHash ?? nobody, password);
  return passwordHash !== undefined && right;
}

let common: ReadonlySet<string> | null = null;

/** The word that a text repeats; itself where it repeats none. */
function repeatedPart(text: string): string {
  for (let length = 1; length <= text.length / 2; length++)
    if (text.length % length === 0 && text.slice(0, length).repeat(text.length / length) === text) return text.slice(0, length);
  return text;
}

/**
 * Refuses a password that is guessed first: of few different characters, or among the most common, also repeated or with
 * digits and signs after it. Problem: `password-weak` with the field.
 */
export async function checkPassword(password: string, field = 'password'): Promise<void> {
  const lower = password.toLowerCase();
  common ??= new Set((await import('@zxcvbn-ts/language-common')).dictionary['passwords-common'] as string[]);
  const refuse = (reason: string) => refusal('password-weak', { kind: 'invalid', field, reason });
  if (new Set(lower).size < MIN_DIFFERENT) throw refuse(`it has fewer than ${MIN_DIFFERENT} different characters`);
  const bare = lower.replace(/[\d\W_]+$/u, '');
  if ([lower, repeatedPart(lower), bare, repeatedPart(bare)].some((text) => text !== '' && common?.has(text)))
    throw refuse('it is among the most common passwords');
}

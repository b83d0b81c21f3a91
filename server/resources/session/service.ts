import { createHash, randomBytes } from 'node:crypto';
import type { Database } from '../../database/index.ts';
import { refusal } from '../../http/problems.ts';
import { checkPassword, hashPassword, isPassword } from './passwords.ts';
import {
  accountByEmail,
  accountById,
  type AccountRow,
  countMembers,
  insertFirm,
  insertReset,
  isEmailTaken,
  lockMembers,
  memberOfReset,
  setPassword,
  useUpResets,
} from './store.ts';

const HOUR_MS = 3600 * 1000;
const RESET_HOURS = 2;

/** A code for a link in a mail, and what the database keeps of it. */
export function newToken(): { readonly token: string; readonly tokenHash: string } {
  const token = randomBytes(24).toString('base64url');
  return { token, tokenHash: hashOfToken(token) };
}
export const hashOfToken = (token: string): string => createHash('sha256').update(token).digest('hex');

/** The member with this address and password. The same work is done for an unknown address. Problem: `sign-in-wrong`. */
export async function signIn(database: Database, email: string, password: string): Promise<AccountRow> {
  const account = await accountByEmail(database, email);
  const right = await isPassword(password, account?.passwordHash);
  if (!account || !right) throw refusal('sign-in-wrong', { field: 'password' });
  return account;
}

export interface NewFirm {
  readonly firm: string;
  readonly name: string;
  readonly email: string;
  readonly password: string;
}

/** Makes a firm with its owner. Problems: `not-allowed` where an account exists already (unless `further`), `email-taken`, `password-weak`. */
export async function makeFirm(database: Database, account: NewFirm, further: boolean, at: Date): Promise<string> {
  await checkPassword(account.password);
  const passwordHash = await hashPassword(account.password);
  return database.sequelize.transaction(async (transaction) => {
    await lockMembers(database, transaction);
    if (!further && (await countMembers(database, transaction)) > 0) throw refusal('not-allowed', { field: 'account' });
    if (await isEmailTaken(database, account.email, transaction))
      throw refusal('email-taken', { kind: 'invalid', field: 'email' });
    return insertFirm(database, { ...account, passwordHash, isDemo: false }, at, transaction);
  });
}

/** Problems: `password-wrong`, `password-weak`. */
export async function changePassword(database: Database, memberId: string, current: string, password: string): Promise<void> {
  const account = await accountById(database, memberId);
  if (!account || !(await isPassword(current, account.passwordHash)))
    throw refusal('password-wrong', { kind: 'invalid', field: 'current' });
  await checkPassword(password);
  await setPassword(database, memberId, await hashPassword(password));
}

/** A code to set a new password with, for the account of an address; null where there is none. */
export async function beginReset(database: Database, email: string): Promise<{ account: AccountRow; token: string } | null> {
  const account = await accountByEmail(database, email);
  if (!account) return null;
  const { token, tokenHash } = newToken();
  const now = Date.now();
  const expiresAt = new Date(now + RESET_HOURS * HOUR_MS);
  await insertReset(database, { tokenHash, memberId: account.id, createdAt: new Date(now), expiresAt });
  return { account, token };
}

/** Sets a new password with a code, once. Problems: `link-expired`, `password-weak`. */
export async function finishReset(database: Database, token: string, password: string): Promise<AccountRow> {
  await checkPassword(password);
  const passwordHash = await hashPassword(password);
  return database.sequelize.transaction(async (transaction) => {
    const now = new Date();
    const memberId = await memberOfReset(database, hashOfToken(token), now, transaction);
    const account = memberId && (await accountById(database, memberId));
    if (!account) throw refusal('link-expired', { kind: 'invalid', field: 'token' });
    await useUpResets(database, account.id, now, transaction);
    await setPassword(database, account.id, passwordHash, transaction);
    return account;
  });
}

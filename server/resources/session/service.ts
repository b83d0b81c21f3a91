import { randomUUID } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import type { Database } from '../../database/index.ts';
import { refusal } from '../../http/index.ts';

/** Argon2id with 19 MiB and two passes, the usual minimum for a server. */
const HASHING = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

export const hashPassword = (password: string): Promise<string> => hash(password, HASHING);

interface MemberRow {
  readonly id: string;
  readonly passwordHash: string;
}

let nobody: string | null = null;

/** The member with this address and password. The same work is done for an unknown address. Problem: `sign-in-wrong`. */
export async function signIn({ models }: Database, email: string, password: string): Promise<string> {
  const member = (await models.members.findOne({ where: { email }, raw: true })) as unknown as MemberRow | null;
  nobody ??= await hashPassword(randomUUID());
  const right = await verify(member?.passwordHash ?? nobody, password);
  if (!member || !right) throw refusal('sign-in-wrong', { field: 'password' });
  return member.id;
}

export const noMemberYet = async ({ models }: Database): Promise<boolean> => (await models.members.count()) === 0;

/** Makes a firm with its first member. Problem: `not-allowed` where an account exists already. */
export async function makeFirstAccount(
  database: Database,
  account: { firm: string; name: string; email: string; password: string },
  at: Date,
): Promise<string> {
  const passwordHash = await hashPassword(account.password);
  return database.sequelize.transaction(async (transaction) => {
    await database.sequelize.query('LOCK TABLE members IN EXCLUSIVE MODE', { transaction });
    if ((await database.models.members.count({ transaction })) > 0) throw refusal('not-allowed', { field: 'account' });
    return insertFirm(database, { ...account, passwordHash, isDemo: false }, at, transaction);
  });
}

export async function insertFirm(
  { models }: Database,
  account: { firm: string; name: string; email: string; passwordHash: string; isDemo: boolean },
  at: Date,
  transaction: import('sequelize').Transaction,
): Promise<string> {
  const [firmId, memberId] = [randomUUID(), randomUUID()];
  await models.firms.create({ id: firmId, name: account.firm, isDemo: account.isDemo, createdAt: at }, { transaction });
  const { email, name, passwordHash } = account;
  await models.members.create({ id: memberId, firmId, email, name, passwordHash, createdAt: at }, { transaction });
  return memberId;
}

/** The member of the demo firm; null where no demo is loaded. */
export async function demoMember({ models }: Database): Promise<string | null> {
  const firm = (await models.firms.findOne({ where: { isDemo: true }, raw: true })) as unknown as { id: string } | null;
  if (!firm) return null;
  const member = (await models.members.findOne({ where: { firmId: firm.id }, order: ['createdAt'], raw: true })) as unknown as {
    id: string;
  } | null;
  return member?.id ?? null;
}

export async function firmName({ models }: Database, firmId: string): Promise<string> {
  const firm = (await models.firms.findByPk(firmId, { raw: true })) as unknown as { name: string };
  return firm.name;
}

import { randomUUID } from 'node:crypto';
import { Op, QueryTypes, type Transaction } from 'sequelize';
import type { OpenSession, Role } from '@dusky-spool/core/model';
import type { Database } from '../../database/index.ts';
import { sessionName } from '../../http/sessions.ts';

export interface AccountRow {
  readonly id: string;
  readonly firmId: string;
  readonly email: string;
  readonly name: string;
  readonly passwordHash: string;
  readonly role: Role;
}

const ACCOUNT = ['id', 'firmId', 'email', 'name', 'passwordHash', 'role'];

export const accountByEmail = async ({ models }: Database, email: string): Promise<AccountRow | null> =>
  (await models.members.findOne({
    where: { email, removedAt: null },
    attributes: ACCOUNT,
    raw: true,
  })) as unknown as AccountRow | null;

export const accountById = async ({ models }: Database, id: string): Promise<AccountRow | null> =>
  (await models.members.findOne({
    where: { id, removedAt: null },
    attributes: ACCOUNT,
    raw: true,
  })) as unknown as AccountRow | null;

export const countMembers = ({ models }: Database, transaction?: Transaction): Promise<number> =>
  models.members.count({ transaction });

export const setPassword = async (
  { models }: Database,
  id: string,
  passwordHash: string,
  transaction?: Transaction,
): Promise<void> => void (await models.members.update({ passwordHash }, { where: { id }, transaction }));

export async function firmName({ models }: Database, firmId: string): Promise<string> {
  const firm = (await models.firms.findByPk(firmId, { raw: true, attributes: ['name'] })) as unknown as { name: string };
  return firm.name;
}

/** The first member of the demo firm; null where no demo is loaded. */
export async function demoMember({ models }: Database): Promise<AccountRow | null> {
  const firm = (await models.firms.findOne({ where: { isDemo: true }, raw: true })) as unknown as { id: string } | null;
  if (!firm) return null;
  return (await models.members.findOne({
    where: { firmId: firm.id, removedAt: null },
    order: ['createdAt'],
    attributes: ACCOUNT,
    raw: true,
  })) as unknown as AccountRow | null;
}

interface SessionRow {
  readonly sid: string;
  readonly startedAt: string | null;
  readonly device: string | null;
  readonly expireMs: number;
}

const sessionRows = ({ sequelize }: Database, memberId: string): Promise<SessionRow[]> =>
  sequelize.query(
    `SELECT sid, sess->>'startedAt' AS "startedAt", sess->>'device' AS device,
       (extract(epoch FROM expire AT TIME ZONE 'UTC') * 1000)::float8 AS "expireMs" FROM sessions
     WHERE sess->>'memberId' = :memberId AND expire > now() AT TIME ZONE 'UTC' ORDER BY expire DESC`,
    { replacements: { memberId }, type: QueryTypes.SELECT },
  );

/** A member's sessions, the one used last first. */
export async function sessionsOf(
  database: Database,
  memberId: string,
  ownSid: string,
  idleHours: number,
): Promise<OpenSession[]> {
  return (await sessionRows(database, memberId)).map(({ sid, startedAt, device, expireMs }) => ({
    id: sessionName(sid),
    device: device ?? 'computer',
    startedAt: new Date(Number(startedAt ?? 0)).toISOString(),
    usedAt: new Date(expireMs - idleHours * 3600 * 1000).toISOString(),
    isThis: sid === ownSid,
  }));
}

/** Ends sessions of a member that match; returns their public names. */
export async function endSessions(
  database: Database,
  memberId: string,
  matches: (sid: string) => boolean,
): Promise<readonly string[]> {
  const sids = (await sessionRows(database, memberId)).map(({ sid }) => sid).filter(matches);
  if (sids.length > 0) await database.sequelize.query('DELETE FROM sessions WHERE sid IN (:sids)', { replacements: { sids } });
  return sids.map(sessionName);
}

export const isEmailTaken = async ({ models }: Database, email: string, transaction: Transaction): Promise<boolean> =>
  (await models.members.count({ where: { email }, transaction })) > 0;

/** Nobody else makes a member until the transaction ends. */
export const lockMembers = async ({ sequelize }: Database, transaction: Transaction): Promise<void> =>
  void (await sequelize.query('LOCK TABLE members IN EXCLUSIVE MODE', { transaction }));

/** Stores a firm with its owner; gives the owner's id. */
export async function insertFirm(
  { models }: Database,
  account: { firm: string; name: string; email: string; passwordHash: string; isDemo: boolean },
  at: Date,
  transaction: Transaction,
): Promise<string> {
  const [firmId, memberId] = [randomUUID(), randomUUID()];
  const { email, name, passwordHash, isDemo } = account;
  await models.firms.create({ id: firmId, name: account.firm, isDemo, plannersMayDelete: false, createdAt: at }, { transaction });
  await models.members.create(
    { id: memberId, firmId, email, name, passwordHash, role: 'owner', createdAt: at, removedAt: null },
    { transaction },
  );
  return memberId;
}

/** Deletes the firm that a member of this address belongs to, if there is one. */
export async function deleteFirmOf({ models }: Database, email: string): Promise<void> {
  const member = (await models.members.findOne({ where: { email }, raw: true })) as unknown as { firmId: string } | null;
  if (member) await models.firms.destroy({ where: { id: member.firmId } });
}

export const markAsDemo = async ({ models }: Database, firmId: string): Promise<void> =>
  void (await models.firms.update({ isDemo: true }, { where: { id: firmId } }));

interface ResetRow {
  readonly tokenHash: string;
  readonly memberId: string;
  readonly createdAt: Date;
  readonly expiresAt: Date;
}

/** Stores the code of a link to set a new password. */
export const insertReset = async ({ models }: Database, reset: ResetRow): Promise<void> =>
  void (await models.passwordResets.create({ ...reset, usedAt: null }, { returning: false }));

/** The member that an unused code belongs to, locked until the transaction ends; null where it is unknown, used or expired. */
export async function memberOfReset(
  { models }: Database,
  tokenHash: string,
  now: Date,
  transaction: Transaction,
): Promise<string | null> {
  const where = { tokenHash, usedAt: null, expiresAt: { [Op.gt]: now } };
  const reset = await models.passwordResets.findOne({ where, raw: true, transaction, lock: transaction.LOCK.UPDATE });
  return (reset as unknown as { memberId: string } | null)?.memberId ?? null;
}

/** No code of this member is worth anything from now on. */
export const useUpResets = async ({ models }: Database, memberId: string, now: Date, transaction: Transaction): Promise<void> =>
  void (await models.passwordResets.update({ usedAt: now }, { where: { memberId, usedAt: null }, transaction }));

/** Deletes codes that expired before a moment. */
export const deleteOldResets = ({ models }: Database, before: Date): Promise<number> =>
  models.passwordResets.destroy({ where: { expiresAt: { [Op.lt]: before } } });

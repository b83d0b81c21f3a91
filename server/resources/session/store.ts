import { QueryTypes, type Transaction } from 'sequelize';
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

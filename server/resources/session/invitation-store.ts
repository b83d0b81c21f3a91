import { randomUUID } from 'node:crypto';
import { Op } from 'sequelize';
import type { Invitation, InvitationReply, Role } from '@dusky-spool/core/model';
import type { Database } from '../../database/index.ts';
import { refusal } from '../../http/problems.ts';
import { checkPassword, hashPassword } from './passwords.ts';
import { hashOfToken, newToken } from './service.ts';
import { accountById, type AccountRow, firmName } from './store.ts';
import { checkProjects, setProjects } from './member-store.ts';

const DAY_MS = 24 * 3600 * 1000;
const VALID_DAYS = 7;

interface InvitationRow {
  readonly id: string;
  readonly firmId: string;
  readonly email: string;
  readonly role: Role;
  readonly projectIds: readonly string[];
  readonly createdAt: Date;
  readonly expiresAt: Date;
}

export interface Invited {
  readonly firmId: string;
  readonly email: string;
  readonly role: Role;
  readonly projectIds: readonly string[];
  readonly invitedBy: string;
}

/** Invites an address; an earlier invitation of the same address is worth nothing from now on. Problem: `email-taken`. */
export async function invite(database: Database, invited: Invited): Promise<{ readonly id: string; readonly token: string }> {
  const { invitations, members } = database.models;
  if ((await members.count({ where: { email: invited.email, removedAt: null } })) > 0)
    throw refusal('email-taken', { kind: 'invalid', field: 'email' });
  await checkProjects(database, invited.firmId, invited.projectIds);
  const { token, tokenHash } = newToken();
  const id = randomUUID();
  const now = Date.now();
  const { firmId, email } = invited;
  await database.sequelize.transaction(async (transaction) => {
    const open = { firmId, email, acceptedAt: null, withdrawnAt: null };
    await invitations.update({ withdrawnAt: new Date(now) }, { where: open, transaction });
    await invitations.create(
      {
        id,
        ...invited,
        tokenHash,
        createdAt: new Date(now),
        expiresAt: new Date(now + VALID_DAYS * DAY_MS),
        acceptedAt: null,
        withdrawnAt: null,
      },
      { transaction, returning: false },
    );
  });
  return { id, token };
}

const OPEN = () => ({ acceptedAt: null, withdrawnAt: null, expiresAt: { [Op.gt]: new Date() } });

export async function openInvitations({ models }: Database, firmId: string): Promise<Invitation[]> {
  const rows = (await models.invitations.findAll({
    where: { firmId, ...OPEN() },
    order: [['createdAt', 'DESC']],
    raw: true,
  })) as unknown as InvitationRow[];
  return rows.map(({ id, email, role, createdAt, expiresAt }) => ({
    id,
    email,
    role,
    createdAt: createdAt.toISOString(),
    expiresAt: expiresAt.toISOString(),
  }));
}

export async function withdrawInvitation({ models }: Database, firmId: string, id: string): Promise<boolean> {
  const [count] = await models.invitations.update({ withdrawnAt: new Date() }, { where: { id, firmId, ...OPEN() } });
  return count === 1;
}

async function invitationOf({ models }: Database, token: string): Promise<InvitationRow> {
  const row = await models.invitations.findOne({ where: { tokenHash: hashOfToken(token), ...OPEN() }, raw: true });
  if (!row) throw refusal('link-expired', { kind: 'invalid', field: 'token' });
  return row as unknown as InvitationRow;
}

/** What stands in an invitation. Problem: `link-expired`. */
export async function readInvitation(database: Database, token: string): Promise<InvitationReply> {
  const { firmId, email, role } = await invitationOf(database, token);
  return { firm: await firmName(database, firmId), email, role };
}

/** Makes the invited person a member. Problems: `link-expired`, `password-weak`, `email-taken`. */
export async function acceptInvitation(
  database: Database,
  { token, name, password }: { token: string; name: string; password: string },
): Promise<AccountRow> {
  await checkPassword(password);
  const passwordHash = await hashPassword(password);
  const { members, invitations } = database.models;
  const memberId = await database.sequelize.transaction(async (transaction) => {
    const { id, firmId, email, role, projectIds } = await invitationOf(database, token);
    const [count] = await invitations.update({ acceptedAt: new Date() }, { where: { id, acceptedAt: null }, transaction });
    if (count !== 1) throw refusal('link-expired', { kind: 'invalid', field: 'token' });
    const earlier = (await members.findOne({
      where: { email },
      raw: true,
      transaction,
      lock: transaction.LOCK.UPDATE,
    })) as unknown as {
      id: string;
      firmId: string;
      removedAt: Date | null;
    } | null;
    if (earlier && earlier.removedAt === null) throw refusal('email-taken', { kind: 'invalid', field: 'email' });
    const fields = { firmId, name, passwordHash, role, removedAt: null };
    // Somebody who comes back to a firm keeps the authorship of earlier edits.
    const comesBack = earlier?.firmId === firmId ? earlier.id : null;
    if (earlier && !comesBack)
      await members.update({ email: `removed-${earlier.id}@invalid` }, { where: { id: earlier.id }, transaction });
    const member = comesBack ?? randomUUID();
    if (comesBack) await members.update(fields, { where: { id: member }, transaction });
    else await members.create({ id: member, email, ...fields, createdAt: new Date() }, { transaction, returning: false });
    await setProjects(database, member, role === 'client' ? projectIds : [], transaction);
    return member;
  });
  return (await accountById(database, memberId))!;
}

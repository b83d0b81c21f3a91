import { Op, type Transaction } from 'sequelize';
import type { Member, Role } from '@dusky-spool/core/model';
import type { Database } from '../../database/index.ts';
import { refusal } from '../../http/problems.ts';
import { isUuid } from '../../http/membership-store.ts';

interface MemberRow extends Omit<Member, 'createdAt' | 'projectIds'> {
  readonly createdAt: Date;
}

/** Members of a firm, in the order in which they came. */
export async function membersOf({ models }: Database, firmId: string): Promise<Member[]> {
  const rows = (await models.members.findAll({
    where: { firmId, removedAt: null },
    attributes: ['id', 'name', 'email', 'role', 'createdAt'],
    order: ['createdAt'],
    raw: true,
  })) as unknown as MemberRow[];
  const seen = (await models.memberProjects.findAll({
    where: { memberId: { [Op.in]: rows.map(({ id }) => id) } },
    raw: true,
  })) as unknown as { memberId: string; projectId: string }[];
  return rows.map((row) => ({
    ...row,
    createdAt: row.createdAt.toISOString(),
    projectIds: seen.filter(({ memberId }) => memberId === row.id).map(({ projectId }) => projectId),
  }));
}

/** Projects that a client is to see must be the firm's. Problem: `not-found`. */
export async function checkProjects({ models }: Database, firmId: string, projectIds: readonly string[]): Promise<void> {
  const count = await models.projects.count({ where: { firmId, id: { [Op.in]: [...projectIds] }, deletedAt: null } });
  if (count !== new Set(projectIds).size) throw refusal('not-found', { field: 'project' });
}

export async function setProjects(
  { models }: Database,
  memberId: string,
  projectIds: readonly string[],
  transaction: Transaction,
): Promise<void> {
  await models.memberProjects.destroy({ where: { memberId }, transaction });
  const rows = [...new Set(projectIds)].map((projectId) => ({ memberId, projectId }));
  if (rows.length > 0) await models.memberProjects.bulkCreate(rows, { transaction });
}

/** Takes a lock on the firm, so that two owners cannot remove each other at once, and finds one of its members. */
async function lockMember(
  { sequelize, models }: Database,
  firmId: string,
  memberId: string,
  transaction: Transaction,
): Promise<MemberRow> {
  await sequelize.query('SELECT 1 FROM firms WHERE id = :firmId FOR UPDATE', { replacements: { firmId }, transaction });
  const member = isUuid(memberId)
    ? await models.members.findOne({ where: { id: memberId, firmId, removedAt: null }, raw: true, transaction })
    : null;
  if (!member) throw refusal('not-found', { field: 'member' });
  return member as unknown as MemberRow;
}

async function keepAnOwner({ models }: Database, firmId: string, memberId: string, transaction: Transaction): Promise<void> {
  const others = await models.members.count({
    where: { firmId, role: 'owner', removedAt: null, id: { [Op.ne]: memberId } },
    transaction,
  });
  if (others === 0) throw refusal('last-owner', { kind: 'invalid', field: 'role' });
}

/** Gives a member another role. Problems: `not-found`, `last-owner`. Returns the member as before. */
export function changeRole(
  database: Database,
  firmId: string,
  memberId: string,
  role: Role,
  projectIds: readonly string[],
): Promise<Pick<Member, 'name' | 'role'>> {
  return database.sequelize.transaction(async (transaction) => {
    const member = await lockMember(database, firmId, memberId, transaction);
    if (member.role === 'owner' && role !== 'owner') await keepAnOwner(database, firmId, memberId, transaction);
    await checkProjects(database, firmId, projectIds);
    await database.models.members.update({ role }, { where: { id: memberId }, transaction });
    await setProjects(database, memberId, role === 'client' ? projectIds : [], transaction);
    return member;
  });
}

/** Takes a member out of the firm; edits keep their author. Problems: `not-found`, `last-owner`. */
export function removeMember(database: Database, firmId: string, memberId: string): Promise<Pick<Member, 'name' | 'role'>> {
  return database.sequelize.transaction(async (transaction) => {
    const member = await lockMember(database, firmId, memberId, transaction);
    if (member.role === 'owner') await keepAnOwner(database, firmId, memberId, transaction);
    await database.models.members.update({ removedAt: new Date() }, { where: { id: memberId }, transaction });
    await database.models.memberProjects.destroy({ where: { memberId }, transaction });
    await database.models.passwordResets.destroy({ where: { memberId }, transaction });
    return member;
  });
}

export const setFirm = async ({ models }: Database, firmId: string, settings: { plannersMayDelete: boolean }): Promise<void> =>
  void (await models.firms.update(settings, { where: { id: firmId } }));

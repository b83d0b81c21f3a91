import type { Request, RequestHandler } from 'express';
import { QueryTypes } from 'sequelize';
import { hasRight, type Right, type Role } from '@dusky-spool/core/model';
import type { Database } from '../database/index.ts';
import { refusal } from './problems.ts';

export interface SignedIn {
  readonly id: string;
  readonly firmId: string;
  readonly name: string;
  readonly role: Role;
}

declare module 'express-serve-static-core' {
  interface Locals {
    member?: SignedIn;
    /** The member sees the project of the address. */
    seesProject?: boolean;
  }
}

interface MemberAtProject extends SignedIn {
  readonly seesProject: boolean;
}

/**
 * The member of a session, from the database each time (a member who is removed is out at once), and whether he or she sees a
 * project: it is of the firm and not deleted, and a client was invited to it.
 */
async function memberAt({ sequelize }: Database, memberId: string, projectId: string | null): Promise<MemberAtProject | null> {
  const [row] = await sequelize.query<MemberAtProject>(
    `SELECT m.id, m.firm_id AS "firmId", m.name, m.role, p.id IS NOT NULL AS "seesProject"
     FROM members m LEFT JOIN projects p ON p.id = :projectId::uuid AND p.firm_id = m.firm_id AND p.deleted_at IS NULL
       AND (m.role <> 'client' OR EXISTS (SELECT 1 FROM member_projects s WHERE s.member_id = m.id AND s.project_id = p.id))
     WHERE m.id = :memberId AND m.removed_at IS NULL`,
    { replacements: { memberId, projectId }, type: QueryTypes.SELECT },
  );
  return row ?? null;
}

export async function memberOf(database: Database, memberId: string | undefined): Promise<SignedIn | null> {
  if (!memberId) return null;
  const member = await memberAt(database, memberId, null);
  return member && { id: member.id, firmId: member.firmId, name: member.name, role: member.role };
}

/** Lets members through whose role has the right, and on routes of a project those who see it. Problems: `not-signed-in`, `role-too-low`. */
export function requireRight(database: Database, right: Right): RequestHandler {
  return async (request, response, next) => {
    const { memberId } = request.session;
    const asked = request.params.projectId === undefined ? null : String(request.params.projectId).toLowerCase();
    const projectId = asked !== null && isUuid(asked) ? asked : null;
    const member = memberId ? await memberAt(database, memberId, projectId) : null;
    if (!member) throw refusal('not-signed-in');
    const { seesProject, ...signedIn } = member;
    response.locals.member = signedIn;
    if (!hasRight(member.role, right)) throw refusal('role-too-low', { field: 'role', role: member.role });
    response.locals.seesProject = seesProject;
    next();
  };
}

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;

export const isUuid = (text: string): boolean => UUID.test(text.toLowerCase());

export async function maySeeProject(database: Database, member: SignedIn, projectId: string): Promise<boolean> {
  return isUuid(projectId) && (await memberAt(database, member.id, projectId.toLowerCase()))?.seesProject === true;
}

/**
 * For every route below `/projects/:projectId`, after `requireRight`. A project of another firm is answered as one that does not
 * exist. Problem: `not-found`.
 */
export const requireProject: RequestHandler = (request: Request, response, next) => {
  if (response.locals.seesProject !== true) throw refusal('not-found', { field: 'project' });
  request.params.projectId = String(request.params.projectId).toLowerCase();
  next();
};

/** Whether the planners of a firm may delete projects. */
export async function plannersMayDelete({ models }: Database, firmId: string): Promise<boolean> {
  const firm = (await models.firms.findByPk(firmId, { raw: true, attributes: ['plannersMayDelete'] })) as unknown as {
    plannersMayDelete: boolean;
  };
  return firm.plannersMayDelete;
}

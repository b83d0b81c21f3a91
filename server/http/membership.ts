import type { Request, RequestHandler } from 'express';
import { hasRight, type Right, type Role } from '@dusky-spool/core/contract';
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
  }
}

/** The member of a session, from the database each time: a member who is removed is out at once. */
export async function memberOf({ models }: Database, memberId: string | undefined): Promise<SignedIn | null> {
  if (!memberId) return null;
  return (await models.members.findOne({
    where: { id: memberId, removedAt: null },
    raw: true,
    attributes: ['id', 'firmId', 'name', 'role'],
  })) as SignedIn | null;
}

/** Lets members through whose role has the right. Problems: `not-signed-in`, `role-too-low`. */
export function requireRight(database: Database, right: Right): RequestHandler {
  return async (request, response, next) => {
    const member = await memberOf(database, request.session.memberId);
    if (!member) throw refusal('not-signed-in');
    response.locals.member = member;
    if (!hasRight(member.role, right)) throw refusal('role-too-low', { field: 'role', role: member.role });
    next();
  };
}

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;

export const isUuid = (text: string): boolean => UUID.test(text.toLowerCase());

/** Whether a member may see a project: it is of the firm and not deleted, and a client was invited to it. */
export async function maySeeProject({ models }: Database, member: SignedIn, projectId: string): Promise<boolean> {
  if (!isUuid(projectId)) return false;
  if ((await models.projects.count({ where: { id: projectId, firmId: member.firmId, deletedAt: null } })) !== 1) return false;
  return member.role !== 'client' || (await models.memberProjects.count({ where: { memberId: member.id, projectId } })) === 1;
}

/** For every route below `/projects/:projectId`. A project of another firm is answered as one that does not exist. */
export function requireProject(database: Database): RequestHandler {
  return async (request: Request, response, next) => {
    const projectId = String(request.params.projectId);
    if (!(await maySeeProject(database, response.locals.member!, projectId))) throw refusal('not-found', { field: 'project' });
    request.params.projectId = projectId.toLowerCase();
    next();
  };
}

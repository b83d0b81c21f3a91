import type { Request, RequestHandler } from 'express';
import type { Database } from '../database/index.ts';
import { refusal } from './problems.ts';

export interface SignedIn {
  readonly id: string;
  readonly firmId: string;
  readonly name: string;
}

declare module 'express-serve-static-core' {
  interface Locals {
    member?: SignedIn;
  }
}

/** The member of a session, from the database each time: a member who is removed is out at once. */
export async function memberOf({ models }: Database, memberId: string | undefined): Promise<SignedIn | null> {
  if (!memberId) return null;
  return (await models.members.findByPk(memberId, { raw: true, attributes: ['id', 'firmId', 'name'] })) as SignedIn | null;
}

export function requireMember(database: Database): RequestHandler {
  return async (request, response, next) => {
    const member = await memberOf(database, request.session.memberId);
    if (!member) throw refusal('not-signed-in');
    response.locals.member = member;
    next();
  };
}

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i;

/** Whether a firm owns a project. A project of another firm is not told from one that does not exist. */
export async function ownsProject({ models }: Database, firmId: string, projectId: string): Promise<boolean> {
  return UUID.test(projectId) && (await models.projects.count({ where: { id: projectId, firmId } })) === 1;
}

/** For every route below `/projects/:projectId`. */
export function requireProject(database: Database): RequestHandler {
  return async (request: Request, response, next) => {
    const member = response.locals.member;
    if (!member || !(await ownsProject(database, member.firmId, String(request.params.projectId))))
      throw refusal('not-found', { field: 'project' });
    next();
  };
}

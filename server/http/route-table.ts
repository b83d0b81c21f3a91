import { Router, type RequestHandler } from 'express';
import type { z } from 'zod';
import type { Right } from '@dusky-spool/core/model';
import type { Database } from '../database/index.ts';
import { requireProject, requireRight } from './membership-store.ts';
import { requireCsrf } from './sessions.ts';
import { refusal } from './problems.ts';

/** Who may call a route: anybody, or members whose role has the right. */
export type Access = 'anyone' | Right;

/** What a route does, takes and answers, as the API description tells it. */
export interface RouteSpec {
  /** In one line. */
  readonly does: string;
  /** What is sent: a shape as JSON, a file as it is, or a picture in a form. */
  readonly body?: z.ZodType | 'file' | 'picture';
  readonly query?: z.ZodType;
  /** What is answered: a shape as JSON or a file; nothing where it is left out. */
  readonly reply?: z.ZodType | 'file';
  /** Where it is not 200, or 204 without a reply. */
  readonly status?: number;
}

export interface Route {
  readonly method: 'GET' | 'POST' | 'PUT' | 'DELETE';
  /** Below `/api`, with its parameters as `:name`. */
  readonly path: string;
  readonly access: Access;
  readonly spec: RouteSpec;
}

/**
 * Every route of the API with who may call it. A route cannot be added without saying so; its guards come from what was
 * said, in one order: session, right, token, project. Tests read the same table.
 */
export class RouteTable {
  readonly routes: Route[] = [];
  readonly router = Router();
  private readonly csrf: RequestHandler;

  constructor(
    private readonly database: Database,
    secret: string,
  ) {
    this.csrf = requireCsrf(secret);
  }

  add(method: Route['method'], path: string, access: Access, spec: RouteSpec, ...handlers: RequestHandler[]): void {
    this.routes.push({ method, path, access, spec });
    const guards: RequestHandler[] = access === 'anyone' ? [] : [requireRight(this.database, access)];
    if (method !== 'GET') guards.push(this.csrf);
    if (path.startsWith('/projects/:projectId')) guards.push(requireProject);
    const register = { GET: 'get', POST: 'post', PUT: 'put', DELETE: 'delete' } as const;
    this.router[register[method]](path, ...guards, ...handlers);
  }

  get = (path: string, access: Access, spec: RouteSpec, ...handlers: RequestHandler[]) =>
    this.add('GET', path, access, spec, ...handlers);
  post = (path: string, access: Access, spec: RouteSpec, ...handlers: RequestHandler[]) =>
    this.add('POST', path, access, spec, ...handlers);
  put = (path: string, access: Access, spec: RouteSpec, ...handlers: RequestHandler[]) =>
    this.add('PUT', path, access, spec, ...handlers);
  delete = (path: string, access: Access, spec: RouteSpec, ...handlers: RequestHandler[]) =>
    this.add('DELETE', path, access, spec, ...handlers);

  /** The router with an answer for every address that is none of them; an unknown address says nothing to a stranger. */
  done(): Router {
    this.router.use(requireRight(this.database, 'read'), () => {
      throw refusal('not-found', { field: 'address' });
    });
    return this.router;
  }
}

import express, { Router, type Request } from 'express';
import { rateLimit } from 'express-rate-limit';
import { firstAccountRequest, signInRequest, type SessionReply } from '@dusky-spool/core/contract';
import type { Config } from '../../app/config.ts';
import type { Database } from '../../database/index.ts';
import { memberOf, parseBody, refusal, requireCsrf } from '../../http/index.ts';
import { newCsrfToken } from '../../http/sessions.ts';
import { demoMember, firmName, makeFirstAccount, noMemberYet, signIn } from './service.ts';

const QUARTER_HOUR_MS = 15 * 60 * 1000;

export function sessionRoutes(database: Database, config: Config): Router {
  const router = Router();
  const slowDown = rateLimit({
    windowMs: QUARTER_HOUR_MS,
    limit: config.signInTries,
    skipSuccessfulRequests: true,
    standardHeaders: 'draft-7',
    legacyHeaders: false,
    handler: (_request, _response, next) => next(refusal('too-many-tries', { minutes: 15 })),
  });
  const json = express.json({ limit: '20kb' });

  router.get('/session', async (request, response) => {
    request.session.csrfToken ??= newCsrfToken();
    response.set('Cache-Control', 'no-store').json(await replyFor(database, config, request));
  });
  router.post('/session', slowDown, json, requireCsrf, async (request, response) => {
    const { email, password } = parseBody(request, signInRequest);
    await enter(request, await signIn(database, email, password));
    response.json(await replyFor(database, config, request));
  });
  router.post('/session/demo', json, requireCsrf, async (request, response) => {
    const memberId = config.demo ? await demoMember(database) : null;
    if (!memberId) throw refusal('not-allowed', { field: 'demo' });
    await enter(request, memberId);
    response.json(await replyFor(database, config, request));
  });
  router.post('/session/first-account', slowDown, json, requireCsrf, async (request, response) => {
    await enter(request, await makeFirstAccount(database, parseBody(request, firstAccountRequest), new Date()));
    response.status(201).json(await replyFor(database, config, request));
  });
  router.delete('/session', requireCsrf, async (request, response) => {
    await new Promise<void>((done, failed) => request.session.destroy((error) => (error ? failed(error as Error) : done())));
    response.clearCookie('spool').status(204).end();
  });
  return router;
}

/** A new session id for the one who signs in, so that a planted one is worth nothing. */
async function enter(request: Request, memberId: string): Promise<void> {
  await new Promise<void>((done, failed) => request.session.regenerate((error) => (error ? failed(error as Error) : done())));
  request.session.memberId = memberId;
  request.session.csrfToken = newCsrfToken();
}

async function replyFor(database: Database, config: Config, request: Request): Promise<SessionReply> {
  const member = await memberOf(database, request.session.memberId);
  return {
    member: member && { id: member.id, name: member.name, firm: await firmName(database, member.firmId) },
    csrfToken: request.session.csrfToken ?? '',
    firstStart: await noMemberYet(database),
    demo: config.demo && (await demoMember(database)) !== null,
  };
}

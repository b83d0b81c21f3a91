import { createHmac } from 'node:crypto';
import express, { type Request, type Response } from 'express';
import {
  acceptInvitationRequest,
  askResetRequest,
  changePasswordRequest,
  deviceKeyReply,
  firstAccountRequest,
  invitationReply,
  readInvitationRequest,
  resetPasswordRequest,
  sentReply,
  sessionReply,
  type SessionReply,
  sessionsReply,
  type SessionsReply,
  signInRequest,
} from '@dusky-spool/core/model';
import { beginSession, sessionName, tokenForVisitor } from '../../http/sessions.ts';
import { memberOf } from '../../http/membership-store.ts';
import { parseBody } from '../../http/parse.ts';
import { PlannedRefusal, refusal } from '../../http/problems.ts';
import type { RouteTable } from '../../http/route-table.ts';
import { acceptInvitation, readInvitation } from './invitation-store.ts';
import { linkTo, type Services } from '../../services/services.ts';
import { beginReset, changePassword, finishReset, makeFirm, signIn } from './service.ts';
import { accountByEmail, accountById, countMembers, demoMember, endSessions, firmName, sessionsOf } from './store.ts';
import { words } from '@dusky-spool/texts';

const SMALL = express.json({ limit: '20kb' });

/** Signing in and out, one's own sessions and password, and what the sign-in page may offer. */
export function sessionRoutes(table: RouteTable, services: Services): void {
  const { database, config, audit, attempts, bus } = services;

  const reply = async (request: Request, response: Response): Promise<SessionReply> => {
    const member = await memberOf(database, request.session.memberId);
    const first = member ? false : (await countMembers(database)) === 0;
    return {
      member: member && { id: member.id, name: member.name, firm: await firmName(database, member.firmId), role: member.role },
      csrfToken: member ? (request.session.csrfToken ?? '') : tokenForVisitor(services.secret, request, response),
      firstStart: first,
      needsSetupToken: first && config.setupToken !== null,
      demo: config.demo && (await demoMember(database)) !== null,
    };
  };
  const enter = async (request: Request, memberId: string): Promise<void> => {
    await beginSession(request, memberId, Date.now());
    const account = await accountById(database, memberId);
    if (account)
      await audit.add({ firmId: account.firmId, kind: 'signed-in', member: account, about: { device: request.session.device } });
  };

  const noteRefusal = async (email: string): Promise<void> => {
    const account = await accountByEmail(database, email);
    if (account)
      await audit.add({ firmId: account.firmId, kind: 'sign-in-refused', member: null, about: { account: account.name } });
  };

  table.get('/session', 'anyone', { does: 'Who is signed in', reply: sessionReply }, async (request, response) => {
    response.json(await reply(request, response));
  });

  table.post(
    '/session',
    'anyone',
    { does: 'Signs in', body: signInRequest, reply: sessionReply },
    SMALL,
    async (request, response) => {
      const { email, password } = parseBody(request, signInRequest);
      const attempt = await attempts.begin(email, request.ip ?? '');
      try {
        const account = await signIn(database, email, password);
        await attempt.succeeded();
        await enter(request, account.id);
      } catch (error) {
        // Written down beside the answer, which takes as long for an address without an account.
        if (error instanceof PlannedRefusal)
          void noteRefusal(email).catch((failure: unknown) => services.report(failure, 'audit of a refusal'));
        throw error;
      }
      response.json(await reply(request, response));
    },
  );

  table.post(
    '/session/demo',
    'anyone',
    { does: 'Opens the demo firm', reply: sessionReply },
    SMALL,
    async (request, response) => {
      const account = config.demo ? await demoMember(database) : null;
      if (!account) throw refusal('not-allowed', { field: 'demo' });
      await enter(request, account.id);
      response.json(await reply(request, response));
    },
  );

  table.post(
    '/session/first-account',
    'anyone',
    { does: 'Makes a firm and its first account', body: firstAccountRequest, reply: sessionReply, status: 201 },
    SMALL,
    async (request, response) => {
      const { setupToken, ...account } = parseBody(request, firstAccountRequest);
      const attempt = await attempts.begin(`account for ${account.email}`, request.ip ?? '');
      if (
        config.setupToken !== null &&
        (await countMembers(database)) === 0 &&
        (config.setupToken === '' || setupToken !== config.setupToken)
      )
        throw refusal('setup-token-wrong', { kind: 'invalid', field: 'setupToken' });
      const memberId = await makeFirm(database, account, config.demo, new Date());
      await attempt.succeeded();
      await enter(request, memberId);
      response.status(201).json(await reply(request, response));
    },
  );

  table.delete('/session', 'anyone', { does: 'Signs out' }, async (request, response) => {
    const member = await memberOf(database, request.session.memberId);
    const { sessionID } = request;
    await new Promise<void>((done, failed) => request.session.destroy((error) => (error ? failed(error as Error) : done())));
    if (member) {
      await bus.emit({ kind: 'session-ended', session: sessionName(sessionID) });
      await audit.add({ firmId: member.firmId, kind: 'signed-out', member });
    }
    response.clearCookie('spool').status(204).end();
  });

  // What a device stores is encrypted with this at sign-out; it is given out to this member only, while signed in.
  table.get(
    '/session/device-key',
    'read',
    { does: 'The key of what this device keeps for its member', reply: deviceKeyReply },
    (_request, response) => {
      const key = createHmac('sha256', services.secret).update(`device of ${response.locals.member!.id}`).digest('base64');
      response.json({ key });
    },
  );

  table.get('/session/list', 'read', { does: 'Open sessions of the member', reply: sessionsReply }, async (request, response) => {
    const sessions = await sessionsOf(database, response.locals.member!.id, request.sessionID, config.sessionIdleHours);
    response.json({ sessions } satisfies SessionsReply);
  });

  /** Ends the sessions that match, wherever they are, and those who follow a project with them. */
  const end = async (response: Response, matches: (sid: string) => boolean): Promise<number> => {
    const member = response.locals.member!;
    const ended = await endSessions(database, member.id, matches);
    for (const session of ended) await bus.emit({ kind: 'session-ended', session });
    if (ended.length > 0)
      await audit.add({ firmId: member.firmId, kind: 'sessions-ended', member, about: { count: ended.length } });
    return ended.length;
  };
  table.delete('/session/list', 'read', { does: 'Ends all other sessions' }, async (request, response) => {
    await end(response, (sid) => sid !== request.sessionID);
    response.status(204).end();
  });
  table.delete('/session/list/:sessionName', 'read', { does: 'Ends one session' }, async (request, response) => {
    if ((await end(response, (sid) => sessionName(sid) === request.params.sessionName)) === 0)
      throw refusal('not-found', { field: 'session' });
    response.status(204).end();
  });

  table.put(
    '/session/password',
    'read',
    { does: 'Changes the password', body: changePasswordRequest },
    SMALL,
    async (request, response) => {
      const { current, password } = parseBody(request, changePasswordRequest);
      const member = response.locals.member!;
      const attempt = await attempts.begin(`password of ${member.id}`, request.ip ?? '');
      await changePassword(database, member.id, current, password);
      await attempt.succeeded();
      await audit.add({ firmId: member.firmId, kind: 'password-changed', member });
      await end(response, (sid) => sid !== request.sessionID);
      response.status(204).end();
    },
  );

  // The answer and its time are the same whether the address has an account or not.
  table.post(
    '/session/reset',
    'anyone',
    { does: 'Sends a link to set a new password', body: askResetRequest, reply: sentReply, status: 202 },
    SMALL,
    async (request, response) => {
      const { email } = parseBody(request, askResetRequest);
      await attempts.begin(`reset of ${email}`, request.ip ?? '');
      void beginReset(database, email)
        .then(async (begun) => {
          if (!begun) return;
          const link = linkTo(services, request, `/reset?code=${begun.token}`);
          await services.mail.send({
            firmId: begun.account.firmId,
            recipient: email,
            subject: words.t('mails.reset.subject'),
            body: words.t('mails.reset.body', { name: begun.account.name, link }),
          });
        })
        .catch((error: unknown) => services.report(error, 'reset mail'));
      response.status(202).json({ sent: true });
    },
  );
  table.post(
    '/session/reset/finish',
    'anyone',
    { does: 'Sets a new password', body: resetPasswordRequest },
    SMALL,
    async (request, response) => {
      const { token, password } = parseBody(request, resetPasswordRequest);
      const account = await finishReset(database, token, password);
      for (const session of await endSessions(database, account.id, () => true))
        await bus.emit({ kind: 'session-ended', session });
      await audit.add({ firmId: account.firmId, kind: 'password-reset', member: account });
      response.status(204).end();
    },
  );

  table.post(
    '/session/invitation',
    'anyone',
    { does: 'What an invitation is for', body: readInvitationRequest, reply: invitationReply },
    SMALL,
    async (request, response) => {
      const { token } = parseBody(request, readInvitationRequest);
      response.json(await readInvitation(database, token));
    },
  );
  table.post(
    '/session/invitation/accept',
    'anyone',
    { does: 'Joins a firm', body: acceptInvitationRequest, reply: sessionReply, status: 201 },
    SMALL,
    async (request, response) => {
      const accepted = parseBody(request, acceptInvitationRequest);
      const account = await acceptInvitation(database, accepted);
      await audit.add({ firmId: account.firmId, kind: 'member-joined', member: account, about: { role: account.role } });
      await enter(request, account.id);
      response.status(201).json(await reply(request, response));
    },
  );
}

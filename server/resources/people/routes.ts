import express from 'express';
import { z } from 'zod';
import {
  auditReply,
  firmSettingsRequest,
  inviteRequest,
  madeReply,
  mailsReply,
  type MailsReply,
  memberRequest,
  peopleReply,
  type PeopleReply,
} from '@dusky-spool/core/model';
import { isUuid, plannersMayDelete } from '../../http/membership-store.ts';
import { parseBody, parseQuery } from '../../http/parse.ts';
import { refusal } from '../../http/problems.ts';
import type { RouteTable } from '../../http/route-table.ts';
import { linkTo, type Services } from '../../services/services.ts';
import { projectNames } from '../projects/store.ts';
import { endSessions, firmName } from '../session/store.ts';
import { invite, openInvitations, withdrawInvitation } from '../session/invitation-store.ts';
import { changeRole, membersOf, removeMember, setFirm } from '../session/member-store.ts';
import { en, words } from '@dusky-spool/texts';

const SMALL = express.json({ limit: '40kb' });
const auditQuery = z.strictObject({ before: z.coerce.number().int().min(1).max(2_147_483_647).optional() });

/** Members, invitations, the firm's settings, its audit trail and its simulated mail box: for owners. */
export function peopleRoutes(table: RouteTable, services: Services): void {
  const { database, audit, bus, mail } = services;

  table.get('/people', 'own', { does: 'Members and invitations', reply: peopleReply }, async (_request, response) => {
    const { firmId } = response.locals.member!;
    response.json({
      members: await membersOf(database, firmId),
      invitations: await openInvitations(database, firmId),
      plannersMayDelete: await plannersMayDelete(database, firmId),
      mailIsSimulated: mail.isSimulated,
    } satisfies PeopleReply);
  });

  table.put(
    '/people/settings',
    'own',
    { does: 'Settings of the firm', body: firmSettingsRequest },
    SMALL,
    async (request, response) => {
      const settings = parseBody(request, firmSettingsRequest);
      const member = response.locals.member!;
      await setFirm(database, member.firmId, settings);
      await audit.add({ firmId: member.firmId, kind: 'firm-settings', member, about: settings });
      response.status(204).end();
    },
  );

  table.post(
    '/people/invitations',
    'own',
    { does: 'Invites somebody', body: inviteRequest, reply: madeReply, status: 201 },
    SMALL,
    async (request, response) => {
      const invited = parseBody(request, inviteRequest);
      const member = response.locals.member!;
      const { id, token } = await invite(database, { ...invited, firmId: member.firmId, invitedBy: member.id });
      const firm = await firmName(database, member.firmId);
      await mail.send({
        firmId: member.firmId,
        recipient: invited.email,
        subject: words.t('mails.invitation.subject', { firm }),
        body: words.t('mails.invitation.body', {
          firm,
          name: member.name,
          role: en.ui.people.roles[invited.role],
          link: linkTo(services, request, `/join?code=${token}`),
        }),
      });
      await audit.add({
        firmId: member.firmId,
        kind: 'member-invited',
        member,
        about: { invited: invited.email, role: invited.role },
      });
      response.status(201).json({ id });
    },
  );
  table.delete('/people/invitations/:invitationId', 'own', { does: 'Withdraws an invitation' }, async (request, response) => {
    const member = response.locals.member!;
    const id = String(request.params.invitationId);
    if (!isUuid(id) || !(await withdrawInvitation(database, member.firmId, id)))
      throw refusal('not-found', { field: 'invitation' });
    await audit.add({ firmId: member.firmId, kind: 'invitation-withdrawn', member, about: { invitation: id } });
    response.status(204).end();
  });

  table.put(
    '/people/members/:memberId',
    'own',
    { does: 'Changes a role', body: memberRequest },
    SMALL,
    async (request, response) => {
      const { role, projectIds } = parseBody(request, memberRequest);
      const member = response.locals.member!;
      const memberId = String(request.params.memberId);
      const before = await changeRole(database, member.firmId, memberId, role, projectIds);
      await audit.add({
        firmId: member.firmId,
        kind: 'role-changed',
        member,
        about: { of: before.name, from: before.role, to: role, projects: projectIds.length },
      });
      // Whoever follows a project that is out of reach now is let go; the others come back by themselves.
      await bus.emit({ kind: 'member-out', memberId });
      response.status(204).end();
    },
  );
  table.delete('/people/members/:memberId', 'own', { does: 'Removes a member' }, async (request, response) => {
    const member = response.locals.member!;
    const memberId = String(request.params.memberId);
    const removed = await removeMember(database, member.firmId, memberId);
    await endSessions(database, memberId, () => true);
    await bus.emit({ kind: 'member-out', memberId });
    await audit.add({ firmId: member.firmId, kind: 'member-removed', member, about: { of: removed.name, role: removed.role } });
    response.status(204).end();
  });

  table.get(
    '/people/audit',
    'own',
    { does: 'The audit trail, newest first', query: auditQuery, reply: auditReply },
    async (request, response) => {
      const { before } = parseQuery(request, auditQuery);
      const { firmId } = response.locals.member!;
      const reply = await audit.read(firmId, before ?? null);
      const names = await projectNames(database, firmId);
      const lines = reply.lines.map((line) => {
        const name = names.get(String(line.about.project));
        return name === undefined ? line : { ...line, about: { ...line.about, project: name } };
      });
      response.json({ ...reply, lines });
    },
  );
  table.get('/people/mails', 'own', { does: 'The simulated mail box', reply: mailsReply }, async (_request, response) => {
    response.json({ mails: mail.isSimulated ? await mail.box(response.locals.member!.firmId) : [] } satisfies MailsReply);
  });
}

import '../../testing/dom.ts';
import type { PeopleReply, ProjectsReply } from '@dusky-spool/core/model';
import { waitFor, within } from '@testing-library/react';
import { expect } from 'chai';
import { fakeServer, Refusal } from '../../testing/fake-server.ts';
import { choose, press } from '../../testing/fields.ts';
import { closePage, renderPage, signInAs } from '../../testing/render.tsx';
import { AuditTrail } from './AuditTrail.tsx';
import { MailBox } from './MailBox.tsx';
import { Members } from './Members.tsx';

const AT = '2026-11-20T08:00:00.000Z';
const member = (id: string, role: string, more: object = {}) =>
  ({ id, name: `Person ${id}`, email: `${id}@example.test`, role, projectIds: [], createdAt: AT, ...more }) as never;

describe('the people of a firm, on screen', () => {
  let server: ReturnType<typeof fakeServer>;
  let people: PeopleReply;
  let refuse: Refusal | null;
  beforeEach(() => {
    signInAs('owner');
    refuse = null;
    people = {
      members: [member('m1', 'owner'), member('m2', 'crew')],
      invitations: [{ id: 'i1', email: 'new@example.test', role: 'planner', expiresAt: AT, projectIds: [] }] as never,
      plannersMayDelete: false,
      mailIsSimulated: true,
    } as unknown as PeopleReply;
    server = fakeServer({
      'GET /people': () => people,
      'GET /projects': (): ProjectsReply => ({ projects: [{ id: 'p1', name: 'Creek house' }], mayDelete: true }) as never,
      'GET /session': () => ({ csrfToken: 't' }),
      'POST /people/invitations': () => refuse ?? {},
      'PUT /people/members/*': () => refuse ?? {},
      'PUT /people/settings': ({ body }) => {
        people = { ...people, ...(body as object) };
      },
      'DELETE /people/*': ({ path }) => {
        if (refuse) return refuse;
        const id = path.split('/').at(-1);
        people = {
          ...people,
          members: people.members.filter((one) => one.id !== id),
          invitations: people.invitations.filter((one) => one.id !== id),
        };
      },
    });
  });
  afterEach(() => {
    server.stop();
    closePage();
  });
  const open = async () => {
    const page = renderPage(<Members />);
    await page.findByText('Person m1');
    return page;
  };
  const dialog = () => within(document.querySelector('.ant-modal')!);

  it('are listed with their roles, and one’s own line is marked', async () => {
    const page = await open();
    const rows = page.getAllByRole('row').filter((row) => row.textContent!.includes('@example.test'));
    expect(rows.map((row) => row.textContent!.includes('you'))).to.deep.equal([true, false, false]);
  });

  it('are invited by an address that is one', async () => {
    const page = await open();
    await press(page, 'Invite');
    const email = dialog().getByRole('textbox', { name: 'Email' });
    await page.user.type(email, 'nobody');
    await page.user.click(dialog().getByRole('button', { name: 'Send invitation' }));
    expect(dialog().getByRole('alert').textContent).to.not.equal('');
    expect(server.sent('POST', '/people/invitations')).to.deep.equal([]);
    await page.user.type(email, '@example.test');
    await page.user.click(dialog().getByRole('button', { name: 'Send invitation' }));
    await waitFor(() => expect(document.querySelector('.ant-modal')).to.equal(null));
    expect(server.sent('POST', '/people/invitations')).to.deep.equal([
      { email: 'nobody@example.test', role: 'planner', projectIds: [] },
    ]);
  });

  it('are invited as a client only with projects', async () => {
    const page = await open();
    await press(page, 'Invite');
    await page.user.type(dialog().getByRole('textbox', { name: 'Email' }), 'owner@example.test');
    await page.user.click(dialog().getByRole('radio', { name: /^Client/ }));
    await page.user.click(dialog().getByRole('button', { name: 'Send invitation' }));
    expect(dialog().getByRole('alert').textContent).to.match(/project/i);
    await choose(page, 'Projects that this client may see', 'Creek house');
    await page.user.click(dialog().getByRole('button', { name: 'Send invitation' }));
    await waitFor(() => expect(server.sent('POST', '/people/invitations')).to.have.length(1));
    expect(server.sent('POST', '/people/invitations')[0]).to.deep.include({ role: 'client', projectIds: ['p1'] });
  });

  it('keep what was typed where the server refuses, with its reason', async () => {
    const page = await open();
    refuse = new Refusal(409, { code: 'value-taken', field: 'email' });
    await press(page, 'Invite');
    const email = dialog().getByRole('textbox', { name: 'Email' }) as HTMLInputElement;
    await page.user.type(email, 'm2@example.test');
    await page.user.click(dialog().getByRole('button', { name: 'Send invitation' }));
    expect((await dialog().findByRole('alert')).textContent).to.not.equal('');
    expect(email.value).to.equal('m2@example.test');
  });

  it('get another role', async () => {
    const page = await open();
    await press(page, /role.*Person m2/i);
    await page.user.click(dialog().getByRole('radio', { name: /^Planner/ }));
    await page.user.click(dialog().getByRole('button', { name: 'Save' }));
    await waitFor(() => expect(server.sent('PUT', '/people/members/m2')).to.deep.equal([{ role: 'planner', projectIds: [] }]));
  });

  it('are removed after a question, and the list is read again', async () => {
    const page = await open();
    await press(page, /Remove Person m2/);
    await page.user.click(within(document.querySelector('.ant-modal')!).getByRole('button', { name: 'Remove' }));
    await waitFor(() => expect(page.queryByText('Person m2')).to.equal(null));
    expect(page.queryByText('Person m1')).to.not.equal(null);
  });

  it('stay, with the reason, where they may not be removed', async () => {
    const page = await open();
    refuse = new Refusal(409, { code: 'last-owner', field: 'role' });
    await press(page, /Remove Person m1/);
    await page.user.click(within(document.querySelector('.ant-modal')!).getByRole('button', { name: 'Remove' }));
    expect((await page.findByRole('alert')).textContent).to.not.equal('');
    expect(page.queryByText('Person m1')).to.not.equal(null);
  });

  it('lose an invitation that is withdrawn, and decide who may delete projects', async () => {
    const page = await open();
    await press(page, /new@example\.test/);
    await waitFor(() => expect(page.queryByText('new@example.test')).to.equal(null));
    await page.user.click(page.getByRole('switch'));
    await waitFor(() => expect(page.getByRole('switch').getAttribute('aria-checked')).to.equal('true'));
    expect(server.sent('PUT', '/people/settings')).to.deep.equal([{ plannersMayDelete: true }]);
  });
});

describe('the record of a firm, on screen', () => {
  let server: ReturnType<typeof fakeServer> | null = null;
  beforeEach(() => signInAs('owner'));
  afterEach(() => {
    server?.stop();
    closePage();
  });
  const line = (n: number) => ({ line: n, at: AT, by: 'Person m1', kind: 'signed-in', about: {} });

  it('is read page after page to its first line', async () => {
    server = fakeServer({
      'GET /people/audit': ({ path }) => {
        const before = Number(new URLSearchParams(path.split('?')[1]).get('before') ?? 6);
        const lines = [before - 1, before - 2].filter((n) => n > 0).map(line);
        return { lines, total: 5, brokenAt: null };
      },
    });
    const page = renderPage(<AuditTrail />);
    await page.findByText('Person m1', { selector: 'tr:first-child td' });
    const numbers = () => [...page.container.querySelectorAll('tbody .figure')].map((cell) => Number(cell.textContent));
    expect(numbers()).to.deep.equal([5, 4]);
    await press(page, /older|more/i);
    await waitFor(() => expect(numbers()).to.deep.equal([5, 4, 3, 2]));
    await press(page, /older|more/i);
    await waitFor(() => expect(numbers()).to.deep.equal([5, 4, 3, 2, 1]));
    expect(page.queryByRole('button')).to.equal(null);
  });

  it('warns where a line is not as it was written', async () => {
    server = fakeServer({ 'GET /people/audit': () => ({ lines: [line(2)], total: 2, brokenAt: 2 }) });
    const page = renderPage(<AuditTrail />);
    expect((await page.findByRole('alert')).textContent).to.include('2');
  });

  it('says why it cannot be read', async () => {
    server = fakeServer({ 'GET /people/mails': () => new Refusal(503, { code: 'database-away' }) });
    const page = renderPage(<MailBox />);
    expect((await page.findByRole('alert')).textContent).to.match(/database/i);
  });
});

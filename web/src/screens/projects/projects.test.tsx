import '../../testing/dom.ts';
import type { DeletedProject, ProjectsReply, ProjectSummary } from '@dusky-spool/core/model';
import { fireEvent, waitFor, within } from '@testing-library/react';
import { smallHouse } from '@dusky-spool/core/testing';
import { expect } from 'chai';
import { setDeviceOwner } from '../../ground/api/device-owner.ts';
import { forgetHouse, keepHouse } from '../../ground/api/device-store.ts';
import { fakeServer, Refusal } from '../../testing/fake-server.ts';
import { press } from '../../testing/fields.ts';
import { closePage, renderPage, signInAs } from '../../testing/render.tsx';
import { AccountScreen } from '../account/AccountScreen.tsx';
import { Projects } from './Projects.tsx';

const AT = '2026-11-20T08:00:00.000Z';
const project = (id: string, name: string): ProjectSummary =>
  ({
    id,
    name,
    shortId: 'ABCDE',
    description: '',
    levels: 2,
    rooms: 5,
    devices: 9,
    runs: 10,
    runsPulled: 5,
    updatedAt: AT,
  }) as never;

describe('the list of projects', () => {
  let server: ReturnType<typeof fakeServer>;
  let reply: ProjectsReply;
  let deleted: DeletedProject[];
  let refuse: Refusal | null;
  beforeEach(() => {
    signInAs('owner');
    refuse = null;
    deleted = [];
    reply = { projects: [project('p1', 'Creek house'), project('p2', 'Quay flat')], mayDelete: true };
    server = fakeServer({
      'GET /projects': () => refuse ?? reply,
      'GET /deleted-projects': () => ({ projects: deleted }),
      'POST /projects': () => refuse ?? { id: 'p9' },
      'POST /projects/import': () => refuse ?? { id: 'p7' },
      'DELETE /projects/*': ({ path }) => {
        if (refuse) return refuse;
        const id = path.split('/').at(-1)!;
        deleted = [{ id, name: reply.projects.find((one) => one.id === id)!.name, deletedAt: AT, deletedBy: 'Ada', goneAt: AT }];
        reply = { ...reply, projects: reply.projects.filter((one) => one.id !== id) };
      },
      'POST /deleted-projects/*': () => {
        reply = { ...reply, projects: [project('p2', 'Quay flat')] };
        deleted = [];
      },
    });
  });
  afterEach(() => {
    server.stop();
    closePage();
  });
  it('shows the houses that this device holds while the server cannot be reached, and tries again', async () => {
    const house = smallHouse();
    setDeviceOwner('m1');
    await keepHouse({ projectId: 'p1', shortId: '7K3MQ', name: 'Creek house', revision: 4, document: house });
    const answer = globalThis.fetch;
    globalThis.fetch = () => Promise.reject(new TypeError('Failed to fetch'));
    const page = renderPage(<Projects />, { at: '/projects' });
    const link = await page.findByRole('link', { name: 'Open Creek house' });
    expect(link.getAttribute('href')).to.equal('/p/p1/devices');
    expect(page.getByText(/open without a connection/)).to.not.equal(null);
    globalThis.fetch = answer;
    await press(page, 'Try again');
    await page.findByText('Quay flat');
    expect(page.queryByText(/open without a connection/)).to.equal(null);
    await forgetHouse('p1');
  });

  it('says which file is no project, and what to choose instead', async () => {
    const page = await open();
    refuse = new Refusal(422, { code: 'file-not-json', field: 'file' });
    // The window of the tests reads no files.
    const file = Object.assign(new File(['%PDF-1.7'], 'offer.pdf'), { text: () => Promise.resolve('{}') });
    fireEvent.change(page.getByLabelText('Import project file', { selector: 'input' }), { target: { files: [file] } });
    expect((await page.findByRole('alert')).textContent).to.match(/^offer\.pdf was not imported\..*\.spool\.json/);
  });

  const open = async () => {
    const page = renderPage(<Projects />, { at: '/projects' });
    await page.findByText('Creek house');
    return page;
  };

  it('shows each with its figures and how much is pulled', async () => {
    const page = await open();
    expect(page.getByRole('link', { name: 'Open Creek house' }).getAttribute('href')).to.equal('/p/p1/devices');
    expect(page.getAllByText('50 % pulled')).to.have.length(2);
  });

  it('deletes one after a question, and restores it', async () => {
    const page = await open();
    await press(page, 'Delete Quay flat');
    const dialog = within(document.querySelector('.ant-modal')!);
    const remove = dialog.getByRole('button', { name: 'Delete' }) as HTMLButtonElement;
    expect(remove.disabled).to.equal(true);
    await page.user.type(dialog.getByLabelText('Type its name to delete it'), 'quay flat');
    await page.user.click(remove);
    await page.findByRole('button', { name: 'Restore Quay flat' });
    expect(page.queryByRole('link', { name: 'Open Quay flat' })).to.equal(null);
    await press(page, 'Restore Quay flat');
    await page.findByRole('link', { name: 'Open Quay flat' });
  });

  it('does not offer to delete to whom may not', async () => {
    reply = { ...reply, mayDelete: false };
    const page = await open();
    expect(page.queryByRole('button', { name: /^Delete/ })).to.equal(null);
    expect(server.requests.map(({ path }) => path)).to.not.include('/deleted-projects');
  });

  it('creates one with a name and units, and opens it', async () => {
    const page = await open();
    await press(page, 'New project');
    const dialog = within(document.querySelector('.ant-modal')!);
    await page.user.click(dialog.getByRole('button', { name: 'Create' }));
    expect(dialog.getByRole('alert').textContent).to.match(/name/i);
    await page.user.type(dialog.getByRole('textbox'), 'Mill loft');
    await page.user.click(dialog.getByRole('button', { name: 'Create' }));
    expect(dialog.getByRole('alert').textContent).to.match(/region/i);
    await page.user.click(dialog.getByText('United Kingdom'));
    await page.user.click(dialog.getByText(/^Imperial|feet/i));
    await page.user.click(dialog.getByRole('button', { name: 'Create' }));
    await waitFor(() => expect(page.address()).to.equal('/p/p9/survey'));
    expect(server.sent('POST', '/projects')).to.deep.equal([{ name: 'Mill loft', units: 'imperial', jurisdiction: 'UK' }]);
  });

  it('is in feet and inches where the region builds in them, unless somebody says otherwise', async () => {
    const page = await open();
    await press(page, 'New project');
    const dialog = within(document.querySelector('.ant-modal')!);
    await page.user.type(dialog.getByRole('textbox'), 'Mill loft');
    await page.user.click(dialog.getByText('North America'));
    await page.user.click(dialog.getByRole('button', { name: 'Create' }));
    await waitFor(() => expect(server.sent('POST', '/projects')).to.have.length(1));
    expect(server.sent('POST', '/projects')[0]).to.deep.equal({ name: 'Mill loft', units: 'imperial', jurisdiction: 'NA' });
  });

  it('keeps the name that was typed where the server refuses it', async () => {
    const page = await open();
    await press(page, 'New project');
    refuse = new Refusal(409, { code: 'firm-full', field: 'projects' });
    const dialog = within(document.querySelector('.ant-modal')!);
    const name = dialog.getByRole('textbox') as HTMLInputElement;
    await page.user.type(name, 'Mill loft');
    await page.user.click(dialog.getByText('European Union'));
    await page.user.click(dialog.getByRole('button', { name: 'Create' }));
    expect((await dialog.findByRole('alert')).textContent).to.not.equal('');
    expect(name.value).to.equal('Mill loft');
    expect(page.address()).to.equal('/projects');
  });

  it('imports a file and opens it, or says why it cannot', async () => {
    const page = await open();
    const input = page.getByLabelText('Import project file', { selector: 'input' }) as HTMLInputElement;
    refuse = new Refusal(422, { code: 'file-invalid', field: 'file' });
    await page.user.upload(input, new File(['{"x":1}'], 'house.json', { type: 'application/json' }));
    expect((await page.findByRole('alert')).textContent).to.not.equal('');
    refuse = null;
    await page.user.upload(input, new File(['{"x":1}'], 'house.json', { type: 'application/json' }));
    await waitFor(() => expect(page.address()).to.equal('/p/p7/devices'));
  });

  it('says so where the server cannot be reached', async () => {
    refuse = new Refusal(503, { code: 'database-away' });
    const page = renderPage(<Projects />, { at: '/projects' });
    expect((await page.findByRole('alert')).textContent).to.match(/database/i);
  });
});

describe('one’s own account', () => {
  let server: ReturnType<typeof fakeServer>;
  let sessions: { id: string; device: string; startedAt: string; usedAt: string; isThis: boolean }[];
  let refuse: Refusal | null;
  beforeEach(() => {
    signInAs('planner');
    refuse = null;
    sessions = ['s1', 's2', 's3'].map((id) => ({ id, device: 'computer', startedAt: AT, usedAt: AT, isThis: id === 's1' }));
    server = fakeServer({
      'GET /session/list': () => ({ sessions }),
      'DELETE /session/list': () => void (sessions = sessions.filter(({ isThis }) => isThis)),
      'DELETE /session/list/*': ({ path }) => void (sessions = sessions.filter(({ id }) => !path.endsWith(id))),
      'PUT /session/password': () => refuse ?? {},
    });
  });
  afterEach(() => {
    server.stop();
    closePage();
  });
  const open = async () => {
    const page = renderPage(<AccountScreen />, { at: '/account' });
    await waitFor(() => expect(page.container.querySelectorAll('.account__session-list li')).to.have.length(3));
    return page;
  };

  it('ends single sessions, and all others at once; this one stays', async () => {
    const page = await open();
    const ends = page.getAllByRole('button', { name: /^Sign out the session of/ });
    expect(ends).to.have.length(2);
    await page.user.click(ends[0]);
    await waitFor(() => expect(page.container.querySelectorAll('.account__session-list li')).to.have.length(2));
    await press(page, 'Sign out all others');
    await waitFor(() => expect(page.container.querySelectorAll('.account__session-list li')).to.have.length(1));
    expect(sessions.map(({ id }) => id)).to.deep.equal(['s1']);
  });

  it('changes its password, which is long enough, and empties the fields', async () => {
    const page = await open();
    const [current, next] = [...page.container.querySelectorAll<HTMLInputElement>('input[type=password]')];
    await page.user.type(current, 'old password here');
    await page.user.type(next, 'short');
    await press(page, /change/i);
    expect(page.getByRole('alert').textContent).to.match(/12/);
    await page.user.type(next, ' but now long');
    await press(page, /change/i);
    await page.findByRole('status');
    expect(server.sent('PUT', '/session/password')).to.deep.equal([
      { current: 'old password here', password: 'short but now long' },
    ]);
    expect(
      [...page.container.querySelectorAll<HTMLInputElement>('input[type=password]')].map(({ value }) => value),
    ).to.deep.equal(['', '']);
  });

  it('has the reason of the server at the field that it is about', async () => {
    const page = await open();
    refuse = new Refusal(403, { code: 'password-wrong', field: 'current' });
    const [current, next] = [...page.container.querySelectorAll<HTMLInputElement>('input[type=password]')];
    await page.user.type(current, 'not the password');
    await page.user.type(next, 'long enough password');
    await press(page, /change/i);
    const alert = await page.findByRole('alert');
    expect(alert.id).to.equal('wrong-current');
    expect(current.value).to.equal('not the password');
  });
});

import '../../testing/dom.ts';
import { expect } from 'chai';
import { fakeServer, Refusal } from '../../testing/fake-server.ts';
import { press } from '../../testing/fields.ts';
import { closePage, renderPage, signInAs } from '../../testing/render.tsx';
import { AccountScreen } from './AccountScreen.tsx';

const session = (id: string, isThis: boolean) => ({
  id,
  device: 'computer',
  startedAt: '2026-11-24T08:00:00.000Z',
  usedAt: '2026-11-25T08:00:00.000Z',
  isThis,
});

describe('one’s own account', () => {
  let server: ReturnType<typeof fakeServer>;
  let sessions = [session('here', true), session('there', false)];
  afterEach(() => {
    closePage();
    server.stop();
    sessions = [session('here', true), session('there', false)];
  });
  const open = (change: () => unknown = () => ({})) => {
    signInAs('planner');
    server = fakeServer({
      'GET /session/list': () => ({ sessions }),
      'DELETE /session/list/there': () => void (sessions = sessions.filter(({ isThis }) => isThis)),
      'DELETE /session/list': () => void (sessions = sessions.filter(({ isThis }) => isThis)),
      'PUT /session/password': change,
    });
    return renderPage(<AccountScreen />);
  };

  it('shows where one is signed in; this session is not ended from here', async () => {
    const page = open();
    expect(await page.findAllByRole('listitem')).to.have.length(2);
    expect(page.getAllByRole('button', { name: /^Sign out the session/ })).to.have.length(1);
  });

  it('ends another session, and the list is read again', async () => {
    const page = open();
    await press(page, /^Sign out the session/);
    await page.findAllByRole('listitem').then((items) => expect(items.length).to.be.at.least(1));
    expect(server.requests.some(({ method, path }) => method === 'DELETE' && path === '/session/list/there')).to.equal(true);
  });

  it('changes the password, and empties the fields', async () => {
    const page = open();
    await page.findAllByRole('listitem');
    const [current, next] = [...page.container.querySelectorAll<HTMLInputElement>('input[type=password]')];
    await page.user.type(current, 'the old long password');
    await page.user.type(next, 'a new long password');
    await press(page, 'Change password');
    expect(await page.findByText(/password (was|is) changed|changed/i, { selector: '[role=status]' })).to.not.equal(null);
    expect(server.sent('PUT', '/session/password')).to.deep.equal([
      { current: 'the old long password', password: 'a new long password' },
    ]);
    expect(page.container.querySelector<HTMLInputElement>('input[type=password]')!.value).to.equal('');
  });

  it('says beside the field that the present password is wrong, and keeps what was typed', async () => {
    const page = open(() => new Refusal(422, { code: 'password-wrong', kind: 'invalid', field: 'current' }));
    await page.findAllByRole('listitem');
    const [current, next] = [...page.container.querySelectorAll<HTMLInputElement>('input[type=password]')];
    await page.user.type(current, 'wrong');
    await page.user.type(next, 'a new long password');
    await press(page, 'Change password');
    expect((await page.findByRole('alert')).id).to.equal('wrong-current');
    expect([current.value, next.value]).to.deep.equal(['wrong', 'a new long password']);
  });
});

import '../../testing/dom.ts';
import type { SessionReply } from '@dusky-spool/core/model';
import { waitFor } from '@testing-library/react';
import { expect } from 'chai';
import { useSession } from '../../ground/api/session.ts';
import { fakeServer, Refusal } from '../../testing/fake-server.ts';
import { enter, press } from '../../testing/fields.ts';
import { closePage, renderPage } from '../../testing/render.tsx';
import { SignIn } from './SignIn.tsx';

describe('signing in', () => {
  let server: ReturnType<typeof fakeServer>;
  let refuse: Refusal | null;
  const signedIn = { csrfToken: 't', member: { id: 'm1', name: 'Ada', email: 'ada@example.test', role: 'owner' } };
  beforeEach(() => {
    refuse = null;
    server = fakeServer({
      'POST /session': () => refuse ?? signedIn,
      'POST /session/demo': () => refuse ?? signedIn,
      'POST /session/first-account': () => refuse ?? signedIn,
      'POST /session/reset': () => refuse ?? {},
    });
  });
  afterEach(() => {
    server.stop();
    closePage();
  });
  const open = (session: Partial<SessionReply> = {}) => {
    useSession.setState({ session: { csrfToken: 't', member: null, demo: false, firstStart: false, ...session } as never });
    return renderPage(<SignIn />, { at: '/' });
  };

  it('says at each field what is missing, before anything is sent', async () => {
    const page = open();
    await press(page, 'Sign in');
    expect(page.getAllByRole('alert').map(({ id }) => id)).to.deep.equal(['wrong-email', 'wrong-password']);
    expect(server.requests).to.deep.equal([]);
  });

  it('enters with the right password, and keeps the address where it is the wrong one', async () => {
    const page = open();
    refuse = new Refusal(401, { code: 'credentials-wrong', field: 'password' });
    await enter(page, 'Email', 'ada@example.test');
    await enter(page, 'Password', 'wrong password');
    await press(page, 'Sign in');
    expect((await page.findByRole('alert')).id).to.equal('wrong-password');
    expect((page.getByLabelText('Email') as HTMLInputElement).value).to.equal('ada@example.test');
    refuse = null;
    await press(page, 'Sign in');
    await waitFor(() => expect(useSession.getState().session?.member?.name).to.equal('Ada'));
  });

  it('enters the demo at one click where the server has one', async () => {
    expect(open().queryByRole('button', { name: /demo/i })).to.equal(null);
    closePage();
    const page = open({ demo: true });
    await press(page, /demo/i);
    await waitFor(() => expect(useSession.getState().session?.member?.name).to.equal('Ada'));
  });

  it('makes the first account of a new server, with its token where it asks for one', async () => {
    const page = open({ firstStart: true, needsSetupToken: true });
    const fields = [...page.container.querySelectorAll('input')].map(({ id }) => id);
    expect(fields).to.deep.equal(['form-firm', 'form-name', 'form-email', 'form-password', 'form-setupToken']);
    await page.user.type(page.container.querySelector('#form-firm')!, 'Reed & Weir');
    await page.user.type(page.container.querySelector('#form-name')!, 'Ada');
    await page.user.type(page.container.querySelector('#form-email')!, 'ada@example.test');
    await page.user.type(page.container.querySelector('#form-password')!, 'a long enough one');
    await page.user.type(page.container.querySelector('#form-setupToken')!, 'TOKEN');
    await page.user.click(page.container.querySelector('button[type=submit]')!);
    await waitFor(() => expect(server.sent('POST', '/session/first-account')).to.have.length(1));
    expect(server.sent('POST', '/session/first-account')[0]).to.deep.include({ firm: 'Reed & Weir', setupToken: 'TOKEN' });
  });

  it('sends a link for a forgotten password without telling whether the address is known', async () => {
    const page = open();
    await press(page, /forgot/i);
    await page.user.type(page.container.querySelector('#form-email')!, 'ada@example.test');
    await page.user.click(page.container.querySelector('button[type=submit]')!);
    expect((await page.findByRole('status')).textContent).to.not.include('unknown');
    await press(page, /back/i);
    expect(page.queryByLabelText('Password')).to.not.equal(null);
  });
});

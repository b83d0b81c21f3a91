import { randomUUID } from 'node:crypto';
import type { Change, ChangesReply, DocumentReply, MailsReply, Operation, Role, SessionReply } from '@dusky-spool/core/model';
import type { Route } from '../http/route-table.ts';
import { replyProblem } from './check-reply.ts';

/** The setup token of every test server. */
export const TEST_SETUP_TOKEN = 'setup-token-of-the-tests';

export const TEST_PASSWORD = 'a long enough password';

/** A browser without a screen: keeps its cookie and its token. With `routes` it holds every answer to what they promise. */
export class TestClient {
  private readonly cookies = new Map<string, string>();
  private token = '';

  constructor(
    private readonly url: string,
    private readonly routes: readonly Route[] = [],
  ) {}

  async send(method: string, path: string, body?: unknown, headers: Record<string, string> = {}): Promise<Response> {
    const json = body !== undefined && !(body instanceof FormData) && typeof body !== 'string';
    const response = await fetch(`${this.url}/api${path}`, {
      method,
      headers: {
        ...(this.cookie === '' ? {} : { cookie: this.cookie }),
        'x-csrf-token': this.token,
        ...(json ? { 'content-type': 'application/json' } : {}),
        ...headers,
      },
      body: json ? JSON.stringify(body) : (body as FormData | string | undefined),
    });
    for (const cookie of response.headers.getSetCookie()) {
      const [pair] = cookie.split(';');
      const [name, value] = pair.split('=');
      if (value === '') this.cookies.delete(name);
      else this.cookies.set(name, pair);
    }
    const problem = await replyProblem(this.routes, method, path, response);
    if (problem) throw new Error(problem);
    return response;
  }

  /** The cookies as a header. */
  get cookie(): string {
    return [...this.cookies.values()].join('; ');
  }

  async json<T>(method: string, path: string, body?: unknown): Promise<T> {
    const response = await this.send(method, path, body);
    return (await response.json()) as T;
  }

  get csrfToken(): string {
    return this.token;
  }

  async open(): Promise<SessionReply> {
    return this.remember(await this.json<SessionReply>('GET', '/session'));
  }

  async enterDemo(): Promise<this> {
    await this.open();
    this.remember(await this.json<SessionReply>('POST', '/session/demo', {}));
    return this;
  }

  async makeFirstAccount(email = 'owner@example.test'): Promise<this> {
    await this.open();
    this.remember(
      await this.json<SessionReply>('POST', '/session/first-account', {
        firm: 'Test firm',
        name: 'Owner',
        email,
        password: TEST_PASSWORD,
        setupToken: TEST_SETUP_TOKEN,
      }),
    );
    return this;
  }

  /** Makes a further firm on a demo server. */
  async makeFirm(firm: string, email: string): Promise<this> {
    await this.open();
    const account = { firm, name: 'Owner', email, password: TEST_PASSWORD };
    const made = await this.send('POST', '/session/first-account', account);
    if (made.status !== 201) throw new Error(await made.text());
    this.remember((await made.json()) as SessionReply);
    return this;
  }

  async signIn(email: string, password: string): Promise<Response> {
    await this.open();
    const response = await this.send('POST', '/session', { email, password });
    if (response.ok) this.remember((await response.clone().json()) as SessionReply);
    return response;
  }

  newProject = async (name = 'A house'): Promise<string> =>
    (await this.json<{ id: string }>('POST', '/projects', { name, units: 'metric' })).id;

  load = (projectId: string): Promise<DocumentReply> => this.json('GET', `/projects/${projectId}`);

  change(operations: readonly Operation[], baseRevision = 0, id: string = randomUUID()): Change {
    return { id, baseRevision, title: 'edit', operations };
  }

  /** Invites a person to the firm and accepts for him or her: another client, signed in. */
  async invite(email: string, role: Role, projectIds: readonly string[] = []): Promise<TestClient> {
    const invited = await this.send('POST', '/people/invitations', { email, role, projectIds });
    if (!invited.ok) throw new Error(`not invited: ${await invited.text()}`);
    const { mails } = await this.json<MailsReply>('GET', '/people/mails');
    const code = /code=([\w-]+)/.exec(mails.find(({ recipient }) => recipient === email)!.body)![1];
    const guest = new TestClient(this.url);
    await guest.open();
    const accepted = { token: code, name: email.split('@')[0], password: TEST_PASSWORD };
    guest.remember(await guest.json<SessionReply>('POST', '/session/invitation/accept', accepted));
    return guest;
  }

  sendChanges = (projectId: string, ...changes: Change[]): Promise<ChangesReply> =>
    this.json('POST', `/projects/${projectId}/changes`, { changes });

  remember(reply: SessionReply): SessionReply {
    this.token = reply.csrfToken;
    return reply;
  }
}

import { randomUUID } from 'node:crypto';
import type { ChangesReply, DocumentReply, SessionReply } from '@dusky-spool/core/contract';
import type { Change, Operation } from '@dusky-spool/core/project';

/** A browser without a screen: keeps its cookie and its token. */
export class TestClient {
  cookie = '';
  private token = '';

  constructor(private readonly url: string) {}

  async send(method: string, path: string, body?: unknown, headers: Record<string, string> = {}): Promise<Response> {
    const json = body !== undefined && !(body instanceof FormData) && typeof body !== 'string';
    const response = await fetch(`${this.url}/api${path}`, {
      method,
      headers: {
        ...(this.cookie ? { cookie: this.cookie } : {}),
        'x-csrf-token': this.token,
        ...(json ? { 'content-type': 'application/json' } : {}),
        ...headers,
      },
      body: json ? JSON.stringify(body) : (body as FormData | string | undefined),
    });
    const cookie = response.headers.getSetCookie()[0];
    if (cookie) this.cookie = cookie.split(';')[0];
    return response;
  }

  async json<T>(method: string, path: string, body?: unknown): Promise<T> {
    const response = await this.send(method, path, body);
    return (await response.json()) as T;
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
        password: 'a long enough password',
      }),
    );
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

  sendChanges = (projectId: string, ...changes: Change[]): Promise<ChangesReply> =>
    this.json('POST', `/projects/${projectId}/changes`, { changes });

  private remember(reply: SessionReply): SessionReply {
    this.token = reply.csrfToken;
    return reply;
  }
}

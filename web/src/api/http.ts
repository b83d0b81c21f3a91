import type { Problem } from '@dusky-spool/core/outcome';
import type { SessionReply } from '@dusky-spool/core/contract';

/** A request that the server refused, with the reason. */
export class Refused extends Error {
  constructor(
    readonly problem: Problem,
    readonly status: number,
  ) {
    super(problem.code);
  }
}

let csrfToken = '';

export function rememberToken(reply: SessionReply): SessionReply {
  csrfToken = reply.csrfToken;
  return reply;
}

async function request(method: string, path: string, body?: BodyInit, contentType?: string, again = false): Promise<Response> {
  const response = await fetch(`/api${path}`, {
    method,
    body,
    headers: { 'x-csrf-token': csrfToken, ...(contentType ? { 'content-type': contentType } : {}) },
  });
  if (response.ok) return response;
  const problem = await response
    .json()
    .then((reply: { problem?: Problem }) => reply.problem)
    .catch(() => undefined);
  // A page opened without a connection, or before its session was renewed, holds no token yet: it asks for one and goes on.
  if (problem?.code === 'csrf-missing' && !again) {
    rememberToken((await (await request('GET', '/session')).json()) as SessionReply);
    return request(method, path, body, contentType, true);
  }
  throw new Refused(
    problem ?? { code: response.status === 502 || response.status === 503 ? 'database-away' : 'unexpected' },
    response.status,
  );
}

const asked = new Map<string, Promise<Response>>();

/** Asks for something before anyone needs it; the first `getJson` of the same path takes the answer. */
export function askEarly(path: string): void {
  const answer = request('GET', path);
  answer.catch(() => undefined);
  asked.set(path, answer);
}

export const getJson = async <T>(path: string): Promise<T> => (await (await early(path)).json()) as T;

function early(path: string): Promise<Response> {
  const answer = asked.get(path);
  asked.delete(path);
  return answer ?? request('GET', path);
}

export const postJson = async <T>(path: string, body: unknown): Promise<T> =>
  (await (await request('POST', path, JSON.stringify(body), 'application/json')).json()) as T;

export const postText = async <T>(path: string, body: string): Promise<T> =>
  (await (await request('POST', path, body, 'application/json')).json()) as T;

export const putJson = async <T>(path: string, body: unknown): Promise<T> =>
  (await (await request('PUT', path, JSON.stringify(body), 'application/json')).json()) as T;

export const postForm = async <T>(path: string, form: FormData): Promise<T> =>
  (await (await request('POST', path, form)).json()) as T;

export const remove = (path: string): Promise<Response> => request('DELETE', path);

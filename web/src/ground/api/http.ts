import type { Problem } from '@dusky-spool/core/math';
import { PROTOCOL_VERSION, type SessionReply } from '@dusky-spool/core/model';
import { updateApp } from './app-update.ts';

/** A request that the server refused, with the reason. */
export class Refused extends Error {
  constructor(
    readonly problem: Problem,
    readonly status: number,
  ) {
    super(problem.code);
  }
}

/** What this page calls itself: the server does not tell it of its own edits. */
export const TAB = Array.from(crypto.getRandomValues(new Uint8Array(12)), (byte) => byte.toString(16).padStart(2, '0')).join('');

let csrfToken = '';

export function rememberToken(reply: SessionReply): SessionReply {
  csrfToken = reply.csrfToken;
  return reply;
}

async function request(method: string, path: string, body?: BodyInit, contentType?: string, again = false): Promise<Response> {
  const response = await fetch(`/api${path}`, {
    method,
    body,
    headers: {
      'x-csrf-token': csrfToken,
      'x-spool-protocol': String(PROTOCOL_VERSION),
      'x-spool-tab': TAB,
      ...(contentType ? { 'content-type': contentType } : {}),
    },
  });
  if (Number(response.headers.get('x-spool-protocol') ?? 0) > PROTOCOL_VERSION) updateApp();
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

/** The answer's JSON; nothing where the server has nothing to say. */
const jsonOf = async <T>(answer: Promise<Response>): Promise<T> => {
  const response = await answer;
  return (response.status === 204 ? undefined : await response.json()) as T;
};

export const postJson = <T>(path: string, body: unknown): Promise<T> =>
  jsonOf(request('POST', path, JSON.stringify(body), 'application/json'));

export const postText = <T>(path: string, body: string): Promise<T> => jsonOf(request('POST', path, body, 'application/json'));

export const putJson = <T>(path: string, body: unknown): Promise<T> =>
  jsonOf(request('PUT', path, JSON.stringify(body), 'application/json'));

export const postForm = async <T>(path: string, form: FormData): Promise<T> =>
  (await (await request('POST', path, form)).json()) as T;

/** The name of a file as the server writes it (RFC 6266): in any alphabet, in quotes, or plain. */
export function nameInHeader(header: string): string {
  const encoded = /filename\*=UTF-8''([^;]+)/i.exec(header)?.[1];
  if (encoded !== undefined) return decodeURIComponent(encoded);
  const [, quoted, plain] = /filename=(?:"([^"]+)"|([^;\s]+))/i.exec(header) ?? [];
  return quoted ?? plain ?? 'file';
}

/** Fetches a file into the browser's downloads under the name that the server gives it; returns that name. */
export async function download(path: string): Promise<string> {
  const response = await request('GET', path);
  const name = nameInHeader(response.headers.get('content-disposition') ?? '');
  saveFile(name, await response.blob());
  return name;
}

/** Puts a file into the browser's downloads. */
export function saveFile(name: string, blob: Blob): void {
  const address = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  window.setTimeout(() => URL.revokeObjectURL(address), 60_000);
}

export const remove = (path: string): Promise<Response> => request('DELETE', path);

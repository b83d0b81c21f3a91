import type { Problem } from '@dusky-spool/core/math';

/** What a request was, for a test to look at. */
export interface Request {
  readonly method: string;
  readonly path: string;
  readonly body: unknown;
}
type Answer = (request: Request) => unknown;
/** Answers by method and path, such as `GET /projects`; `*` at the end stands for any rest. */
type Routes = Readonly<Record<string, Answer>>;

/** A reply of the server that refuses. */
export class Refusal {
  constructor(
    readonly status: number,
    readonly problem: Problem,
  ) {}
}

/** Takes the place of the server until `stop`; what is asked without a route fails the test that asks it. */
export function fakeServer(routes: Routes) {
  const real = globalThis.fetch;
  const requests: Request[] = [];
  globalThis.fetch = async (input, { method = 'GET', body } = {}) => {
    const path = String(input).replace(/^\/api/, '');
    const request = { method, path, body: typeof body === 'string' && body !== '' ? (JSON.parse(body) as unknown) : body };
    requests.push(request);
    const [bare] = path.split('?');
    const name = Object.keys(routes).find((route) => {
      const [ofMethod, ofPath] = route.split(' ');
      return ofMethod === method && (ofPath.endsWith('*') ? bare.startsWith(ofPath.slice(0, -1)) : ofPath === bare);
    });
    if (!name) throw new Error(`no route for ${method} ${path}`);
    const reply = await routes[name](request);
    const [status, value] = reply instanceof Refusal ? [reply.status, { problem: reply.problem }] : [200, reply];
    return new Response(JSON.stringify(value ?? {}), { status, headers: { 'content-type': 'application/json' } });
  };
  return {
    requests,
    /** Bodies that were sent to an address. */
    sent: (method: string, path: string) =>
      requests.filter((request) => request.method === method && request.path === path).map(({ body }) => body),
    stop: () => void (globalThis.fetch = real),
  };
}

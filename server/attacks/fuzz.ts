import fc from 'fast-check';
import { createConnection } from 'node:net';
import type { Route } from '../http/route-table.ts';
import type { TestClient } from '../testing/test-client.ts';
import type { TestServer } from '../testing/test-server.ts';
import { fillRoute, type RouteValues } from './fill-route.ts';

/** Texts that break parsers, queries, paths and files. */
const HOSTILE = [
  '',
  ' ',
  'constructor',
  '__proto__',
  'toString',
  'null',
  'NaN',
  '-1',
  '1e309',
  '9'.repeat(400),
  '\u0000',
  'a\u0000b',
  '\ud800',
  '\u202egnp.exe',
  '\ufeff',
  '%00',
  '../../../etc/passwd',
  "'; DROP TABLE firms; --",
  '<script>alert(1)</script>',
  '${7*7}',
  'a'.repeat(70_000),
  '🦀'.repeat(300),
];

const hostileText = fc.constantFrom(...HOSTILE);
const anyValue: fc.Arbitrary<unknown> = fc.oneof(
  hostileText,
  fc.jsonValue({ maxDepth: 4 }),
  fc.integer(),
  fc.double(),
  fc.constant(null),
  fc.boolean(),
);
/** Objects with the fields that the API knows, filled with anything. */
const FIELDS = (
  'changes id baseRevision title operations op in record before after undoes name units email password firm setupToken current token role projectIds ' +
  'plannersMayDelete types maps rules ruleId limits reason by off rank level paper size runIds ends since before query deviceId'
).split(' ');
const body: fc.Arbitrary<unknown> = fc.oneof(
  fc.dictionary(fc.constantFrom(...FIELDS), anyValue, { maxKeys: 6 }),
  fc.record({ changes: fc.array(fc.dictionary(fc.constantFrom(...FIELDS), anyValue, { maxKeys: 6 }), { maxLength: 3 }) }),
  fc.record({
    changes: fc.array(
      fc.record({
        id: fc.uuid(),
        baseRevision: fc.integer({ min: -2, max: 3 }),
        title: hostileText,
        operations: fc.array(
          fc.record({
            op: fc.constantFrom('create', 'update', 'delete', 'steal'),
            in: fc.constantFrom('rooms', 'walls', 'devices', 'runs', 'project', 'constructor', 'members'),
            id: fc.constantFrom('a', 'constructor', '__proto__', 'level_m', 'project'),
            record: fc.dictionary(fc.constantFrom('id', 'levelId', 'name', 'polygon', 'code'), anyValue, { maxKeys: 4 }),
            before: fc.dictionary(fc.constantFrom('name', 'x'), anyValue, { maxKeys: 2 }),
            after: fc.dictionary(fc.constantFrom('name', 'x', 'note'), anyValue, { maxKeys: 2 }),
          }),
          { maxLength: 3 },
        ),
      }),
      { minLength: 1, maxLength: 2 },
    ),
  }),
  anyValue,
);
const headers: fc.Arbitrary<Record<string, string>> = fc.oneof(
  { weight: 5, arbitrary: fc.constant({}) },
  fc.constantFrom<Record<string, string>[]>(
    { 'content-type': 'application/json; charset=klingon' },
    { 'content-type': 'application/json', 'content-encoding': 'gzip' },
    { 'content-type': 'application/json', 'content-encoding': 'rot13' },
    { 'content-type': 'multipart/form-data' },
    { 'content-type': 'multipart/form-data; boundary=x' },
    { 'content-type': 'text/plain' },
    { 'content-type': 'a/b/c;;;=' },
    { range: 'bytes=999999999-' },
    { range: 'bytes=5-1,abc' },
    { 'if-match': '"other"' },
    { 'if-none-match': '*' },
    { accept: '\t;;q=9' },
    { 'accept-encoding': 'bogus, *;q=0' },
    { 'x-csrf-token': 'x'.repeat(500) },
    { 'x-forwarded-for': '"; DROP' },
    { 'x-spool-protocol': '0' },
    { 'x-spool-protocol': 'constructor' },
    { cookie: 'spool=s%3Abroken; spool-visit=%%%' },
  ),
);

export interface FuzzReport {
  readonly requests: number;
  /** Answers by hundreds of their status. */
  readonly byClass: Readonly<Record<string, number>>;
  /** Every answer of 500 or more, with what was asked. */
  readonly failures: readonly string[];
}

/** Routes that a fuzzer may not call with a signed-in client: they would end what it tests with. */
const LEFT_OUT =
  /^(DELETE \/session(\/list)?$|POST \/session\/demo|PUT \/session\/password|DELETE \/projects\/:projectId$|POST \/bridge)/;

interface Shot {
  readonly method: string;
  readonly path: string;
  readonly body: string | undefined;
  readonly headers: Record<string, string>;
}

/** Sends seeded nonsense to every route, and to addresses that are none. */
export async function fuzz(
  server: TestServer,
  client: TestClient,
  values: RouteValues,
  { seed, count }: { readonly seed: number; readonly count: number },
): Promise<FuzzReport> {
  const routes = server.routes.filter(({ method, path }) => !LEFT_OUT.test(`${method} ${path}`));
  const shots = fc.sample(shotFrom(routes, values), { seed, numRuns: count });
  const byClass: Record<string, number> = {};
  const failures: string[] = [];
  let next = 0;
  const worker = async () => {
    while (next < shots.length) {
      const shot = shots[next++];
      const status = await fire(server.url, client, shot);
      const group = status === 0 ? 'closed' : `${Math.floor(status / 100)}xx`;
      byClass[group] = (byClass[group] ?? 0) + 1;
      if (status >= 500)
        failures.push(
          `${status} ${shot.method} ${shot.path.slice(0, 200)} ${JSON.stringify(shot.headers)} ${shot.body?.slice(0, 300) ?? ''}`,
        );
    }
  };
  await Promise.all(Array.from({ length: 6 }, worker));
  return { requests: shots.length, byClass, failures };
}

/** Whole documents take the job queue a second each: they are asked for now and then. */
const isHeavy = ({ method, path }: Route): boolean => method === 'GET' && /\/documents\/|\/file$/.test(path);

function shotFrom(routes: readonly Route[], values: RouteValues): fc.Arbitrary<Shot> {
  const someRoute = fc.oneof(
    { weight: 60, arbitrary: fc.constantFrom(...routes.filter((route) => !isHeavy(route))) },
    { weight: 1, arbitrary: fc.constantFrom(...routes.filter(isHeavy)) },
  );
  const path = fc.oneof(
    {
      weight: 6,
      arbitrary: someRoute.map((route) => ({ method: route.method as string, path: `/api${fillRoute(route, values)}` })),
    },
    {
      weight: 3,
      arbitrary: fc
        .tuple(someRoute, fc.dictionary(fc.constantFrom(...Object.keys(values)), hostileText))
        .map(([route, wrong]) => ({
          method: route.method as string,
          path: `/api${fillRoute(route, { ...values, ...cut(wrong) })}`,
        })),
    },
    fc.constantFrom(
      ...[
        '/api/%E0%A4%A',
        '/%',
        '/assets/%ff%fe',
        '/assets/missing.js',
        '/assets/../package.json',
        '/api//projects',
        '/api/projects/..%2f..%2fx',
        '/index.html%00',
        '/favicon.ico',
      ].map((address) => ({ method: 'GET', path: address })),
    ),
  );
  const query = fc.oneof(
    { weight: 3, arbitrary: fc.constant('') },
    fc
      .tuple(fc.constantFrom('since', 'level', 'paper', 'size', 'kind', 'before', '__proto__', 'a[b]'), hostileText)
      .map(([name, value]) => `?${name}=${encodeURIComponent(whole(value.slice(0, 2000)))}`),
    fc.constantFrom('?%', '?since=%E0', '?since=1&since=2', '?level=constructor'),
  );
  const sent = fc.oneof(
    { weight: 4, arbitrary: body.map((value) => JSON.stringify(value)) },
    fc.constantFrom(
      '{',
      '[',
      '"\\ud800"',
      `${'['.repeat(20_000)}`,
      `${'{"a":'.repeat(3000)}1${'}'.repeat(3000)}`,
      '--x\r\n\r\n',
      '--x\r\nContent-Disposition: form-data; name="picture"; filename="a"\r\n\r\nabc',
    ),
    fc.constant(undefined),
  );
  return fc.tuple(path, query, sent, headers).map(([target, search, text, head]) => ({
    method: target.method,
    path: target.path + search,
    body: target.method === 'GET' || target.method === 'HEAD' ? undefined : text,
    headers: head,
  }));
}

/** Addresses cannot hold half a surrogate pair. */
const whole = (text: string): string => text.replace(/\p{Cs}/gu, '?');

const cut = (values: Record<string, string>): Record<string, string> =>
  Object.fromEntries(Object.entries(values).map(([name, value]) => [name, whole(value.slice(0, 1500))]));

/** One request over a socket of its own, so that nothing between mends it; 0 where the server closed without an answer. */
function fire(url: string, client: TestClient, { method, path, body: text, headers: extra }: Shot): Promise<number> {
  const { hostname, port, host } = new URL(url);
  const bytes = Buffer.from(text ?? '', 'utf8');
  const head: Record<string, string> = {
    host,
    connection: 'close',
    cookie: client.cookie,
    'x-csrf-token': client.csrfToken,
    ...(text === undefined ? {} : { 'content-type': 'application/json', 'content-length': String(bytes.length) }),
    ...extra,
  };
  const lines = Object.entries(head).map(([name, value]) => `${name}: ${value}`);
  return new Promise((done) => {
    const socket = createConnection({ host: hostname, port: Number(port) });
    let answer = '';
    socket.setTimeout(60_000, () => socket.destroy());
    socket.on('error', () => undefined);
    socket.on('connect', () =>
      socket.write(Buffer.concat([Buffer.from(`${method} ${path} HTTP/1.1\r\n${lines.join('\r\n')}\r\n\r\n`, 'latin1'), bytes])),
    );
    socket.on('data', (data) => {
      if (answer.length < 100) answer += data.toString('latin1', 0, 100);
    });
    socket.on('close', () => done(Number(/^HTTP\/1\.1 (\d{3})/.exec(answer)?.[1] ?? 0)));
  });
}

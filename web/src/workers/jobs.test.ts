import { expect } from 'chai';
import { JobClient, type JobFailed, type JobHandlers, type JobPort, type JobWorker, serveJobs } from './jobs.ts';

interface TestJobs {
  readonly double: { readonly params: number; readonly report: never; readonly result: number };
  readonly count: { readonly params: { readonly to: number }; readonly report: number; readonly result: string };
  readonly fail: { readonly params: null; readonly report: never; readonly result: never };
}

/** Steps of a long job: each takes about `ms`. */
function* slowSteps(count: number, ms: number): Generator<number, string> {
  for (let i = 1; i <= count; i++) {
    const until = performance.now() + ms;
    while (performance.now() < until);
    yield i / count;
  }
  return `${count} steps`;
}

const HANDLERS: JobHandlers<TestJobs> = {
  double: (value) => value * 2,
  count: ({ to }, { report, work }) => work(slowSteps(to, 5), report),
  fail: () => {
    throw new Error('no such wall');
  },
};

describe('jobs of a worker', () => {
  const open: MessagePort[] = [];
  let client: JobClient<TestJobs>;
  let ended: JobFailed[];
  let pagePort: JobWorker & { terminated?: boolean };
  let workerPort: JobPort;

  beforeEach(() => {
    const { port1, port2 } = new MessageChannel();
    open.push(port1, port2);
    pagePort = port1 as JobWorker & { terminated?: boolean };
    pagePort.terminate = () => void (pagePort.terminated = true);
    workerPort = port2 as unknown as JobPort;
    ended = [];
    serveJobs<TestJobs>(workerPort, HANDLERS, { count: 'count' });
    client = new JobClient<TestJobs>(pagePort, (error) => ended.push(error));
  });
  afterEach(() => open.splice(0).forEach((port) => port.close()));

  /** What a job came to. */
  const outcome = (job: Promise<unknown>) =>
    job.then(
      (value) => value,
      (error: Error) => `${error.name}: ${error.message}`,
    );

  it('give their result to the caller that asked, however many are on the way', async () => {
    const results = await Promise.all([5, 1, 4, 2, 3].map((value) => client.run('double', value)));
    expect(results).to.deep.equal([10, 2, 8, 4, 6]);
  });

  it('give their error to the caller, and the next job runs', async () => {
    expect(await outcome(client.run('fail', null))).to.equal('JobFailed: no such wall');
    expect(await client.run('double', 21)).to.equal(42);
    expect(ended).to.deep.equal([]);
  });

  it('say which job a worker does not have', async () => {
    const other = client as unknown as JobClient<{ paint: { params: null; report: never; result: never } }>;
    expect(await outcome(other.run('paint', null))).to.equal('JobFailed: The worker has no job "paint".');
  });

  it('report while they work, in order and before the result', async () => {
    const shares: number[] = [];
    const done = await client.run('count', { to: 60 }, { report: (share) => shares.push(share) });
    expect(done).to.equal('60 steps');
    expect(shares).to.have.length.greaterThan(0);
    expect(shares).to.deep.equal([...shares].sort((a, b) => a - b));
    const before = shares.length;
    await client.run('double', 1);
    expect(shares).to.have.length(before);
  });

  it('answer a short job while a long one is worked on', async () => {
    const order: string[] = [];
    const long = client.run('count', { to: 40 }).then(() => order.push('long'));
    await client.run('double', 1).then(() => order.push('short'));
    await long;
    expect(order).to.deep.equal(['short', 'long']);
  });

  it('are replaced by a later job of their group, and settle as cancelled', async () => {
    const first = outcome(client.run('count', { to: 400 }));
    const second = client.run('count', { to: 3 });
    expect(await first).to.match(/^JobCancelled/);
    expect(await second).to.equal('3 steps');
  });

  it('settle soon when their caller cancels them, and the worker is free', async () => {
    const abort = new AbortController();
    const long = outcome(client.run('count', { to: 4000 }, { signal: abort.signal }));
    abort.abort();
    expect(await long).to.match(/^JobCancelled/);
    expect(await client.run('count', { to: 2 })).to.equal('2 steps');
  });

  it('have their result where they were done before the worker read that they are cancelled', async () => {
    const abort = new AbortController();
    const short = client.run('double', 4, { signal: abort.signal });
    abort.abort();
    expect(await short).to.equal(8);
  });

  it('do not start where they were cancelled before', async () => {
    expect(await outcome(client.run('double', 1, { signal: AbortSignal.abort() }))).to.match(/^JobCancelled/);
  });

  it('settle as cancelled when the worker is stopped, and so does every later one', async () => {
    const long = outcome(client.run('count', { to: 4000 }));
    const short = outcome(client.run('double', 2));
    client.stop();
    expect(await long).to.match(/^JobCancelled/);
    expect(await short).to.match(/^JobCancelled/);
    expect(await outcome(client.run('double', 2))).to.match(/^JobCancelled/);
    expect(pagePort.terminated).to.equal(true);
    expect(ended).to.deep.equal([]);
  });

  it('fail when the worker fails, once, with what it says', async () => {
    const one = outcome(client.run('count', { to: 4000 }));
    const two = outcome(client.run('double', 2));
    pagePort.onerror?.({ message: 'out of memory' } as ErrorEvent);
    pagePort.onerror?.({ message: 'again' } as ErrorEvent);
    expect([await one, await two]).to.deep.equal(['JobFailed: out of memory', 'JobFailed: out of memory']);
    expect(ended.map(({ message }) => message)).to.deep.equal(['out of memory']);
  });

  it('fail where a worker cannot be started, or a reply cannot be read', async () => {
    const one = outcome(client.run('double', 2));
    pagePort.onerror?.({ message: '' } as ErrorEvent);
    expect(await one).to.equal('JobFailed: The worker could not be started.');
    const other = new JobClient<TestJobs>(pagePort);
    const two = outcome(other.run('double', 2));
    pagePort.onmessageerror?.({} as MessageEvent);
    expect(await two).to.equal('JobFailed: A reply of the worker could not be read.');
  });

  it('fail where their parameters cannot be sent', async () => {
    const notSendable = { to: (() => 1) as unknown as number };
    expect(await outcome(client.run('count', notSendable))).to.match(/^JobFailed: DataCloneError/);
    expect(await client.run('double', 2)).to.equal(4);
  });
});

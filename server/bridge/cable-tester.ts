import { type TestedCable, testerReading, type TesterReading } from '@dusky-spool/core/model';
import { connect } from 'node:net';
import { refusal } from '../http/problems.ts';

/** What a cable tester can do; a real one is another object of this shape. */
export interface CableTester {
  readonly name: string;
  /** Tests one cable; a simulated tester is told first what the plan has, and which script it plays. Problem: `instrument-away`. */
  readonly test: (cable: TestedCable, script: string) => Promise<TesterReading>;
}

const ANSWER_MS = 5000;
const MOST_BYTES = 20_000;

/** A tester behind the line protocol, at a port on loopback. */
export const lineTester = (name: string, port: number, isSimulated: boolean): CableTester => ({
  name,
  test: async (cable, script) => {
    const lines = [...(isSimulated ? [`SCRIPT ${script}`] : []), `TEST ${JSON.stringify(cable)}`];
    const answers = await ask(port, lines, name);
    const read = testerReading.safeParse(jsonOf(answers[answers.length - 1] ?? ''));
    if (!read.success) throw refusal('instrument-away', { field: 'tester', instrument: name });
    return read.data;
  },
});

export function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return null;
  }
}

/** Sends lines and gives as many back. */
function ask(port: number, lines: readonly string[], instrument: string): Promise<string[]> {
  return new Promise((answer, failed) => {
    const away = () => {
      socket.destroy();
      failed(refusal('instrument-away', { field: 'tester', instrument }));
    };
    const socket = connect({ host: '127.0.0.1', port });
    let text = '';
    socket.setTimeout(ANSWER_MS, away);
    socket.once('error', away);
    socket.on('connect', () => socket.write(`${lines.join('\n')}\n`));
    socket.on('data', (data) => {
      text += data.toString('utf8');
      if (text.length > MOST_BYTES) return away();
      const got = text.split('\n');
      if (got.length <= lines.length) return;
      socket.end();
      answer(got.slice(0, lines.length));
    });
    socket.on('close', () => (text.split('\n').length > lines.length ? undefined : away()));
  });
}

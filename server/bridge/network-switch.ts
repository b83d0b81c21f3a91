import { type SwitchPortReading, switchPortReading } from '@dusky-spool/core/model';
import { connect } from 'node:net';
import { z } from 'zod';
import { refusal } from '../http/problems.ts';

/** What a network switch can do; a real one is another object of this shape. */
export interface NetworkSwitch {
  readonly name: string;
  /** Its ports as they are; a simulated one is told first what is plugged in, and which script it plays. Problem: `instrument-away`. */
  readonly ports: (plugged: readonly SwitchPortReading[], script: string) => Promise<SwitchPortReading[]>;
}

const ANSWER_MS = 3000;
const MOST_BYTES = 400_000;
const readings = z.array(switchPortReading).max(400);

/** A switch behind the line protocol, at a port on loopback. */
export const lineSwitch = (name: string, port: number, isSimulated: boolean): NetworkSwitch => ({
  name,
  ports: async (plugged, script) => {
    const before = isSimulated ? [`LOAD ${JSON.stringify(plugged)}`, `SCRIPT ${script}`] : [];
    const answers = await ask(port, [...before, 'PORTS'], name);
    const read = readings.safeParse(jsonOf(answers[answers.length - 1] ?? ''));
    if (!read.success) throw refusal('instrument-away', { field: 'switch', instrument: name });
    return read.data;
  },
});

function jsonOf(text: string): unknown {
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
      failed(refusal('instrument-away', { field: 'switch', instrument }));
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

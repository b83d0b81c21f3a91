import { connect } from 'node:net';
import { refusal } from '../http/problems.ts';

/** What a laser distance meter can do; a real one is another object of this shape. */
export interface LaserMeter {
  readonly name: string;
  /** One distance, m. Problem: `instrument-away`. */
  readonly measure: () => Promise<number>;
}

const ANSWER_MS = 2000;
/** No laser meter of the trade reads farther, m. */
const FARTHEST_M = 300;

/** A meter behind the bridge's line protocol, at a port on loopback. */
export const lineLaser = (name: string, port: number): LaserMeter => ({
  name,
  measure: async () => {
    const line = await ask(port, 'MEASURE');
    const lengthM = Number(/^DISTANCE ([\d.]+) m$/.exec(line)?.[1]);
    if (!(lengthM > 0 && lengthM <= FARTHEST_M)) throw refusal('instrument-away', { field: 'laser', instrument: name });
    return lengthM;
  },
});

function ask(port: number, command: string): Promise<string> {
  return new Promise((answer, failed) => {
    const away = () => {
      socket.destroy();
      failed(refusal('instrument-away', { field: 'laser', instrument: 'laser meter' }));
    };
    const socket = connect({ host: '127.0.0.1', port });
    let text = '';
    socket.setTimeout(ANSWER_MS, away);
    socket.once('error', away);
    socket.on('connect', () => socket.write(`${command}\n`));
    socket.on('data', (data) => {
      text += data.toString('utf8');
      const end = text.indexOf('\n');
      if (end < 0 && text.length < 1000) return;
      socket.end();
      answer(text.slice(0, Math.max(0, end)).trim());
    });
    socket.on('close', () => (text.includes('\n') ? undefined : away()));
  });
}

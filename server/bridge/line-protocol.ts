import { connect, type Server } from 'node:net';
import { refusal } from '../http/problems.ts';

/** Who is asked, and how long and how much is waited for. */
export interface AskedInstrument {
  /** Kind of instrument, as the field of the problem. */
  readonly field: string;
  readonly name: string;
  readonly answerMs: number;
  readonly mostBytes: number;
}

/** Sends lines to an instrument on loopback and gives as many lines back. Problem: `instrument-away`. */
export function askLines(port: number, lines: readonly string[], instrument: AskedInstrument): Promise<string[]> {
  const { field, name, answerMs, mostBytes } = instrument;
  return new Promise((answer, failed) => {
    const away = () => {
      socket.destroy();
      failed(refusal('instrument-away', { field, instrument: name }));
    };
    const socket = connect({ host: '127.0.0.1', port });
    let text = '';
    socket.setTimeout(answerMs, away);
    socket.once('error', away);
    socket.on('connect', () => socket.write(`${lines.join('\n')}\n`));
    socket.on('data', (data) => {
      text += data.toString('utf8');
      if (text.length > mostBytes) return away();
      const got = text.split('\n');
      if (got.length <= lines.length) return;
      socket.end();
      answer(got.slice(0, lines.length));
    });
    socket.on('close', () => (text.split('\n').length > lines.length ? undefined : away()));
  });
}

/** What a line of JSON says; null where it is none. */
export function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return null;
  }
}

/** A simulated instrument that listens on loopback; port 0 takes a free one. */
export const listening = (server: Server, port: number): Promise<{ readonly port: number; readonly server: Server }> =>
  new Promise((started, failed) => {
    server.once('error', failed);
    server.listen(port, '127.0.0.1', () => started({ port: (server.address() as { port: number }).port, server }));
  });

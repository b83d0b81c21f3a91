import { connect } from 'node:net';
import { refusal } from '../http/problems.ts';

/** What a label printer can do; a real one is another object of this shape. */
export interface LabelPrinter {
  readonly name: string;
  /** Sends a job, a PDF or a PNG, to be printed. Problem: `instrument-away`. */
  readonly print: (job: Buffer) => Promise<void>;
}

const SENT_MS = 5000;

/** A printer that takes open jobs as bytes on a port, as most do: the connection is the job, its end is the end of it. */
export const rawPrinter = (name: string, port: number): LabelPrinter => ({
  name,
  print: (job) =>
    new Promise((done, failed) => {
      const away = () => {
        socket.destroy();
        failed(refusal('instrument-away', { field: 'printer', instrument: name }));
      };
      const socket = connect({ host: '127.0.0.1', port });
      socket.setTimeout(SENT_MS, away);
      socket.once('error', away);
      socket.on('connect', () => socket.end(job));
      // The printer has taken the job when it closes its side.
      socket.on('close', (hadError) => (hadError ? away() : done()));
      socket.resume();
    }),
});

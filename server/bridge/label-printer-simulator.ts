import { createServer, type Server } from 'node:net';

/** A job that the simulated printer has taken. */
export interface PrintedJob {
  readonly id: number;
  readonly type: 'application/pdf' | 'image/png';
  readonly pages: number;
  readonly bytes: Buffer;
}

const MAX_JOBS = 20;
const LARGEST_BYTES = 20_000_000;
const PNG = Buffer.from([0x89, 0x50, 0x4e, 0x47]);

/**
 * A label printer that is not there: takes PDF and PNG jobs as bytes on loopback, one a connection, and keeps the last of them so that
 * one can see what would print. Anything else is dropped.
 */
export function startLabelPrinterSimulator(port = 0): Promise<{
  readonly port: number;
  readonly server: Server;
  readonly jobs: () => readonly PrintedJob[];
}> {
  const jobs: PrintedJob[] = [];
  let last = 0;
  const server = createServer({ allowHalfOpen: true }, (socket) => {
    const parts: Buffer[] = [];
    let size = 0;
    socket.on('error', () => undefined);
    socket.on('data', (data) => {
      size += data.length;
      if (size > LARGEST_BYTES) socket.destroy();
      else parts.push(data);
    });
    socket.on('end', () => {
      const bytes = Buffer.concat(parts);
      const type = typeOf(bytes);
      if (type) {
        jobs.push({ id: ++last, type, pages: type === 'application/pdf' ? pagesOf(bytes) : 1, bytes });
        if (jobs.length > MAX_JOBS) jobs.shift();
      }
      socket.end();
    });
  });
  return new Promise((started, failed) => {
    server.once('error', failed);
    server.listen(port, '127.0.0.1', () =>
      started({ port: (server.address() as { port: number }).port, server, jobs: () => [...jobs].reverse() }),
    );
  });
}

function typeOf(bytes: Buffer): PrintedJob['type'] | null {
  if (bytes.subarray(0, 5).toString('latin1') === '%PDF-') return 'application/pdf';
  return bytes.subarray(0, 4).equals(PNG) ? 'image/png' : null;
}

const pagesOf = (bytes: Buffer) => bytes.toString('latin1').match(/\/Type\s*\/Page\b(?!s)/g)?.length ?? 1;

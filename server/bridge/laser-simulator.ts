import { createServer, type Server } from 'node:net';
import { createInterface } from 'node:readline';
import { listening } from './line-protocol.ts';

/** Distances that the simulated meter reads, one after the other, m: those of an ordinary house. */
const READINGS_M = [2.612, 3.487, 0.904, 2.048, 4.215, 0.089, 0.362, 5.073, 1.118, 2.405];

/**
 * A laser distance meter that is not there: answers our line protocol on loopback.
 * `ID` -> `LASER simulated`; `MEASURE` -> `DISTANCE 2.612 m`; anything else -> `ERROR unknown`.
 */
export function startLaserSimulator(port = 0): Promise<{ port: number; server: Server }> {
  let next = 0;
  const server = createServer((socket) => {
    socket.on('error', () => undefined);
    // A line that never ends is no command.
    socket.setTimeout(30_000, () => socket.destroy());
    createInterface({ input: socket }).on('line', (line) => {
      const command = line.trim().toUpperCase();
      if (command === 'ID') socket.write('LASER simulated\n');
      else if (command === 'MEASURE') socket.write(`DISTANCE ${READINGS_M[next++ % READINGS_M.length].toFixed(3)} m\n`);
      else socket.write('ERROR unknown\n');
    });
  });
  return listening(server, port);
}

import { type SwitchFault, withFaults } from '@dusky-spool/core/head-end';
import { type SwitchPortReading, switchPortReading } from '@dusky-spool/core/model';
import { readFileSync } from 'node:fs';
import { createServer, type Server } from 'node:net';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { z } from 'zod';
import { jsonOf, listening } from './line-protocol.ts';

const script = z.strictObject({
  name: z.string().regex(/^[a-z-]{1,30}$/),
  title: z.string().min(1).max(80),
  faults: z.array(
    z.strictObject({
      nth: z.int().min(1).max(400),
      isUp: z.boolean().optional(),
      mbps: z.number().min(0).optional(),
      watts: z.number().min(0).max(200).optional(),
      serialOfNth: z.int().min(1).max(400).optional(),
    }),
  ),
});

/** Scripts of faults that a simulated switch plays, from the file beside this one. */
export const SWITCH_SCRIPTS = z
  .array(script)
  .parse(JSON.parse(readFileSync(join(import.meta.dirname, 'switch-scripts.json'), 'utf8')));

const readings = z.array(switchPortReading).max(400);
const LONGEST_LINE = 200_000;

/**
 * A network switch that is not there: answers our line protocol on loopback, a line of JSON each way. `PORTS` gives its ports. What is
 * plugged into it is told by `LOAD [ports]`, and which script of faults it plays by `SCRIPT name`; a real switch answers `PORTS` alone.
 */
export function startSwitchSimulator(port = 0): Promise<{ port: number; server: Server }> {
  const server = createServer((socket) => {
    let [plugged, faults]: [SwitchPortReading[], readonly SwitchFault[]] = [[], []];
    socket.on('error', () => undefined);
    socket.setTimeout(30_000, () => socket.destroy());
    createInterface({ input: socket }).on('line', (line) => {
      const [command, rest] = [line.slice(0, Math.max(0, `${line} `.indexOf(' '))), line.slice(line.indexOf(' ') + 1)];
      if (command === 'PORTS') return socket.write(`${JSON.stringify(withFaults(plugged, faults))}\n`);
      if (command === 'LOAD' && line.length <= LONGEST_LINE) {
        const read = readings.safeParse(jsonOf(rest));
        plugged = read.success ? read.data : [];
        return socket.write(read.success ? 'OK\n' : 'ERROR ports\n');
      }
      if (command === 'SCRIPT') {
        const found = SWITCH_SCRIPTS.find(({ name }) => name === rest.trim());
        faults = found?.faults ?? [];
        return socket.write(found ? 'OK\n' : 'ERROR script\n');
      }
      return socket.write('ERROR unknown\n');
    });
  });
  return listening(server, port);
}

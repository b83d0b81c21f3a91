import { CABLE_FAULTS, testedCable, type TestedCable, type TesterReading } from '@dusky-spool/core/model';
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
      nth: z.int().min(1).max(30_000).describe('which cable, counted in the order of numbers from 1'),
      fault: z.enum(CABLE_FAULTS),
      pair: z.string().max(20).optional(),
      atShare: z.number().min(0).max(1).optional().describe('place of the fault as a share of the length'),
      lengthShare: z.number().gt(0).max(10).optional().describe('wrong length: what it reads by what is planned'),
      farEndOfNth: z.int().min(1).max(30_000).optional().describe('wrong end: whose remote unit answers'),
    }),
  ),
});
export type TesterScript = z.infer<typeof script>;

/** Scripts of faults that a simulated tester plays, from the file beside this one. */
export const TESTER_SCRIPTS = z
  .array(script)
  .parse(JSON.parse(readFileSync(join(import.meta.dirname, 'tester-scripts.json'), 'utf8')));

const LONGEST_LINE = 20_000;

/** What a tester reads of a cable that is as planned but for the faults of a script. */
export function simulatedReading(cable: TestedCable, { faults }: Pick<TesterScript, 'faults'>): TesterReading {
  const { number, nth, lengthM, others } = cable;
  const own = faults.filter((one) => one.nth === nth);
  const read: TesterReading = { lengthM: lengthM === null ? null : round(lengthM), lossDb: null, faults: [], farEnd: number };
  for (const { fault, pair = '', atShare, lengthShare, farEndOfNth } of own) {
    if (fault === 'wrong-length') {
      read.lengthM = lengthM === null ? null : round(lengthM * (lengthShare ?? 1.5));
      continue;
    }
    if (fault === 'wrong-end') {
      read.farEnd = others.find((one) => one.nth === farEndOfNth)?.number ?? '?';
      continue;
    }
    const atM = atShare === undefined || lengthM === null ? null : round(lengthM * atShare);
    read.faults.push({ fault, pair, atM });
    // An open or short cable answers from where it ends.
    if ((fault === 'open' || fault === 'short') && atM !== null) read.lengthM = atM;
    if (fault === 'open') read.farEnd = '';
  }
  return read;
}

const round = (m: number): number => Math.round(m * 10) / 10;

/**
 * A cable tester that is not there: answers our line protocol on loopback. `TEST {cable}` gives a reading as a line of JSON, `SCRIPT name`
 * says which script of faults it plays; a real tester answers `TEST` alone.
 */
export function startTesterSimulator(port = 0): Promise<{ port: number; server: Server }> {
  const server = createServer((socket) => {
    let playing: Pick<TesterScript, 'faults'> = { faults: [] };
    socket.on('error', () => undefined);
    socket.setTimeout(30_000, () => socket.destroy());
    createInterface({ input: socket }).on('line', (line) => {
      const [command, rest] = [line.slice(0, Math.max(0, `${line} `.indexOf(' '))), line.slice(line.indexOf(' ') + 1)];
      if (command === 'TEST' && line.length <= LONGEST_LINE) {
        const read = testedCable.safeParse(jsonOf(rest));
        return socket.write(read.success ? `${JSON.stringify(simulatedReading(read.data, playing))}\n` : 'ERROR cable\n');
      }
      if (command === 'SCRIPT') {
        const found = TESTER_SCRIPTS.find(({ name }) => name === rest.trim());
        playing = found ?? { faults: [] };
        return socket.write(found ? 'OK\n' : 'ERROR script\n');
      }
      return socket.write('ERROR unknown\n');
    });
  });
  return listening(server, port);
}

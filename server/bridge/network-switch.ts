import { type SwitchPortReading, switchPortReading } from '@dusky-spool/core/model';
import { z } from 'zod';
import { refusal } from '../http/problems.ts';
import { askLines, jsonOf } from './line-protocol.ts';

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
    const asked = { field: 'switch', name, answerMs: ANSWER_MS, mostBytes: MOST_BYTES };
    const answers = await askLines(port, [...before, 'PORTS'], asked);
    const read = readings.safeParse(jsonOf(answers[answers.length - 1] ?? ''));
    if (!read.success) throw refusal('instrument-away', { field: 'switch', instrument: name });
    return read.data;
  },
});

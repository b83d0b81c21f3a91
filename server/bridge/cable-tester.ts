import { type TestedCable, testerReading, type TesterReading } from '@dusky-spool/core/model';
import { refusal } from '../http/problems.ts';
import { askLines, jsonOf } from './line-protocol.ts';

/** What a cable tester can do; a real one is another object of this shape. */
export interface CableTester {
  readonly name: string;
  /** Tests one cable; a simulated tester first gets the planned cable and the name of its script. Problem: `instrument-away`. */
  readonly test: (cable: TestedCable, script: string) => Promise<TesterReading>;
}

const ANSWER_MS = 5000;
const MOST_BYTES = 20_000;

/** A tester behind the line protocol, at a port on loopback. */
export const lineTester = (name: string, port: number, isSimulated: boolean): CableTester => ({
  name,
  test: async (cable, script) => {
    const lines = [...(isSimulated ? [`SCRIPT ${script}`] : []), `TEST ${JSON.stringify(cable)}`];
    const answers = await askLines(port, lines, { field: 'tester', name, answerMs: ANSWER_MS, mostBytes: MOST_BYTES });
    const read = testerReading.safeParse(jsonOf(answers[answers.length - 1] ?? ''));
    if (!read.success) throw refusal('instrument-away', { field: 'tester', instrument: name });
    return read.data;
  },
});

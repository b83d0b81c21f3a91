import { refusal } from '../http/problems.ts';
import { askLines } from './line-protocol.ts';

/** What a laser distance meter can do; a real one is another object of this shape. */
export interface LaserMeter {
  readonly name: string;
  /** One distance, m. Problem: `instrument-away`. */
  readonly measure: () => Promise<number>;
}

const ASKED = { field: 'laser', name: 'laser meter', answerMs: 2000, mostBytes: 1000 };
/** No laser meter of the trade reads farther, m. */
const FARTHEST_M = 300;

/** A meter behind the bridge's line protocol, at a port on loopback. */
export const lineLaser = (name: string, port: number): LaserMeter => ({
  name,
  measure: async () => {
    const [line] = await askLines(port, ['MEASURE'], ASKED);
    const lengthM = Number(/^DISTANCE ([\d.]+) m$/.exec(line.trim())?.[1]);
    if (!(lengthM > 0 && lengthM <= FARTHEST_M)) throw refusal('instrument-away', { field: 'laser', instrument: name });
    return lengthM;
  },
});

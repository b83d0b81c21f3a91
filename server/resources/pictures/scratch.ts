import { tmpdir, userInfo } from 'node:os';
import { join } from 'node:path';

/** Where what can be made again is kept until the machine tidies up: a folder of its own for each user of the machine. */
export const scratchFolder = (name: string): string => join(tmpdir(), `dusky-spool-${userInfo().uid}`, name);

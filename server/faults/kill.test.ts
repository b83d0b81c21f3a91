import { expect } from 'chai';
import { killRun, seeded } from './kill-run.ts';

const EDITS = 200;
const KILLS = 6;

describe('a server killed in the midst of saving', () => {
  it(`at ${KILLS} seeded points of ${EDITS} edits keeps every acknowledged edit, and none is there twice`, async function () {
    this.timeout(300_000);
    const random = seeded(20_261_124);
    const killAt = new Set<number>();
    while (killAt.size < KILLS) killAt.add(Math.floor(random() * EDITS));
    expect(await killRun(EDITS, killAt, 7)).to.deep.equal({
      kills: KILLS,
      acknowledged: EDITS,
      lostAfterRestart: 0,
      stored: EDITS,
      storedTwice: 0,
      sameDocument: true,
    });
  });
});

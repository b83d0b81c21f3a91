import { expect } from 'chai';
import { killRun } from './kill-run.ts';

const EDITS = 500;

describe('a server killed in the midst of every save', () => {
  it(`of ${EDITS} edits keeps every acknowledged edit, and none is there twice`, async () => {
    const killAt = new Set(Array.from({ length: EDITS }, (_, n) => n));
    const report = await killRun(EDITS, killAt, 11);
    expect(report).to.deep.equal({
      kills: EDITS,
      acknowledged: EDITS,
      lostAfterRestart: 0,
      stored: EDITS,
      storedTwice: 0,
      sameDocument: true,
    });
  });
});

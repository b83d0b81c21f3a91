import { expect } from 'chai';
import { readdirSync, readFileSync } from 'node:fs';
import { dirname } from 'node:path';
import sharp from 'sharp';
import { contactSheet, demoSheets, keptPath, shareApart, TOLERATED_SHARE } from './kept-sheets.ts';

describe('the sheets of the demo', () => {
  it('look as they did when they were last looked at: every page of every sheet', async () => {
    const sheets = await demoSheets();
    const kept = readdirSync(dirname(keptPath('any'))).map((file) => file.replace('.png', ''));
    expect([...sheets.keys()].sort()).to.deep.equal(kept.sort());
    const apart: [string, number][] = [];
    for (const [name, pdf] of sheets) {
      const share = await shareApart(await contactSheet(pdf), readFileSync(keptPath(name)));
      if (share > TOLERATED_SHARE) apart.push([name, share]);
    }
    // Where a change is meant: look at the sheets, then `npm run keep-sheets`.
    expect(apart).to.deep.equal([]);
  }).timeout(300_000);

  it('are told apart from sheets on which something is missing or moved', async () => {
    const kept = readFileSync(keptPath('hole-list'));
    expect(await shareApart(kept, kept)).to.equal(0);
    const { width, height } = await sharp(kept).metadata();
    const moved = await sharp(kept)
      .extract({ left: 0, top: 0, width, height: height - 6 })
      .extend({ top: 6, background: '#fff' })
      .toBuffer();
    expect(await shareApart(moved, kept)).to.be.greaterThan(TOLERATED_SHARE);
    expect(
      await shareApart(
        await sharp(kept)
          .resize(width - 1, height, { fit: 'fill' })
          .toBuffer(),
        kept,
      ),
    ).to.equal(1);
  });
});

import { expect } from 'chai';
import { spawnSync } from 'node:child_process';
import sharp from 'sharp';
import { FALLBACKS, FONTS } from './fonts.ts';
import { hasGlyph, piecesOf } from './glyphs.ts';
import { pdfBuffer } from './pdf-buffer.ts';

/** Signs that findings, tables and title blocks use, and letters of names. */
const SIGNS = 'Ω µ ° ² ³ × · − – — … “ ” ‘ ’ ≤ ≥ ≈ → ← ↑ ↓ ± Ø ½ € £ é ü ß ł ő ş ž ç ñ å ø';

describe('characters of the documents', () => {
  it('are all in a face that is embedded', () => {
    for (const face of Object.values(FONTS))
      for (const character of SIGNS.replaceAll(' ', ''))
        expect(
          [face, ...FALLBACKS].some((one) => hasGlyph(one, character)),
          `${character} of ${face}`,
        ).to.equal(true);
  });

  it('stay in their own face where it has them, and change it for as long as it has not', () => {
    const own = FONTS.tag;
    expect(piecesOf('8 ohm', own)).to.deep.equal([{ text: '8 ohm', face: own }]);
    const pieces = piecesOf('8 Ω at Łódź', own);
    expect(pieces.map(({ text }) => text).join('')).to.equal('8 Ω at Łódź');
    expect(pieces[0]).to.deep.equal({ text: '8 ', face: own });
    expect(pieces[1].face).to.not.equal(own);
    for (const { text, face } of pieces)
      for (const character of text.trim()) if (character !== ' ') expect(hasGlyph(face, character), character).to.equal(true);
  });

  it('are drawn: a page with nothing but an ohm sign has ink on it, at the side that was asked for', async () => {
    const ink = async (align: 'left' | 'right') => {
      const bytes = await pdfBuffer([200, 60], { Title: 'x' }, (pdf) => {
        pdf.font(FONTS.tag).fontSize(30).text('Ω', 10, 10, { width: 180, align, lineBreak: false });
      });
      const { stdout } = spawnSync('pdftoppm', ['-png', '-r', '72', '-'], { input: bytes, maxBuffer: 1e7 });
      const { data, info } = await sharp(stdout).greyscale().raw().toBuffer({ resolveWithObject: true });
      const columns = [...data].flatMap((value, n) => (value < 128 ? [n % info.width] : []));
      return columns.length === 0 ? null : columns.reduce((sum, x) => sum + x, 0) / columns.length;
    };
    expect(await ink('left'))
      .to.be.greaterThan(0)
      .and.lessThan(60);
    expect(await ink('right')).to.be.greaterThan(140);
  });
});

import { expect } from 'chai';
import PDFDocument from 'pdfkit';
import { brokenAtSpaces, fittedWords } from './fitted-text.ts';
import { FONTS } from './fonts.ts';

const numbers = (count: number) => Array.from({ length: count }, (_, n) => `M-GR-${String(n + 1).padStart(2, '0')}.1`);

describe('text that must fit', () => {
  const pdf = new PDFDocument({ autoFirstPage: true });
  pdf.font(FONTS.tag);
  const more = (count: number) => `and ${count} more`;
  const room = [200, 26] as const;

  it('is never broken within a word', () => {
    pdf.fontSize(9);
    const list = numbers(30);
    const lines = brokenAtSpaces(pdf, list.join(' '), 120).split('\n');
    expect(lines.length).to.be.greaterThan(3);
    expect(lines.flatMap((line) => line.split(' '))).to.deep.equal(list);
    for (const line of lines) expect(pdf.widthOfString(line)).to.be.lessThan(120);
  });

  it('is as large as there is room for, has all words as long as it can, and says how many are left out', () => {
    for (const count of [1, 3, 8, 20, 40, 80]) {
      const list = numbers(count);
      const { text, size } = fittedWords(pdf, list, room, [11, 6], more);
      pdf.fontSize(size);
      expect(pdf.heightOfString(text, { width: 201 }), `${count}`).to.be.at.most(26);
      const told = text.split(/\s/).filter((word) => word.startsWith('M-'));
      const rest = Number(/and (\d+) more/.exec(text.replaceAll('\n', ' '))?.[1] ?? 0);
      expect(told).to.deep.equal(list.slice(0, told.length));
      expect(told.length + rest).to.equal(count);
    }
    expect(fittedWords(pdf, numbers(2), room, [11, 6], more).size).to.equal(11);
    expect(fittedWords(pdf, numbers(80), room, [11, 6], more).text).to.include('more');
  });
});

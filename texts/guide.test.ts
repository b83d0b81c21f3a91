import { expect } from 'chai';
import { existsSync } from 'node:fs';
import { guidePages } from './en/guide.ts';

const STAGES = ['brief', 'survey', 'devices', 'cabling', 'head-end', 'order', 'pre-wire', 'inspect', 'trim-out', 'handover'];

describe('the guide', () => {
  it('has one page for every stage, and each page says something', () => {
    expect(guidePages.flatMap(({ stages }) => stages).sort()).to.deep.equal([...STAGES].sort());
    expect(new Set(guidePages.map(({ id }) => id)).size).to.equal(guidePages.length);
    for (const { sections } of guidePages)
      for (const { title, text, steps } of sections)
        expect(text ?? steps?.join(''), title)
          .to.be.a('string')
          .and.not.equal('');
  });

  it('shows pictures that are there', () => {
    for (const { picture } of guidePages)
      if (picture) expect(existsSync(new URL(`../docs/screenshots/${picture}`, import.meta.url)), picture).to.equal(true);
  });
});

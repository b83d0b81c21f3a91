import { DARK, LIGHT, SYSTEM_COLORS, TEXT_PX, tokensCss } from '@dusky-spool/design';
import { expect } from 'chai';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const ROOT = join(import.meta.dirname, '..');
const read = (pattern: RegExp) =>
  readdirSync(ROOT, { recursive: true, encoding: 'utf8' })
    .filter((name) => pattern.test(name) && !name.endsWith('.test.ts'))
    .map((name) => ({ name, source: readFileSync(join(ROOT, name), 'utf8') }));
const sheets = read(/\.css$/);
const all = [...sheets, ...read(/\.tsx?$/)];

/** Relative luminance by WCAG 2. */
function luminance(color: string): number {
  const [r, g, b] = [1, 3, 5]
    .map((at) => Number.parseInt(color.slice(at, at + 2), 16) / 255)
    .map((value) => (value <= 0.03928 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4));
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}
const contrast = (a: string, b: string) => {
  const [light, dark] = [luminance(a), luminance(b)].sort((x, y) => y - x);
  return (light + 0.05) / (dark + 0.05);
};

describe('the design tokens', () => {
  it('are all there that styles ask for', () => {
    const defined = new Set([...tokensCss().matchAll(/--([a-z0-9-]+):/g)].map((match) => match[1]));
    // Set where they are used: the scale of a drawing, the margin of its picture.
    for (const { source } of all) for (const [, name] of source.matchAll(/'?--([a-z0-9-]+)'?\]?: /g)) defined.add(name);
    for (const { source } of all) for (const [, name] of source.matchAll(/\['--([a-z0-9-]+)'/g)) defined.add(name);
    const missing = all.flatMap(({ name, source }) =>
      [...source.matchAll(/var\(--([a-z0-9-]+)\)/g)].flatMap((match) => (defined.has(match[1]) ? [] : [`${name}: ${match[1]}`])),
    );
    expect(missing).to.deep.equal([]);
  });

  it('are the only colors and text sizes of style sheets', () => {
    const own = sheets
      .filter(({ name }) => !name.endsWith('tokens.css'))
      .flatMap(({ name, source }) => [...source.matchAll(/font-size: [\d.]+px/g)].map(([words]) => `${name}: ${words}`));
    expect(own).to.deep.equal([]);
    expect(Object.keys(TEXT_PX)).to.have.length(5);
  });

  it('have the systems in their colors, and nothing else in those', () => {
    const wrong = sheets
      .filter(({ name }) => name.endsWith('survey.css'))
      .flatMap(({ source }) => Object.keys(SYSTEM_COLORS).filter((system) => source.includes(`var(--${system})`)));
    expect(wrong).to.deep.equal([]);
  });

  it('can be read: text on its grounds 4.5 to 1, in both themes', () => {
    for (const { ink, inkSoft, inkFaint, accentText, error, warning, ok, paper, ground } of [LIGHT, DARK])
      for (const color of [ink, inkSoft, inkFaint, accentText, error, warning, ok])
        for (const under of [paper, ground]) expect(contrast(color, under), `${color} on ${under}`).to.be.at.least(4.5);
  });
});

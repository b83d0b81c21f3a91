import { expect } from 'chai';
import { readdirSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { CHECKS } from '../rules/index.ts';
import { CALCULATORS } from './list.ts';

const ROOT = join(import.meta.dirname, '../..');
const PARTS = ['core', 'server', 'web/src', 'cli/src', 'texts'];

/** Source files of the product, without its tests. */
function sources(): { readonly path: string; readonly text: string }[] {
  return PARTS.flatMap((part) => readdirSync(join(ROOT, part), { recursive: true, withFileTypes: true }))
    .filter((entry) => entry.isFile() && /\.tsx?$/.test(entry.name) && !/\.test\./.test(entry.name))
    .map((entry) => relative(ROOT, join(entry.parentPath, entry.name)))
    .filter((path) => !/node_modules|\/dist\/|\/testing\/|\/faults\//.test(path))
    .map((path) => ({ path, text: readFileSync(join(ROOT, path), 'utf8') }));
}
const code = (text: string): string =>
  text
    .replace(/\/\*[\s\S]*?\*\/|\/\/.*/g, '')
    .replace(/'[^'\n]*'|"[^"\n]*"/g, "''")
    // Of a template only what is computed is code.
    .replace(/`[^`]*`/g, (template) => [...template.matchAll(/\$\{([^}]*)\}/g)].map(([, inside]) => inside).join(' '));

/** Digits of a number that count, without those that only place the point. */
const digits = (literal: string): string => literal.replaceAll(/[_.]/g, '').replace(/^0+/, '').replace(/0+$/, '');

/** Which values stand in which files. */
function places(of: (text: string) => Iterable<string>): Map<string, Set<string>> {
  const found = new Map<string, Set<string>>();
  for (const { path, text } of sources())
    for (const value of of(text)) found.set(value, (found.get(value) ?? new Set()).add(path));
  return found;
}

describe('a formula', () => {
  it('is named by one file only: that of its calculator', () => {
    const named = places((text) => [...text.matchAll(/\bF\d+\.\d+\b/g)].map(([id]) => id));
    const twice = [...named].filter(([, files]) => files.size > 1).map(([id, files]) => `${id}: ${[...files].join(', ')}`);
    expect(twice).to.deep.equal([]);
    const ids = CALCULATORS.flatMap(({ formulaIds = [] }) => formulaIds);
    expect(ids.length).to.be.greaterThan(90);
    expect(new Set(ids).size).to.equal(ids.length);
  });

  it('has its constants in one file only', () => {
    // Numbers of four digits and more that carry a meaning; those of three may meet by chance.
    const found = places((text) =>
      [...code(text).matchAll(/(?<![\w.])\d[\d_]*\.\d+(?:e-?\d+)?(?![\w.])/g)].flatMap(([literal]) =>
        digits(literal).length >= 4 ? [String(Number(literal.replaceAll('_', '')))] : [],
      ),
    );
    expect(found.size).to.be.greaterThan(40);
    const twice = [...found].filter(([, files]) => files.size > 1).map(([value, files]) => `${value}: ${[...files].join(', ')}`);
    expect(twice).to.deep.equal([]);
  });

  it('of three digits stands once among the calculators, but where the reference gives two things one figure', () => {
    /** Figures that two formulas have by chance: a share, a height and a distance that happen to be alike. */
    const CHANCE = new Set(['1.02', '1.05', '1.07', '1.25', '1.35', '10.5', '12.5', '0.125']);
    const found = new Map<string, Set<string>>();
    for (const { path, text } of sources().filter((one) => one.path.startsWith('core/calculators/')))
      for (const [literal] of code(text).matchAll(/(?<![\w.])\d+\.\d+(?![\w.])/g))
        if (digits(literal).length === 3 && !CHANCE.has(literal)) found.set(literal, (found.get(literal) ?? new Set()).add(path));
    const twice = [...found].filter(([, files]) => files.size > 1).map(([value, files]) => `${value}: ${[...files].join(', ')}`);
    expect(twice).to.deep.equal([]);
  });
});

describe('a rule', () => {
  it('rests on calculators that there are', () => {
    const names = new Set(CALCULATORS.map(({ name }) => name));
    const resting = CHECKS.filter(({ calculators }) => calculators !== undefined);
    expect(resting.length).to.be.greaterThan(12);
    for (const { id, calculators = [] } of resting) for (const name of calculators) expect(names, id).to.include(name);
  });
});

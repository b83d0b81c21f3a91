import { expect } from 'chai';
import { applyChange, create, type Feature, newFeature, type ProjectDocument, update } from '../../model/index.ts';
import { moveFeatures } from '../../survey/index.ts';
import { PLACE_WORDS, smallHouse } from '../../testing/index.ts';
import { siteSheet, type SiteWords } from './site-sheet.ts';

const same = new Proxy({}, { get: (_, name) => String(name) }) as Record<string, string>;
const WORDS: SiteWords = {
  features: same,
  decisions: same,
  edges: same,
  substrates: same,
  conditions: same,
  neutrals: same,
  tests: same,
  place: PLACE_WORDS,
  below: (depth) => `${depth} below`,
  corner: (name) => `corner ${name}`,
};

function house(units: 'metric' | 'imperial', ...features: (Pick<Feature, 'id' | 'kind' | 'points'> & Partial<Feature>)[]) {
  const base = smallHouse();
  const project: ProjectDocument = { ...base, project: { ...base.project, units } };
  const applied = applyChange(project, {
    operations: [
      ...features.map((one) => create('features', newFeature({ levelId: 'm', ...one }))),
      update('levels', base.levels.m, { floorBuildUpM: 0.05 })!,
    ],
  });
  if (!applied.ok) throw new Error(JSON.stringify(applied.problem));
  return applied.value;
}

describe('the site sheet', () => {
  it('tells each trade what becomes of its marks, with lengths as they are measured', () => {
    const marked = house('metric', {
      id: 't',
      kind: 'trade-mark',
      points: [[1, 0]],
      name: 'Socket',
      owner: 'Electrician',
      bottomM: 0.4,
      topM: 0.4,
      decision: 'open',
    });
    const moved = applyChange(marked, { operations: moveFeatures(marked, ['t'], [0.13, 0]) });
    const [table] = siteSheet(moved.ok ? moved.value : marked, WORDS);
    expect(table.section).to.equal('corrections');
    expect(table.rows).to.deep.equal([
      ['Electrician', 'Socket', 'Main · Room AA lower, 1.07 m left', '0.40 m lower', 'move', '0.13 m', '1.13 m', ''],
    ]);
    expect(table.columns).to.have.length(table.rows[0].length);
  });

  it('gives outdoor points by two tapes and from the subfloor, in feet where the house is in feet', () => {
    const [table] = siteSheet(
      house('imperial', { id: 's', kind: 'stub-out', points: [[5.1, -3.048]], name: 'Gate', bottomM: 0.2548, topM: 0.4 }),
      WORDS,
    );
    expect(table.section).to.equal('outdoors');
    const [name, place, first, second, sub] = table.rows[0];
    // The root of 5.1 squared and 3.048 squared is 5.9414 m: 19 ft 5.91 in. 0.3048 m is a foot.
    expect([name, place, sub]).to.deep.equal(['Gate', 'Main', "1'"]);
    expect(first).to.match(/^19' 5 7\/8" {2}corner \d$/);
    expect(second).to.match(/^19' 5 7\/8" {2}corner \d$/);
  });

  it('lists what was found with its state, and says nothing of what is not there', () => {
    const [table, ...more] = siteSheet(
      house(
        'metric',
        { id: 'b', kind: 'existing-bracket', points: [[1, 1]], decision: 'reuse', condition: 'sound', substrate: 'solid-brick' },
        { id: 'x', kind: 'bed', points: [[2, 2]] },
      ),
      WORDS,
    );
    expect(more).to.deep.equal([]);
    expect(table.rows).to.deep.equal([
      ['existing-bracket', 'Main · Room AA, 0.94 m lower, 0.94 m left', '0.00 m lower', 'reuse', 'sound, solid-brick', ''],
    ]);
    expect(siteSheet(smallHouse(), WORDS)).to.deep.equal([]);
  });
});

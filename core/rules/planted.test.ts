import { expect } from 'chai';
import { findingKey } from './marks/index.ts';
import { applied, checked, PLANTED } from '../testing/index.ts';
import { ORDER } from './check.ts';
import { CHECKS } from './registry.ts';

describe('a house with one planted mistake', () => {
  for (const { rule, mistake, clean, code, about, figures, today, cured } of PLANTED) {
    it(`of ${rule} is found out, its clean twin is not${cured ? ', and the cure clears it' : ''}`, () => {
      const project = mistake();
      const before = checked(project, today);
      const found = before.find((one) => one.check === rule && one.code === code);
      if (!found) throw new Error(`not found among ${JSON.stringify(before.map(({ check, code: has }) => [check, has]))}`);
      expect(found.subjects.map((subject) => subject.in)).to.include(about);
      for (const { in: list, id } of found.subjects) expect(project[list], id).to.have.property(id);
      if (figures) {
        expect(found.measured).to.be.closeTo(figures[0], figures[2] ?? 1e-9);
        expect(found.allowed).to.be.closeTo(figures[1], figures[2] ?? 1e-9);
      }
      expect(new Set(before.map(findingKey)), 'findings told apart').to.have.property('size', before.length);
      expect(checked(clean(), today).filter((one) => one.check === rule && one.rank !== 'fine')).to.deep.equal([]);
      if (!cured) return;
      expect(found.cures.length, 'cures').to.be.greaterThan(0);
      const after = checked(applied(project, found.cures[0].operations), today);
      expect(after.map(findingKey)).not.to.include(findingKey(found));
      const known = new Set(before.map(findingKey));
      const raised = after.filter((one) => !known.has(findingKey(one)) && ORDER[one.rank] <= ORDER[found.rank]);
      expect(raised.map(findingKey)).to.deep.equal([]);
    });
  }

  it('is there for every rule, and the cures of at least half of them are proved', () => {
    const cures = new Set(PLANTED.filter(({ cured }) => cured).map(({ rule }) => rule));
    expect([...new Set(PLANTED.map(({ rule }) => rule))].sort()).to.deep.equal(CHECKS.map(({ id }) => id).sort());
    expect(cures.size).to.be.at.least(CHECKS.length / 2);
  });
});

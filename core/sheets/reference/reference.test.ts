import { expect } from 'chai';
import { CALCULATORS } from '../../calculators/index.ts';
import { CHECKS } from '../../rules/index.ts';
import { referenceOfRule, referencePages, referenceRules } from './reference.ts';

describe('the reference', () => {
  const entries = referencePages().flatMap((page) => page.entries);

  it('explains every calculator once, with an example that it answers', () => {
    expect(entries.map(({ name }) => name).sort()).to.deep.equal(CALCULATORS.map(({ name }) => name).sort());
    for (const { name, answer, formulas, source, valid } of entries) {
      expect(Object.keys(answer), name).not.to.have.length(0);
      expect([formulas.length > 0, source !== '', valid !== ''], name).to.deep.equal([true, true, true]);
    }
  });

  it('gives no formula number as a source', () => {
    for (const { name, source } of entries) expect(source, name).to.not.match(/\bF\d+\.\d+/);
    for (const { id, source } of CHECKS) expect(source, id).to.not.match(/\bF\d+\.\d+/);
  });

  it('leads from a rule to the calculator that it rests on, and lists the rule there with its limits', () => {
    expect(referenceOfRule('coax-loss')).to.deep.equal({ page: 'coax', at: 'coax-loss' });
    expect(referenceOfRule('labels-on')).to.deep.equal({ page: 'rules', at: 'labels-on' });
    expect(
      referenceRules()
        .flatMap(({ rules }) => rules.map(({ id }) => id))
        .sort(),
    ).to.deep.equal(CHECKS.map(({ id }) => id).sort());
    for (const { id, calculators = [] } of CHECKS)
      for (const calculator of calculators)
        expect(
          entries.find(({ name }) => name === calculator)!.rules.map((rule) => rule.id),
          id,
        ).to.include(id);
    const limits = entries.flatMap(({ rules }) => rules.flatMap((rule) => rule.limits));
    expect(limits.length).to.be.greaterThan(0);
    for (const { usual, min: min, max: max } of limits) expect(usual >= min && usual <= max).to.equal(true);
  });
});

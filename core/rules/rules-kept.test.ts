import { expect } from 'chai';
import { create, type RouteRule } from '../model/index.ts';
import { applied, checked, countedIds, twoStoreyHouse, withDevices } from '../testing/index.ts';

const rule = (targetId: string): RouteRule => ({
  id: 'rule',
  runId: null,
  kind: 'through',
  target: 'riser',
  targetId,
  at: null,
  note: '',
});
const start = withDevices(twoStoreyHouse(), [{ typeId: 'ceiling-speaker', at: [2, 2] }], countedIds()).document;
const of = (targetId: string) => {
  const document = applied(start, [create('routeRules', rule(targetId))]);
  return { document, found: checked(document).filter(({ check }) => check === 'rules-kept') };
};

describe('rules for ways', () => {
  it('that hold give no finding; one that speaks of a riser that is gone is told, and lifting it cures that', () => {
    expect(of('shaft').found).to.deep.equal([]);
    const { document, found } = of('no-such-riser');
    expect(found.map(({ code }) => code)).to.deep.equal(['rule-not-passed']);
    const cured = applied(document, found[0].cures[0].operations);
    expect(checked(cured).filter(({ check }) => check === 'rules-kept')).to.deep.equal([]);
  });
});

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
const start = withDevices(twoStoreyHouse(), [{ typeId: 'ceiling-speaker', at: [2, 2] }], countedIds()).project;
const of = (targetId: string) => {
  const project = applied(start, [create('routeRules', rule(targetId))]);
  return { document: project, found: checked(project).filter(({ check }) => check === 'rules-kept') };
};

describe('rules for ways', () => {
  it('that hold give no finding; one that speaks of a riser that is gone is told, and lifting it cures that', () => {
    expect(of('shaft').found).to.deep.equal([]);
    const { document: project, found } = of('no-such-riser');
    expect(found.map(({ code }) => code)).to.deep.equal(['rule-not-passed']);
    const cured = applied(project, found[0].cures[0].operations);
    expect(checked(cured).filter(({ check }) => check === 'rules-kept')).to.deep.equal([]);
  });
});

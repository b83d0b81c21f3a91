import { expect } from 'chai';
import { newFeature } from '../../model/index.ts';
import { cableClassOf, keepFromMains, mainsSeparation } from './mains.ts';
import { separation } from './separation.ts';

const mains = (more: object = {}) =>
  newFeature({ id: 'm', levelId: 'l', kind: 'mains-route', points: [[0, 0], [5, 0]], ...more }); // prettier-ignore

describe('the distance from mains', () => {
  it('in the EU is S times P by class of cable, divider and circuits', () => {
    // EN 50174-2 by hand: class b 100 mm x 0.4 for 5 circuits; class a 300 mm x 1.0 for 14.
    expect(keepFromMains(mains({ circuits: 5 }), 'EU', 'b')).to.be.closeTo(0.04, 1e-12);
    expect(keepFromMains(mains({ circuits: 14 }), 'EU', 'a')).to.be.closeTo(0.3, 1e-12);
    const beside = { jurisdiction: 'EU', cableClass: 'c', circuits: 20, parallelM: 10 } as const;
    expect(mainsSeparation({ ...beside, divider: 'open-metal' }).leastM).to.be.closeTo(0.076, 1e-12);
    expect(keepFromMains(mains({ circuits: 0 }), 'EU', 'a')).to.equal(0);
  });

  it('in the UK is 50 mm at least, in North America 300 mm beyond 2 m and else 2 in', () => {
    expect(keepFromMains(mains(), 'UK', 'b')).to.equal(0.05);
    expect(keepFromMains(mains({ circuits: 40 }), 'NA', 'b')).to.equal(0.3);
    expect(mainsSeparation({ jurisdiction: 'NA', cableClass: 'a', circuits: 1, parallelM: 2 }).leastM).to.equal(0.0508);
  });

  it('is what was entered where something was, in every region', () => {
    for (const region of ['NA', 'EU', 'UK', 'other'] as const)
      expect(keepFromMains(mains({ clearanceM: 0.12 }), region, 'a')).to.equal(0.12);
  });

  it('is the same in the calculator', () => {
    for (const jurisdiction of ['NA', 'EU', 'UK', 'other'] as const)
      for (const circuits of [0, 1, 4, 75, 76]) {
        const input = { jurisdiction, cableClass: 'b', circuits, parallelM: 9 } as const;
        const answer = separation.run(separation.input.parse(input));
        expect(answer.ok && answer.value.leastM).to.equal(mainsSeparation(input).leastM);
      }
  });

  it('takes category cable for unshielded pairs, and everything else for unknown', () => {
    expect([cableClassOf({ family: 'cat' }), cableClassOf({ family: 'spk_2' })]).to.deep.equal(['b', 'a']);
  });
});

import { expect } from 'chai';
import fc from 'fast-check';
import { buildingOf } from '../house/index.ts';
import { randomHouse, twoStoreyHouse } from '../testing/index.ts';
import { type EndPlace, entriesFrom } from './ends.ts';
import { networkOf } from './network.ts';
import { plainRouteCost } from './plain-route.ts';
import { bestStart } from './route-device.ts';
import { growTree } from './tree.ts';

const rackEnd = { levelId: 'm', mount: 'rack', heightM: 2 } as const;

describe('the tree of ways', () => {
  it('costs for every end what a search for that end alone costs, in any house', () => {
    fc.assert(
      fc.property(fc.infiniteStream(fc.double({ min: 0, max: 0.999, noNaN: true })), (numbers) => {
        const draw = () => numbers.next().value as number;
        const project = draw() < 0.3 ? twoStoreyHouse() : randomHouse(draw);
        const network = networkOf(buildingOf(project));
        const { x, y } = project.racks.rack;
        const ends = entriesFrom(network, { ...rackEnd, x, y });
        if (!ends.ok) return;
        const tree = growTree(network, ends.value);
        for (let k = 0; k < 3; k++) {
          const at: EndPlace = { levelId: 'm', mount: 'ceiling', heightM: null, x: draw() * x, y: 0.2 + draw() * 3 };
          const starts = entriesFrom(network, at);
          if (!starts.ok) continue;
          const found = bestStart(network, tree, starts.value)?.costM ?? Infinity;
          const plain = plainRouteCost(network, starts.value, ends.value);
          if (plain === Infinity) expect(found).to.equal(Infinity);
          else expect(found).to.be.closeTo(plain, 1e-6);
        }
      }),
      { numRuns: 25 },
    );
  });
});

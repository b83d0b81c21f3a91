import { expect } from 'chai';
import { placeLabels } from './place-labels.ts';

describe('labels on the plan', () => {
  const wish = (id: string, ...places: [number, number][]) => ({ id, width: 40, height: 10, places });

  it('take the first place that covers nothing', () => {
    const placed = placeLabels([wish('a', [0, 0], [0, 50])], [{ x: 10, y: 0, width: 5, height: 5 }]);
    expect(placed.get('a')).to.deep.equal([0, 50]);
  });

  it('move aside from each other and are left out rather than overlap', () => {
    const placed = placeLabels([wish('a', [0, 0]), wish('b', [5, 5], [5, 20]), wish('c', [10, 2])], []);
    expect([...placed.keys()]).to.deep.equal(['a', 'b']);
    expect(placed.get('b')).to.deep.equal([5, 20]);
  });
});

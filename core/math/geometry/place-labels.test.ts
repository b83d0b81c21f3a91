import { expect } from 'chai';
import fc from 'fast-check';
import { type Box, type LabelWish, placeLabels } from './place-labels.ts';

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

  it('stand where they would if each were held against every box', () => {
    const size = fc.double({ min: 1, max: 120, noNaN: true });
    const place = fc.double({ min: -300, max: 300, noNaN: true });
    const box = fc.record({ x: place, y: place, width: size, height: size });
    const label = fc.record({ places: fc.array(fc.tuple(place, place), { minLength: 1, maxLength: 4 }) });
    fc.assert(
      fc.property(
        fc.array(label, { maxLength: 12 }),
        fc.array(box, { maxLength: 30 }),
        fc.array(box, { maxLength: 30 }),
        (labels, beads, lines) => {
          const wishes = labels.map(({ places }, n) => ({ id: `l${n}`, width: 40, height: 10, places }));
          expect([...placeLabels(wishes, beads, lines)]).to.deep.equal([...plainly(wishes, beads, lines)]);
        },
      ),
    );
  });
});

/** The slow reference: every place of every label against every box. */
function plainly(wishes: readonly LabelWish[], beads: readonly Box[], lines: readonly Box[]) {
  const overlap = (a: Box, b: Box) =>
    Math.max(0, Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x)) *
    Math.max(0, Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y));
  const placed: Box[] = [];
  const result = new Map<string, readonly [number, number]>();
  for (const { id, width, height, places } of wishes) {
    const choices = places.flatMap(([x, y]) => {
      const box = { x, y, width, height };
      if (placed.some((other) => overlap(box, other) > 0)) return [];
      const sum = (boxes: readonly Box[]) => boxes.reduce((total, other) => total + overlap(box, other), 0);
      return [{ box, covered: sum(beads), cost: 4 * sum(beads) + sum(lines) }];
    });
    const best = choices.reduce<(typeof choices)[number] | null>((min, one) => (!min || one.cost < min.cost ? one : min), null);
    if (!best || best.covered > width * height * 0.35) continue;
    placed.push(best.box);
    result.set(id, [best.box.x, best.box.y]);
  }
  return result;
}

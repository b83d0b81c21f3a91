import { expect } from 'chai';
import { normalQuantile } from './confidence.ts';
import { drawFrom } from '../math/index.ts';
import { solveSpools } from './solve-spools.ts';
import type { Cut, SpoolAnswer, SpoolProblem } from './spool-problem.ts';

const cut = (id: string, m: number, bundle = '', rangeM = 0): Cut => ({
  ...{ id, bundle, meanM: m, sdM: rangeM / 4, mostM: m + rangeM / 2 },
});
const problem = (more: Partial<SpoolProblem>): SpoolProblem => ({
  cuts: [],
  stock: [],
  offers: [{ id: 'box', lengthM: 305, priceCents: 20_000 }],
  confidence: 1,
  aim: 'cost',
  ...more,
});

/** Whether every cut is on a spool once, no two of a bundle together, and every spool lasts. */
function faults({ cuts, stock, offers, confidence }: SpoolProblem, answer: SpoolAnswer): string[] {
  const byId = new Map(cuts.map((one) => [one.id, one]));
  const placed = answer.spools.flatMap(({ cutIds }) => cutIds);
  const wrong: string[] = [];
  if (new Set(placed).size !== placed.length) wrong.push('twice');
  if (placed.length + answer.tooLong.length + answer.without.length !== cuts.length) wrong.push('lost');
  const used = answer.spools.flatMap(({ stockId }) => stockId ?? []);
  if (new Set(used).size !== used.length) wrong.push('stock twice');
  for (const spool of answer.spools) {
    const own = spool.cutIds.map((id) => byId.get(id)!);
    const bundles = own.map(({ bundle }) => bundle).filter(Boolean);
    if (new Set(bundles).size !== bundles.length) wrong.push('bundle');
    const z = confidence >= 1 ? 0 : normalQuantile(confidence);
    const need =
      confidence >= 1
        ? own.reduce((sum, { mostM }) => sum + mostM, 0)
        : own.reduce((sum, { meanM }) => sum + meanM, 0) + z * Math.sqrt(own.reduce((sum, { sdM }) => sum + sdM ** 2, 0));
    const length = spool.stockId
      ? stock.find(({ id }) => id === spool.stockId)!.leftM
      : offers.find(({ id }) => id === spool.offerId)!.lengthM;
    if (need > length + 1e-6 || Math.abs(length - need - spool.leftM) > 1e-6) wrong.push('over');
  }
  const cost = answer.buy.reduce(
    (sum, { offerId, count }) => sum + count * offers.find(({ id }) => id === offerId)!.priceCents,
    0,
  );
  if (cost !== answer.costCents || answer.costCents < answer.boundCents) wrong.push('cost');
  return wrong;
}

/** The least cost by trying everything: the plain reference for small cases. */
function cheapest({ cuts, stock, offers }: SpoolProblem): number {
  let best = Infinity;
  const go = (n: number, bins: { left: number; bundles: string[] }[], cost: number) => {
    if (cost >= best) return;
    if (n === cuts.length) {
      best = cost;
      return;
    }
    const { mostM, bundle } = cuts[n];
    for (const bin of bins) {
      if (bin.left < mostM - 1e-9 || (bundle !== '' && bin.bundles.includes(bundle))) continue;
      bin.left -= mostM;
      bin.bundles.push(bundle);
      go(n + 1, bins, cost);
      bin.bundles.pop();
      bin.left += mostM;
    }
    for (const { lengthM, priceCents } of offers)
      if (lengthM >= mostM) go(n + 1, [...bins, { left: lengthM - mostM, bundles: [bundle] }], cost + priceCents);
  };
  go(
    0,
    stock.map(({ leftM }) => ({ left: leftM, bundles: [] })),
    0,
  );
  return best;
}

describe('spools for the cuts of one cable', () => {
  it('take as many spools at once as a bundle has cuts, though one would be long enough', () => {
    const asked = problem({ cuts: [cut('a', 30, 'B1'), cut('b', 28, 'B1'), cut('c', 31, 'B1'), cut('d', 40)] });
    const answer = solveSpools(asked);
    expect(faults(asked, answer)).to.deep.equal([]);
    expect([answer.count, answer.boundCount, answer.costCents]).to.deep.equal([3, 3, 60_000]);
  });

  it('use what is there before anything is bought, and buy the sizes that cost least together', () => {
    const offers = [
      { id: 'short', lengthM: 76, priceCents: 5_000 },
      { id: 'box', lengthM: 305, priceCents: 15_000 },
    ];
    const cuts = [cut('a', 60), cut('b', 50), cut('c', 20)];
    // Of 130 m 60 m are there on an opened box; the rest fits a short spool and not two.
    const asked = problem({ cuts, offers, stock: [{ id: 'old', leftM: 61 }] });
    const answer = solveSpools(asked);
    expect(faults(asked, answer)).to.deep.equal([]);
    expect(answer.buy).to.deep.equal([{ offerId: 'short', count: 1 }]);
    // All of it from stock costs nothing.
    expect(solveSpools(problem({ cuts, offers, stock: [{ id: 'old', leftM: 200 }] })).costCents).to.equal(0);
  });

  it('say which runs are longer than any spool, and which find none', () => {
    const answer = solveSpools(problem({ cuts: [cut('a', 306), cut('b', 100)] }));
    expect([answer.tooLong, answer.count]).to.deep.equal([['a'], 1]);
    const none = solveSpools(problem({ cuts: [cut('a', 50), cut('b', 20)], offers: [], stock: [{ id: 's', leftM: 60 }] }));
    expect([none.without.length, none.spools.length]).to.deep.equal([1, 1]);
  });

  it('last with the chosen confidence: mean and z times the root of the variances', () => {
    // z of 97.72 % is 2; nine cuts of 30 m with a range of 4 m: sd 1, together 270 + 2 * 3 = 276 m.
    expect(normalQuantile(0.97725)).to.be.closeTo(2, 1e-3);
    expect(normalQuantile(0.5)).to.be.closeTo(0, 1e-12);
    expect(normalQuantile(0.001)).to.be.closeTo(-3.0902, 1e-4);
    const cuts = Array.from({ length: 9 }, (_, n) => cut(`c${n}`, 30, '', 4));
    const of = (confidence: number, lengthM: number) =>
      solveSpools(problem({ cuts, confidence, offers: [{ id: 'o', lengthM, priceCents: 1 }] }));
    expect(of(0.97725, 276.01).count).to.equal(1);
    expect(of(0.97725, 275.9).count).to.equal(2);
    expect(of(0.97725, 276.01).spools[0].usedM).to.be.closeTo(276, 0.01);
    // At 100 % every run is at its longest: 9 * 32 = 288 m.
    expect(of(1, 288).count).to.equal(1);
    expect(of(1, 287.9).count).to.equal(2);
  });

  it('gather what remains', () => {
    const asked = problem({ cuts: Array.from({ length: 10 }, (_, n) => cut(`c${n}`, 40)) });
    const answer = solveSpools(asked);
    expect(faults(asked, answer)).to.deep.equal([]);
    expect(answer.spools.map(({ leftM }) => Math.round(leftM)).sort((a, b) => a - b)).to.deep.equal([25, 185]);
  });

  it('cost no more than trying everything, in random small cases with stock, sizes and bundles', function () {
    this.timeout(120_000);
    const random = drawFrom(7);
    let proven = 0;
    for (let round = 0; round < 100; round++) {
      const count = 4 + Math.floor(random() * 4);
      const cuts = Array.from({ length: count }, (_, n) =>
        cut(`c${n}`, 10 + Math.floor(random() * 60), random() < 0.6 ? `B${Math.floor(random() * 3)}` : ''),
      );
      const asked = problem({
        cuts,
        stock: Array.from({ length: Math.floor(random() * 3) }, (_, n) => ({ id: `s${n}`, leftM: Math.floor(random() * 90) })),
        offers: [
          { id: 'o1', lengthM: 76, priceCents: 6_000 },
          { id: 'o2', lengthM: 152, priceCents: 9_900 },
        ],
      });
      const answer = solveSpools(asked);
      expect(faults(asked, answer), `round ${round}`).to.deep.equal([]);
      expect(answer.costCents, `round ${round}`).to.equal(cheapest(asked));
      if (answer.costCents === answer.boundCents) proven++;
    }
    expect(proven).to.be.greaterThan(70);
  });

  it('are the same for the same question, and hold in hostile ones', () => {
    const random = drawFrom(3);
    const cuts = Array.from({ length: 120 }, (_, n) => cut(`c${n}`, 5 + random() * 80, `B${n % 14}`, random() * 6));
    const asked = problem({ cuts, confidence: 0.95, stock: [{ id: 'empty', leftM: 0 }] });
    const answer = solveSpools(asked);
    expect(faults(asked, answer)).to.deep.equal([]);
    expect(solveSpools(asked)).to.deep.equal(answer);
    expect(solveSpools(problem({})).spools).to.deep.equal([]);
  });
});

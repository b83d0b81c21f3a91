import { expect } from 'chai';
import type { RateCard } from '../model/index.ts';
import { applied, designedHouse } from '../testing/index.ts';
import { offerOf, offerSourceOf } from './offer.ts';
import { applyRateCard, isApplied, ratesOf } from './rate-cards.ts';

const house = designedHouse([
  { typeId: 'ceiling-speaker', at: [1, 2] },
  { typeId: 'network-drop', at: [3, 0.05] },
]);
const card: RateCard = {
  ...{ id: 'r1', name: 'A builder', kind: 'builder', labourRate: 50, marginPercent: 20, outletPrice: 90, windowPrice: null },
};

describe('a rate card', () => {
  it('prices the offer at its rates in one edit, and is in use then', () => {
    expect(isApplied(house, card)).to.equal(false);
    const operations = applyRateCard(house, card);
    expect(operations).to.have.length(1);
    const after = applied(house, operations);
    expect(isApplied(after, card)).to.equal(true);
    expect(ratesOf(after)).to.deep.equal({ labourRate: 50, marginPercent: 20, outletPrice: 90, windowPrice: null });
    expect(applyRateCard(after, card)).to.deep.equal([]);
    const offer = offerOf(after, offerSourceOf(after), ({ name }) => [name], '2027-02-01');
    // The drop is an outlet at its flat price, the speaker is not; what is bought has the margin of the card.
    expect(offer.lines.filter(({ group }) => group === 'flat').map(({ count, priceCents }) => [count, priceCents])).to.deep.equal(
      [[1, 9000]],
    );
    const device = offer.lines.find(({ part, priceCents }) => part === 'device' && priceCents > 0)!;
    expect(device.priceCents).to.equal(Math.round(device.costCents / 0.8));
  });
});

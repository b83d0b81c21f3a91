import { expect } from 'chai';
import fc from 'fast-check';
import { listOf } from '../derive/index.ts';
import { drawFrom } from '../math/index.ts';
import { type Price, type ProjectDocument, type SiteTask, USUAL_PRICE_SETTINGS } from '../model/index.ts';
import { designedHouse, randomHouse } from '../testing/index.ts';
import { groupOffer, OFFER_GROUPINGS } from './group-offer.ts';
import { type Offer, offerOf, offerSourceOf } from './offer.ts';
import { projectOfOption } from './options.ts';
import { priceBook } from './price-list.ts';
import { splitCents, taxOn, withMargin } from './shares.ts';

const TODAY = '2027-02-01';
const at = (typeId: string, x: number, y = 0.05) => ({ typeId, at: [x, y] as [number, number] });
const house = designedHouse([at('ceiling-speaker', 1, 2), at('network-drop', 3), at('camera', 4, -0.05), at('display', 2)]);
const offer = (project: ProjectDocument): Offer => offerOf(project, offerSourceOf(project), ({ name }) => [name], TODAY);
const priced = (
  settings: Partial<typeof USUAL_PRICE_SETTINGS>,
  prices: readonly Price[] = [],
  project = house,
): ProjectDocument => ({
  ...project,
  project: { ...project.project, priceSettings: { ...USUAL_PRICE_SETTINGS, ...settings } },
  prices: Object.fromEntries(prices.map((price) => [price.id, price])),
});
const price = (id: string, priceCents: number, more: Partial<Price> = {}): Price => ({
  ...{ id, item: 'Ceiling speaker', supplier: 'Reed & Sluice', partNumber: '', priceCents, taxPercent: null },
  ...{ validFrom: '', validTo: '', leadDays: 5, ...more },
});
const speakerName = house.deviceTypes['ceiling-speaker'].name;
const ofSpeaker = (prices: readonly Price[]) =>
  offer(
    priced(
      {},
      prices.map((one) => ({ ...one, item: speakerName })),
    ),
  ).lines.find(({ key }) => key === 'device ceiling-speaker')!;

describe('an offer', () => {
  it('adds up to the cent, line by line and in every grouping, in random houses with random margins and taxes', () => {
    for (let seed = 1; seed <= 6; seed++) {
      const draw = drawFrom(seed);
      const project = priced(
        { marginPercent: Math.round(draw() * 6000) / 100, taxPercent: Math.round(draw() * 2500) / 100 },
        [],
        randomHouse(drawFrom(seed)),
      );
      const { lines, priceCents, taxCents, totalCents, costCents } = offer(project);
      const sum = (of: (line: (typeof lines)[number]) => number) => lines.reduce((total, line) => total + of(line), 0);
      expect([sum((one) => one.priceCents), sum((one) => one.taxCents), sum((one) => one.costCents)]).to.deep.equal([
        priceCents,
        taxCents,
        costCents,
      ]);
      expect(totalCents).to.equal(priceCents + taxCents);
      for (const line of lines) {
        expect([line.priceCents, line.taxCents, line.costCents].every(Number.isInteger), line.key).to.equal(true);
        expect(line.taxCents).to.equal(Math.round((line.priceCents * line.taxPercent) / 100));
      }
      for (const by of OFFER_GROUPINGS) {
        const groups = groupOffer(project, lines, by);
        expect(
          groups.reduce((total, group) => total + group.totalCents, 0),
          by,
        ).to.equal(totalCents);
        expect(
          groups.reduce((total, group) => total + group.costCents, 0),
          by,
        ).to.equal(costCents);
      }
    }
  });

  it('prices a thing by hand: 2 for 41.00, 30 % margin, 20 % tax', () => {
    // 82.00 / 0.7 = 117.142857: 117.14; a fifth of that is 23.428: 23.43.
    expect([withMargin(8200, 30), taxOn(11714, 20)]).to.deep.equal([11714, 2343]);
    const project = priced({ marginPercent: 30, taxPercent: 20 }, [price('p', 4100, { item: speakerName })]);
    const line = offer(project).lines.find(({ key }) => key === 'device ceiling-speaker')!;
    expect([line.count, line.costCents, line.priceCents, line.taxCents]).to.deep.equal([1, 4100, 5857, 1171]);
    expect(line.rule).to.deep.include({ by: 'price-list' });
  });

  it('takes the lowest price that is valid on the day, and reports what is in doubt', () => {
    const dear = price('a', 5000);
    const cheap = price('b', 4000, { supplier: 'Marsh Trade' });
    expect(ofSpeaker([dear, cheap]).costCents).to.equal(4000);
    expect(ofSpeaker([dear, { ...cheap, validTo: '2027-01-31' }]).costCents).to.equal(5000);
    expect(ofSpeaker([dear, { ...cheap, validFrom: '2027-02-01' }]).costCents).to.equal(4000);
    expect(ofSpeaker([dear, price('c', 5100)]).doubt).to.equal('two-prices');
    expect(ofSpeaker([dear, cheap]).doubt).to.equal(null);
    expect(ofSpeaker([{ ...dear, validTo: '2026-12-31' }]).doubt).to.equal('price-expired');
    // An expired list falls back on the price of the library.
    expect(ofSpeaker([{ ...dear, validTo: '2026-12-31' }]).rule.by).to.equal('library');
    expect(priceBook(priced({}, [dear]), TODAY)(['ceiling  SPEAKER']).price?.id).to.equal('a');
    expect(offer(house).doubts.every(({ doubt, eachCents }) => doubt === 'price-missing' && eachCents === null)).to.equal(true);
  });

  it('asks the rate for every person-hour, and cleanup and contingency as lines of their own', () => {
    const { lines, hours } = offer(priced({ cleanupPercent: 12, contingencyPercent: 10 }));
    const work = lines.filter(({ rule }) => rule.by === 'hours');
    const bare = work.reduce((sum, { rule }) => sum + (rule.by === 'hours' ? rule.hours : 0), 0);
    expect(hours).to.be.closeTo(1.22 * bare, 1e-9);
    const cleanup = lines.find(({ part }) => part === 'cleanup')!;
    expect(cleanup.priceCents).to.equal(Math.round(0.12 * bare * house.project.labourRate * 100));
    // Ends by hand: a camera, a drop and a display have category ends, two a run.
    const ends = work.find(({ part }) => part === 'end')!;
    const runs = listOf(house, 'runs').filter(({ foundId }) => foundId === null);
    const byHand = runs.reduce((sum, { cableTypeId }) => sum + (house.cableTypes[cableTypeId].family === 'cat' ? 0.4 : 0.2), 0);
    expect(ends.rule.by === 'hours' && ends.rule.hours).to.be.closeTo(byHand, 1e-9);
  });

  it('sells an outlet at its flat price, and asks for its cable and pull no more', () => {
    const flat = { ...house, project: { ...house.project, outletPrice: 185 } };
    const [with_, without] = [offer(flat), offer(house)];
    const line = with_.lines.find(({ group }) => group === 'flat')!;
    expect([line.part, line.count, line.priceCents]).to.deep.equal(['outlet', 1, 18500]);
    const pull = (of: Offer) => of.lines.find(({ part }) => part === 'pull')!.priceCents;
    expect(pull(with_)).to.be.lessThan(pull(without));
    const label = (of: Offer) => of.lines.find(({ part }) => part === 'label' && of === with_)?.priceCents ?? 0;
    expect(label(with_)).to.be.at.least(0);
    expect(with_.costCents).to.equal(without.costCents);
  });

  it('has tasks at the price of who does them; what the owner does costs nothing', () => {
    const task: SiteTask = {
      ...{ id: 't', name: 'Patch the ceiling', kind: 'patch', roomId: null, gate: null, hours: 3, costCents: 7000 },
      ...{ fromOn: '', toOn: '', doneOn: '', note: '', chosenBy: null },
      choices: [{ by: 'finisher', priceCents: 42_000, days: 2, risk: 'low', note: '' }],
    };
    const of = (chosenBy: SiteTask['chosenBy']) =>
      offer({ ...priced({ marginPercent: 30 }), siteTasks: { t: { ...task, chosenBy } } }).lines.find(
        ({ key }) => key === 'task t',
      );
    expect(of(null)!.priceCents).to.equal(10_000 + Math.round(3 * house.project.labourRate * 100));
    expect(of('finisher')!.priceCents).to.equal(42_000);
    expect(of('owner')).to.equal(undefined);
  });

  it('is less for an option that leaves a system out, and follows the devices that an option takes instead', () => {
    const option = { id: 'o', order: 0, name: 'Without cameras', note: '', withoutRoomIds: [], withoutPhaseIds: [] };
    const system = house.deviceTypes.camera.system;
    const without = projectOfOption(house, { ...option, withoutSystems: [system], swaps: [] });
    if (!without.ok) throw new Error(without.problem.code);
    expect(Object.values(without.value.devices).some(({ typeId }) => house.deviceTypes[typeId].system === system)).to.equal(
      false,
    );
    expect(offer(without.value).totalCents).to.be.lessThan(offer(house).totalCents);
    const swapped = projectOfOption(house, {
      ...{ ...option, withoutSystems: [] },
      swaps: [{ fromTypeId: 'ceiling-speaker', toTypeId: 'in-wall-front' }],
    });
    expect(swapped.ok && Object.values(swapped.value.devices).filter(({ typeId }) => typeId === 'in-wall-front').length).to.equal(
      1,
    );
    const unknown = projectOfOption(house, {
      ...option,
      withoutSystems: [],
      swaps: [{ fromTypeId: 'camera', toTypeId: 'none' }],
    });
    expect(!unknown.ok && unknown.problem.code).to.equal('type-missing');
  });
});

describe('splitting cents', () => {
  it('never loses or makes one', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 10_000_000 }),
        fc.array(fc.double({ min: 0, max: 1000, noNaN: true }), { minLength: 1, maxLength: 30 }),
        (cents, weights) => {
          const parts = splitCents(cents, weights);
          expect(parts.reduce((sum, part) => sum + part, 0)).to.equal(cents);
          expect(parts.every((part) => Number.isInteger(part) && part >= 0)).to.equal(true);
        },
      ),
    );
    expect(splitCents(100, [1, 1, 1])).to.deep.equal([34, 33, 33]);
  });
});

import { expect } from 'chai';
import fc from 'fast-check';
import { applied, smallHouse } from '../testing/index.ts';
import { amountInCell, type HouseTable, MAX_PRICE_ROWS, readHouseTable } from '../survey/index.ts';
import { guessPriceColumns, pricesOfTable, type ReadPrices, takePrices } from './price-import.ts';

const table = (text: string): HouseTable => {
  const read = readHouseTable(text, MAX_PRICE_ROWS);
  if (!read.ok) throw new Error(read.problem.code);
  return read.value;
};
const read = (text: string): ReadPrices => {
  const found = table(text);
  return pricesOfTable(found, guessPriceColumns(found.head));
};

describe('a price list', () => {
  it('is read by the words over its columns, in the ways in which people write amounts and days', () => {
    const { prices, problems } = read(
      'Article number;Description;Supplier;Net price;VAT %;Valid from;Valid until;Lead time\n' +
        'RS-1;Ceiling speaker;Reed & Sluice;"1.234,50";20;2027-01-01;31.12.2027;10 days\n' +
        ';Keypad;;42,5;;;;\n',
    );
    expect(problems).to.deep.equal([]);
    expect(prices[0]).to.deep.equal({
      ...{ item: 'Ceiling speaker', supplier: 'Reed & Sluice', partNumber: 'RS-1', priceCents: 123_450, taxPercent: 20 },
      ...{ validFrom: '2027-01-01', validTo: '2027-12-31', leadDays: 10, line: 2 },
    });
    expect(prices[1]).to.include({ item: 'Keypad', priceCents: 4250, taxPercent: null, leadDays: 5 });
  });

  it('keeps the good rows and reports each bad one by its line, field and reason', () => {
    const { prices, problems } = read(
      'item,price,supplier,valid from,valid to,tax\n' +
        'A,12.00,X,,,\nB,call us,X,,,\n,3.00,X,,,\nC,-4,X,,,\nD,5,X,01/02/2027,,\nE,5,X,2027-03-01,2027-02-01,\nF,5,X,,,250\nA,13.00,X,,,\nG,=1+1,X,,,\nH,7,X,2027-02-30,,\n',
    );
    expect(prices.map(({ item, priceCents }) => [item, priceCents])).to.deep.equal([['A', 1200]]);
    expect(problems.map(({ line, problem }) => [line, problem.code, problem.field])).to.deep.equal([
      [3, 'price-cell', 'price'],
      [4, 'price-name-missing', 'item'],
      [5, 'price-range', 'price'],
      [6, 'date-cell', 'validFrom'],
      [7, 'date-order', 'validTo'],
      [8, 'price-range', 'tax'],
      [9, 'price-twice', 'price'],
      [10, 'price-cell', 'price'],
      [11, 'date-cell', 'validFrom'],
    ]);
    expect(problems[6].problem.line).to.equal(2);
  });

  it('says which column is missing, and that a list is too long before anything is taken', () => {
    const { prices, problems } = read('thing,amount\nA,1\n');
    expect([prices.length, problems[0].problem.code, problems[0].problem.field]).to.deep.equal([
      0,
      'price-column-missing',
      'price',
    ]);
    const long = readHouseTable(`item,price\n${'A,1\n'.repeat(200_000)}`, MAX_PRICE_ROWS);
    expect(!long.ok && [long.problem.code, long.problem.limit]).to.deep.equal(['table-too-large', MAX_PRICE_ROWS]);
  });

  it('changes prices that are there already when it comes again, and adds the others', () => {
    let count = 0;
    const newId = () => `p${++count}`;
    const first = applied(smallHouse(), takePrices(smallHouse(), read('item,price\nA,1\nB,2\n'), newId));
    const second = applied(first, takePrices(first, read('item,price\na,1.50\nB,2\nC,3\n'), newId));
    expect(Object.values(second.prices).map(({ item, priceCents }) => [item, priceCents])).to.deep.equal([
      ['a', 150],
      ['B', 200],
      ['C', 300],
    ]);
    expect(takePrices(second, read('item,price\na,1.50\nB,2\nC,3\n'), newId)).to.deep.equal([]);
  });

  it('reads every amount that it writes, and never makes one of words', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 999_999_999 }), (cents) => {
        const plain = (cents / 100).toFixed(2);
        const grouped = plain.replace(/\B(?=(\d{3})+\.)/g, ',');
        const european = grouped.replace(/[.,]/g, (mark) => (mark === '.' ? ',' : '.'));
        for (const written of [plain, grouped, european, `${grouped} USD`, `${european}`])
          expect(Math.round(amountInCell(written, false)! * 100), written).to.equal(cents);
      }),
    );
    for (const bad of ['', 'call us', '1.2.3', '--', '1e9x', 'NaN']) expect(amountInCell(bad, false), bad).to.equal(null);
    expect([amountInCell('1,234', false), amountInCell('1,234', true), amountInCell('12,5', false)]).to.deep.equal([
      1234, 1.234, 12.5,
    ]);
  });

  it('takes no hostile words into a name', () => {
    const { prices } = read('item,price\n"Spea\u0007ker\u202e",1\n');
    expect(prices[0].item).to.equal('Speaker');
  });
});

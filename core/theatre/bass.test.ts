import { expect } from 'chai';
import { answer } from '../testing/index.ts';
import { evennessOf, levelsDb, responsesOf, subwooferChoices, usualSubwooferPlaces } from './bass.ts';
import type { Place } from './channel-at-seat.ts';

const BOX = { sidesM: [6, 4.4, 2.5] as const, t60S: 0.5 };
const SEATS: Place[] = [
  [3.6, 2.2, 1],
  [3.6, 1.5, 1],
  [4.9, 2.2, 1.3],
];
const HZ = [20, 28.6, 40, 57.2, 80];

describe('subwoofers in a box', () => {
  it('do at a seat what the worked example says, alone and together', () => {
    const [front, back] = responsesOf(
      BOX,
      [
        [0, 2.2, 0],
        [6, 2.2, 0],
      ],
      SEATS,
      HZ,
    );
    const near = (found: Float64Array, expected: number[]) =>
      expected.forEach((one, n) => expect(found[n], `${HZ[n]} Hz`).to.be.closeTo(one, 0.05));
    near(levelsDb(BOX, [front[0]]), [7.51, 9.12, -9.64, 11.15, 7.63]);
    near(levelsDb(BOX, [front[0], back[0]]), [10.41, 6.02, 4.13, 17.1, 15.41]);
  });

  it('are at every seat what the calculator says', () => {
    const subs = [
      [0.4, 0.3, 0.2],
      [5.1, 4, 0.3],
    ] as Place[];
    const responses = responsesOf(BOX, subs, SEATS, HZ);
    SEATS.forEach((seat, n) => {
      const input = { lengthM: 6, widthM: 4.4, heightM: 2.5, seat, subs: subs.map((at) => ({ at })), frequenciesHz: HZ };
      const { levelsDb: expected } = answer('modal-response', input) as unknown as { levelsDb: number[] };
      const found = levelsDb(
        BOX,
        responses.map((one) => one[n]),
      );
      expected.forEach((one, f) => expect(found[f]).to.be.closeTo(one, 1e-6));
    });
  });

  it('are chosen so that no other choice serves the seats more evenly', () => {
    const places = usualSubwooferPlaces(BOX.sidesM);
    const bands = Array.from({ length: 31 }, (_, n) => 20 + 2 * n);
    for (const [count, all] of [
      [1, 8],
      [2, 28],
      [4, 70],
    ]) {
      const choices = subwooferChoices(BOX, places, SEATS, count, bands);
      expect(choices).to.have.length(all);
      const lost = choices.map(({ seatSpreadDb, rippleDb }) => seatSpreadDb + 0.35 * rippleDb);
      expect(lost[0]).to.equal(Math.min(...lost));
      const responses = responsesOf(
        BOX,
        choices[0].places.map((n) => places[n]),
        SEATS,
        bands,
      );
      expect(evennessOf(BOX, responses).seatSpreadDb).to.be.closeTo(choices[0].seatSpreadDb, 1e-9);
    }
    const spreads = [1, 2, 4].map((count) => subwooferChoices(BOX, places, SEATS, count, bands)[0].seatSpreadDb);
    expect(spreads[1]).to.be.lessThan(spreads[0]);
    expect(subwooferChoices(BOX, places, [], 2, bands)).to.deep.equal([]);
    expect(subwooferChoices(BOX, places, SEATS, 9, bands)).to.deep.equal([]);
  });
});

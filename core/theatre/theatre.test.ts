import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  create,
  newFeature,
  type Operation,
  type ProjectDocument,
  readProjectFile,
  type SurroundChannel,
  update,
} from '../model/index.ts';
import { answer, applied, countedIds, smallHouse, withDevices } from '../testing/index.ts';
import { pressureMap } from './pressure-map.ts';
import { theatreOf, theatreRooms } from './theatre.ts';

/** Room AA of the small house, 5.1 by 4.1 m between center lines: the picture on the upper wall, seats that look up the plan. */
function theatre(
  speakers: [SurroundChannel, number, number, number | null][],
  seats: [number, number, number?][] = [[2.55, 1.2]],
  displayM = 1.2,
) {
  const wanted = [
    { typeId: 'display', at: [2.55, 4.04] as [number, number], heightM: displayM },
    ...speakers.map(([, x, y, heightM]) => ({
      typeId: 'wall-speaker',
      at: [x, y] as [number, number],
      ...(heightM === null ? {} : { heightM }),
    })),
  ];
  const { project, devices } = withDevices(smallHouse(), wanted, countedIds());
  const operations = [
    ...devices.slice(1).map((device, n) => update('devices', device, { channel: speakers[n][0] })),
    ...seats.map(([x, y, bottomM = 0], n) =>
      create(
        'features',
        newFeature({
          id: `seats${n}`,
          levelId: 'm',
          kind: 'chair',
          points: [[x, y]],
          widthM: 0.8,
          depthM: 0.9,
          bottomM,
          topM: bottomM + 0.95,
        }),
      ),
    ),
  ].filter((one): one is Operation => one !== null);
  const house = applied(project, operations);
  return { house, figures: theatreOf(house, house.rooms.a) };
}
const near = (value: number | null, expected: number, within = 0.01) => expect(value).to.be.closeTo(expected, within);

describe('a room as a theatre', () => {
  it('sees its channels from the seat as a tape and a protractor would', () => {
    const { figures } = theatre([
      ['front-left', 1.0, 4.04, 1],
      ['front-right', 4.1, 4.04, 1],
      ['center', 2.55, 4.04, 0.6],
    ]);
    expect([figures.layout, figures.seats.length, figures.picture?.facingDeg]).to.deep.equal(['3.0', 1, 0]);
    const [left, right, center] = figures.channels;
    // 1.55 m aside and as far ahead as it is from the seat to where the speaker really stands.
    const aheadM = left.at[1] - 1.2;
    near(left.seats[0].azimuthDeg, (-Math.atan2(1.55, aheadM) * 180) / Math.PI);
    near(right.seats[0].azimuthDeg, -left.seats[0].azimuthDeg);
    near(center.seats[0].azimuthDeg, 0);
    near(center.seats[0].elevationDeg, (Math.atan2(-0.4, aheadM) * 180) / Math.PI);
    expect(figures.pairs.map(({ pair }) => pair)).to.deep.equal(['front']);
    near(figures.pairs[0].mirrorErrorM, 0, 1e-6);
    // The center is nearest: it waits for the others.
    near(center.delayMs, (1000 * (left.seats[0].distanceM - center.seats[0].distanceM)) / 343.2, 0.01);
    near(left.delayMs, 0);
    near(figures.score!.symmetry, 100);
  });

  it('gives a seat the angle of the picture, and a second row what it sees over the first', () => {
    const { figures } = theatre(
      [['center', 2.55, 4.04, 1]],
      [
        [2.55, 2.2],
        [2.55, 0.9, 0.3],
      ],
    );
    const [first, second] = figures.seats;
    expect([first.row, second.row, first.isReference, second.weight]).to.deep.equal([1, 2, true, 0.4]);
    const { widthM, heightM, middle } = figures.picture!;
    near(first.viewingDeg, (2 * Math.atan(widthM / (2 * first.distanceM!)) * 180) / Math.PI);
    const bottomM = middle[2] - heightM / 2;
    const eyeM = 0.3 + 1.07;
    near(second.clearanceM, bottomM + ((eyeM - bottomM) * first.distanceM!) / second.distanceM! - 1.07, 1e-6);
    expect(first.clearanceM).to.equal(null);
    near(first.topDeg, (Math.atan2(middle[2] + heightM / 2 - 1.07, first.distanceM!) * 180) / Math.PI);
  });

  it('tells a channel that a head or a beam hides', () => {
    const behind: [number, number][] = [
      [2.55, 2.4],
      [2.55, 0.9],
    ];
    const { figures } = theatre(
      [
        ['center', 2.55, 4.04, 1],
        ['front-left', 1, 4.04, 1],
        ['front-right', 4.1, 4.04, 1],
      ],
      behind,
      1.9,
    );
    expect(figures.channels[0].seats.map(({ sight }) => sight)).to.deep.equal(['clear', 'blocked']);
    expect(figures.channels[0].seats[1].loss).to.equal(1);
    expect(figures.channels[1].seats.map(({ sight }) => sight)).to.deep.equal(['clear', 'clear']);
    // A display lets no sound through.
    const hidden = theatre([['center', 2.55, 4.04, 1]]).figures.channels[0].seats[0];
    expect([hidden.sight, hidden.behind?.seat]).to.deep.equal(['blocked', null]);
    const { house } = theatre([['center', 2.55, 4.04, 2.3]]);
    const beam = newFeature({
      id: 'beam',
      levelId: 'm',
      kind: 'beam',
      points: [
        [0, 2.5],
        [5.1, 2.5],
      ],
      widthM: 0.2,
      bottomM: 1.4,
      topM: 2.5,
    });
    const low = applied(house, [create('features', beam)]);
    expect(theatreOf(low, low.rooms.a).channels[0].seats[0].sight).to.equal('blocked');
  });

  it('scores less the farther channels are from their windows', () => {
    const score = (aside: number) =>
      theatre([
        ['front-left', 2.55 - aside, 4.04, 1],
        ['front-right', 2.55 + aside, 4.04, 1],
      ]).figures.score!;
    const [good, narrow] = [score(1.4), score(0.5)];
    near(good.angles, 100);
    expect(narrow.angles).to.be.lessThan(good.angles);
    near(good.total, 100);
    // Half of the score goes by the angles.
    near(narrow.total, 100 - 0.5 * (100 - narrow.angles), 1e-6);
  });

  it('without seats or a picture says what is known', () => {
    const empty = theatreOf(smallHouse(), smallHouse().rooms.a);
    expect(empty).to.deep.include({ layout: null, picture: null, seats: [], channels: [], score: null });
    const { figures } = theatre([['center', 2.55, 4.04, 1]], []);
    expect([figures.channels[0].seats, figures.score]).to.deep.equal([[], null]);
  });

  it('knows the layout of the demo’s screening room, and its pairs', () => {
    const read = readProjectFile(readFileSync(join(import.meta.dirname, '../../demo/saltmarsh-granary.spool.json'), 'utf8'));
    if (!read.ok) throw new Error(read.problem.code);
    const project: ProjectDocument = read.value.project;
    const [room] = theatreRooms(project);
    const figures = theatreOf(project, room);
    expect([figures.layout, figures.picture?.kind, figures.picture?.facingDeg]).to.deep.equal(['7.2.4', 'screen', 0]);
    expect(figures.pairs.map(({ pair }) => pair).sort()).to.deep.equal(['front', 'rear', 'surround', 'top-front', 'top-rear']);
    // Its fronts are drawn 1.35 m to each side of the middle of the picture, behind it.
    near(figures.picture!.middle[0], 3.6, 1e-6);
    near(figures.pairs.find(({ pair }) => pair === 'front')!.mirrorErrorM, 0, 1e-6);
    expect(figures.seats.map(({ row }) => row)).to.deep.equal([1, 1, 1, 2, 2, 2, 2]);
    expect(figures.projections.map(({ throwFit }) => throwFit)).to.deep.equal(['inside']);
  });
});

describe('the pressure map', () => {
  it('is the modal sum of the reference at every place of its grid', () => {
    const frequenciesHz = [20, 28.6, 40, 57.2, 80];
    const subwoofers = [
      { at: [0, 2.2, 0] as const, gain: 1, delayS: 0 },
      { at: [6, 2.2, 0] as const, gain: -0.7, delayS: 0.004 },
    ];
    const map = (count: number) =>
      pressureMap({ sidesM: [6, 4.4, 2.5], t60S: 0.5, subwoofers: subwoofers.slice(0, count) }, 1, 0.4, frequenciesHz);
    const one = map(1);
    expect([one.columns, one.rows]).to.deep.equal([16, 12]);
    const at = ({ levelsDb, rows, columns }: typeof one, f: number, x: number, y: number) =>
      levelsDb[(f * rows + Math.round(y / 0.4)) * columns + Math.round(x / 0.4)];
    for (const [f, expected] of [7.51, 9.12, -9.64, 11.15, 7.63].entries()) {
      // The seat of the worked example is at 2.2 m across: between two rows of this grid, by the calculator instead.
      const exact = answer('modal-response', {
        lengthM: 6,
        widthM: 4.4,
        heightM: 2.5,
        seat: [3.6, 2.2, 1],
        subs: [{ at: [0, 2.2, 0] }],
        frequenciesHz: [frequenciesHz[f]],
      });
      near((exact.levelsDb as number[])[0], expected, 0.05);
    }
    for (const [x, y] of [
      [0, 0],
      [3.6, 2.4],
      [6, 4.4],
      [1.2, 0.8],
    ])
      for (const count of [1, 2]) {
        const exact = answer('modal-response', {
          lengthM: 6,
          widthM: 4.4,
          heightM: 2.5,
          seat: [x, y, 1],
          subs: subwoofers.slice(0, count),
          frequenciesHz,
        });
        (exact.levelsDb as number[]).forEach((level, f) => near(at(count === 1 ? one : map(2), f, x, y), level, 1e-3));
      }
  });
});

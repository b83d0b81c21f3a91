import { expect } from 'chai';
import { applied, smallTheatre } from '../testing/index.ts';
import { create, newFeature, type ProjectDocument, update } from '../model/index.ts';
import { frontWallOf } from './front-wall.ts';
import { modesOf, switchMode } from './modes.ts';
import { projectorMounts } from './projector-mount.ts';
import { weightsOfUse } from './seats.ts';
import { theatreOf } from './theatre.ts';

const two = () =>
  smallTheatre({
    seats: [
      [2.6, 1.2],
      [1.6, 1.2],
      [3.6, 1.3],
    ],
  });
const usedBy = (
  project: ProjectDocument,
  useGroups: { name: string; people: number; used: 'daily' | 'weekly' | 'seldom' | '' }[],
) =>
  applied(project, [
    create('roomBriefs', {
      ...{ id: 'rb', roomId: 'a', areaId: null, who: '', used: '', noise: '', overflowSeats: 0, useGroups, walkOrder: 0 },
      ...{ signedBy: '', signedOn: '', asksToSign: '', alsoSignedOn: '', pastSignatures: [] },
    }),
  ]);

describe('who uses a theatre', () => {
  it('weighs seats by the evenings on which somebody sits there', () => {
    // Two daily and four weekly: seven evenings of eight the first two, one of eight the others.
    expect(
      weightsOfUse(
        [
          { name: 'Parents', people: 2, used: 'daily' },
          { name: 'All', people: 4, used: 'weekly' },
        ],
        5,
      ),
    ).to.deep.equal([1, 1, 0.125, 0.125, 0.1]);
    expect(weightsOfUse([], 3)).to.equal(null);
  });

  it('fills the reference seat first, then the nearest beside it, and a weight that is set holds', () => {
    const project = usedBy(two(), [
      { name: 'One', people: 1, used: 'daily' },
      { name: 'Both', people: 2, used: 'daily' },
    ]);
    const weights = theatreOf(project, project.rooms.a).seats.map(({ at, weight, isReference }) => [at[0], weight, isReference]);
    expect(weights).to.deep.equal([
      [1.6, 0.5, false],
      [2.6, 1, true],
      [3.6, 0.1, false],
    ]);
    const set = applied(project, [
      update('theatres', project.theatres.theatre, { seatWeights: [{ featureId: 'seat2', place: 0, weight: 0.9 }] })!,
    ]);
    expect(theatreOf(set, set.rooms.a).seats.find(({ featureId }) => featureId === 'seat2')?.weight).to.equal(0.9);
  });
});

describe('modes of a room', () => {
  const modes = [
    { name: 'Film', featureIds: ['seat0'] },
    { name: 'Games', featureIds: ['seat1', 'bar'] },
  ];
  const room = () =>
    applied(
      smallTheatre({
        seats: [
          [2.6, 1.2],
          [1.2, 2.2],
        ],
        aim: { modes },
      }),
      [
        create(
          'features',
          newFeature({
            id: 'bar',
            levelId: 'm',
            kind: 'chair',
            points: [[3.6, 2.2]],
            widthM: 0.5,
            depthM: 0.5,
            bottomM: 0,
            topM: 1,
          }),
        ),
      ],
    );

  it('are switched as one: the furniture of one stands, that of the others not', () => {
    const project = room();
    const games = applied(project, switchMode(project, project.rooms.a, modes, modes[1]));
    expect(theatreOf(games, games.rooms.a).seats.map(({ featureId }) => featureId)).to.deep.equal(['seat1', 'bar']);
    const film = applied(games, switchMode(games, games.rooms.a, modes, modes[0]));
    expect(theatreOf(film, film.rooms.a).seats.map(({ featureId }) => featureId)).to.deep.equal(['seat0']);
    expect(switchMode(film, film.rooms.a, modes, modes[0])).to.deep.equal([]);
  });

  it('are judged side by side, whichever stands', () => {
    const project = room();
    const figures = modesOf(project, project.rooms.a, { modes });
    expect(figures.map(({ name, isOn, seats }) => [name, isOn, seats])).to.deep.equal([
      ['Film', false, 1],
      ['Games', false, 2],
    ]);
    const film = applied(project, switchMode(project, project.rooms.a, modes, modes[0]));
    expect(modesOf(film, film.rooms.a, { modes }).map(({ isOn, seats }) => [isOn, seats])).to.deep.equal([
      [true, 1],
      [false, 2],
    ]);
  });
});

describe('the front wall', () => {
  it('puts the fronts beside the picture where its margin takes them, else behind a screen with holes', () => {
    const beside = smallTheatre({});
    // Faces at 0.06 and 5.04 m, 1.45 m of frame about 2.6 m: the east is nearer.
    const wide = frontWallOf(beside, beside.rooms.a, theatreOf(beside, beside.rooms.a))!;
    expect(wide.marginM).to.be.closeTo(5.04 - 2.6 - 0.725, 1e-6);
    expect(wide.place).to.equal('beside');
    const screen = smallTheatre({ picture: { isScreen: true } });
    const tall = frontWallOf(screen, screen.rooms.a, theatreOf(screen, screen.rooms.a))!;
    expect(tall.place).to.equal(tall.marginM < tall.cabinetM ? 'behind' : 'beside');
  });

  it('says what a sound bar costs in degrees, and how wide it would have to be', () => {
    const project = smallTheatre({ aim: { layout: '5.1' } });
    const { soundBar } = frontWallOf(project, project.rooms.a, theatreOf(project, project.rooms.a))!;
    // 1.1 m wide, 2.76 m away; the window of the fronts begins at 22 degrees.
    const ends = (Math.atan2(0.55, 2.76) * 180) / Math.PI;
    expect(soundBar!.endsDeg).to.be.closeTo(ends, 0.01);
    expect(soundBar!.missingDeg).to.be.closeTo(22 - ends, 0.01);
    expect(soundBar!.neededM).to.be.closeTo(2 * 2.76 * Math.tan((22 * Math.PI) / 180), 0.001);
    // Half of the score is angles; L and R weigh 6 of 13 there.
    expect(soundBar!.lostPoints).to.be.closeTo(50 * (6 / 13) * ((22 - ends) / 20) ** 2, 0.01);
  });

  it('brings the picture forward on panels, and covers a door behind them', () => {
    const open = smallTheatre({ aim: { layout: '5.1' } });
    const panelled = smallTheatre({ aim: { layout: '5.1', frontWall: 'panels', standOffM: 0.4 } });
    const y = (project: ProjectDocument) => theatreOf(project, project.rooms.a).picture!.middle[1];
    expect(y(open) - y(panelled)).to.be.closeTo(0.4, 1e-9);
  });
});

describe('a projector on its ceiling mount', () => {
  it('is held by the joist alone where half of its plate lies beside it', () => {
    const at = (y: number) => {
      const project = smallTheatre({ picture: { isScreen: true }, projector: { y, heightM: 2.2 } });
      return projectorMounts(project, project.rooms.a, theatreOf(project, project.rooms.a))[0];
    };
    expect([at(1.2).seat, at(1.27).seat, at(1.4).seat]).to.deep.equal(['member', 'half', 'none']);
    // 12 kg, factor 10; a lag of 1/4 in holds 173 lbf/in, two inches of it.
    expect(at(1.2).requiredN).to.be.closeTo(12 * 9.80665 * 10, 0.1);
    expect(at(1.2).lags).to.equal(2);
    // From the south wall at 60 mm to its back, 0.21 m behind its middle.
    expect(at(1.2).rearM).to.be.closeTo(1.2 - 0.06 - 0.21, 1e-6);
  });
});

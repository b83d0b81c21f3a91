import { expect } from 'chai';
import type { Outcome } from '../math/index.ts';
import { type Operation, type ProjectDocument, update } from '../model/index.ts';
import { applied, smallTheatre } from '../testing/index.ts';
import { fitLens, fitScreen, widthOfDiagonal } from './fit-types.ts';
import { offPlan, onPlan } from './middle-line.ts';
import { shiftInTheatre } from './moves.ts';
import { pictureOf } from './picture.ts';

const after = (project: ProjectDocument, found: Outcome<readonly Operation[]>): ProjectDocument => {
  if (!found.ok) throw new Error(found.problem.code);
  return applied(project, found.value);
};
const problem = (found: Outcome<unknown>) => (found.ok ? 'taken' : `${found.problem.code} ${String(found.problem.field)}`);
const still = { asideM: 0, awayM: 0, upM: 0 };

describe('what is moved in a theatre', () => {
  it('goes aside, away from the picture and up, whichever way the picture faces', () => {
    for (const facingDeg of [0, 37, 90, 180, 271]) {
      const back = offPlan(facingDeg, onPlan(facingDeg, { asideM: 0.7, awayM: -1.2 }));
      expect(back.asideM).to.be.closeTo(0.7, 1e-12);
      expect(back.awayM).to.be.closeTo(-1.2, 1e-12);
    }
    // One looks up the plan: to the right is x, away from the picture down the plan.
    expect(onPlan(0, { asideM: 1, awayM: 0 }).map((one) => Math.round(one) + 0)).to.deep.equal([1, 0]);
    expect(onPlan(0, { asideM: 0, awayM: 1 }).map((one) => Math.round(one) + 0)).to.deep.equal([0, -1]);
    const house = smallTheatre({ speakers: [['front-left', 1]] });
    const [display, speaker] = Object.values(house.devices);
    const moved = after(
      house,
      shiftInTheatre(house, house.rooms.a, { kind: 'device', id: speaker.id }, { asideM: 0.4, awayM: 0, upM: 0.3 }),
    );
    expect(moved.devices[speaker.id]).to.include({ x: 1.4, y: speaker.y, heightM: 1.4 });
    const lower = after(house, shiftInTheatre(house, house.rooms.a, { kind: 'device', id: display.id }, { ...still, upM: -9 }));
    expect(lower.devices[display.id].heightM).to.equal(0);
  });

  it('a row goes with its riser and stays between the walls and under the ceiling', () => {
    const house = smallTheatre({});
    const row = { kind: 'feature', id: 'seat0' } as const;
    const up = after(house, shiftInTheatre(house, house.rooms.a, row, { asideM: 0.2, awayM: 0.3, upM: 0.25 }));
    expect(up.features.seat0).to.deep.include({ points: [[2.8, 0.9]], bottomM: 0.25, topM: 1.2 });
    const down = after(up, shiftInTheatre(up, up.rooms.a, row, { ...still, upM: -1 }));
    expect(down.features.seat0.bottomM).to.equal(0);
    expect(problem(shiftInTheatre(house, house.rooms.a, row, { ...still, awayM: 0.8 }))).to.equal('seat-in-wall points');
    expect(problem(shiftInTheatre(house, house.rooms.a, row, { ...still, upM: 2 }))).to.equal('riser-too-high bottomM');
    expect(problem(shiftInTheatre(house, house.rooms.a, { kind: 'device', id: 'gone' }, still))).to.equal(
      'record-gone undefined',
    );
  });
});

describe('a screen and a lens', () => {
  const house = smallTheatre({ picture: { isScreen: true }, projector: { y: 0.8, heightM: 2.2 } });
  const [screen, projector] = Object.values(house.devices);
  const wish = { widthM: 3, aspect: 2.35, gain: 1.1, weaveMm: null };

  it('get a type of their own, once', () => {
    const once = after(house, fitScreen(house, screen.id, wish, 'one'));
    const picture = pictureOf(once, once.rooms.a)!;
    expect([picture.widthM, picture.heightM, picture.gain, picture.weaveMm]).to.deep.equal([3, 1.2766, 1.1, null]);
    expect(once.devices[screen.id].typeId).to.equal('own_one');
    expect(once.deviceTypes.screen.screen!.pictureM[0]).to.equal(2.78);
    const twice = after(once, fitScreen(once, screen.id, { ...wish, widthM: 2.5 }, 'two'));
    expect([twice.devices[screen.id].typeId, pictureOf(twice, twice.rooms.a)!.widthM]).to.deep.equal(['own_one', 2.5]);
    const shared = applied(twice, [update('devices', twice.devices[projector.id], { typeId: 'own_one' })!]);
    expect(after(shared, fitScreen(shared, screen.id, wish, 'three')).devices[screen.id].typeId).to.equal('own_three');
  });

  it('are refused by the field where they cannot be', () => {
    const refusal = (more: Partial<typeof wish>) => problem(fitScreen(house, screen.id, { ...wish, ...more }, 'n'));
    expect(refusal({ widthM: 0 })).to.equal('screen-no-size widthM');
    expect(refusal({ widthM: Number.NaN })).to.equal('screen-no-size widthM');
    expect(refusal({ aspect: 9 })).to.equal('screen-aspect aspect');
    // 4.98 m from face to face.
    expect(refusal({ widthM: 4.87 })).to.equal('screen-wider-than-wall widthM');
    expect(refusal({ widthM: 4.85 })).to.equal('taken');
    const lens = house.deviceTypes.projector.lens!;
    expect(problem(fitLens(house, projector.id, { ...lens, throwMin: 0 }, 'n'))).to.equal('lens-of-zero throwMin');
    expect(problem(fitLens(house, projector.id, { ...lens, lumens: -1 }, 'n'))).to.equal('lens-of-zero lumens');
    expect(problem(fitLens(house, projector.id, { ...lens, throwMin: 3 }, 'n'))).to.equal('lens-reversed throwMax');
    const fitted = after(house, fitLens(house, projector.id, { ...lens, throwMax: 2 }, 'n'));
    expect(fitted.deviceTypes[fitted.devices[projector.id].typeId].lens!.throwMax).to.equal(2);
    // 100 inches of 16:9.
    expect(widthOfDiagonal(2.54, 16 / 9)).to.deep.include({ ok: true });
    expect(problem(widthOfDiagonal(0, 16 / 9))).to.equal('screen-no-size diagonalM');
  });
});

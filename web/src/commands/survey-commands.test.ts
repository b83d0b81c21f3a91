import { expect } from 'chai';
import { placeRack } from '@dusky-spool/core/devices';
import { featureMake } from '@dusky-spool/core/house';
import { newOpening, type PictureInfo } from '@dusky-spool/core/model';
import { applied, smallHouse } from '@dusky-spool/core/testing';
import { levelOnTop } from '@dusky-spool/core/survey';
import { addDrawingPicture, addTradeMarks } from './add-drawing.ts';
import { addDimension } from './add-dimension.ts';
import { addPlanPicture } from './add-plan-picture.ts';
import { changeRecord, changeRecords } from './change-record.ts';
import { chooseAlternative } from './choose-alternative.ts';
import { createRecords } from './create-records.ts';
import { dragGrip } from './drag-grip.ts';
import { markPoint } from './mark-point.ts';
import { placeFeature } from './place-feature.ts';
import { placeRiser } from './place-riser.ts';
import { removeRecords } from './remove-records.ts';
import { toggleJoist } from './toggle-joist.ts';

const [levelId] = Object.keys(smallHouse().levels);
const newId = (kind: string) => `${kind}_new`;

describe('commands that change single records', () => {
  it('say nothing where a record is so already, and only what differs else', () => {
    const [room] = Object.values(smallHouse().rooms);
    expect(changeRecord('rooms', room, { name: room.name })).to.deep.equal([]);
    const [operation] = changeRecord('rooms', room, { name: 'Den', levelId: room.levelId });
    expect(operation).to.deep.include({ op: 'update', in: 'rooms', id: room.id, after: { name: 'Den' } });
  });

  it('change and remove several at once', () => {
    const house = smallHouse();
    const walls = Object.values(house.walls);
    const thick = applied(house, changeRecords('walls', walls, { thicknessM: 0.2 }));
    expect(Object.values(thick.walls).every(({ thicknessM }) => thicknessM === 0.2)).to.equal(true);
    const measured = applied(house, addDimension({ id: 'm1', levelId, from: [0, 0], to: [2, 0] }));
    expect(measured.dimensions.m1).to.deep.include({ a: [0, 0], b: [2, 0] });
    expect(applied(measured, removeRecords('dimensions', [measured.dimensions.m1])).dimensions).to.deep.equal({});
  });
});

describe('things that are placed on a plan', () => {
  it('have the usual size of their kind, and what is to be measured is open', () => {
    const house = smallHouse();
    const sofa = applied(house, placeFeature(house, { id: 'f1', levelId, make: featureMake('sofa'), points: [[1, 1]] })).features
      .f1;
    expect(sofa).to.deep.include({ kind: 'sofa', points: [[1, 1]], decision: null, insideDiameterM: null });
    const points: [number, number][] = [
      [0, 0],
      [3, 0],
    ];
    const conduit = applied(house, placeFeature(house, { id: 'f2', levelId, make: featureMake('conduit'), points })).features.f2;
    expect(conduit.insideDiameterM).to.equal(0.025);
  });

  it('lead risers to the next level', () => {
    const house = smallHouse();
    const taller = applied(house, [levelOnTop(house, { id: 'top', nameOf: String })]);
    const lowest = Object.values(taller.levels).sort((a, b) => a.order - b.order)[0].id;
    const riser = applied(taller, placeRiser(taller, { id: 'z9', levelId: lowest, at: [1, 1], name: 'Riser' })).risers.z9;
    expect(taller.levels[riser.topLevelId].order).to.be.greaterThan(taller.levels[lowest].order);
    const single = applied(taller, placeRiser(taller, { id: 'z8', levelId: 'top', at: [1, 1], name: 'Riser' })).risers.z8;
    expect(single.topLevelId).to.equal('top');
  });

  it('mark a point by name', () => {
    const house = smallHouse();
    expect(applied(house, markPoint({ id: 'p1', levelId, name: 'chimney', at: [2, 3] })).referencePoints.p1).to.include({
      x: 2,
      y: 3,
    });
  });

  it('stand for one choice: choosing one lets go of the others', () => {
    let house = smallHouse();
    for (const id of ['s1', 's2']) {
      house = applied(house, placeFeature(house, { id, levelId, make: featureMake('sofa'), points: [[1, 1]] }));
      house = applied(house, changeRecord('features', house.features[id], { choiceOf: 'seating', chosen: id === 's1' }));
    }
    const chosen = applied(house, chooseAlternative(house, house.features.s2));
    expect([chosen.features.s1.chosen, chosen.features.s2.chosen]).to.deep.equal([false, true]);
  });
});

describe('a drag', () => {
  const house = applied(
    smallHouse(),
    placeRack(smallHouse(), { id: 'k9', levelId, at: [2.5, 2], name: 'Rack' }, () => 'r9'),
  );
  const drag = (grip: Parameters<typeof dragGrip>[1]['grip'], by: [number, number], at: [number, number] = by) => {
    const outcome = dragGrip(house, { grip, by, at, levelId, newId });
    if (!outcome.ok) throw new Error(outcome.problem.code);
    return applied(house, outcome.value);
  };

  it('moves a rack by as much as the pointer, to a tenth of a millimetre, and against a wall that is near', () => {
    expect(drag({ kind: 'rack', id: 'k9' }, [0.12345, 0.1]).racks.k9).to.include({ x: 2.6235, y: 2.1 });
    const { x, y } = drag({ kind: 'rack', id: 'k9' }, [-1.9, 0]).racks.k9;
    expect([x, y]).to.deep.equal([house.walls.west.thicknessM / 2 + 0.3, 2]);
  });

  it('slides a door along its wall no further than it fits', () => {
    const [wall] = Object.values(house.walls);
    const { a, b } = wall;
    const lengthM = Math.hypot(b[0] - a[0], b[1] - a[1]);
    const along: [number, number] = [(100 * (b[0] - a[0])) / lengthM, (100 * (b[1] - a[1])) / lengthM];
    const door = newOpening({
      id: 'o1',
      wallId: wall.id,
      kind: 'door',
      offsetM: lengthM / 2,
      widthM: 0.8,
      sillM: 0,
      headM: 2.04,
    });
    const outfitted = applied(house, createRecords('openings', [door]));
    const outcome = dragGrip(outfitted, { grip: { kind: 'opening', id: 'o1' }, by: along, at: along, levelId, newId });
    if (!outcome.ok) throw new Error(outcome.problem.code);
    expect(applied(outfitted, outcome.value).openings.o1.offsetM).to.be.closeTo(lengthM - 0.4, 0.002);
  });

  it('moves one point of an area and leaves the others', () => {
    const points: [number, number][] = [
      [0, 0],
      [3, 0],
    ];
    const beamed = applied(house, placeFeature(house, { id: 'b1', levelId, make: featureMake('beam'), points }));
    const outcome = dragGrip(beamed, {
      grip: { kind: 'feature-point', id: 'b1', index: 1 },
      by: [0, 1],
      at: [3, 1],
      levelId,
      newId,
    });
    expect(outcome.ok && applied(beamed, outcome.value).features.b1.points).to.deep.equal([
      [0, 0],
      [3, 1],
    ]);
  });
});

describe('a joist', () => {
  it('is written down, and taken back by a second click', () => {
    const house = smallHouse();
    const [roomId] = Object.keys(house.rooms);
    const there = applied(house, toggleJoist(house, { id: 'j1', roomId, offsetM: 1.2, isThere: true, joists: [] }));
    expect(there.framingMembers.j1).to.include({ kind: 'joist', offsetM: 1.2, present: true });
    const joists = [{ offsetM: 1.2, memberId: 'j1' }];
    expect(
      applied(there, toggleJoist(there, { id: 'j2', roomId, offsetM: 1.22, isThere: true, joists })).framingMembers,
    ).to.deep.equal({});
    // That one is missing is only said of one that the spacing rule puts there.
    expect(toggleJoist(house, { id: 'j3', roomId, offsetM: 2, isThere: false, joists: [] })).to.deep.equal([]);
    const [missing] = toggleJoist(house, { id: 'j3', roomId, offsetM: 2.01, isThere: false, joists: [{ offsetM: 2 }] });
    expect((missing as { record: object }).record).to.include({ offsetM: 2, present: false });
  });
});

describe('a plan picture', () => {
  const picture: PictureInfo = {
    id: 'a'.repeat(64),
    mediaType: 'image/png',
    widthPx: 1000,
    heightPx: 500,
    paperMetresPerPixel: null,
  };

  it('without a scale is twenty metres wide; one with a scale says so', () => {
    const base = { id: 'u1', levelId, picture, name: 'plan.png', at: [3, 4] as const, replaced: null };
    const [plain] = addPlanPicture({ ...base, metresPerPixel: null }) as { record: object }[];
    expect(plain.record).to.include({ metresPerPixel: 0.02, scaled: false, originX: 3, originY: 4 });
    const [scaled] = addPlanPicture({ ...base, metresPerPixel: 0.01 }) as { record: object }[];
    expect(scaled.record).to.include({ metresPerPixel: 0.01, scaled: true });
  });

  it('that replaces another lies where it lay, as wide, and retires it', () => {
    const house = smallHouse();
    const old = applied(
      house,
      addPlanPicture({ id: 'u1', levelId, picture, name: 'a', at: [1, 2], metresPerPixel: 0.02, replaced: null }),
    );
    const sharper = { ...picture, id: 'b'.repeat(64), widthPx: 4000 };
    const next = applied(
      old,
      addPlanPicture({
        id: 'u2',
        levelId,
        picture: sharper,
        name: 'b',
        at: [9, 9],
        metresPerPixel: null,
        replaced: { underlay: old.underlays.u1, picture },
      }),
    );
    expect(next.underlays.u1.retired).to.equal(true);
    expect(next.underlays.u2).to.include({ originX: 1, originY: 2, metresPerPixel: 0.005, scaled: true });
  });
});

describe('a drawing', () => {
  it('lies at its corner at a hundred pixels a metre, and its trade marks are open', () => {
    const [laid] = addDrawingPicture({ id: 'u1', levelId, pictureId: 'p', name: 'x'.repeat(300), at: [1, 2], corner: [50, 60] });
    const { record } = laid as unknown as { record: { name: string } };
    expect(record).to.deep.include({ originX: 1, originY: 2, drawingCorner: [50, 60], metresPerPixel: 0.01, scaled: true });
    expect(record.name).to.have.length(200);
    const house = smallHouse();
    const operations = addTradeMarks(house, {
      levelId,
      marks: [{ layer: 'ELECTRIC', name: 'outlet', at: [1, 1] }],
      moved: ([x, y]) => [x + 2, y + 3],
      newId: () => 'f1',
    });
    expect(applied(house, operations).features.f1).to.deep.include({
      kind: 'trade-mark',
      owner: 'ELECTRIC',
      points: [[3, 4]],
      decision: 'open',
    });
  });
});

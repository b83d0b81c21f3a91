import { expect } from 'chai';
import type { Point2 } from '../math/index.ts';
import { placeDevice } from '../devices/index.ts';
import { levelAreas, proposalInput, proposeWalls, readDxf, wallElevation } from '../house/index.ts';
import {
  applyChange,
  checkIntegrity,
  create,
  newFeature,
  newOpening,
  type Operation,
  type ProjectDocument,
} from '../model/index.ts';
import { countingIds, smallHouse } from '../testing/index.ts';
import { drawnPlans, mixedPlan } from '../testing/drawn-plans.ts';
import { namedByWords, wallsFromProposals } from './walls-from-proposals.ts';

const apply = (project: ProjectDocument, operations: readonly Operation[]) => {
  const applied = applyChange(project, { operations });
  if (!applied.ok) throw new Error(JSON.stringify(applied.problem));
  return applied.value;
};

describe('a wall seen square on', () => {
  const keypad = placeDevice(smallHouse(), { typeId: 'keypad', levelId: 'm', at: [5, 3] }, countingIds()());
  const house = apply(smallHouse({ rooms: [{ ceilingHeightM: 2.3 }] }), [
    ...(keypad.ok ? keypad.value.operations : []),
    create(
      'openings',
      newOpening({ id: 'door', wallId: 'middle', kind: 'door', offsetM: 1, widthM: 0.8, sillM: 0, headM: 2.04 }),
    ),
    create(
      'features',
      newFeature({ id: 'box', levelId: 'm', kind: 'existing-box', points: [[5.2, 2]], widthM: 0.09, bottomM: 0.3, topM: 0.4 }),
    ),
    create(
      'features',
      newFeature({ id: 'far', levelId: 'm', kind: 'existing-box', points: [[7, 2]], widthM: 0.09, bottomM: 0.3, topM: 0.4 }),
    ),
  ]);

  it('shows what is in it and on it by distance from its start and height', () => {
    const view = wallElevation(house, house.walls.middle);
    expect([view.lengthM, view.heightM]).to.deep.equal([4.1, 2.5]);
    expect(
      view.devices.map(({ device, offsetM, heightM }) => [device.id, Math.round(offsetM * 1e6) / 1e6, heightM]),
    ).to.deep.equal([['d1', 3, 1.12]]);
    expect(view.openings.map(({ id }) => id)).to.deep.equal(['door']);
    expect(view.features.map(({ feature, offsetM }) => [feature.id, Math.round(offsetM * 1e6) / 1e6])).to.deep.equal([
      ['box', 2],
    ]);
    expect(view.ceilings.map(({ room, heightM }) => [room.id, heightM])).to.deep.equal([
      ['a', 2.3],
      ['b', 2.5],
    ]);
    // A sole plate and two top plates of 38 mm.
    expect(view.plates.map(({ bottomM }) => Math.round(bottomM * 1000) + 0)).to.deep.equal([0, 2462, 2424]);
  });

  it('is met by the walls that end at it', () => {
    const south = wallElevation(house, house.walls.south1);
    expect(south.meets.map(({ wall }) => wall.id).sort()).to.deep.equal(['middle', 'south2', 'west']);
  });
});

describe('proposals taken', () => {
  it('become walls with openings, and the rooms between them are found', () => {
    for (const plan of drawnPlans().filter(({ name }) => name !== 'single lines')) {
      const read = readDxf(plan.dxf);
      if (!read.ok) throw new Error(plan.name);
      const { walls } = proposeWalls(proposalInput(read.value, read.value.metresPerUnit!, [plan.wallLayer], [plan.openingLayer]));
      const empty: ProjectDocument = { ...smallHouse(), rooms: {}, walls: {}, openings: {}, racks: {} };
      let n = 0;
      const made = wallsFromProposals(empty, 'm', walls, (kind) => `${kind}_${++n}`);
      if (!made.ok) throw new Error(`${plan.name}: ${made.problem.code}`);
      const house = apply(empty, made.value);
      expect(checkIntegrity(house).ok).to.equal(true);
      // Rooms of the drawn plans: by Euler, walls between closed outlines.
      const rooms = Object.values(house.rooms).length;
      expect(rooms, plan.name).to.be.at.least(4).and.at.most(6);
      expect(levelAreas(house, 'm').rooms).to.have.length(rooms);
    }
  });

  it('of a drawing with everything on layer 0 close its seven rooms, named by their words', () => {
    const { dxf } = mixedPlan();
    const read = readDxf(dxf);
    if (!read.ok) throw new Error(read.problem.code);
    const metres = read.value.metresPerUnit!;
    const { walls } = proposeWalls(proposalInput(read.value, metres, ['0'], []));
    const empty: ProjectDocument = { ...smallHouse(), rooms: {}, walls: {}, openings: {}, racks: {} };
    let n = 0;
    const words = read.value.texts.map(({ x, y, text, height }) => ({
      at: [x * metres, y * metres] as const,
      text,
      heightM: height * metres,
    }));
    const made = wallsFromProposals(empty, 'm', walls, (kind) => `${kind}_${++n}`, namedByWords(words));
    if (!made.ok) throw new Error(made.problem.code);
    const names = Object.values(apply(empty, made.value).rooms).map(({ name }) => name);
    expect(names.sort()).to.deep.equal(['BATH', 'KITCHEN', 'Room 2', 'Room 4', 'Room 5', 'Room 6', 'Room 7']);
  });

  it('name their rooms by the largest words in them that are a name', () => {
    const box = (x: number): { a: Point2; b: Point2 }[] => [
      { a: [x, 0], b: [x + 4, 0] },
      { a: [x + 4, 0], b: [x + 4, 3] },
      { a: [x + 4, 3], b: [x, 3] },
      { a: [x, 3], b: [x, 0] },
    ];
    const proposals = [...box(0), ...box(10)].map((line) => ({ ...line, thicknessM: 0.1, openings: [], certainty: 1 }));
    const words = [
      { at: [2, 1.5], text: 'Küche', heightM: 0.2 },
      { at: [2, 1.2], text: 'tiles by owner', heightM: 0.1 },
      { at: [2, 2], text: '11.4 m²', heightM: 0.4 },
      { at: [12, 1], text: 'D12', heightM: 0.3 },
      { at: [30, 1], text: 'Garden', heightM: 0.3 },
    ] as const;
    const empty: ProjectDocument = { ...smallHouse(), rooms: {}, walls: {}, openings: {}, racks: {} };
    let n = 0;
    const made = wallsFromProposals(empty, 'm', proposals, (kind) => `${kind}_${++n}`, namedByWords(words));
    if (!made.ok) throw new Error(made.problem.code);
    const names = Object.values(apply(empty, made.value).rooms).map(({ name }) => name);
    expect(names.sort()).to.deep.equal(['Küche', 'Room 2']);
  });
});

import { expect } from 'chai';
import fc from 'fast-check';
import { placeDevice } from '../devices/index.ts';
import type { Outcome, Point2 } from '../math/index.ts';
import {
  applyChange,
  checkIntegrity,
  emptyProject,
  newHeader,
  newLevel,
  newOpening,
  type Operation,
  type ProjectDocument,
  reverseOperations,
} from '../model/index.ts';
import { countingIds, smallHouse } from '../testing/index.ts';
import { drawWalls, moveWalls, type NewId, removeWalls, splitWall, WALL_BUILDS } from './walls.ts';
import { levelAreas, wallFaces } from '../house/index.ts';
import { placeOpening } from './openings.ts';

const ids = (): NewId => {
  let n = 0;
  return (kind) => `${kind}_${++n}`;
};
const bare = (): ProjectDocument => ({
  ...emptyProject(newHeader('7K3MQ', 'Bare', 'metric')),
  levels: {
    m: newLevel({
      id: 'm',
      code: 'M',
      name: 'Main',
      order: 0,
      elevationM: 0,
      ceilingHeightM: 2.5,
      cavityDepthM: 0.3,
      gridAngleRad: 0,
    }),
  },
});
function made(project: ProjectDocument, outcome: Outcome<readonly Operation[]>): ProjectDocument {
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problem));
  const applied = applyChange(project, { operations: outcome.value });
  if (!applied.ok) throw new Error(JSON.stringify(applied.problem));
  const whole = checkIntegrity(applied.value);
  if (!whole.ok) throw new Error(JSON.stringify(whole.problem));
  return whole.value;
}
const box: Point2[] = [
  [0, 0],
  [8, 0],
  [8, 5],
  [0, 5],
  [0, 0],
];
const boxed = (newId: NewId) => made(bare(), drawWalls(bare(), 'm', box, WALL_BUILDS.stud, newId));
const rooms = (project: ProjectDocument) => Object.values(project.rooms);

describe('drawing walls', () => {
  it('makes a room of every closed area, and no room of an open one', () => {
    const newId = ids();
    const open = made(bare(), drawWalls(bare(), 'm', box.slice(0, 4), WALL_BUILDS.stud, newId));
    expect(rooms(open)).to.deep.equal([]);
    const closed = made(open, drawWalls(open, 'm', box.slice(3), WALL_BUILDS.stud, newId));
    expect(rooms(closed)).to.have.length(1);
    expect(rooms(closed)[0]).to.include({ code: 'R1', name: 'Room 1' });
  });

  it('across a room keeps the larger part and makes a new room of the other, framed alike', () => {
    const newId = ids();
    const whole = boxed(newId);
    const [room] = rooms(whole);
    const named = made(whole, {
      ok: true,
      value: [
        {
          op: 'update',
          in: 'rooms',
          id: room.id,
          before: { name: room.name, framing: 'solid' },
          after: { name: 'Hall', framing: 'open-web' },
        },
      ],
    });
    const split = made(
      named,
      drawWalls(
        named,
        'm',
        [
          [3, 0],
          [3, 5],
        ],
        WALL_BUILDS.stud,
        newId,
      ),
    );
    expect(split.rooms[room.id].name).to.equal('Hall');
    expect(split.rooms[room.id].polygon).to.deep.equal([
      [3, 0],
      [8, 0],
      [8, 5],
      [3, 5],
    ]);
    const other = rooms(split).find((r) => r.id !== room.id)!;
    expect(other).to.deep.include({
      code: 'R2',
      framing: 'open-web',
      polygon: [
        [0, 0],
        [3, 0],
        [3, 5],
        [0, 5],
      ],
    });
  });

  it('refuses a wall of no length, a chain over itself, and names the length', () => {
    const refused = (chain: Point2[]) => {
      const outcome = drawWalls(bare(), 'm', chain, WALL_BUILDS.stud, ids());
      return outcome.ok ? 'drawn' : outcome.problem.code;
    };
    expect(
      refused([
        [0, 0],
        [0, 0.01],
      ]),
    ).to.equal('wall-too-short');
    expect(
      refused([
        [0, 0],
        [NaN, 1],
      ]),
    ).to.equal('wall-too-short');
    expect(
      refused([
        [0, 0],
        [4, 0],
        [4, 2],
        [2, -1],
      ]),
    ).to.equal('wall-chain-crosses');
    expect(
      refused([
        [0, 0],
        [4, 0],
        [2, 0],
      ]),
    ).to.equal('wall-chain-crosses');
  });
});

describe('moving walls', () => {
  it('carries corners, walls that end against them, openings, devices and rooms along', () => {
    const newId = ids();
    let house = smallHouse();
    house = made(
      house,
      drawWalls(
        house,
        'm',
        [
          [2, 0],
          [2, 4.1],
        ],
        WALL_BUILDS.stud,
        newId,
      ),
    );
    house = made(
      house,
      placeOpening(
        house,
        newOpening({ id: 'door', wallId: 'middle', kind: 'door', offsetM: 1, widthM: 0.8, sillM: 0, headM: 2.04 }),
      ),
    );
    const keypad = placeDevice(house, { typeId: 'keypad', levelId: 'm', at: [5, 3] }, countingIds()());
    house = made(house, keypad.ok ? { ok: true, value: keypad.value.operations } : keypad);
    expect(house.devices.d1).to.include({ x: 5.1, roomId: 'a' });
    const moved = made(house, moveWalls(house, { wallIds: ['middle'] }, [0.5, 0], newId));
    expect([moved.walls.middle.a, moved.walls.south1.b, moved.walls.north2.a]).to.deep.equal([
      [5.6, 0],
      [5.6, 0],
      [5.6, 4.1],
    ]);
    expect(moved.devices.d1).to.include({ x: 5.6, y: 3, roomId: 'a' });
    expect(moved.rooms.b.polygon).to.deep.equal([
      [5.6, 0],
      [10.2, 0],
      [10.2, 4.1],
      [5.6, 4.1],
    ]);
    expect(moved.openings.door.offsetM).to.equal(1);
    const lower = made(house, moveWalls(house, { wallIds: ['south1', 'south2'] }, [0, -1], newId));
    const divider = Object.values(lower.walls).find((wall) => wall.id.startsWith('wall_'))!;
    expect([divider.a, divider.b]).to.deep.equal([
      [2, -1],
      [2, 4.1],
    ]);
    // The door stays where it is although the wall's end a went away from it.
    expect(lower.openings.door.offsetM).to.equal(2);
  });

  it('over a ceiling device gives it a number in the room where it then stands', () => {
    let house = smallHouse();
    const speaker = placeDevice(house, { typeId: 'ceiling-speaker', levelId: 'm', at: [4.5, 2] }, countingIds()());
    house = made(house, speaker.ok ? { ok: true, value: speaker.value.operations } : speaker);
    expect(house.runs.r1x1.number).to.equal('M-AA-01.1');
    const moved = made(house, moveWalls(house, { wallIds: ['middle'] }, [-1, 0], ids()));
    expect(moved.devices.d1.roomId).to.equal('b');
    expect(moved.runs.r1x1.number).to.equal('M-BB-01.1');
  });

  it('is refused where an opening would no longer fit', () => {
    let house = smallHouse();
    house = made(
      house,
      placeOpening(
        house,
        newOpening({ id: 'wide', wallId: 'south1', kind: 'window', offsetM: 2.5, widthM: 4, sillM: 0.9, headM: 2.1 }),
      ),
    );
    const outcome = moveWalls(house, { wallIds: ['middle'] }, [-2, 0], ids());
    expect(!outcome.ok && outcome.problem).to.include({ code: 'opening-outside-wall', widthM: 4 });
  });
});

describe('removing walls', () => {
  it('joins two rooms into the larger, and what stood in the other moves house', () => {
    const newId = ids();
    let house = smallHouse();
    house = made(house, moveWalls(house, { wallIds: ['middle'] }, [0.5, 0], newId));
    const speaker = placeDevice(house, { typeId: 'ceiling-speaker', levelId: 'm', at: [7, 2] }, countingIds()());
    house = made(house, speaker.ok ? { ok: true, value: speaker.value.operations } : speaker);
    const joined = made(house, removeWalls(house, ['middle'], newId));
    expect(Object.keys(joined.rooms)).to.deep.equal(['a']);
    expect(joined.devices.d1).to.include({ roomId: 'a', number: 1 });
    expect(joined.runs.r1x1.number).to.equal('M-AA-01.1');
  });

  it('that opens a room to the outside keeps its record until it is closed again', () => {
    const newId = ids();
    const open = made(smallHouse(), removeWalls(smallHouse(), ['west'], newId));
    expect(open.rooms.a.polygon).to.deep.equal(smallHouse().rooms.a.polygon);
    const closed = made(
      open,
      drawWalls(
        open,
        'm',
        [
          [0, 0],
          [-1, 2],
          [0, 4.1],
        ],
        WALL_BUILDS.stud,
        newId,
      ),
    );
    expect(closed.rooms.a.polygon).to.have.length(5);
    expect(Object.keys(closed.rooms)).to.have.length(2);
  });
});

describe('a wall split in two', () => {
  it('keeps its openings on the right part and its studs where they are', () => {
    let house = smallHouse();
    house = made(
      house,
      placeOpening(
        house,
        newOpening({ id: 'door', wallId: 'middle', kind: 'door', offsetM: 3, widthM: 0.8, sillM: 0, headM: 2.04 }),
      ),
    );
    const split = made(house, splitWall(house, 'middle', 1, ids()));
    const second = split.walls[split.openings.door.wallId];
    expect([second.a, split.openings.door.offsetM]).to.deep.equal([[5.1, 1], 2]);
    // Studs at 0, 0.4, 0.8, 1.2 from the old end: the first beyond the cut is 0.2 m from it.
    expect(second.studOffsetM).to.be.closeTo(0.2, 1e-9);
    expect(Object.keys(split.rooms)).to.deep.equal(['a', 'b']);
    expect(splitWall(house, 'middle', 2.8, ids())).to.have.nested.property('problem.code', 'opening-in-the-way');
  });
});

describe('openings', () => {
  it('that do not fit are refused by field', () => {
    const house = smallHouse();
    const code = (more: object) => {
      const outcome = placeOpening(
        house,
        newOpening({ id: 'o', wallId: 'middle', kind: 'window', offsetM: 2, widthM: 1, sillM: 0.9, headM: 2.1, ...more }),
      );
      return outcome.ok ? 'placed' : `${outcome.problem.code} ${outcome.problem.field}`;
    };
    expect(code({})).to.equal('placed');
    expect(code({ widthM: 4.2 })).to.equal('opening-wider-than-wall widthM');
    expect(code({ offsetM: 0.3 })).to.equal('opening-outside-wall offsetM');
    expect(code({ headM: 2.6 })).to.equal('opening-above-ceiling headM');
  });
});

describe('any sequence of edits', () => {
  const coordinate = fc.integer({ min: 0, max: 20 }).map((n) => n / 2);
  const step = fc.record({ act: fc.nat(3), x0: coordinate, y0: coordinate, x1: coordinate, y1: coordinate, pick: fc.nat(40) });

  it('then undone returns the same house, and net areas with the footprint sum to the gross on the way', () => {
    fc.assert(
      fc.property(fc.array(step, { minLength: 1, maxLength: 12 }), (steps) => {
        const newId = ids();
        const start = smallHouse();
        let house = start;
        const undo: Operation[][] = [];
        for (const { act, x0, y0, x1, y1, pick } of steps) {
          const walls = Object.keys(house.walls).sort();
          const id = walls[pick % Math.max(1, walls.length)];
          const outcome =
            act <= 1
              ? drawWalls(
                  house,
                  'm',
                  [
                    [x0, y0],
                    [x1, y1],
                  ],
                  WALL_BUILDS.stud,
                  newId,
                )
              : act === 2
                ? moveWalls(house, { wallIds: [id] }, [x0 / 10, y0 / 10], newId)
                : removeWalls(house, [id], newId);
          if (!outcome.ok) continue;
          house = made(house, outcome);
          undo.push(reverseOperations(outcome.value));
          const { grossM2, footprintM2, rooms: found } = levelAreas(house, 'm');
          expect(found.reduce((sum, room) => sum + room.netM2, 0) + footprintM2).to.be.closeTo(grossM2, 1e-3);
          for (const face of wallFaces(house, 'm').faces) expect(face.polygon.length).to.be.at.least(3);
        }
        for (const operations of undo.reverse()) house = made(house, { ok: true, value: operations });
        expect(house).to.deep.equal(start);
      }),
      { numRuns: 80 },
    );
  }).timeout(300_000);
});

import { expect } from 'chai';
import fc from 'fast-check';
import { countedIds, smallHouse, withDevices } from '../../testing/index.ts';
import { sideOfWall, tapePlace, tapePlaceOf } from './tape-place.ts';

const house = smallHouse();
const inRoom = (at: readonly number[], last?: readonly number[]) =>
  tapePlace(house, { levelId: 'm', roomId: 'a', wallId: null, at }, last);
const inWall = (wallId: string, at: readonly number[]) => tapePlace(house, { levelId: 'm', roomId: null, wallId, at });
const wordsOf = ({ room, inWall: side, from }: ReturnType<typeof tapePlace>) => [
  room?.id ?? null,
  side,
  ...from.map(({ side: wall, firstM }) => `${firstM.toFixed(2)} ${wall}`),
];

describe('a place that a tape reaches', () => {
  it('is measured from the faces of the nearest two walls that cross, 0.06 m from their center lines', () => {
    expect(wordsOf(inRoom([1, 0.5]))).to.deep.equal(['a', null, '0.44 lower', '0.94 left']);
    expect(wordsOf(inRoom([4.6, 3.6]))).to.deep.equal(['a', null, '0.44 upper', '0.44 right']);
  });

  it('says for a line of places how far its first and its last are', () => {
    const { from } = inRoom([1, 0.5], [3, 0.5]);
    expect(from.map(({ side, firstM, lastM }) => [side, firstM.toFixed(2), lastM.toFixed(2)])).to.deep.equal([
      ['lower', '0.44', '0.44'],
      ['left', '0.94', '2.94'],
    ]);
  });

  it('in a wall is named by the wall of the room, from the nearest wall beside it', () => {
    expect(wordsOf(inWall('south1', [1, 0]))).to.deep.equal(['a', 'lower', '0.94 left']);
    expect(wordsOf(inWall('north2', [9.5, 4.1]))).to.deep.equal(['b', 'upper', '0.64 right']);
    expect(wordsOf(inWall('west', [0, 1]))).to.deep.equal(['a', 'left', '0.94 lower']);
  });

  it('outdoors is measured from the walls that it stands before, and from none beyond their corners', () => {
    const outside = (at: readonly number[]) => tapePlace(house, { levelId: 'm', roomId: null, wallId: null, at });
    expect(wordsOf(outside([2, -3]))).to.deep.equal([null, null, '2.94 upper']);
    expect(outside([-5, -5]).from).to.deep.equal([]);
  });

  it('on the outside of a house is measured along the face from its nearer corner, which lies half a wall beyond', () => {
    // The south face is two walls in line, 10.2 m between center lines: its corners are at -0.06 and 10.26 m.
    const { devices, project } = withDevices(
      house,
      [
        { typeId: 'camera', at: [6, -0.1] },
        { typeId: 'camera', at: [2, -0.1] },
      ],
      countedIds(),
    );
    const [right, left] = devices.map((device) => tapePlaceOf(project, device));
    expect(wordsOf(right)).to.deep.equal([null, 'lower', '4.26 right']);
    expect(wordsOf(left)).to.deep.equal([null, 'lower', '2.06 left']);
    expect(left.from[0].isCorner).to.equal(true);
  });

  it('of a device is that of its hole', () => {
    const { project, devices } = withDevices(house, [{ typeId: 'network-drop', at: [1.5, 0.1] }], countedIds());
    expect(wordsOf(tapePlaceOf(project, devices[0]))).to.deep.equal(['a', 'lower', '1.44 left']);
  });

  it('leads back to the point it was taken from, wherever in a room', () => {
    const within = fc.tuple(fc.double({ min: 0.1, max: 5, noNaN: true }), fc.double({ min: 0.1, max: 4, noNaN: true }));
    fc.assert(
      fc.property(within, (at) => {
        const back = { left: NaN, right: NaN, lower: NaN, upper: NaN };
        for (const { side, firstM } of inRoom(at).from) back[side] = firstM + 0.06;
        const x = Number.isNaN(back.left) ? 5.1 - back.right : back.left;
        const y = Number.isNaN(back.lower) ? 4.1 - back.upper : back.lower;
        expect(x).to.be.closeTo(at[0], 1e-9);
        expect(y).to.be.closeTo(at[1], 1e-9);
      }),
    );
  });

  it('knows a wall by the side on which it is', () => {
    const { west, east, south1, north1 } = house.walls;
    expect([west, east, south1, north1].map((wall) => sideOfWall(wall, [3, 2]))).to.deep.equal([
      'left',
      'right',
      'lower',
      'upper',
    ]);
    expect(sideOfWall(south1, [3, -2])).to.equal('upper');
  });
});

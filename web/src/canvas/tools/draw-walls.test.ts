import { expect } from 'chai';
import { backCorner, type DrawWalls, endChain, leaveWalls, setCorner, startWalls, typedCorner, typeWalls } from './draw-walls.ts';

const through = (...points: [number, number][]) => points.reduce<DrawWalls>((state, p) => setCorner(state, p).state, startWalls);
const metres = (text: string) => (/^\d+(\.\d+)?$/.test(text) ? Number(text) : null);

describe('the wall tool', () => {
  it('builds a chain when it is closed on its first corner, or ended', () => {
    const three = through([0, 0], [4, 0], [4, 3]);
    const closed = setCorner(three, [0, 0.001]);
    expect(closed.build).to.deep.equal([
      [0, 0],
      [4, 0],
      [4, 3],
      [0, 0],
    ]);
    expect(closed.state.chain).to.deep.equal([]);
    expect(endChain(three).build).to.deep.equal([
      [0, 0],
      [4, 0],
      [4, 3],
    ]);
    expect(endChain(through([0, 0])).build).to.equal(null);
  });

  it('does not set a corner twice, takes the last one back, and leaves without a trace', () => {
    expect(through([0, 0], [0, 0], [1, 0]).chain).to.have.length(2);
    expect(backCorner(through([0, 0], [1, 0])).state.chain).to.deep.equal([[0, 0]]);
    expect(leaveWalls(through([0, 0], [1, 0]))).to.deep.equal({ state: startWalls, build: null });
  });

  it('takes a typed length towards the pointer, or at a typed angle from the grid', () => {
    const from = through([1, 1]);
    expect(typedCorner(typeWalls(from, '2.5').state, [9, 1], 0, metres)).to.deep.equal([3.5, 1]);
    const slanted = typedCorner(typeWalls(from, '2 < 90').state, [9, 1], Math.PI / 2, metres)!;
    expect(slanted.map((v) => Math.round(v * 1e6) / 1e6)).to.deep.equal([-1, 1]);
    expect(typedCorner(typeWalls(from, 'two').state, [9, 1], 0, metres)).to.equal(null);
    expect(typedCorner(typeWalls(from, '2 < x').state, [9, 1], 0, metres)).to.equal(null);
    expect(typedCorner(typeWalls(startWalls, '2').state, [9, 1], 0, metres)).to.equal(null);
  });
});

import { expect } from 'chai';
import { labelFaces, type LabelledFace } from './face-labels.ts';

const face = (id: string, x: number, y: number, width = 10, height = 16): LabelledFace => ({
  id,
  x,
  y,
  width,
  height,
  words: '1.20 m · 0.40 m',
});

describe('labels of faces on a wall', () => {
  it('put the bead into a large face and beside a small one', () => {
    const labels = labelFaces([face('tv', 200, 200, 220, 120), face('kp', 400, 200)]);
    expect(labels.get('tv')!.bead).to.deep.equal([200, 200]);
    expect(labels.get('kp')!.bead[1]).to.be.below(192);
  });

  it('keep beads of boxes side by side apart, and leave words out rather than over each other', () => {
    const row = Array.from({ length: 6 }, (_, i) => face(`d${i}`, 300 + i * 14, 200));
    const beads = [...labelFaces(row).values()].map(({ bead }) => bead);
    for (const [i, a] of beads.entries())
      for (const b of beads.slice(i + 1))
        expect(Math.abs(a[0] - b[0]) >= 30 - 1e-9 || Math.abs(a[1] - b[1]) >= 22 - 1e-9, `${a} and ${b}`).to.equal(true);
  });
});

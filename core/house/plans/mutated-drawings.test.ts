import { expect } from 'chai';
import { drawnPlans } from '../../testing/drawn-plans.ts';
import { mutated } from '../../testing/mutated.ts';
import { drawingSvg } from './drawing-svg.ts';
import { readDxfBytes } from './read-dxf.ts';
import { svgLines } from './svg-lines.ts';

/** How many damaged files of each kind are tried; `npm run soak` asks for more. */
const TRIES = Number(process.env.MUTATED_FILES ?? 30);

describe('damaged drawings', () => {
  const plans = drawnPlans();

  it('are read or refused with a reason, and what is read has a place and a size', () => {
    const kinds = new Set<string>();
    for (let seed = 0; seed < TRIES; seed++) {
      const read = readDxfBytes(mutated(Buffer.from(plans[seed % plans.length].dxf), seed));
      kinds.add(read.ok ? 'read' : read.problem.code);
      if (!read.ok) continue;
      const { bounds, origin, layers } = read.value;
      expect([bounds.maxX, bounds.maxY, ...origin].every(Number.isFinite), `seed ${seed}`).to.equal(true);
      for (const { lines } of layers) expect(lines.every(Number.isFinite), `seed ${seed}`).to.equal(true);
    }
    // Both happen, or the faults are none.
    expect([...kinds]).to.include('read');
    expect(kinds.size).to.be.greaterThan(1);
  }).timeout(600_000);

  it('give the lines that can still be read where they are pictures', () => {
    const whole = readDxfBytes(Buffer.from(plans[0].dxf));
    if (!whole.ok) throw new Error(whole.problem.code);
    const { svg, widthPx, heightPx } = drawingSvg(whole.value, 0.001, new Set(whole.value.layers.map(({ name }) => name)));
    for (let seed = 0; seed < TRIES; seed++) {
      const lines = svgLines(Buffer.from(mutated(Buffer.from(svg), seed)).toString(), widthPx, heightPx);
      for (const line of lines)
        for (const [x, y] of line) {
          expect(x >= -1e-6 && x <= widthPx + 1e-6, `seed ${seed}`).to.equal(true);
          expect(y >= -1e-6 && y <= heightPx + 1e-6, `seed ${seed}`).to.equal(true);
        }
    }
  }).timeout(600_000);
});

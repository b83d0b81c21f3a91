import { expect } from 'chai';
import fc from 'fast-check';
import { PASSIVES, runCalculator, WINDOWS } from '../calculators/index.ts';
import { type RfNode, type RfOutlet, type RfSource, solveRf } from './rf.ts';

const CATV: RfSource = { service: 'cable-modem', lowestMhz: 55, highestMhz: 1000, atLowestDbuv: 70, atHighestDbuv: 70 };
const outlets = (...losses: readonly (readonly [number, number])[]): RfOutlet[] =>
  losses.map(([lowDb, highDb], n) => ({ id: `o${n}`, lowDb, highDb }));

/** Levels of a tree by walking it, with the losses of the reference. */
function walked(source: RfSource, gainDb: number, tree: RfNode, all: readonly RfOutlet[]): Map<string, [number, number]> {
  const found = new Map<string, [number, number]>();
  const walk = (node: RfNode, low: number, high: number) => {
    if (node.kind === 'unused') return;
    if (node.kind === 'outlet') {
      const own = all.find(({ id }) => id === node.id)!;
      found.set(node.id, [low - own.lowDb - node.padDb, high - own.highDb - node.padDb]);
      return;
    }
    const loss = PASSIVES[`splitter-${node.ways}`];
    const at = (mhz: number) => loss[mhz > 1002 ? 1 : 0];
    for (const one of node.outputs) walk(one, low - at(source.lowestMhz), high - at(source.highestMhz));
  };
  walk(tree, source.atLowestDbuv + gainDb, source.atHighestDbuv + gainDb);
  return found;
}

/** The least price over every tree of one or two stages, every assignment of outlets, every gain and every pad: slow and plain. */
function leastPrice(source: RfSource, all: readonly RfOutlet[]): number {
  const { least, most } = WINDOWS[source.service];
  const price: Record<number, number> = { 2: 8, 3: 11, 4: 14, 6: 20, 8: 24 };
  const ways = [2, 3, 4, 6, 8];
  const at = (n: number, mhz: number) => PASSIVES[`splitter-${n}`][mhz > 1002 ? 1 : 0];
  let best = Infinity;
  const shapes: { outputs: [number, number][]; cost: number }[] = all.length === 1 ? [{ outputs: [[0, 0]], cost: 0 }] : [];
  const grow = (root: number, next: number[]) => {
    const ends = root - next.length + next.reduce((sum, n) => sum + n, 0);
    if (ends >= all.length) {
      const first: [number, number] = [at(root, source.lowestMhz), at(root, source.highestMhz)];
      const outputs = [
        ...Array.from({ length: root - next.length }, () => first),
        ...next.flatMap((n) =>
          Array.from({ length: n }, (): [number, number] => [
            first[0] + at(n, source.lowestMhz),
            first[1] + at(n, source.highestMhz),
          ]),
        ),
      ];
      shapes.push({ outputs, cost: [root, ...next].reduce((sum, n) => sum + price[n], 0) });
      return;
    }
    if (next.length < root) for (const n of ways) grow(root, [...next, n]);
  };
  for (const root of ways) grow(root, []);
  for (const gain of [0, 10, 15, 20, 25, 30]) {
    if (gain > 0 && Math.max(source.atLowestDbuv, source.atHighestDbuv) + gain > 105) continue;
    for (const { outputs, cost } of shapes) {
      const assign = (n: number, used: ReadonlySet<number>, sum: number) => {
        if (sum >= best) return;
        if (n === all.length) {
          best = sum;
          return;
        }
        const tried = new Set<string>();
        for (const [k, output] of outputs.entries()) {
          if (used.has(k) || tried.has(output.join())) continue;
          tried.add(output.join());
          for (const pad of [0, 3, 6, 9, 12, 16, 20]) {
            const low = source.atLowestDbuv + gain - output[0] - all[n].lowDb - pad;
            const high = source.atHighestDbuv + gain - output[1] - all[n].highDb - pad;
            if (Math.min(low, high) < least - 1e-9 || Math.max(low, high) > most + 1e-9) continue;
            assign(n + 1, new Set([...used, k]), sum + (pad > 0 ? 4 : 0));
            break;
          }
        }
      };
      assign(0, new Set(), cost + (gain > 0 ? 70 : 0) + (outputs.length - all.length));
    }
  }
  return best;
}

describe('levels of coax outlets', () => {
  it('need nothing for one outlet in its window', () => {
    const found = solveRf(CATV, outlets([1, 4]));
    if (!found.ok) throw new Error(found.problem.code);
    expect(found.value).to.deep.include({ gainDb: 0, price: 0, terminators: 0 });
    expect(found.value.levels[0]).to.deep.include({ atLowestDbuv: 69, atHighestDbuv: 66, padDb: 0 });
  });

  it('are split with the loss of the reference, as the outlet calculator has them', () => {
    const found = solveRf(CATV, outlets([1, 4], [2, 6]));
    if (!found.ok) throw new Error(found.problem.code);
    expect(found.value.tree).to.deep.include({ kind: 'splitter', ways: 2 });
    // 70 dBuV less 4 dB of a two-way splitter and the cable.
    const far = found.value.levels.find(({ id }) => id === 'o1')!;
    expect(far.atHighestDbuv).to.equal(70 - 4 - 6);
    const checked = runCalculator('outlet-level', {
      ...{ service: 'cable-modem', sourceDbuv: 70, passives: ['splitter-2'], otherDb: 6, lowestMhz: 55, highestMhz: 1000 },
    });
    expect(checked.ok && (checked.value as { atHighestDbuv: number }).atHighestDbuv).to.equal(far.atHighestDbuv);
  });

  it('put an amplifier before the splitters where the levels would be too low, and never revive a dead signal', () => {
    const weak = { ...CATV, atLowestDbuv: 52, atHighestDbuv: 50 };
    const found = solveRf(weak, outlets([1, 5], [1, 5], [2, 8], [2, 8]));
    if (!found.ok) throw new Error(found.problem.code);
    expect(found.value.gainDb).to.be.greaterThan(0);
    const dead = solveRf({ ...CATV, atLowestDbuv: 5, atHighestDbuv: 5 }, outlets([1, 5], [1, 5]));
    expect(dead.ok ? null : dead.problem).to.deep.include({ code: 'rf-source-weak', field: 'atHighestDbuv' });
  });

  it('pad what is too hot', () => {
    const hot = { ...CATV, atLowestDbuv: 86, atHighestDbuv: 84 };
    const found = solveRf(hot, outlets([0.5, 1], [2, 12]));
    if (!found.ok) throw new Error(found.problem.code);
    for (const { atLowestDbuv, atHighestDbuv } of found.value.levels) {
      expect(Math.max(atLowestDbuv, atHighestDbuv)).to.be.at.most(75);
      expect(Math.min(atLowestDbuv, atHighestDbuv)).to.be.at.least(45);
    }
  });

  it('are told by field where nothing does: no outlets, too many, a tilt that is wider than the window', () => {
    const code = (source: RfSource, all: RfOutlet[]) => {
      const found = solveRf(source, all);
      return found.ok ? 'ok' : found.problem.code;
    };
    expect(code(CATV, [])).to.equal('rf-no-outlets');
    expect(code(CATV, outlets(...Array.from({ length: 65 }, () => [1, 2] as const)))).to.equal('rf-too-many');
    expect(code({ ...CATV, atLowestDbuv: 100, atHighestDbuv: 60 }, outlets([0, 2]))).to.equal('rf-tilted');
  });

  it('are as cheap as trying everything, and the tree gives the levels it says', () => {
    const loss = fc.tuple(fc.integer({ min: 0, max: 8 }), fc.integer({ min: 0, max: 16 }));
    fc.assert(
      fc.property(
        fc.array(loss, { minLength: 1, maxLength: 5 }),
        fc.integer({ min: 40, max: 90 }),
        fc.integer({ min: -6, max: 6 }),
        fc.constantFrom('cable-modem' as const, 'off-air-cofdm' as const, 'dvb-c' as const),
        (losses, level, tilt, service) => {
          const all = outlets(...losses.map(([low, more]) => [low, low + more] as const));
          const source: RfSource = { ...CATV, service, atLowestDbuv: level, atHighestDbuv: level + tilt };
          const found = solveRf(source, all);
          const plain = leastPrice(source, all);
          expect(found.ok ? found.value.price : Infinity).to.equal(plain);
          if (!found.ok) return;
          const levels = walked(source, found.value.gainDb, found.value.tree, all);
          for (const { id, atLowestDbuv, atHighestDbuv } of found.value.levels) {
            expect(levels.get(id)![0]).to.be.closeTo(atLowestDbuv, 1e-9);
            expect(levels.get(id)![1]).to.be.closeTo(atHighestDbuv, 1e-9);
          }
        },
      ),
      { numRuns: 60, seed: 20261201 },
    );
  });
});

import { expect } from 'chai';
import fc from 'fast-check';
import { buildingOf } from '../house/index.ts';
import { newFeature, type ProjectDocument, type Room } from '../model/index.ts';
import { smallHouse } from '../testing/index.ts';
import type { Entry } from './attach.ts';
import { entriesFrom } from './ends.ts';
import { type Network, networkOf } from './network.ts';
import { bestStart } from './route-device.ts';
import { growTree } from './tree.ts';

/** The cheapest of all routes that pass no place twice, tried one by one; those that are dearer already are left. */
function cheapestOfAll(network: Network, starts: readonly Entry[], ends: readonly Entry[]): { costM: number; tried: number } {
  const { first, to, axis, work, holes, weights } = network;
  const passed = new Uint8Array(network.x.length);
  let [costM, tried] = [Infinity, 0];
  const go = (node: number, came: number, soFar: number) => {
    if (soFar >= costM) return;
    tried++;
    for (const end of ends)
      if (end.node === node) costM = Math.min(costM, soFar + (end.axis === came ? 0 : weights.turnM) + end.work + end.holes);
    passed[node] = 1;
    for (let arc = first[node]; arc < first[node + 1]; arc++)
      if (!passed[to[arc]]) go(to[arc], axis[arc], soFar + work[arc] + holes[arc] + (axis[arc] === came ? 0 : weights.turnM));
    passed[node] = 0;
  };
  for (const start of starts) go(start.node, start.axis, start.work + start.holes);
  return { costM, tried };
}

/** Two small rooms side by side, the rack against the far wall. */
function tinyHouse(
  widthM: number,
  depthM: number,
  framing: Room['framing'],
  joistAngleRad: number,
  riserAt: number | null,
): ProjectDocument {
  const house = smallHouse({ rooms: [{ framing, joistAngleRad }, { joistAngleRad }] });
  const scale = ([x, y]: readonly number[]): [number, number] => [(x / 5.1) * widthM, (y / 4.1) * depthM];
  return {
    ...house,
    rooms: Object.fromEntries(
      Object.entries(house.rooms).map(([id, room]) => [id, { ...room, polygon: room.polygon.map(scale) }]),
    ),
    walls: Object.fromEntries(
      Object.entries(house.walls).map(([id, wall]) => [id, { ...wall, a: scale(wall.a), b: scale(wall.b) }]),
    ),
    racks: { rack: { ...house.racks.rack, x: 2 * widthM - 0.3, y: depthM / 2 } },
    features:
      riserAt === null
        ? {}
        : {
            c: newFeature({
              id: 'c',
              levelId: 'm',
              kind: 'conduit',
              points: [
                [0.3, depthM * riserAt],
                [2 * widthM - 0.3, depthM * riserAt],
              ],
              bottomM: 2.55,
              topM: 2.6,
              insideDiameterM: 0.03,
            }),
          },
  };
}

describe('the cheapest way in a small house', () => {
  it('is the cheapest of all ways there are, tried one by one', () => {
    let [houses, tried] = [0, 0];
    fc.assert(
      fc.property(
        fc.double({ min: 0.9, max: 1.7, noNaN: true }),
        fc.double({ min: 0.7, max: 1.3, noNaN: true }),
        fc.constantFrom<Room['framing']>('solid', 'dropped', 'open-web'),
        fc.constantFrom(0, Math.PI / 2),
        fc.option(fc.double({ min: 0.2, max: 0.8, noNaN: true })),
        fc.double({ min: 0.1, max: 0.9, noNaN: true }),
        (widthM, depthM, framing, joistAngleRad, riserAt, at) => {
          const project = tinyHouse(widthM, depthM, framing, joistAngleRad, riserAt);
          const network = networkOf(buildingOf(project));
          const { x, y } = project.racks.rack;
          const ends = entriesFrom(network, { levelId: 'm', mount: 'rack', x, y, heightM: 2 });
          const starts = entriesFrom(network, {
            levelId: 'm',
            mount: 'ceiling',
            x: widthM * at,
            y: depthM * (1 - at),
            heightM: null,
          });
          if (!ends.ok || !starts.ok) return;
          const all = cheapestOfAll(network, starts.value, ends.value);
          const found = bestStart(network, growTree(network, ends.value), starts.value)?.costM ?? Infinity;
          houses++;
          tried += all.tried;
          if (all.costM === Infinity) expect(found).to.equal(Infinity);
          else expect(found).to.be.closeTo(all.costM, 1e-9);
        },
      ),
      { numRuns: 60 },
    );
    // Small houses, but not empty ones.
    expect(houses).to.be.greaterThan(30);
    expect(tried / houses).to.be.greaterThan(20);
  }).timeout(300_000);
});

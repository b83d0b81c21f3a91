import { expect } from 'chai';
import fc from 'fast-check';
import { buildingOf } from '../house/index.ts';
import { closestOnSegment, type Point2, type Point3 } from '../math/index.ts';
import { type Feature, newFeature, type ProjectDocument } from '../model/index.ts';
import { randomHouse } from '../testing/index.ts';
import { networkOf } from './network.ts';
import { openAirSegments } from './open-air.ts';
import { routeDevice } from './route-device.ts';

/** Points along a route at every five centimetres, with what they lie in. */
function samples(points: readonly Point3[], media: readonly string[]): { p: Point3; medium: string }[] {
  return media.flatMap((medium, k) => {
    const [a, b] = [points[k], points[k + 1]];
    const steps = Math.max(1, Math.ceil(Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]) / 0.05));
    return Array.from({ length: steps + 1 }, (_, s) => ({
      medium,
      p: [0, 1, 2].map((axis) => a[axis] + ((b[axis] - a[axis]) * s) / steps) as unknown as Point3,
    }));
  });
}

/** How deep a point is in a thing on the plan, m; 0 and less where it is clear of it. */
function within(feature: Feature, p: Point3): number {
  const points = feature.points as Point2[];
  const half = feature.widthM / 2;
  if (points.length === 1) return half - Math.hypot(points[0][0] - p[0], points[0][1] - p[1]);
  // Beyond its ends a line covers nothing.
  const beside = points.slice(1).map((b, k) => closestOnSegment([p[0], p[1]], points[k], b));
  return half - Math.min(Infinity, ...beside.filter(({ t }) => t > 1e-6 && t < 1 - 1e-6).map(({ distanceM }) => distanceM));
}

describe('a way through any house', () => {
  it('goes through no flue, steel, beam or duct, uses no reserved conduit, and bores a fire wall only as one that is sealed', () => {
    let [found, fires] = [0, 0];
    const share = fc.double({ min: 0, max: 0.999, noNaN: true });
    fc.assert(
      fc.property(
        fc.infiniteStream(share),
        fc.constantFrom<Feature['kind']>('flue', 'steel', 'beam', 'duct'),
        (numbers, kind) => {
          const draw = () => numbers.next().value as number;
          const house = randomHouse(draw);
          const { x: rackX, y: rackY } = house.racks.rack;
          const at: Point2 = [rackX * (0.2 + 0.5 * draw()), rackY * (0.4 + draw())];
          const line = kind === 'flue' ? [at] : [at, [at[0], at[1] + 0.3 + 2 * draw()] as Point2];
          const thing = newFeature({
            id: 'x',
            levelId: 'm',
            kind,
            points: line.map(([px, py]): [number, number] => [px, py]),
            widthM: 0.25,
            bottomM: 0,
            topM: 6,
          });
          const spare = newFeature({
            id: 's',
            levelId: 'm',
            kind: 'conduit',
            points: [
              [0.4, rackY],
              [rackX - 0.3, rackY],
            ],
            widthM: 0.04,
            bottomM: 2.55,
            topM: 2.59,
            reserved: true,
          });
          const walls = Object.fromEntries(
            Object.entries(house.walls).map(([id, wall]) => [id, draw() < 0.15 ? { ...wall, kind: 'fire' as const } : wall]),
          );
          const project: ProjectDocument = { ...house, walls, features: { x: thing, s: spare } };
          const building = buildingOf(project);
          const path = routeDevice(
            networkOf(building),
            { levelId: 'm', mount: 'ceiling', heightM: null, x: rackX * draw(), y: 0.2 + 3 * draw() },
            project.racks.rack,
          );
          if (!path.ok) return;
          found++;
          const { points, media, holes } = path.value;
          expect(openAirSegments(building, points, media)).to.deep.equal([]);
          expect(media).to.not.include('conduit');
          for (const { p, medium } of samples(points, media))
            if (medium === 'cavity') expect(within(thing, p), `${kind} at ${p.join()}`).to.be.at.most(1e-6);
          for (const { member, wallId } of holes) {
            const wall = wallId === null ? undefined : project.walls[wallId];
            if (wall?.kind !== 'fire') continue;
            fires++;
            expect(member).to.equal('fire');
          }
        },
      ),
      { numRuns: 150 },
    );
    expect(found).to.be.greaterThan(40);
    expect(fires).to.be.greaterThan(0);
  }).timeout(300_000);
});

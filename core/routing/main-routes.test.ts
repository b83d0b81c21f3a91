import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { placeDevice } from '../devices/index.ts';
import { edited } from '../derive/index.ts';
import { type ProjectDocument, readProjectFile } from '../model/index.ts';
import { holeSchedule, tidyRoutes } from '../pathways/index.ts';
import { planRuns } from '../runs/index.ts';
import { randomHouse } from '../testing/index.ts';

const withHeader = (project: ProjectDocument, more: Partial<ProjectDocument['project']>): ProjectDocument =>
  structuredClone({ ...project, project: { ...project.project, ...more } });

/** The house with a ceiling speaker more. */
function withSpeaker(project: ProjectDocument, n: number, at: [number, number], levelId = 'm'): ProjectDocument {
  const placed = placeDevice(project, { typeId: 'ceiling-speaker', levelId, at }, { device: `d${n}`, run: () => `r${n}` });
  if (!placed.ok) return project;
  const next = edited(project, placed.value.operations);
  return next.ok ? next.value : project;
}

/** The same house with every run still to be routed. */
const drafted = (project: ProjectDocument): ProjectDocument =>
  structuredClone({
    ...project,
    routes: {},
    runs: Object.fromEntries(Object.entries(project.runs).map(([id, run]) => [id, { ...run, state: 'drafted' as const }])),
  });

const routesOf = (project: ProjectDocument) => new Map(planRuns(project).map(({ run, points }) => [run.id, points]));
const boredIn = (project: ProjectDocument) =>
  holeSchedule(project, planRuns(project)).filter(({ member }) => member === 'joist' || member === 'stud').length;
const cableIn = (project: ProjectDocument) =>
  planRuns(project).reduce((sum, { length }) => sum + (length ? length.riseM + length.runM + length.dropM : 0), 0);

describe('main routes of a house', () => {
  it('are shared from the first device, and one more device moves no other route', () => {
    fc.assert(
      fc.property(fc.infiniteStream(fc.double({ min: 0, max: 0.999, noNaN: true })), (stream) => {
        const draw = () => stream.next().value as number;
        const bare = randomHouse(draw);
        const { x } = bare.racks.rack;
        let project = withHeader(bare, { sharedRoutes: true });
        for (let n = 0; n < 10; n++) {
          const before = routesOf(project);
          project = withSpeaker(project, n, [draw() * x, 0.2 + draw() * 3]);
          const after = routesOf(project);
          for (const [id, points] of before) expect(after.get(id)).to.deep.equal(points);
        }
      }),
      { numRuns: 20 },
    );
  });

  it('need far fewer bored places than each run on its own, for hardly more cable', () => {
    const demo = readProjectFile(readFileSync(join(import.meta.dirname, '../../demo/saltmarsh-granary.spool.json'), 'utf8'));
    if (!demo.ok) throw new Error(demo.problem.code);
    const apart = drafted(demo.value.project);
    const shared = withHeader(apart, { sharedRoutes: true });
    expect(boredIn(shared)).to.be.lessThan(0.5 * boredIn(apart));
    expect(cableIn(shared)).to.be.lessThan(1.1 * cableIn(apart));
    // And tidied from there, fewer still; never for more hours or more than a tenth more cable.
    const { operations, now, then } = tidyRoutes(shared, () => 'tidied');
    const tidied = edited(shared, operations);
    if (!tidied.ok) throw new Error(tidied.problem.code);
    expect(boredIn(tidied.value)).to.be.lessThan(0.45 * boredIn(apart));
    expect(cableIn(tidied.value)).to.be.lessThan(1.1 * cableIn(apart));
    expect(then.hours).to.be.lessThan(now.hours);
  }).timeout(60_000);
});

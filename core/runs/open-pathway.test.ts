import { expect } from 'chai';
import fc from 'fast-check';
import { findingsOf } from '../rules/index.ts';
import { placeDevice } from '../devices/index.ts';
import type { Outcome } from '../math/index.ts';
import { applyChange, newOpening, newRiser, type ProjectDocument, type Room, update, type Wall } from '../model/index.ts';
import { checked, countedIds, countingIds, smallHouse, twoStoreyHouse, withDevices } from '../testing/index.ts';
import { planRuns } from './plan-runs.ts';
import { pathwaysToOpen } from './open-pathway.ts';

function must<T>(outcome: Outcome<T>): T {
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problem));
  return outcome.value;
}
const place = (project: ProjectDocument, typeId: string, at: [number, number], levelId = 'm') =>
  must(applyChange(project, must(placeDevice(project, { typeId, levelId, at }, countingIds()()))));
const slab = (walls: Record<string, Partial<Wall>> = {}, rooms: Partial<Room>[] = [{ framing: 'slab' }, {}]) =>
  smallHouse({ rooms, walls });
const kinds = (project: ProjectDocument) => pathwaysToOpen(project, project.runs.r1x1).map(({ kind }) => kind);
const problem = (project: ProjectDocument) => {
  const [{ proposedRoute }] = planRuns(project);
  return proposedRoute.ok ? null : proposedRoute.problem;
};

describe('a run that finds no way', () => {
  it('under concrete is told so, with the cheapest things that would open a way, each of which does', () => {
    const project = place(slab(), 'ceiling-speaker', [1, 2]);
    expect(problem(project)).to.include({ code: 'no-cavity', room: 'Room AA' });
    const routes = pathwaysToOpen(project, project.runs.r1x1);
    expect(routes.map(({ kind }) => kind)).to.include.members(['channel', 'lowered-ceiling']);
    expect(routes.map(({ costM }) => costM)).to.deep.equal([...routes.map(({ costM }) => costM)].sort((a, b) => a - b));
    for (const { operations } of routes) expect(problem(must(applyChange(project, { operations })))).to.equal(null);
  });

  it('between levels names the level and is cured by a riser; the finding goes and none comes instead', () => {
    const house = twoStoreyHouse();
    // No riser, and upper walls that stand over none of the lower ones.
    const shut = {
      ...house,
      risers: {},
      walls: Object.fromEntries(
        Object.entries(house.walls).map(([id, wall]) => [id, wall.levelId === 'u' ? { ...wall, cableMayRun: false } : wall]),
      ),
    };
    const project = place(shut, 'ceiling-camera', [3, 2], 'u');
    expect(problem(project)).to.deep.include({ code: 'no-route', blocked: 'levels', reached: ['Room CC'] });
    const finding = findingsOf(checked(project), 'r1x1').find(({ check }) => check === 'route-missing')!;
    expect(finding.cures.map(({ code }) => code)).to.include('open-riser');
    const cured = must(applyChange(project, { operations: finding.cures.find(({ code }) => code === 'open-riser')!.operations }));
    const stops = (of: ProjectDocument) => checked(of).filter(({ rank }) => rank === 'stop');
    expect(stops(cured).length).to.equal(stops(project).length - 1);
  });

  it('in a closed wall is opened by opening it, by a channel, or by moving it', () => {
    const project = place(slab({ south1: { cableMayRun: false, kind: 'closed' } }, [{}, {}]), 'wall-speaker', [2, 0.05]);
    expect(problem(project)).to.include({ code: 'wall-closed' });
    expect(kinds(project)).to.include.members(['open-wall', 'channel', 'move-device']);
    const concrete = place(slab({ south1: { cableMayRun: false, kind: 'concrete' } }, [{}, {}]), 'wall-speaker', [2, 0.05]);
    expect(kinds(concrete)).to.not.include('open-wall');
  });

  it('because the rack stands free in its room is cured by moving the rack', () => {
    const house = smallHouse();
    const project = place(
      must(applyChange(house, { operations: [update('racks', house.racks.rack, { x: 7.6, y: 2 })!] })),
      'ceiling-speaker',
      [1, 2],
    );
    expect(problem(project)).to.include({ code: 'rack-not-at-wall' });
    expect(kinds(project)).to.have.members(['move-rack', 'rack-ceiling', 'rack-sleeve']);
    // A drop of half a metre is the least work.
    expect(kinds(project)[0]).to.equal('rack-ceiling');
  });

  it('from the garden gets a duct', () => {
    const project = place(smallHouse(), 'garden-speaker', [-6, 2]);
    expect(planRuns(project)[0].proposedRoute.ok).to.equal(false);
    expect(kinds(project)).to.include('duct');
  });

  it('where nothing may be cut gets a channel home through the doorways, and leave to cut last of all', () => {
    const arch = newOpening({ id: 'o', wallId: 'middle', kind: 'arch', offsetM: 2, widthM: 1, sillM: 0, headM: 2.1 });
    const base = smallHouse({ openings: [arch] });
    const project = {
      ...withDevices(base, [{ typeId: 'network-drop', at: [2, 0.05] }], countedIds()).project,
      project: { ...base.project, construction: 'heritage' as const },
    };
    const run = Object.values(project.runs)[0];
    const routes = pathwaysToOpen(project, run);
    expect(routes.map(({ kind }) => kind)).to.deep.equal(['channel-home', 'leave-to-cut']);
    // 3.1 m to the partition, 1.53 m up it to the frame of the arch; back 1.53 m, 5.1 m along and 2 m up to the rack.
    expect(routes[0].madeM).to.be.closeTo(3.1 + 1.53 + 1.53 + 5.1 + 2 + 0.3 + 1.9, 1e-6);
  });

  it('has nothing to open where it has a way', () => {
    const project = place(smallHouse(), 'ceiling-speaker', [1, 2]);
    expect(pathwaysToOpen(project, project.runs.r1x1)).to.deep.equal([]);
  });

  it('never gets told of a thing that does not help (property)', () => {
    const framing = fc.constantFrom<Room['framing']>('slab', 'none', 'solid', 'dropped');
    const at = fc.tuple(fc.double({ min: 0.2, max: 9.9, noNaN: true }), fc.double({ min: 0.2, max: 3.9, noNaN: true }));
    fc.assert(
      fc.property(framing, framing, fc.boolean(), at, (west, east, closed, [x, y]) => {
        const walls = closed ? Object.fromEntries(['south1', 'west', 'middle'].map((id) => [id, { cableMayRun: false }])) : {};
        const project = place(slab(walls, [{ framing: west }, { framing: east }]), 'ceiling-speaker', [x, y]);
        for (const { operations } of pathwaysToOpen(project, project.runs.r1x1))
          expect(problem(must(applyChange(project, { operations })))).to.equal(null);
      }),
      { numRuns: 40 },
    );
  });
});

describe('what keeps all runs from a way', () => {
  const codes = (project: ProjectDocument) =>
    checked(project)
      .filter(({ check }) => check === 'ways-open')
      .map(({ code, rank }) => `${rank} ${code}`);
  const riser = (more: object) =>
    newRiser({ id: 's', name: 'Shaft', x: 9, y: 3, widthM: 0.3, depthM: 0.3, bottomLevelId: 'm', topLevelId: 'u', ...more });

  it('no rack is a stop once there is something to wire', () => {
    const house = smallHouse();
    expect(codes({ ...house, racks: {} })).to.deep.equal([]);
    const placed = place({ ...house, racks: {} }, 'ceiling-speaker', [1, 2]);
    expect(codes(placed)).to.deep.equal(['stop no-rack']);
  });

  it('two racks are said, with what goes to each', () => {
    const house = smallHouse();
    const two = {
      ...house,
      racks: { ...house.racks, other: { ...house.racks.rack, id: 'other', code: 'B', name: 'Rack B', x: 0.4 } },
    };
    const findings = checked(place(two, 'ceiling-speaker', [1, 2])).filter(({ check }) => check === 'ways-open');
    expect(findings.map(({ figures }) => [figures.rack, figures.count])).to.deep.equal([
      ['Rack B', 1],
      ['Rack A', 0],
    ]);
  });

  it('a riser that ends nowhere and one of a single level are told', () => {
    const house = twoStoreyHouse();
    expect(codes({ ...house, risers: { s: riser({}) } })).to.deep.equal([]);
    expect(codes({ ...house, risers: { s: riser({ x: 40 }) } })).to.deep.equal(['look riser-ends-nowhere']);
    expect(codes({ ...house, risers: { s: riser({ topLevelId: 'm' }) } })).to.deep.equal(['look riser-one-level']);
  });

  it('a cavity without height is told, and the cure gives it one; other levels are still routed', () => {
    const house = smallHouse();
    const flat = place({ ...house, levels: { m: { ...house.levels.m, cavityDepthM: 0 } } }, 'ceiling-speaker', [1, 2]);
    const finding = checked(flat).find(({ code }) => code === 'cavity-no-height')!;
    const cured = must(applyChange(flat, { operations: finding.cures[0].operations }));
    expect(codes(cured)).to.deep.equal([]);
    expect(problem(cured)).to.equal(null);
  });
});

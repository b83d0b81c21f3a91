import { expect } from 'chai';
import { newLevel, type ProjectDocument, type Room, update, type Wall } from '../model/index.ts';
import { planRuns, runState, proposedRoutes } from '../runs/index.ts';
import { applied, checked, countedIds, smallHouse, withDevices } from '../testing/index.ts';

const said = (project: ProjectDocument, check: string) => checked(project).filter((one) => one.check === check);
/** Joists square to the route from the west room to the rack. */
const across: Partial<Room>[] = [{ joistAngleRad: Math.PI / 2 }, { joistAngleRad: Math.PI / 2 }];
const house = (rooms: Partial<Room>[], walls: Record<string, Partial<Wall>> = {}, typeId = 'ceiling-speaker') =>
  withDevices(smallHouse({ rooms, walls }), [{ typeId, at: [1, 2] }], countedIds()).project;
const inRegion = (project: ProjectDocument, jurisdiction: 'NA' | 'EU' | 'UK'): ProjectDocument => ({
  ...project,
  project: { ...project.project, jurisdiction },
});

describe('bores', () => {
  it('in joists of the UK and EU are led into the part of the span that may be bored, which North America does not ask for', () => {
    // Straight to the rack they would be bored at 2.0 m of 4.1 m, in the middle of the span.
    const na = inRegion(house(across), 'NA');
    expect(said(na, 'bores-allowed')).to.deep.equal([]);
    const uk = inRegion(house(across), 'UK');
    expect(said(uk, 'bores-allowed')).to.deep.equal([]);
    // Issued as it lay in North America, it stays there and is told with its share of the span.
    const runs = planRuns(na);
    const issued = runState(na, [runs[0].run.id], 'issued', proposedRoutes(na));
    if (!issued.ok) throw new Error(issued.problem.code);
    const found = said(inRegion(applied(na, issued.value), 'UK'), 'bores-allowed');
    expect(found.map(({ code, rank }) => `${rank} ${code}`)).to.include('stop bore-off-span');
    for (const { measured, allowed } of found) {
      expect(measured).to.be.within(0, 0.5);
      expect([0.25, 0.4]).to.include(allowed);
    }
  });

  it('wider than a third of a joist are a stop; in a deeper joist they are not', () => {
    // 2 x 6 of 140 mm: 140 - 2 x 50.8 = 38.4 mm may be bored; RG11 of 10.3 mm wants 16.3 mm, so only a joist of 110 mm fails.
    const shallow = inRegion(house(across.map((room) => ({ ...room, joistDepthM: 0.11 }))), 'NA');
    const [found] = said(shallow, 'bores-allowed');
    expect(found).to.include({ code: 'bore-too-large', rank: 'stop' });
    expect(found.allowed).to.be.closeTo(0.11 - 2 * 0.0508, 1e-9);
    // Speaker cable of 8.4 mm by itself: 11.4 mm, or 13.3 mm by 40 % of the area.
    expect(found.measured).to.be.closeTo(Math.sqrt(0.0072 ** 2 / 0.4), 2e-3);
    expect(said(inRegion(house(across), 'NA'), 'bores-allowed')).to.deep.equal([]);
  });

  it('in engineered joists wait for the paper of their maker', () => {
    const found = said(house(across.map((room) => ({ ...room, framing: 'i-joist' as const }))), 'bores-allowed');
    expect(found.map(({ code, rank }) => `${rank} ${code}`)).to.include('look bore-engineered');
  });
});

describe('bends', () => {
  const outlet = (walls: Record<string, Partial<Wall>>) =>
    withDevices(smallHouse({ walls }), [{ typeId: 'coax-outlet', at: [2, 0.05] }], countedIds()).project;

  it('of coax into a box in a furred wall want more depth than it has; a stud wall is deep enough', () => {
    const shallow = outlet({ south1: { kind: 'furred', cavityDepthM: 0.038, studWidthM: 0.038 } });
    const [found] = said(shallow, 'bends-fit');
    expect(found).to.include({ code: 'bend-box', rank: 'look', unit: 'm', allowed: 0.07 });
    expect(found.measured).to.be.closeTo(0.038 + 0.0125, 1e-9);
    expect(said(outlet({}), 'bends-fit')).to.deep.equal([]);
  });

  it('are cured by a cable that bends into the room that is there', () => {
    const base = withDevices(
      smallHouse({ walls: { south1: { cavityDepthM: 0.06 } } }),
      [{ typeId: 'display', at: [2, 0.05] }],
      countedIds(),
    );
    const [run] = Object.values(base.project.runs);
    const copper = applied(base.project, [update('runs', run, { cableTypeId: 'hdmi_passive_24' })!]);
    const found = said(copper, 'bends-fit').find(({ subjects }) => subjects[0].id === run.id)!;
    expect(found.allowed).to.equal(0.09);
    const cured = applied(copper, found.cures[0].operations);
    expect(said(cured, 'bends-fit').filter(({ subjects }) => subjects[0].id === run.id)).to.deep.equal([]);
  });

  it('over a plate under a ceiling hung by 50 mm are told with the depth of its hollow', () => {
    const project = outlet({});
    const low: ProjectDocument = { ...project, levels: { m: newLevel({ ...project.levels.m, cavityDepthM: 0.05 }) } };
    const [found] = said(low, 'bends-fit');
    expect(found).to.include({ code: 'bend-plate', measured: 0.05 });
  });
});

describe('the cables of a type', () => {
  it('that are missing are told and added; nothing is said where all are there', () => {
    const { project, devices } = withDevices(smallHouse(), [{ typeId: 'modem-place', at: [2, 0.05] }], countedIds());
    expect(said(project, 'legs-complete')).to.deep.equal([]);
    const back = Object.values(project.runs).find(({ leg }) => leg === 2)!;
    const { [back.id]: _gone, ...runs } = project.runs;
    const short: ProjectDocument = { ...project, runs };
    const [found] = said(short, 'legs-complete');
    expect(found).to.include({ code: 'legs-missing', measured: 1, allowed: 2 });
    expect(found.subjects).to.deep.equal([{ in: 'devices', id: devices[0].id }]);
    const cured = applied(short, found.cures[0].operations);
    expect(said(cured, 'legs-complete')).to.deep.equal([]);
    expect(Object.values(cured.runs).map(({ leg, purpose }) => `${leg} ${purpose}`)).to.include('2 back from the modem');
  });
});

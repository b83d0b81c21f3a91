import type { ProjectDocument, RoomTemplate } from '@dusky-spool/core/model';
import { applied, countedIds, smallHouse } from '@dusky-spool/core/testing';
import { clipOfDevices } from '@dusky-spool/core/devices';
import { expect } from 'chai';
import { guidedPlace, type PlanClick, placeWithTool, SELECT_TOOL, type Tool } from './plan-tool.ts';

const house = smallHouse();
let made = 0;
const typeOf = (id: string) => house.deviceTypes[id];

function click(project: ProjectDocument, tool: Tool, at: readonly [number, number], more: Partial<PlanClick> = {}) {
  const placement = placeWithTool(project, tool, {
    levelId: 'm',
    at,
    isFree: true,
    guideM: 0.2,
    numberHolder: '',
    ids: countedIds(),
    newId: (prefix) => `${prefix}_${++made}`,
    ...more,
  });
  if (!placement) return null;
  if (!placement.placed.ok) throw new Error(placement.placed.problem.code);
  const after = applied(project, placement.placed.value.operations);
  return { ...placement, project: after, devices: placement.placed.value.devices.map(({ id }) => after.devices[id]) };
}

describe('a click on the plan', () => {
  it('places nothing without a tool', () => {
    expect(click(house, SELECT_TOOL, [1, 1])).to.equal(null);
  });

  it('places a device with its runs, on the grid of the hand', () => {
    const placed = click(house, { kind: 'place', type: typeOf('ceiling-speaker') }, [1.2345, 2.0049])!;
    expect(placed.devices).to.have.length(1);
    expect([placed.devices[0].x, placed.devices[0].y]).to.deep.equal([1.23, 2]);
    expect(placed.name).to.equal(typeOf('ceiling-speaker').name);
    expect(Object.values(placed.project.runs).every(({ deviceId }) => deviceId === placed.devices[0].id)).to.equal(true);
  });

  it('places it where it was shown: on the grid of the hand, in line with others, or on its wall', () => {
    const one = click(house, { kind: 'place', type: typeOf('ceiling-speaker') }, [1, 1])!.project;
    for (const [id, at, isFree] of [
      ['ceiling-speaker', [1.06, 3.337], false],
      ['ceiling-speaker', [1.06, 3.337], true],
      ['network-drop', [2.113, 0.31], false],
      ['keypad', [5.02, 2.204], false],
    ] as const) {
      const shown = guidedPlace(one, typeOf(id), { levelId: 'm', at, isFree, guideM: 0.2 });
      const [device] = click(one, { kind: 'place', type: typeOf(id) }, at, {
        isFree,
        ids: { device: () => 'd9', run: () => `r9${++made}` },
      })!.devices;
      expect([device.x, device.y], id).to.deep.equal(shown.at);
    }
  });

  it('sets copies down again and again, where they are shown; those of a room only into a room', () => {
    const first = click(house, { kind: 'place', type: typeOf('network-drop') }, [1, 0.05])!;
    const clip = clipOfDevices(first.project, [first.devices[0].id]);
    const ids = { device: () => `d${++made}`, run: () => `r${++made}` };
    const copies: Tool = { kind: 'copies', clip, isRoom: false };
    const second = click(first.project, copies, [2, 0.3], { ids })!;
    expect(second.devices.map(({ x, y }) => [x, y])).to.deep.equal([[2, 0]]);
    expect(click(second.project, copies, [3, 0.3], { ids })!.devices[0].number).to.equal(3);
    const furnish: Tool = { kind: 'copies', clip, isRoom: true };
    expect(click(second.project, furnish, [7, 2], { ids })!.devices[0]).to.include({ roomId: 'b', y: 0 });
    expect(click(second.project, furnish, [40, 40], { ids })).to.equal(null);
  });

  it('places a rack with the runs of what waited for it, and selects it', () => {
    const waiting = click({ ...house, racks: {} }, { kind: 'place', type: typeOf('network-drop') }, [2, 0.05])!;
    expect(Object.keys(waiting.project.runs)).to.deep.equal([]);
    const placed = click(waiting.project, { kind: 'rack' }, [9.8, 2])!;
    const runs = Object.values(placed.project.runs);
    expect(runs.length).to.equal(typeOf('network-drop').cables.length);
    expect(new Set(runs.map(({ deviceId }) => deviceId))).to.deep.equal(new Set([waiting.devices[0].id]));
    expect(placed.placed.ok && placed.placed.value.select?.kind).to.equal('rack');
  });

  it('lines a device up with others unless Alt is held', () => {
    const one = click(house, { kind: 'place', type: typeOf('ceiling-speaker') }, [1, 1])!.project;
    const tool = typeOf('ceiling-speaker');
    const near = { levelId: 'm', at: [1.06, 3] as const, guideM: 0.2 };
    const guided = guidedPlace(one, tool, { ...near, isFree: false });
    expect(guided.guides.length).to.be.greaterThan(0);
    expect(guided.at[0]).to.equal(1);
    expect(guidedPlace(one, tool, { ...near, isFree: true })).to.deep.include({ at: [1.06, 3], guides: [], reason: null });
  });

  it('fills a room with an even field, and does nothing outside rooms', () => {
    const tool: Tool = {
      kind: 'place',
      type: typeOf('ceiling-speaker'),
      field: { overlap: 'edge', ear: 'seated' },
    };
    const placed = click(house, tool, [2, 2])!;
    expect(placed.devices.length).to.be.greaterThan(1);
    expect(placed.devices.every(({ roomId }) => roomId === 'a')).to.equal(true);
    expect(click(house, tool, [30, 30])).to.equal(null);
  });

  it('furnishes a room from a template', () => {
    const speaker = { typeId: 'ceiling-speaker', name: '', heightM: null, acrossShare: 0.5 };
    const devices = [
      { ...speaker, alongShare: 0.25 },
      { ...speaker, alongShare: 0.75 },
    ];
    const template: RoomTemplate = { id: 't1', name: 'Bedroom', use: 'bedroom', cells: [], devices };
    const placed = click(house, { kind: 'template', template }, [2, 2])!;
    expect(placed.name).to.equal('Bedroom');
    // By their shares of the room, clear of its walls.
    const [one, two] = placed.devices;
    expect([one.roomId, two.roomId, one.y, two.y]).to.deep.equal(['a', 'a', 2.05, 2.05]);
    expect(one.x + two.x).to.be.closeTo(5.1, 1e-9);
    expect(two.x - one.x).to.be.closeTo(2.5, 0.1);
    expect(click(house, { kind: 'template', template }, [-5, 2])).to.equal(null);
  });
});

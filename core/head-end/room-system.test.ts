import { expect } from 'chai';
import { derivationsOf } from '../derive/index.ts';
import { headEndFor } from '../devices/index.ts';
import type { ProjectDocument } from '../model/index.ts';
import { runChecks } from '../rules/index.ts';
import { plannedRun } from '../runs/index.ts';
import { applied, designedHouse, smallHouse } from '../testing/index.ts';
import { HEAD_ENDS } from './head-end.ts';
import { planRoomSystem, type RoomSystemKind } from './room-system.ts';
import { SIGNAL_TABLE } from './signal-paths.ts';

const at = (typeId: string, x: number, y = 0.05) => ({ typeId, at: [x, y] as [number, number] });

function setUp(kind: RoomSystemKind) {
  const house = designedHouse([at('display', 2), at('ceiling-speaker', 1.5, 2), at('ceiling-speaker', 2.5, 2)]);
  const display = Object.values(house.devices).find(({ typeId }) => typeId === 'display')!;
  const roomId = display.roomId!;
  const found = planRoomSystem(house, roomId, kind, 'rs');
  if (!found.ok) throw new Error(found.problem.code);
  const after = applied(house, found.value.operations);
  const headEnd = derivationsOf(after)
    .get(HEAD_ENDS)
    .find(({ rack }) => rack.id === found.value.rackId)!;
  return { house, roomId, display, after, headEnd };
}

const reachedIn = (project: ProjectDocument, rackId: string) => {
  const { sources, sinks, cells } = derivationsOf(project).get(SIGNAL_TABLE);
  const own = sources.filter((one) => one.rackId === rackId).map(({ id }) => id);
  return sinks.map((sink) => [
    sink.kind,
    cells.filter(({ sinkId, sourceId, isReached }) => sinkId === sink.id && own.includes(sourceId) && isReached).length,
  ]);
};

describe('a room with its own system', () => {
  for (const kind of ['receiver', 'sound-bar'] as const) {
    const { house, roomId, display, after, headEnd } = setUp(kind);

    it(`has a cabinet at its display in which its speaker cables and a lead for pictures end: ${kind}`, () => {
      expect(headEnd.rack.kind).to.equal('cabinet');
      expect(Math.hypot(headEnd.rack.x - display.x, headEnd.rack.y - display.y)).to.be.lessThan(0.6);
      expect(headEnd.needs.map((need) => need.kind).sort()).to.deep.equal(['speaker', 'speaker', 'video']);
      expect(headEnd.open).to.deep.equal([]);
      for (const { runId } of headEnd.needs) expect(plannedRun(after, runId).length).not.to.equal(null);
      // Everything has power, and nothing in it needs a UPS.
      expect(headEnd.equipment.filter(({ isMains, feedId, circuitId }) => isMains && !feedId && !circuitId)).to.deep.equal([]);
      expect(headEnd.equipment.map((one) => one.kind)).not.to.include('ups');
    });

    it(`plays its source on the display and the speakers, and returns the sound of the display: ${kind}`, () => {
      expect(reachedIn(after, headEnd.rack.id)).to.deep.equal([
        ['display', 1],
        ['speakers', 1],
      ]);
      const { cells, sinks } = derivationsOf(after).get(SIGNAL_TABLE);
      const shown = cells.find((one) => one.isReached && sinks.find(({ id }) => id === one.sinkId)?.kind === 'display')!;
      expect([shown.method, shown.returnsAudio]).to.deep.equal(['receiver', true]);
    });

    it(`brings no new error, is set up once, and is no head end for what is placed later: ${kind}`, () => {
      const stops = (project: ProjectDocument) => runChecks(project, '2026-12-01').filter(({ rank }) => rank === 'stop').length;
      expect(stops(after)).to.equal(stops(house));
      const again = planRoomSystem(after, roomId, kind, 'again');
      expect(again.ok ? '' : again.problem.code).to.equal('room-has-cabinet');
      expect(headEndFor(after, after.devices[display.id], { family: 'cat' })?.kind).not.to.equal('cabinet');
    });
  }

  it('drives its speakers from the receiver, or from an amplifier behind the line output of the bar', () => {
    const ampOf = (kind: RoomSystemKind) => {
      const { after, headEnd } = setUp(kind);
      const speakers = headEnd.needs.filter((need) => need.kind === 'speaker');
      return [...new Set(speakers.map(({ runId }) => after.equipment[headEnd.terminations.get(runId)!.equipmentId].kind))];
    };
    expect(ampOf('receiver')).to.deep.equal(['receiver']);
    expect(ampOf('sound-bar')).to.deep.equal(['amplifier']);
    const { after, headEnd } = setUp('sound-bar');
    const bar = headEnd.equipment.find(({ presetId }) => presetId === 'sound-bar')!;
    const cords = headEnd.patches.filter(({ equipmentId, port }) => equipmentId === bar.id && port.startsWith('line out'));
    expect(cords.map(({ toEquipmentId }) => after.equipment[toEquipmentId].kind)).to.deep.equal(['amplifier', 'amplifier']);
  });

  it('is refused where the room has no display or no speakers', () => {
    const codeOf = (project: ProjectDocument) => {
      const [roomId] = Object.keys(project.rooms);
      const found = planRoomSystem(project, roomId, 'receiver', 'x');
      return found.ok ? '' : found.problem.code;
    };
    expect(codeOf(smallHouse())).to.equal('room-without-display');
    const [withDisplay] = [designedHouse([at('display', 2)])];
    const roomId = Object.values(withDisplay.devices)[0].roomId!;
    const found = planRoomSystem(withDisplay, roomId, 'receiver', 'x');
    expect(found.ok ? '' : found.problem.code).to.equal('room-without-speakers');
  });
});

import { expect } from 'chai';
import { answerCell } from '../../brief/index.ts';
import type { ProjectDocument } from '../../model/index.ts';
import { applied, countedIds, smallHouse, withDevices } from '../../testing/index.ts';
import {
  aimAt,
  alignHeights,
  applyTemplate,
  coverRoom,
  mirrorDevice,
  setWallDistance,
  templateOf,
  wallDistances,
} from './placing.ts';
import { speakerGrid } from './coverage.ts';

const ids = countedIds();
const put = (project: ProjectDocument, typeId: string, at: [number, number]) => {
  const made = withDevices(project, [{ typeId, at }], ids);
  return { document: made.project, device: made.devices[0] };
};
const house = smallHouse();

describe('even coverage from the ceiling', () => {
  const room = { lengthM: 6, widthM: 4, earM: 1, coverageRad: Math.PI / 2, overlap: 'minimum' } as const;

  it('follows the table of ENGINEERING 8.3', () => {
    for (const [ceilingM, discM, pitchM] of [
      [2.44, 2.88, 2.04],
      [2.74, 3.48, 2.46],
      [3.05, 4.1, 2.9],
      [3.66, 5.32, 3.76],
      [4.27, 6.54, 4.62],
    ]) {
      const found = speakerGrid({ ...room, ceilingM });
      if (!found.ok) throw new Error(found.problem.code);
      expect(found.value.discM).to.be.closeTo(discM, 0.005);
      expect(found.value.columns).to.equal(Math.ceil(6 / pitchM - 0.004));
    }
    const found = speakerGrid({ ...room, ceilingM: 2.44 });
    expect(found.ok && found.value).to.deep.include({ columns: 3, rows: 2, pitchXM: 2, pitchYM: 2 });
    expect(found.ok && found.value.places[0]).to.deep.equal([1, 1]);
  });

  it('refuses a ceiling at the ear and an angle that is none', () => {
    expect(speakerGrid({ ...room, ceilingM: 1 })).to.nested.include({
      'problem.kind': 'invalid',
      'problem.field': 'ceilingM',
    });
    expect(speakerGrid({ ...room, ceilingM: 2.5, coverageRad: Math.PI })).to.nested.include({
      'problem.kind': 'out_of_domain',
    });
  });

  it('gives places inside the room only', () => {
    // 5.1 x 4.1 m at 2.5 m: disc 3 m, pitch 2.12 m: 3 columns, 2 rows.
    const found = coverRoom(house, 'a', 'ceiling-speaker', 'minimum', 'seated');
    expect(found.ok && found.value.at).to.have.length(6);
    expect(found.ok && found.value.at[0]).to.deep.equal([0.85, 1.025]);
    expect(coverRoom(house, 'a', 'keypad', 'minimum', 'seated')).to.nested.include({ 'problem.code': 'type-not-for-ceiling' });
  });
});

describe('placing', () => {
  it('by typed distances from two walls, measured from their faces', () => {
    const { document: project, device } = put(house, 'ceiling-speaker', [2, 1.5]);
    const [first, second] = wallDistances(project, device);
    expect(first.wall.id).to.equal('south1');
    expect(first.distanceM).to.be.closeTo(1.5 - 0.06, 1e-9);
    expect(second.wall.id).to.equal('west');
    const moved = setWallDistance(project, device.id, 'west', 1.2);
    expect(moved.ok && applied(project, moved.value).devices[device.id]).to.include({ x: 1.26, y: 1.5 });
    // A box in a wall is measured along it, from the corner.
    const box = put(house, 'keypad', [2, 0.05]);
    expect(wallDistances(box.document, box.device).map(({ wall }) => wall.id)).to.deep.equal(['west']);
  });

  it('as a mirrored pair, and on both walls with the spare stored', () => {
    const { document: project, device } = put(house, 'ceiling-speaker', [1.5, 2]);
    const pair = mirrorDevice(project, device.id, 'x', 'pair', ids);
    if (!pair.ok) throw new Error(pair.problem.code);
    expect(pair.value.devices[0].x).to.be.closeTo(3.6, 0.03);
    const display = put(house, 'display', [0.05, 2]);
    const spare = mirrorDevice(display.document, display.device.id, 'x', 'spare', ids);
    if (!spare.ok) throw new Error(spare.problem.code);
    expect(spare.value.devices[0]).to.include({ x: 5.1, roomId: 'a', fitting: 'spare' });
    expect(Math.cos(spare.value.devices[0].facingRad)).to.be.closeTo(-1, 1e-9);
    const both = applied(display.document, spare.value.operations);
    expect(Object.values(both.runs).filter(({ deviceId }) => deviceId === spare.value.devices[0].id)).to.have.length(3);
  });

  it('aims at a seat and sets several to one height', () => {
    const first = put(house, 'wall-speaker', [2, 0.05]);
    const { device } = first;
    let project = applied(first.document, aimAt(first.document, [device.id], [2, 2]));
    expect(project.devices[device.id].facingRad).to.be.closeTo(Math.PI / 2, 0.03);
    const other = put(project, 'keypad', [1, 0.05]);
    project = applied(other.document, alignHeights(other.document, [device.id, other.device.id]));
    expect(project.devices[other.device.id].heightM).to.equal(1.1);
  });

  it('by a template made of one room and laid into another', () => {
    let project = put(put(house, 'ceiling-speaker', [1.275, 2.05]).document, 'keypad', [5.05, 3]).document;
    project = applied(
      project,
      answerCell(project, 'a', 'sound', 'wanted', () => 'c1'),
    );
    const template = templateOf(project, 'a', 't1', 'Listening room');
    expect(template.cells).to.deep.equal([{ topic: 'sound', answer: 'wanted', count: 2 }]);
    const laid = applyTemplate(
      project,
      'b',
      { ...template, devices: [...template.devices, { ...template.devices[0], typeId: 'gone' }] },
      ids,
    );
    if (!laid.ok) throw new Error(laid.problem.code);
    expect(laid.value.missing).to.deep.equal(['gone']);
    const [speaker, keypad] = [...laid.value.devices].sort((a, b) => a.typeId.localeCompare(b.typeId));
    expect(speaker.roomId).to.equal('b');
    expect(speaker.x).to.be.closeTo(5.1 + 1.275, 0.03);
    expect(keypad).to.include({ x: 10.2, roomId: 'b' });
    expect(applied(project, laid.value.operations)).to.be.an('object');
  });
});

import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { clashesOf } from '../devices/index.ts';
import { type ProjectDocument, readProjectFile, update } from '../model/index.ts';
import { applied, countedIds, smallTheatre } from '../testing/index.ts';
import { designTheatre } from './design.ts';
import { theatreOf } from './theatre.ts';

const designed = (project: ProjectDocument, roomId = 'a') => {
  const found = designTheatre(project, roomId, countedIds('new'));
  if (!found.ok) throw new Error(found.problem.code);
  return { ...found.value, after: found.value.after!, project: applied(project, found.value.operations) };
};
const refused = (project: ProjectDocument) => {
  const found = designTheatre(project, 'a', countedIds('new'));
  return found.ok ? 'taken' : `${found.problem.code} ${String(found.problem.field)}`;
};

describe('a theatre designed', () => {
  it('places the speakers of a layout in bays of the real room, in pairs, as devices with runs', () => {
    const { project, channels, after } = designed(smallTheatre({ aim: { layout: '5.1.2', school: 'practice' } }));
    expect(channels.map(({ channel, change }) => `${channel} ${change}`)).to.deep.equal([
      'front-left placed',
      'front-right placed',
      'center placed',
      'surround-left placed',
      'surround-right placed',
      'top-middle-left placed',
      'top-middle-right placed',
    ]);
    const theatre = theatreOf(project, project.rooms.a);
    expect(theatre.score!.total).to.be.closeTo(after.total, 1e-9);
    expect(after.total).to.be.greaterThan(85);
    const own = Object.values(project.devices).filter(({ channel }) => channel !== null);
    expect(own).to.have.length(7);
    for (const device of own) {
      expect(
        clashesOf(project, device)
          .filter(({ rank }) => rank === 'stop')
          .map(({ code }) => code),
        device.channel!,
      ).to.deep.equal([]);
      expect(
        Object.values(project.runs).some(({ deviceId }) => deviceId === device.id),
        device.channel!,
      ).to.equal(true);
    }
  });

  it('moves what may be moved to where it is worth it, and leaves what is fixed', () => {
    const house = smallTheatre({
      speakers: [
        ['front-left', 0.6],
        ['front-right', 3.8],
      ],
      aim: { layout: '2.0' },
    });
    const [left, right] = Object.values(house.devices).slice(1);
    const free = designed(house);
    expect(free.channels.map(({ change }) => change)).to.include('moved');
    expect(free.after.total).to.be.greaterThan(free.before!.total);
    const fixed = applied(house, [update('theatres', house.theatres.theatre, { fixedDeviceIds: [left.id, right.id] })!]);
    const still = designed(fixed);
    expect(still.channels.map(({ change }) => change)).to.deep.equal(['fixed', 'fixed']);
    expect(still.operations).to.deep.equal([]);
  });

  it('says why a room cannot be designed, by the field', () => {
    const house = smallTheatre({ aim: { layout: '5.1' } });
    expect(refused({ ...house, theatres: { theatre: { ...house.theatres.theatre, layout: '' } } })).to.equal(
      'theatre-no-layout layout',
    );
    expect(refused({ ...house, features: {} })).to.equal('theatre-no-seats seats');
    expect(refused({ ...house, devices: {}, runs: {} })).to.equal('theatre-no-picture picture');
    const solid = Object.fromEntries(
      Object.entries(house.walls).map(([id, wall]) => [
        id,
        {
          ...wall,
          kind: 'masonry' as const,
          cavityDepthM: 0,
          studMaterial: 'none' as const,
          studSpacingM: 0,
          cableMayRun: false,
        },
      ]),
    );
    // Nothing goes into stone: speakers on brackets hang on it.
    const hung = designed({ ...house, walls: solid });
    expect(hung.channels.map(({ change }) => change)).to.deep.equal(hung.channels.map(() => 'placed'));
    const placed = Object.values(hung.project.devices).filter(({ channel }) => channel !== null);
    expect(new Set(placed.map(({ typeId }) => typeId))).to.deep.equal(new Set(['surface-speaker']));
    const { 'surface-speaker': _, ...deviceTypes } = house.deviceTypes;
    expect(refused({ ...house, walls: solid, deviceTypes })).to.equal('theatre-no-place layout');
  });

  it('does not make the demo’s screening room worse', () => {
    const read = readProjectFile(readFileSync(join(import.meta.dirname, '../../demo/saltmarsh-granary.spool.json'), 'utf8'));
    if (!read.ok) throw new Error(read.problem.code);
    const { project } = read.value;
    const { before, after, channels, stopped } = designed(project, Object.values(project.theatres)[0].roomId);
    expect(after.total).to.be.at.least(before!.total);
    expect([channels.length, stopped]).to.deep.equal([11, 'nothing better']);
  });
});

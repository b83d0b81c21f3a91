import { expect } from 'chai';
import { newFeature } from '../model/index.ts';
import { smallTheatre } from '../testing/index.ts';
import { calibrationOf } from './calibration.ts';
import { frameOf } from './frame.ts';
import { reflectionsOf } from './reflections.ts';
import { theatreOf } from './theatre.ts';

const house = smallTheatre({
  speakers: [
    ['front-left', 1],
    ['front-right', 4.2],
  ],
  aim: { layout: '2.0' },
});
const theatre = theatreOf(house, house.rooms.a);

describe('a theatre at trim-out', () => {
  it('holds what was measured last to what was worked out', () => {
    const [left, right] = theatre.channels;
    const of = (deviceId: string, stage: 'before' | 'after', delayMs: number | null, levelDb: number | null) => ({
      ...{ deviceId, stage, delayMs, levelDb, on: '2026-12-01', by: 'Site lead', note: '' },
    });
    const measured = [
      of(left.deviceId, 'before', 3, 71),
      of(left.deviceId, 'after', left.delayMs + 0.7, 75),
      of(left.deviceId, 'after', left.delayMs + 0.2, 75.2),
      of(right.deviceId, 'after', null, 74),
    ];
    const [first, second] = calibrationOf({ channels: theatre.channels, aim: { ...theatre.aim, measured } });
    expect([first.before?.levelDb, first.after?.levelDb]).to.deep.equal([71, 75.2]);
    expect(first.delayOffMs).to.be.closeTo(0.2, 1e-9);
    // The mean of 75.2 and 74 dB.
    expect(first.levelOffDb).to.be.closeTo(0.6, 1e-9);
    expect([first.isEven, second.isEven, second.delayOffMs]).to.deep.equal([false, false, null]);
    expect(calibrationOf(theatre).map(({ isEven }) => isEven)).to.deep.equal([null, null]);
  });

  it('finds first reflections by the mirror of each speaker', () => {
    const frame = frameOf(house, house.rooms.a, theatre.picture);
    const found = reflectionsOf(house, house.rooms.a, theatre, frame);
    expect(found).to.have.length(6);
    const off = found.find(({ channel, surface }) => channel === 'front-left' && surface === 'left')!;
    // The left speaker stands 0.94 m from the face of the left wall, the seat 2.54 m; 2.84 m lie between them along the room.
    const share = 0.94 / (0.94 + 2.54);
    const speaker = frame.insideOf(theatre.channels[0].at);
    expect(off.awayM).to.be.closeTo(speaker.awayM + share * 2.84, 1e-6);
    expect(off.atM).to.be.closeTo(1.1 - 0.1 * share, 1e-6);
    expect(off.laterMs).to.be.greaterThan(0);
    // A table half way between, of which only its top reflects.
    const table = newFeature({
      ...{ id: 'table', levelId: 'm', kind: 'table', points: [[1.8, 2.6]] },
      ...{ widthM: 1, depthM: 1, bottomM: 0, topM: 0.45 },
    });
    const set = { ...house, features: { ...house.features, table } };
    const over = reflectionsOf(set, set.rooms.a, theatre, frame).filter(({ surface }) => surface === 'table');
    expect(over.map(({ channel }) => channel)).to.deep.equal(['front-left']);
    expect(reflectionsOf(house, house.rooms.a, { ...theatre, seats: [] }, frame)).to.deep.equal([]);
  });
});

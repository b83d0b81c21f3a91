import { expect } from 'chai';
import fc from 'fast-check';
import type { Finding } from '../../rules/index.ts';
import { placeDevice } from '../placing/index.ts';
import type { Point2 } from '../../math/index.ts';
import {
  applyChange,
  type Device,
  type DeviceType,
  type Feature,
  newFeature,
  type Opening,
  type ProjectDocument,
} from '../../model/index.ts';
import { checked, smallHouse } from '../../testing/index.ts';
import { allClashes } from './all-clashes.ts';
import { blockingNeeds } from './blocking.ts';
import { clashesOf } from './clashes.ts';
import { isBlocked } from './solids.ts';
import { legalPlaces } from './legal-places.ts';
import { loadOf, wallFixing } from './fixing.ts';
import { sightOf } from './sight.ts';

/** What keeps devices from being built, as findings. */
const buildable = (project: ProjectDocument) => checked(project).filter(({ check }) => check === 'buildable');

let count = 0;
const place = (
  project: ProjectDocument,
  typeId: string,
  at: Point2,
  more: Partial<Device> = {},
): { project: ProjectDocument; device: Device } => {
  const id = `d${++count}`;
  const placed = placeDevice(project, { typeId, levelId: 'm', at }, { device: id, run: (leg) => `${id}_${leg}` });
  if (!placed.ok) throw new Error(placed.problem.code);
  const applied = applyChange(project, placed.value);
  if (!applied.ok) throw new Error(JSON.stringify(applied.problem));
  const device = { ...applied.value.devices[id], ...more };
  return { project: { ...applied.value, devices: { ...applied.value.devices, [id]: device } }, device };
};
const codes = (project: ProjectDocument, typeId: string, at: Point2, more: Partial<Device> = {}) => {
  const made = place(project, typeId, at, more);
  return clashesOf(made.project, made.device).map(({ rank, code }) => `${rank} ${code}`);
};
const withFeature = (project: ProjectDocument, feature: Partial<Feature> & Pick<Feature, 'kind' | 'points'>): ProjectDocument => {
  const record = newFeature({ id: `f${++count}`, levelId: 'm', ...feature });
  return { ...project, features: { ...project.features, [record.id]: record } };
};
const withType = (project: ProjectDocument, id: string, more: Partial<DeviceType>): ProjectDocument => ({
  ...project,
  deviceTypes: { ...project.deviceTypes, [id]: { ...project.deviceTypes[id], ...more } },
});
const house = smallHouse({ rooms: [{ use: 'living' }, { use: 'circulation' }] });

describe('a cut-out in a wall', () => {
  // South wall: studs at 0.4 m, 45 mm thick: a bay is 0.355 m clear. The wall speaker's hole is 0.216 m, its clamps want 13 mm.
  it('fits in the middle of a bay and meets a stud beside it, with the figures', () => {
    expect(codes(house, 'wall-speaker', [1, 0.05])).to.deep.equal([]);
    const { project, device } = place(house, 'wall-speaker', [1.1, 0.05]);
    const [clash] = clashesOf(project, device);
    expect(clash).to.include({ code: 'mount-on-stud', rank: 'look' });
    expect(clash.measured).to.be.closeTo(1.2 - 1.1 - 0.0225, 1e-9);
    expect(clash.allowed).to.be.closeTo(0.108 + 0.013, 1e-9);
    // A value on the limit passes: 1.2 - 0.0225 - 0.121.
    expect(codes(house, 'wall-speaker', [1.0565, 0.05])).to.deep.equal([]);
  });

  it('is a reason to stop where the stud was measured, or where no bay is wide enough', () => {
    const member = {
      id: 's',
      wallId: 'south1',
      roomId: null,
      kind: 'stud',
      offsetM: 1.05,
      widthM: 0.045,
      bottomM: 0,
      topM: 2.5,
      present: true,
      note: '',
    } as const;
    expect(codes({ ...house, framingMembers: { s: member } }, 'wall-speaker', [1, 0.05])).to.deep.equal(['stop mount-on-stud']);
    const narrow = smallHouse({ walls: { south1: { studSpacingM: 0.2 } } });
    expect(codes(narrow, 'wall-speaker', [1.1, 0.05])).to.deep.equal(['stop mount-on-stud']);
  });

  it('needs a cavity that is deep enough, and one that is known', () => {
    const shallow = smallHouse({ walls: { south1: { cavityDepthM: 0.06 } } });
    const { project, device } = place(shallow, 'wall-speaker', [1, 0.05]);
    const clash = clashesOf(project, device)[0];
    expect(clash).to.include({ code: 'mount-too-deep', measured: 0.09 });
    expect(clash.allowed).to.be.closeTo(0.0725, 1e-12);
    const solid = smallHouse({
      walls: { south1: { kind: 'masonry', cavityDepthM: 0, cableMayRun: false, studSpacingM: 0, studMaterial: 'none' } },
    });
    expect(codes(solid, 'wall-speaker', [1, 0.05])).to.deep.equal(['stop mount-no-cavity']);
    const fact = {
      id: 'k',
      subject: 'walls',
      subjectId: 'south1',
      field: 'cavityDepthM',
      state: 'not-known',
      by: '',
      on: '',
      note: '',
    } as const;
    expect(codes({ ...house, facts: { k: fact } }, 'wall-speaker', [1, 0.05])).to.deep.equal(['look mount-cavity-unknown']);
    expect(codes(smallHouse({ walls: { south1: { kind: 'fire' } } }), 'wall-speaker', [1, 0.05])).to.deep.equal([
      'stop mount-fire-surface',
    ]);
  });

  it('keeps out of windows and off their casings', () => {
    const opening: Opening = {
      id: 'w',
      wallId: 'south1',
      kind: 'window',
      offsetM: 2,
      widthM: 1,
      sillM: 0.9,
      headM: 2.1,
      hinge: null,
      swing: null,
      casingWidthM: 0.07,
      casingDepthM: 0,
      pocket: false,
      hardware: '',
    };
    const windowed = smallHouse({ openings: [opening] });
    expect(codes(windowed, 'wall-speaker', [1.8, 0.05])).to.include('stop mount-in-opening');
    expect(codes(windowed, 'keypad', [1.42, 0.05])).to.include('look mount-on-casing');
    // Below the sill and its casing there is wall.
    expect(codes(windowed, 'network-drop', [1.8, 0.05])).to.deep.equal([]);
    expect(codes(windowed, 'opening-contact', [1.5, 0.05])).to.deep.equal([]);
  });
});

describe('a cut-out in a ceiling', () => {
  // Joists along x, first through the origin, 0.4 m apart, 45 mm thick: hole 0.21 m, clamps 13 mm: 0.118 m of 0.1775.
  it('lies between joists, deep enough, under a ceiling', () => {
    expect(codes(house, 'ceiling-speaker', [2, 1.8])).to.deep.equal([]);
    expect(codes(house, 'ceiling-speaker', [2, 1.86])).to.deep.equal(['look mount-beside-joist']);
    expect(codes(house, 'ceiling-speaker', [2, 1.95])).to.deep.equal(['look mount-on-joist']);
    expect(codes(smallHouse({ rooms: [{ joistDepthM: 0.09 }] }), 'ceiling-speaker', [2, 1.8])).to.deep.equal([
      'stop mount-too-deep',
    ]);
    expect(codes(smallHouse({ rooms: [{ framing: 'none' }] }), 'ceiling-speaker', [2, 1.8])).to.deep.equal([
      'stop mount-no-cavity',
    ]);
    expect(codes(house, 'ceiling-speaker', [20, 1.8])).to.deep.equal(['stop mount-outside']);
    expect(codes(house, 'ceiling-speaker', [2, 1.8], { heightM: 2.7 })).to.deep.equal(['stop mount-above-ceiling']);
    expect(codes(house, 'keypad', [1, 0.05], { heightM: 2.6 })).to.deep.equal(['stop mount-above-ceiling']);
  });

  it('keeps away from ducts, lights, sprinklers and supply air', () => {
    const near = (feature: Partial<Feature> & Pick<Feature, 'kind' | 'points'>) =>
      codes(withFeature(house, feature), 'ceiling-speaker', [2, 1.8]);
    expect(
      near({
        kind: 'duct',
        points: [
          [2.2, 0],
          [2.2, 4],
        ],
        widthM: 0.3,
        bottomM: 2.5,
        topM: 2.7,
      }),
    ).to.deep.equal(['stop mount-in-thing']);
    expect(near({ kind: 'recessed-light', points: [[2.3, 1.8]], widthM: 0.1, bottomM: 2.4, topM: 2.5 })).to.deep.equal([
      'look mount-near-thing',
    ]);
    expect(near({ kind: 'recessed-light', points: [[2.6, 1.8]], widthM: 0.1, bottomM: 2.4, topM: 2.5 })).to.deep.equal([]);
    expect(near({ kind: 'supply-vent', points: [[2.9, 1.8]], widthM: 0.3, depthM: 0.15, bottomM: 2.4, topM: 2.5 })).to.deep.equal(
      ['look mount-near-thing'],
    );
  });
});

describe('weight', () => {
  const type = (id: string) => house.deviceTypes[id];

  it('is held by studs as F11.2 says, and not by toggles where the arm is long', () => {
    // 27 + 3 kg, 0.03 + 0.04 m from the wall, rows 0.1 m apart, two studs: 103 N pull and 73.5 N shear on each of four screws.
    const load = loadOf(type('display'), type('mount-fixed'));
    expect(load).to.deep.include({ massKg: 30, moves: false });
    // 5/16 in into spruce-pine-fir: 1800 · 0.42^1.5 · 0.3125^0.75 = 204.8 lbf for each inch of thread.
    const lag = 1800 * 0.42 ** 1.5 * 0.3125 ** 0.75 * 4.44822 * (0.051 / 0.0254);
    const pull = (30 * 9.80665 * 0.07) / (0.1 * 2);
    const shear = (30 * 9.80665) / 4;
    expect(wallFixing(load, 2, false, null, false).share).to.be.closeTo(pull / lag + shear / (lag / 2), 1e-9);
    expect(wallFixing(load, 0, false, null, false)).to.include({ into: 'toggles' });
    expect(wallFixing(load, 0, false, null, false).share).to.be.closeTo(pull / 100 + shear / 100, 1e-9);
    expect(wallFixing(loadOf(type('display'), type('mount-arm')), 0, false, null, false).into).to.equal('nothing');
    expect(wallFixing(load, 2, false, 'furring', false).into).to.equal('nothing');
  });

  it('asks for blocking where no stud is behind it; the cure adds it and the sheet lists it', () => {
    const steel = smallHouse({ walls: { south1: { studMaterial: 'none', studSpacingM: 0 } } });
    const { project, device } = place(steel, 'display', [2, 0.05], { mountTypeId: 'mount-arm' });
    const [finding] = buildable(project);
    expect(finding).to.include({ code: 'mount-needs-blocking', rank: 'stop' });
    const [need] = blockingNeeds(project);
    expect(need).to.include({ there: false, massKg: 38 });
    expect(need.requiredN).to.be.closeTo(38 * 9.80665 * 5, 1e-6);
    expect(need.toM - need.fromM).to.be.closeTo(0.406 + 0.2, 1e-9);
    const cured = applyChange(project, finding.cures[0]);
    if (!cured.ok) throw new Error(cured.problem.code);
    expect(clashesOf(cured.value, device)).to.deep.equal([]);
    expect(blockingNeeds(cured.value)[0].there).to.equal(true);
  });

  it('overhead never hangs from board alone, and more than any fixing bears is refused', () => {
    expect(codes(house, 'projector', [2, 1.8])).to.deep.equal(['stop mount-overhead']);
    expect(codes(house, 'projector', [2, 2])).to.deep.equal([]);
    expect(codes(withType(house, 'display', { weightKg: 900 }), 'display', [2, 0.05])).to.deep.equal(['stop mount-overload']);
    expect(codes(house, 'large-display', [2, 0.05], { mountTypeId: 'mount-arm' })).to.include.members([
      'stop mount-over-rated',
      'stop mount-too-wide',
    ]);
  });
});

describe('a line of sight', () => {
  const beam: readonly Point2[] = [
    [2, -1],
    [2.3, -1],
    [2.3, 5],
    [2, 5],
  ];

  it('is cut by a beam just where F10.4 says', () => {
    // Ear 1.0 m at x 0, speaker 2.2 m at x 4: the line is 1.69 m high at the far face (2.3 m), the one nearer the higher end.
    const at = 1 + 1.2 * (2.3 / 4);
    expect(isBlocked([0, 1, 1], [4, 1, 2.2], beam, at - 0.001, 2.5)).to.equal(true);
    expect(isBlocked([0, 1, 1], [4, 1, 2.2], beam, at + 0.001, 2.5)).to.equal(false);
    fc.assert(
      fc.property(
        fc.double({ min: 0.3, max: 2.4, noNaN: true }),
        fc.double({ min: 0.3, max: 2.4, noNaN: true }),
        fc.double({ min: 0.5, max: 2.4, noNaN: true }),
        (ear, speaker, bottom) => {
          const heights = [2, 2.3].map((x) => ear + (speaker - ear) * (x / 4));
          if (Math.abs(Math.max(...heights) - bottom) < 1e-6) return;
          expect(isBlocked([0, 1, ear], [4, 1, speaker], beam, bottom, 3)).to.equal(Math.max(...heights) > bottom);
        },
      ),
    );
  });

  it('to a speaker behind a beam is lost for the seats, and found again from another place', () => {
    let project = withFeature(house, {
      kind: 'beam',
      points: [
        [0, 3.7],
        [5.1, 3.7],
      ],
      widthM: 0.3,
      bottomM: 1.2,
      topM: 2.5,
    });
    project = withFeature(project, { kind: 'sofa', points: [[2.5, 1]], widthM: 2.1, depthM: 0.9, topM: 0.85 });
    const front = place(project, 'wall-speaker', [2.6, 4.05], { heightM: 1.6 });
    expect(sightOf(front.project, front.device, front.project.deviceTypes['wall-speaker'], 1.6)).to.include({
      seats: 3,
      blocked: 3,
    });
    expect(clashesOf(front.project, front.device).map(({ code }) => code)).to.include('mount-sight-lost');
    const low = { ...front.device, heightM: 1.1 };
    expect(clashesOf(front.project, low).map(({ code }) => code)).not.to.include('mount-sight-lost');
  });
});

describe('climate, paths and wishes', () => {
  it('a thermostat does not read the weather, the supply air or a display; a remote sensor in the zone reads for it', () => {
    expect(codes(house, 'thermostat', [1, 0.05])).to.deep.equal(['look climate-outside-wall']);
    expect(codes(house, 'thermostat', [5.05, 1])).to.deep.equal([]);
    const vent = withFeature(house, {
      kind: 'supply-vent',
      points: [[4.6, 1]],
      widthM: 0.3,
      depthM: 0.15,
      bottomM: 1.2,
      topM: 1.5,
    });
    expect(codes(vent, 'thermostat', [5.05, 1])).to.deep.equal(['look climate-near-vent']);
    const warm = place(house, 'display', [5.05, 2.4]).project;
    const hot = place(warm, 'thermostat', [5.05, 1]);
    expect(clashesOf(hot.project, hot.device).map(({ code }) => code)).to.deep.equal(['climate-near-heat']);
    const [finding] = buildable(hot.project).filter(({ code }) => code === 'climate-near-heat');
    const cured = applyChange(hot.project, finding.cures[0]);
    expect(cured.ok && clashesOf(cured.value, hot.device)).to.deep.equal([]);
  });

  it('what stands out into a path at head height is said; a wish for a flush or turning display is checked', () => {
    expect(codes(house, 'sound-bar', [7, 0.05], { heightM: 1.5 })).to.include('look mount-head-room');
    expect(codes(house, 'sound-bar', [2, 0.05], { heightM: 1.5 })).to.deep.equal([]);
    expect(codes(house, 'display', [2, 0.05], { mountTypeId: 'mount-fixed', wishes: ['flush'] })).to.deep.equal([
      'look mount-not-flush',
    ]);
    expect(codes(house, 'display', [2, 0.05], { mountTypeId: 'mount-fixed', wishes: ['turns'] })).to.deep.equal([
      'look mount-does-not-turn',
    ]);
    expect(codes(house, 'ceiling-speaker', [2, 1.8], { mountTypeId: 'ring-round-large' })).to.deep.equal([
      'stop mount-bracket-misfit',
    ]);
    expect(codes(house, 'ceiling-speaker', [2, 1.8], { mountTypeId: 'ring-round-small' })).to.deep.equal([]);
  });
});

describe('legal places', () => {
  it('are legal, the nearest first, and no nearer one on a fine grid was overlooked', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 4.5, noNaN: true }),
        fc.constantFrom('wall-speaker', 'keypad', 'in-wall-subwoofer'),
        (x, typeId) => {
          const { project, device } = place(house, typeId, [x, 0.05]);
          const places = legalPlaces(project, device);
          for (const { at } of places) expect(clashesOf(project, { ...device, x: at[0], y: at[1] })).to.deep.equal([]);
          expect(places.map(({ shiftM }) => shiftM)).to.deep.equal(places.map(({ shiftM }) => shiftM).sort((a, b) => a - b));
          const legalAt = (shift: number) => clashesOf(project, { ...device, x: device.x + shift }).length === 0;
          let nearest = Infinity;
          for (let shift = 0.01; shift < 1.5 && nearest === Infinity; shift += 0.01)
            if (legalAt(shift) || legalAt(-shift)) nearest = shift;
          if (nearest < Infinity) expect(places[0].shiftM).to.be.at.most(nearest + 0.051);
        },
      ),
      { numRuns: 20 },
    );
  });

  it('keep a pair even where the mirrored place is legal too', () => {
    const joist = (offsetM: number) => ({
      id: `j${offsetM}`,
      wallId: null,
      roomId: 'a',
      kind: 'joist' as const,
      offsetM,
      widthM: 0.045,
      bottomM: 0,
      topM: 0,
      present: true,
      note: '',
    });
    const measured = {
      ...house,
      framingMembers: Object.fromEntries([1.2, 1.6, 2, 2.4].map((offsetM) => [`j${offsetM}`, joist(offsetM)])),
    };
    const left = place(measured, 'ceiling-speaker', [1.5, 2]);
    const both = place(left.project, 'ceiling-speaker', [3.5, 2]);
    const right = both;
    const [first] = legalPlaces(both.project, left.device);
    expect(first.shiftM).to.be.closeTo(0.2, 1e-3);
    expect(first.twin!.at[1] - first.at[1]).to.be.closeTo(0, 1e-3);
    expect(first.twin!.at[0] + first.at[0]).to.be.closeTo(5, 1e-3);
    const [finding] = checked(both.project).filter(({ subjects }) => subjects[0].id === left.device.id);
    expect(finding.code).to.equal('mount-on-joist');
    const [alone, pair] = finding.cures;
    expect([alone.code, pair.code]).to.deep.equal(['move-to-place', 'move-pair']);
    const moved = applyChange(both.project, alone);
    expect(moved.ok && moved.value.devices[right.device.id]).to.deep.equal(right.device);
    const cured = applyChange(both.project, pair);
    expect(cured.ok && allClashes(cured.value).size).to.equal(0);
  });
});

describe('the clashes of all devices', () => {
  it('are those of each tested by itself, however the devices were moved before', () => {
    let project = house;
    for (let i = 0; i < 12; i++)
      project = place(project, ['ceiling-speaker', 'wall-speaker', 'keypad', 'access-point'][i % 4], [
        0.4 + i * 0.8,
        i % 2 ? 0.05 : 1.8,
      ]).project;
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(fc.nat(11), fc.double({ min: 0.2, max: 10, noNaN: true }), fc.double({ min: 0, max: 4, noNaN: true })),
          { maxLength: 6 },
        ),
        (moves) => {
          let moved = project;
          for (const [n, x, y] of moves) {
            const id = Object.keys(project.devices)[n];
            const { x: wasX, y: wasY } = moved.devices[id];
            const edit = applyChange(moved, {
              operations: [{ op: 'update', in: 'devices', id, before: { x: wasX, y: wasY }, after: { x, y } }],
            });
            if (!edit.ok) throw new Error(edit.problem.code);
            moved = edit.value;
            allClashes(moved);
          }
          const plain = new Map(
            Object.values(structuredClone(moved.devices)).map((device) => [
              device.id,
              clashesOf(moved, device).map(({ code }) => code),
            ]),
          );
          const kept = allClashes(moved);
          for (const [id, expected] of plain)
            expect(
              (kept.get(id) ?? []).map(({ code }) => code),
              id,
            ).to.deep.equal(expected);
        },
      ),
      { numRuns: 30 },
    );
  });

  it('have cures that put them right and raise nothing worse', () => {
    const rankOf = (project: ProjectDocument, finding: Pick<Finding, 'code' | 'subjects'>) =>
      buildable(project).filter(({ code, subjects }) => code === finding.code && subjects[0].id === finding.subjects[0].id);
    let project = house;
    for (const [typeId, at] of [
      ['ceiling-speaker', [2, 2]],
      ['projector', [3, 1.8]],
      ['wall-speaker', [1.2, 0.05]],
    ] as [string, Point2][])
      project = place(project, typeId, at).project;
    const findings = buildable(project);
    expect(findings.length).to.be.at.least(3);
    for (const finding of findings) {
      expect(finding.cures.length, finding.code).to.be.at.least(1);
      for (const cure of finding.cures) {
        const cured = applyChange(project, cure);
        if (!cured.ok) throw new Error(cured.problem.code);
        expect(rankOf(cured.value, finding), finding.code).to.deep.equal([]);
        expect(buildable(cured.value).length).to.be.lessThan(findings.length);
      }
    }
  });
});

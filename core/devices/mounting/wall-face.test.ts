import { expect } from 'chai';
import {
  create,
  type DeviceType,
  newFeature,
  type Plate,
  type ProjectDocument,
  remove,
  removeWithDependants,
} from '../../model/index.ts';
import { wallsAround } from '../../house/index.ts';
import { applied, countedIds, smallHouse, withDevices } from '../../testing/index.ts';
import { allClashes } from './all-clashes.ts';
import { clashesOf } from './clashes.ts';
import { clashesOnFace, facePlaceOf, guideOnFace, moveOnFace, placeOnFace } from './wall-face.ts';
import { faceOf, holesToFill, mountsFor, typesFitting } from './mounts.ts';
import { guideTo } from './guides.ts';
import { sweepOf } from './sweep.ts';

const ids = countedIds();
const house = smallHouse();
const { middle, south1 } = house.walls;
const put = (project: ProjectDocument, side: 'left' | 'right', typeId: string, offsetM: number, heightM: number) => {
  const placed = placeOnFace(project, project.walls.middle, side, typeId, { offsetM, heightM }, ids);
  if (!placed.ok) throw new Error(placed.problem.code);
  return { document: applied(project, placed.value.operations), device: placed.value.devices[0] };
};

describe('the face of a wall', () => {
  // The wall in the middle runs from (5.1, 0) up to (5.1, 4.1): room a lies on its left, room b on its right.
  it('takes a device on the side that is looked at, at its offset and height', () => {
    const left = put(house, 'left', 'keypad', 1.25, 1.2).device;
    expect(left).to.include({ x: 5.1, y: 1.25, heightM: 1.2, roomId: 'a' });
    const right = put(house, 'right', 'keypad', 1.25, 1.2).device;
    expect(right).to.include({ x: 5.1, y: 1.25, roomId: 'b' });
    expect(Math.cos(right.facingRad)).to.be.closeTo(1, 1e-9);
    expect(facePlaceOf(house, middle, right)).to.deep.include({ offsetM: 1.25, heightM: 1.2, side: 'right' });
    expect(facePlaceOf(house, south1, right)).to.equal(null);
  });

  it('keeps what is moved beyond its ends and below the floor on the wall', () => {
    const { document: project, device } = put(house, 'left', 'keypad', 1.25, 1.2);
    const moved = moveOnFace(project, middle, 'left', [{ deviceId: device.id, to: { offsetM: 9, heightM: -0.4 } }]);
    if (!moved.ok) throw new Error(moved.problem.code);
    expect(applied(project, moved.value).devices[device.id]).to.include({ x: 5.1, y: 4.07, heightM: 0, roomId: 'a' });
  });

  it('draws a place to boxes, bays, the usual height and a seat in front, each axis to the nearest', () => {
    const { document: project } = put(house, 'left', 'network-drop', 3, 0.45);
    const sofa = newFeature({ id: 's', levelId: 'm', kind: 'sofa', points: [[3, 2.3]] });
    const furnished = { ...project, features: { s: sofa } };
    const keypad: DeviceType = house.deviceTypes.keypad;
    const guide = (offsetM: number, heightM: number, side: 'left' | 'right' = 'left') => {
      const { place, guides } = guideOnFace(furnished, middle, side, keypad, { offsetM, heightM }, 0.06);
      return [place.offsetM, place.heightM, ...guides.map(({ kind }) => kind)];
    };
    expect(guide(2.96, 0.47)).to.deep.equal([3, 0.45, 'device', 'height']);
    expect(guide(2.33, keypad.defaultHeightM! + 0.05)).to.deep.equal([2.3, keypad.defaultHeightM, 'seat', 'usual']);
    // Studs at 1.2 and 1.6: the middle of the bay is at 1.4. The box on the other side is no guide here.
    expect(guide(1.43, 0.7)).to.deep.equal([1.4, 0.7, 'bay']);
    expect(guide(2.93, 0.5, 'right')).to.deep.equal([2.93, 0.5]);
  });

  it('says what would keep a type from being built at a place before anything is placed', () => {
    const codes = (offsetM: number, heightM = 1.4) =>
      clashesOnFace(house, middle, 'left', 'wall-speaker', { offsetM, heightM }).map(({ code }) => code);
    // Studs at 1.2 and 1.6: the middle of the bay is free, a stud is met at 1.25.
    expect(codes(1.4)).to.deep.equal([]);
    expect(codes(1.25)).to.deep.equal(['mount-on-stud']);
    expect(codes(1.4, 2.45)).to.include('mount-above-ceiling');
  });

  it('is walked around the room to the right, each wall seen from within', () => {
    const order = (roomId: string) => wallsAround(house, house.rooms[roomId]).map(({ wall, side }) => `${wall.id} ${side}`);
    const around = order('a');
    expect(around).to.have.members(['south1 left', 'middle left', 'north1 right', 'west right']);
    // Facing north, the wall to the right of it is the one in the middle.
    expect(around[(around.indexOf('north1 right') + 1) % 4]).to.equal('middle left');
    expect(order('b')).to.include('middle right');
  });
});

describe('guides on the plan', () => {
  it('are lights, seats, the middle of the room and the middle of a bay', () => {
    const light = newFeature({ id: 'l', levelId: 'm', kind: 'recessed-light', points: [[1.5, 1]] });
    const project = { ...house, features: { l: light } };
    const type = house.deviceTypes['ceiling-speaker'];
    const guided = guideTo(project, 'm', type, [1.56, 3.04], 0.1);
    expect(guided.guides.map(({ kind, axis }) => [kind, axis])).to.deep.equal([
      ['light', 'x'],
      ['bay', 'y'],
    ]);
    expect(guided.at).to.deep.equal([1.5, 3]);
    expect(guideTo(project, 'm', type, [2.5, 3.3], 0.1).at[0]).to.equal(2.55);
    expect(guideTo(project, 'm', type, [30, 3], 0.1)).to.deep.equal({ at: [30, 3], guides: [] });
  });

  it('know a joist that was measured, and do not pull from one end of a bay to its middle when zoomed out', () => {
    const type = house.deviceTypes['ceiling-speaker'];
    const joist = {
      id: 'j',
      wallId: null,
      roomId: 'a',
      kind: 'joist',
      offsetM: 3.3,
      widthM: 0.045,
      bottomM: 0,
      topM: 0,
      present: true,
      note: '',
    } as const;
    const found = { ...house, framingMembers: { j: joist } };
    // By the rule there is a joist at 3.2; the measured one takes its place: the bay is 2.8225 to 3.2775.
    expect(guideTo(found, 'm', type, [1, 3.1], 0.1).at[1]).to.be.closeTo(3.05, 1e-9);
    expect(guideTo(house, 'm', type, [1, 3.09], 0.1).at[1]).to.equal(3);
    expect(guideTo(house, 'm', type, [1, 2.85], 5).guides.some(({ kind }) => kind === 'bay')).to.equal(false);
  });
});

describe('mounts', () => {
  it('are those that a type can have, and a bracket says which models stay open', () => {
    const of = (typeId: string) => mountsFor(house, house.deviceTypes[typeId]).map(({ id }) => id);
    expect(of('ceiling-speaker')).to.deep.equal(['ring-round-small', 'hood-rated']);
    expect(of('display')).to.include.members(['mount-fixed', 'mount-arm']).and.not.include('mount-drop');
    expect(of('keypad')).to.deep.equal(['ring-one-gang']);
    const fitting = typesFitting(house, house.deviceTypes['ring-round-small']).map(({ id }) => id);
    expect(fitting).to.include('ceiling-speaker').and.not.include('wall-speaker');
  });

  it('leave holes to fill, and a face with the pattern of its fixings', () => {
    const { display, keypad, 'wall-speaker': speaker, 'mount-arm': arm, 'mount-recessed': recess } = house.deviceTypes;
    expect([holesToFill(display, arm), holesToFill(display, recess), holesToFill(speaker, null)]).to.deep.equal([4, 1, 1]);
    expect(holesToFill(keypad, null)).to.equal(keypad.cutOut ? 1 : 4);
    expect(faceOf(display, arm)).to.deep.include({ widthM: 1.45, heightM: 0.83, cutOut: null, holePatternM: [0.406, 0.2] });
    expect(faceOf(display, recess).cutOut).to.deep.include({ widthM: 0.36 });
    expect(faceOf(speaker, null)).to.deep.include({ holePatternM: null, clampM: speaker.clampM });
  });

  const arm = (at: [number, number]) => {
    const { project, devices } = withDevices(house, [{ typeId: 'display', at, more: { mountTypeId: 'mount-arm' } }], ids);
    return { document: project, device: devices[0] };
  };

  it('sweep the ground in front of them: half the width, the reach and the depth at least', () => {
    const { device } = arm([2.55, 0.1]);
    const { display, 'mount-arm': mount, 'mount-fixed': fixed } = house.deviceTypes;
    const sweep = sweepOf(device, display, mount, south1)!;
    // The wall is 0.12 m thick: drawn out 0.62 m with a set of 0.08 m, the face is at 0.06 + 0.62 + 0.08.
    expect(sweep.outM).to.be.closeTo(0.7, 1e-9);
    expect(Math.max(...sweep.outline.map(([, y]) => y))).to.be.at.least(0.76);
    expect(Math.min(...sweep.outline.map(([x]) => x))).to.be.closeTo(2.55 - 0.725, 0.03);
    // asin(0.62 / 0.725) = 58.8 degrees, short of the 60 that the arm turns.
    expect((sweep.turnRad * 180) / Math.PI).to.be.closeTo(58.78, 0.01);
    expect(sweepOf(device, display, fixed, south1)).to.equal(null);
  });

  it('are told of a wall or a cabinet in the space they sweep', () => {
    const codes = (project: ProjectDocument, id: string) => clashesOf(project, project.devices[id]).map(({ code }) => code);
    const free = arm([2.55, 0.1]);
    expect(codes(free.document, free.device.id)).to.not.include('mount-sweep');
    const corner = arm([0.75, 0.1]);
    expect(codes(corner.document, corner.device.id)).to.include('mount-sweep');
    const cabinet = (topM: number) =>
      newFeature({ id: 'c', levelId: 'm', kind: 'cabinet', points: [[3.4, 0.4]], widthM: 0.6, depthM: 0.6, bottomM: 0, topM });
    const beside = (topM: number) => codes({ ...free.document, features: { c: cabinet(topM) } }, free.device.id);
    expect(beside(2)).to.include('mount-sweep');
    expect(beside(0.7)).to.not.include('mount-sweep');
  });

  it('of a display with a box of its own ask for that box', () => {
    const { project, devices } = withDevices(house, [{ typeId: 'fireplace-display', at: [2.5, 0.1] }], ids);
    const [device] = devices;
    expect(clashesOf(project, device)).to.deep.include({
      ...clashesOf(project, device).find(({ code }) => code === 'mount-no-far-device')!,
      rank: 'stop',
      figures: { far: 'Connection box of a display', lead: 'lead from its box' },
    });
    const after = withDevices(project, [{ typeId: 'connection-box', at: [2.5, 0.1] }], ids).project;
    expect(clashesOf(after, after.devices[device.id]).map(({ code }) => code)).to.not.include('mount-no-far-device');
  });

  it('are found again after an edit as they are from nothing: a box that goes, a plate that is made or taken away', () => {
    const agrees = (project: ProjectDocument) => {
      const kept = allClashes(project);
      for (const device of Object.values(project.devices))
        expect(
          (kept.get(device.id) ?? []).map(({ code }) => code),
          device.typeId,
        ).to.deep.equal(clashesOf(project, device).map(({ code }) => code));
    };
    const step = (project: ProjectDocument, operations: Parameters<typeof applied>[1]) => {
      const next = applied(project, operations);
      agrees(next);
      return next;
    };
    // The box stands in the other room, farther away than devices look for each other.
    const { project, devices } = withDevices(
      house,
      [
        { typeId: 'fireplace-display', at: [1, 0.1] },
        { typeId: 'connection-box', at: [9, 4] },
        { typeId: 'network-drop', at: [3, 0.05] },
        { typeId: 'coax-outlet', at: [3.046, 0.05] },
      ],
      ids,
    );
    agrees(project);
    const [display, box, drop, coax] = devices;
    const without = step(project, removeWithDependants(project, 'devices', box.id));
    expect(
      allClashes(without)
        .get(display.id)!
        .map(({ code }) => code),
    ).to.include('mount-no-far-device');
    const plate: Plate = {
      id: 'p',
      levelId: 'm',
      roomId: 'a',
      name: '',
      x: 3.023,
      y: 0,
      heightM: 0.4,
      facingRad: Math.PI / 2,
      gangs: 2,
      boxKind: 'two-gang',
      divider: false,
      mainsGangs: 0,
      opening: 'inserts',
      finish: '',
      inserts: [drop.id, coax.id].map((deviceId, k) => ({ gang: k + 1, kind: 'data', deviceId })),
      besideM: null,
    };
    expect(
      allClashes(without)
        .get(drop.id)!
        .map(({ code }) => code),
    ).to.include('mount-on-device');
    const plated = step(without, [create('plates', plate)]);
    expect((allClashes(plated).get(drop.id) ?? []).map(({ code }) => code)).to.not.include('mount-on-device');
    step(plated, [remove('plates', plate)]);
  });
});

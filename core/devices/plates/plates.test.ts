import { CHECKS } from '../../rules/index.ts';
import { moveDevices, placeAll, withPlateMates } from '../placing/index.ts';
import { plateSchedule } from '../../sheets/index.ts';
import { clashesOf, moveOnFace } from '../mounting/index.ts';
import { newFeature, type Plate, type ProjectDocument } from '../../model/index.ts';
import { applied, checked, type CheckedFinding, countedIds, PLACE_WORDS, smallHouse, withDevices } from '../../testing/index.ts';
import { composePlate, recompose } from './compose.ts';
import { gangsOf, insertOf } from './gangs.ts';
import { linePlateUp, mainsBoxBeside } from './line-up.ts';
import { plateProblems } from './problems.ts';
import { platesWanted } from './wanted.ts';
import { expect } from 'chai';

const ids = countedIds();
type Wanted = readonly [typeId: string, x: number, heightM?: number];
/** Devices on the south side of room a, by their place along the wall; the wall runs from (0, 0) to (5.1, 0). */
const placedOnSouth = (wanted: readonly Wanted[], house = smallHouse({ walls: { middle: { kind: 'fire' } } })) => {
  const made = withDevices(
    house,
    wanted.map(([typeId, x, heightM = 0.4]) => ({ typeId, at: [x, 0.05], heightM })),
    ids,
  );
  return { document: made.project, ids: made.devices.map(({ id }) => id) };
};
const compose = (project: ProjectDocument, deviceIds: readonly string[]) => {
  const made = composePlate(project, deviceIds, 'p1');
  if (!made.ok) throw new Error(made.problem.code);
  const after = applied(project, made.value.operations);
  return { document: after, plate: after.plates.p1 };
};
const codes = (project: ProjectDocument, plate: Plate) =>
  plateProblems(project, plate).map(({ rank, code }) => `${rank} ${code}`);
const plateFindings = (project: ProjectDocument): CheckedFinding[] =>
  checked(project).filter(({ check }) => check === 'plates-sound');

describe('the gangs of a device', () => {
  it('follow from the connectors of its runs', () => {
    const { document: project, ids: made } = placedOnSouth([
      ['network-drop', 1],
      ['keypad', 2, 1.12],
      ['mains-outlet', 3],
    ]);
    const gangs = made.map((id) => gangsOf(project, project.devices[id]));
    expect(gangs).to.deep.equal([[['data', 'data']], [['face']], [['mains']]]);
    expect(['8P8C jack', 'F plug', 'LC duplex', 'picture plug', 'bare ends', 'screw block'].map(insertOf)).to.deep.equal([
      'data',
      'coax',
      'fibre',
      'picture',
      'speaker',
      null,
    ]);
  });
});

describe('a plate', () => {
  const trio: Wanted[] = [
    ['mains-outlet', 1.9],
    ['network-drop', 2],
    ['coax-outlet', 2.1],
  ];

  it('is composed of devices that stand together: low voltage on the left, mains behind a divider, each on its gang', () => {
    const { document: project, ids: made } = placedOnSouth(trio);
    expect(platesWanted(project)).to.deep.equal([[...made].sort()]);
    const { document: after, plate } = compose(project, made);
    expect(plate).to.include({ gangs: 3, mainsGangs: 1, divider: true, boxKind: 'back-box', opening: 'inserts', heightM: 0.4 });
    expect(plate.inserts.map(({ gang, kind }) => [gang, kind])).to.deep.equal([
      [1, 'coax'],
      [2, 'data'],
      [2, 'data'],
      [3, 'mains'],
    ]);
    // 46 mm from gang to gang. Facing the room, right is towards smaller x: the outlet comes to the right end.
    const xs = made.map((id) => after.devices[id].x);
    expect(xs[1]).to.be.closeTo(2, 1e-4);
    expect(xs[2]).to.be.closeTo(2 + 0.046, 1e-4);
    expect(xs[0]).to.be.closeTo(2 - 0.046, 1e-4);
    expect(platesWanted(after)).to.deep.equal([]);
    expect(codes(after, plate)).to.deep.equal([]);
    // Side by side in one plate is no clash of one device with another.
    const clashes = made.flatMap((id) => clashesOf(after, after.devices[id]).map(({ code }) => code));
    expect(clashes).to.not.include('mount-on-device');
  });

  it('goes with its devices where they all move alike, up and along, and stays where one is taken away', () => {
    const { document: project, ids: made } = placedOnSouth(trio);
    const { document: after, plate } = compose(project, made);
    expect(withPlateMates(after, [made[1]])).to.have.members(made);
    const wall = after.walls.south1;
    const moves = made.map((deviceId) => {
      const { x, heightM } = after.devices[deviceId];
      return { deviceId, to: { offsetM: x + 0.8, heightM: heightM! + 0.1 } };
    });
    const risen = moveOnFace(after, wall, 'left', moves);
    if (!risen.ok) throw new Error(risen.problem.code);
    const moved = applied(after, risen.value).plates.p1;
    expect([moved.x, moved.heightM]).to.deep.equal([plate.x + 0.8, 0.5]);
    const one = moveDevices(after, [{ deviceId: made[0], to: [3, 0.05] }]);
    if (!one.ok) throw new Error(one.problem.code);
    expect(applied(after, one.value).plates.p1).to.deep.equal(plate);
    expect(codes(applied(after, one.value), plate)).to.include('look plate-apart');
  });

  it('is refused across two walls, for nothing, and with more gangs than a plate has', () => {
    const { document: project, ids: made } = placedOnSouth([
      ['network-drop', 1],
      ...Array.from({ length: 7 }, (_, i): Wanted => ['keypad', 2 + i * 0.1]),
    ]);
    expect(composePlate(project, [], 'p')).to.nested.include({ 'problem.code': 'plate-nothing' });
    expect(composePlate(project, made.slice(1), 'p')).to.nested.include({
      'problem.code': 'plate-too-wide',
      'problem.gangs': 7,
    });
    const north = placeAll(project, 'm', [{ typeId: 'network-drop', at: [1, 4.05] }], ids);
    if (!north.ok) throw new Error(north.problem.code);
    const both = applied(project, north.value.operations);
    expect(composePlate(both, [made[0], north.value.devices[0].id], 'p')).to.nested.include({
      'problem.code': 'plate-two-walls',
    });
  });

  it('lines up with the electrician’s box beside it, and its devices come along', () => {
    const box = newFeature({
      id: 'box',
      levelId: 'm',
      kind: 'trade-mark',
      points: [[2.5, 0]],
      bottomM: 0.4,
      topM: 0.5,
      name: 'Outlet',
    });
    const { document: project, ids: made } = placedOnSouth([['network-drop', 2]]);
    const marked = { ...project, features: { box } };
    const { document: after, plate } = compose(marked, made);
    expect(mainsBoxBeside(after, plate)).to.deep.include({ name: 'Outlet', distanceM: 0.5, right: false, heightM: 0.45 });
    expect(plate.besideM).to.equal(0.5);
    expect(codes(after, plate)).to.deep.equal(['look plate-not-lined-up']);
    const lined = applied(after, linePlateUp(after, plate));
    expect([lined.plates.p1.heightM, lined.devices[made[0]].heightM]).to.deep.equal([0.45, 0.45]);
    expect(codes(lined, lined.plates.p1)).to.deep.equal([]);
    // A switch at another height is not in its row.
    const high = { ...after, features: { box: { ...box, bottomM: 1.1, topM: 1.2 } } };
    expect(mainsBoxBeside(high, plate)).to.equal(null);
  });

  const faults: readonly [string, Partial<Plate>][] = [
    ['stop plate-no-divider', { divider: false }],
    ['stop plate-mains-over', { mainsGangs: 4 }],
    ['stop plate-box-misfit', { boxKind: 'two-gang' }],
    ['stop plate-insert-outside', { inserts: [{ gang: 3, kind: 'data', deviceId: null }] }],
    ['look plate-gang-full', { inserts: Array.from({ length: 7 }, () => ({ gang: 1, kind: 'blank', deviceId: null })) }],
    ['look plate-device-gone', { inserts: [{ gang: 1, kind: 'data', deviceId: 'nobody' }] }],
    ['look plate-open-box', { boxKind: 'open-ring' }],
    ['look plate-apart', { x: 3 }],
  ];
  for (const [wanted, after] of faults) {
    it(`says ${wanted} and nothing of it when it is sound`, () => {
      const { document: project, ids: made } = placedOnSouth(trio);
      const { document: sound, plate } = compose(project, made);
      expect(codes(sound, plate)).to.not.include(wanted);
      expect(codes(sound, { ...plate, ...after })).to.include(wanted);
    });
  }

  it('in a fire wall must have a closed box, and one wider than its bay does not go in', () => {
    const house = smallHouse({ walls: { south1: { kind: 'fire', studSpacingM: 0.2, studWidthM: 0.045 } } });
    const { document: project, ids: made } = placedOnSouth([['network-drop', 2.1]], house);
    const { document: after, plate } = compose(project, made);
    expect(plate.boxKind).to.equal('one-gang');
    expect(codes(after, { ...plate, boxKind: 'open-ring' })).to.include('stop plate-open-box');
    // Four gangs: 72 + 3 x 46 - 15 = 195 mm in a bay of 155 mm.
    const [wide] = plateProblems(after, { ...plate, gangs: 4, boxKind: 'back-box' }).filter(
      ({ code }) => code === 'plate-too-wide-for-bay',
    );
    expect(wide.measured).to.be.closeTo(0.195, 1e-9);
    expect(wide.allowed).to.be.closeTo(0.155, 1e-9);
  });

  it('asks for inserts that its cables lack, and every cure clears its finding', () => {
    const { document: project, ids: made } = placedOnSouth(trio);
    const { document: after, plate } = compose(project, made);
    const short = { ...plate, inserts: plate.inserts.toSpliced(1, 1), divider: false, boxKind: 'two-gang' as const };
    const faulty = { ...after, plates: { p1: short } };
    const findings = plateFindings(faulty);
    expect(findings.map(({ code }) => code)).to.deep.equal(['plate-no-divider', 'plate-box-misfit', 'plate-insert-missing']);
    for (const finding of findings) {
      const cured = applied(faulty, finding.cures[0].operations);
      const left = plateFindings(cured).map(({ code }) => code);
      expect(left, finding.code).to.not.include(finding.code);
      expect(left.length, finding.code).to.equal(findings.length - 1);
    }
    expect(recompose(after, plate)).to.deep.equal([]);
    expect(CHECKS.some(({ id }) => id === 'plates-sound')).to.equal(true);
  });
});

describe('the plate schedule', () => {
  it('tells what is bought and set for each plate, and counts the inserts', () => {
    const { document: project, ids: made } = placedOnSouth([
      ['network-drop', 2],
      ['mains-outlet', 2.1],
    ]);
    const { document: after } = compose(project, made);
    const words = {
      outdoors: 'Outdoors',
      boxKinds: { 'two-gang': 'Two gang' },
      openings: { inserts: 'Inserts' },
      inserts: { data: 'network jack', mains: 'mains outlet' },
      yes: 'yes',
      gang: (gang: number) => `gang ${gang}`,
      plate: (number: number) => `Plate ${number}`,
      left: 'left',
      right: 'right',
      place: PLACE_WORDS,
    };
    const [plates, inserts] = plateSchedule(after, words);
    expect(plates.rows).to.deep.equal([
      [
        'Plate 1',
        'Room AA lower, Main',
        // Middle at 2.05 m, the west wall is 0.12 m thick.
        '1.99 m left',
        '0.40 m',
        'AA-01 AA-02',
        '2 · 0.118 m',
        'Two gang',
        'yes',
        'Inserts',
        'gang 1: 2 × network jack; gang 2: mains outlet',
        '',
        '',
      ],
    ]);
    expect(inserts.rows).to.deep.equal([
      ['network jack', '2'],
      ['mains outlet', '1'],
    ]);
    expect(plateSchedule(smallHouse(), words)).to.deep.equal([]);
  });
});

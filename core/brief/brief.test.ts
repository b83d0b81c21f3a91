import { expect } from 'chai';
import { clashesOf, placeAll, placeDevice } from '../devices/index.ts';
import {
  applyChange,
  BRIEF_TOPICS,
  SITE_TOPICS,
  type BriefTopic,
  daysBefore,
  type OpenDecision,
  type Operation,
  type ProjectDocument,
} from '../model/index.ts';
import { planRuns } from '../runs/index.ts';
import { checked, smallHouse, twoStoreyHouse } from '../testing/index.ts';
import { answerCell, briefOf, briefPrompts, cellOf, fillRest, notDiscussed, signRoom, tellRoom } from './cells.ts';
import { briefCost, costOfAnswer } from './cost.ts';
import { comparePackage, readPackage } from './builders-package.ts';
import { openDecisions, supersetOf } from './decisions.ts';
import { areaOfDevice, outdoorAreaAt, outdoorAreas } from '../house/index.ts';
import { addOutdoorAreas, placeOf } from './places.ts';
import { acceptAnswers, proposedAnswers, requirementsOf, wantedDevices } from './requirements.ts';
import { recordDeviceWalk, recordWalk, walkDifferences, walkingOrder } from './walk.ts';
import { addWalkPlace } from './walk-places.ts';
import { topicsAsked } from './topics.ts';

let count = 0;
const newId = () => `n${++count}`;
const make = (project: ProjectDocument, operations: readonly Operation[]): ProjectDocument => {
  const applied = applyChange(project, { operations });
  if (!applied.ok) throw new Error(JSON.stringify(applied.problem));
  return applied.value;
};
const answer = (
  project: ProjectDocument,
  roomId: string,
  topic: BriefTopic,
  ...rest: [Parameters<typeof answerCell>[3], Parameters<typeof answerCell>[5]?]
) => make(project, answerCell(project, roomId, topic, rest[0], newId, rest[1]));
const place = (project: ProjectDocument, typeId: string, at: [number, number]): ProjectDocument => {
  const placed = placeDevice(project, { typeId, levelId: 'm', at }, { device: newId(), run: newId });
  if (!placed.ok) throw new Error(placed.problem.code);
  return make(project, placed.value.operations);
};
const house = smallHouse({ rooms: [{ use: 'living' }, { use: 'bath' }] });

describe('the brief', () => {
  it('knows five states of a topic: four answers, and not discussed', () => {
    let project = answer(house, 'a', 'display', 'wanted');
    expect(cellOf(project, 'a', 'display')).to.include({ answer: 'wanted', count: 1, threshold: 1.2 });
    project = answer(project, 'a', 'display', 'nothing');
    expect(cellOf(project, 'a', 'display')).to.include({ answer: 'nothing', count: 0 });
    project = answer(project, 'a', 'display', 'prepared');
    expect(cellOf(project, 'a', 'display')!.count).to.equal(1);
    project = answer(project, 'a', 'display', null);
    expect(cellOf(project, 'a', 'display')).to.equal(undefined);
    expect(notDiscussed(project, 'a')).to.have.length(BRIEF_TOPICS.length - SITE_TOPICS.length);
  });

  it('does not let a room be signed with a topic not discussed, and takes the signature back when an answer changes', () => {
    const refused = signRoom(house, 'a', 'the client', '2026-11-25', newId);
    expect(refused).to.nested.include({ ok: false, 'problem.code': 'brief-not-discussed', 'problem.count': 14 });
    let project = house;
    for (const topic of topicsAsked('living')) project = answer(project, 'a', topic, 'wanted');
    expect(notDiscussed(project, 'a')).to.have.members(['camera', 'security', 'door', 'coax']);
    project = make(project, fillRest(project, 'a', newId));
    expect(notDiscussed(project, 'a')).to.deep.equal([]);
    expect(cellOf(project, 'a', 'camera')!.answer).to.equal('nothing');
    expect(signRoom(project, 'a', ' ', '2026-11-25', newId)).to.nested.include({ 'problem.code': 'signature-missing' });
    const signed = signRoom(project, 'a', 'the client', '2026-11-25', newId);
    if (!signed.ok) throw new Error(signed.problem.code);
    project = make(project, signed.value);
    expect(Object.values(project.roomBriefs)[0]).to.include({ signedBy: 'the client', signedOn: '2026-11-25' });
    expect(Object.values(answer(project, 'a', 'coax', 'wanted').roomBriefs)[0].signedOn).to.equal('');
  });

  it('asks by the use of a room, then by what its people do there, and only what is still open', () => {
    const topics = (project: ProjectDocument, roomId: string) => briefPrompts(project, roomId).map(({ topic }) => topic);
    expect(topics(house, 'b')).to.deep.equal(['sound', 'keypad', 'light', 'climate']);
    expect(topics(answer(house, 'b', 'sound', 'nothing'), 'b')).to.deep.equal(['keypad', 'light', 'climate']);
    const used = make(house, tellRoom(house, 'b', { used: 'daily', overflowSeats: 4 }, newId));
    expect(briefPrompts(used, 'b')).to.deep.include({ topic: 'wifi', because: 'daily' });
    expect(briefPrompts(used, 'b')).to.deep.include({ topic: 'display', because: 'overflow' });
  });

  it('counts what a room usually has: a contact for each opening outwards, a shade for each window', () => {
    const opening = { hinge: null, swing: null, casingWidthM: 0.07, casingDepthM: 0, pocket: false, hardware: '' };
    const windows = smallHouse({
      openings: [
        { ...opening, id: 'w', wallId: 'west', kind: 'window', offsetM: 2, widthM: 1, sillM: 1, headM: 2 },
        { ...opening, id: 'n', wallId: 'north1', kind: 'door', offsetM: 2, widthM: 1, sillM: 0, headM: 2 },
        { ...opening, id: 'i', wallId: 'middle', kind: 'door', offsetM: 2, widthM: 0.9, sillM: 0, headM: 2 },
      ],
    });
    expect(cellOf(answer(windows, 'a', 'security', 'wanted'), 'a', 'security')!.count).to.equal(2);
    expect(cellOf(answer(windows, 'a', 'shade', 'wanted'), 'a', 'shade')!.count).to.equal(1);
  });
});

describe('a requirement', () => {
  it('names the devices that answer it, and says what is missing', () => {
    let project = answer(house, 'a', 'sound', 'wanted');
    const [before] = requirementsOf(project, planRuns(project));
    expect(before).to.include({ missing: 2, holds: false });
    expect(checked(project).find(({ code }) => code === 'brief-device-missing')).to.deep.include({
      measured: 0,
      allowed: 2,
      subjects: [
        { in: 'rooms', id: 'a' },
        { in: 'briefCells', id: cellOf(project, 'a', 'sound')!.id },
      ],
    });
    project = place(place(project, 'ceiling-speaker', [2, 2]), 'ceiling-speaker', [3, 2]);
    const [after] = requirementsOf(project, planRuns(project));
    expect(after).to.include({ missing: 0, holds: true, reached: null });
    expect(after.devices).to.have.length(2);
    expect(checked(project).some(({ check }) => check === 'brief-met')).to.equal(false);
  });

  it('can fail later by its threshold: a display too small, a network drop too far for 10 Gbit/s over category 6', () => {
    // 1.45 m wide at 16:9: 1.664 m across.
    let project = place(answer(house, 'a', 'display', 'wanted', { threshold: 1.7 }), 'display', [2, 0.1]);
    const display = requirementsOf(project, planRuns(project))[0];
    expect(display.reached).to.be.closeTo(1.45 / 0.871576, 1e-4);
    expect(display.holds).to.equal(false);
    expect(checked(project).find(({ code }) => code === 'brief-threshold-missed')).to.include({ allowed: 1.7, unit: 'm' });
    const near = answer(house, 'a', 'network', 'wanted', { threshold: 10 });
    project = place(near, 'network-drop', [1, 0.1]);
    expect(requirementsOf(project, planRuns(project))[0]).to.include({ reached: 10, holds: true });
    const far = place({ ...near, project: { ...near.project, rackSlackM: 20, wasteFactor: 1.5 } }, 'network-drop', [1, 0.1]);
    expect(requirementsOf(far, planRuns(far))[0]).to.include({ reached: 1, holds: false });
  });

  it('is broken by a device where nothing was to come on purpose; the cure writes it down', () => {
    const project = place(answer(house, 'a', 'camera', 'nothing'), 'ceiling-camera', [2, 2]);
    const [finding] = checked(project).filter(({ check }) => check === 'nothing-on-purpose');
    expect(finding).to.include({ measured: 1, allowed: 0 });
    const cured = make(project, finding.cures[0].operations);
    expect(cellOf(cured, 'a', 'camera')).to.include({ answer: 'wanted', count: 1 });
    expect(checked(cured).filter(({ check }) => check === 'nothing-on-purpose' || check === 'brief-met')).to.deep.equal([]);
  });
});

describe('the cost of an answer', () => {
  it('is cable, hours and device now, and what the same costs after the walls are closed', () => {
    // By hand: 7.25 + 0.05 m level, 2.1 m up, 0.5 m down, and 0.45 + 3, x 1.1 = 14.69, so 15 m of 0.55 twice: 16.5.
    // Hours new 0.3 + 0.4 + 0.03 + 0.1 and 0.08 + 0.4 + 0.03 at 65: 87.1; fitting 0.2 h: 13; device 18. Later 2.46 h and 19.5.
    const drop = { topic: 'network', answer: 'wanted', count: 1, typeId: null, preWired: true } as const;
    const room = placeOf(house, 'a')!;
    const wanted = costOfAnswer(house, room, drop);
    expect(wanted.now).to.be.closeTo(16.5 + 87.1 + 13 + 18, 1e-9);
    expect(wanted.afterClose).to.be.closeTo(16.5 + 159.9 + 19.5 + 18, 1e-9);
    // An outlet at a flat price costs that with open walls, whatever its cables; after that it is by cable and hours.
    const flat = { ...house, project: { ...house.project, outletPrice: 140 } };
    expect(costOfAnswer(flat, room, drop)).to.deep.include({ now: 140 + 13 + 18, afterClose: wanted.afterClose });
    const prepared = costOfAnswer(house, room, { ...drop, answer: 'prepared' });
    expect(prepared.now).to.be.closeTo(16.5 + 87.1, 1e-9);
    // What comes in a later phase is pre-wired and priced, unless somebody says that it is not.
    expect(costOfAnswer(house, room, { ...drop, answer: 'later' })).to.deep.equal(prepared);
    expect(costOfAnswer(house, room, { ...drop, answer: 'later', preWired: false })).to.include({
      now: 0,
      afterClose: wanted.afterClose,
    });
    expect(costOfAnswer(house, room, { ...drop, answer: 'nothing', count: 0 }).afterClose).to.equal(0);
    const project = answer(answer(house, 'a', 'network', 'wanted'), 'b', 'network', 'nothing');
    expect(briefCost(project).all.now).to.be.closeTo(wanted.now, 1e-9);
  });
});

describe('an open decision', () => {
  const options: OpenDecision['options'] = [
    { name: 'display', typeId: 'display' },
    { name: 'projector', typeId: 'projector' },
    { name: 'nothing', typeId: null },
  ];
  const base: OpenDecision = {
    id: 'x',
    roomId: 'a',
    areaId: null,
    subject: 'Picture in the living room',
    options,
    gate: 'board',
    leadDays: 10,
    owner: 'the client',
    chosen: '',
    decidedOn: '',
    note: '',
  };

  it('is kept open by the superset of its cables', () => {
    expect(supersetOf(house, options).map(({ cableTypeId, count: n }) => [cableTypeId, n])).to.deep.equal([
      ['cat6a_utp', 2],
      ['ctl_18_2', 1],
      // A projector has two video leads.
      ['hdmi_fibre', 2],
    ]);
  });

  it('has a last safe date before its gate, and becomes a stop when that is past', () => {
    expect(daysBefore('2027-03-01', 10)).to.equal('2027-02-19');
    const project = {
      ...house,
      decisions: { x: base },
      tradeDates: { g: { id: 'g', gate: 'board' as const, on: '2027-03-01', from: '' } },
    };
    expect(openDecisions(project, '2027-02-10')[0]).to.include({ lastSafeOn: '2027-02-19', daysLeft: 9 });
    const rankOn = (today: string) => checked(project, today).find(({ code }) => /^decision-(soon|late)$/.test(code))?.rank;
    expect([rankOn('2027-01-01'), rankOn('2027-02-10'), rankOn('2027-02-19'), rankOn('2027-02-20')]).to.deep.equal([
      undefined,
      'look',
      'look',
      'stop',
    ]);
    const decided = { ...project, decisions: { x: { ...base, chosen: 'display' } } };
    expect(openDecisions(decided, '2027-02-20')).to.deep.equal([]);
    expect(openDecisions({ ...project, tradeDates: {} }, '2027-02-20')[0]).to.include({ lastSafeOn: '', daysLeft: null });
  });
});

describe('a lead that waits for a drawing', () => {
  it('is an open decision until the tail is taken off, and its cable is cut with the tail', () => {
    const placed = placeAll(house, 'm', [{ typeId: 'keypad', at: [1, 0.05], more: { tailM: 2.5 } }], {
      device: () => 'strip',
      run: () => 'strip_1',
    });
    const applied = placed.ok && applyChange(house, placed.value);
    if (!applied || !applied.ok) throw new Error('not placed');
    const project = {
      ...applied.value,
      tradeDates: {
        g: { id: 'g', gate: 'joinery' as const, on: '2027-03-22', from: '' },
        b: { id: 'b', gate: 'board' as const, on: '2027-03-22', from: '' },
      },
    };
    const [state] = openDecisions(project, '2027-02-20');
    expect(state.device?.id).to.equal('strip');
    // Three weeks before.
    expect(state).to.include({ lastSafeOn: '2027-03-01', daysLeft: 9 });
    const found = (today: string) =>
      checked(project, today).filter(({ check, code }) => check === 'decisions-in-time' && code.startsWith('drawing'));
    expect(found('2027-02-20').map(({ code, rank }) => [code, rank])).to.deep.equal([['drawing-soon', 'look']]);
    expect(found('2027-03-02').map(({ code, rank }) => [code, rank])).to.deep.equal([['drawing-late', 'stop']]);
    const lengthOf = (one: typeof project) => planRuns(one)[0].length!;
    expect(lengthOf(project).deviceSlackM).to.equal(2.5);
    const drawn = { ...project, devices: { strip: { ...project.devices.strip, tailM: null } } };
    expect(openDecisions(drawn, '2027-02-20')).to.deep.equal([]);
    expect(lengthOf(drawn).deviceSlackM).to.equal(project.runs.strip_1.deviceSlackM);
  });
});

describe('the builder’s package', () => {
  it('is read line by line and compared with the brief', () => {
    let project = answer(answer(house, 'a', 'network', 'wanted', { count: 2 }), 'b', 'sound', 'wanted', { count: 2 });
    project = answer(project, 'a', 'coax', 'nothing');
    const lines = readPackage(
      project,
      '- Room AA: 1 x data outlet\n2 ceiling speakers\nRoom AA: 3 coax outlets\n\nallowance as discussed',
      newId,
    );
    expect(lines.map(({ roomId, topic, count: n }) => [roomId, topic, n])).to.deep.equal([
      ['a', 'network', 1],
      [null, 'sound', 2],
      ['a', 'coax', 3],
      [null, null, 1],
    ]);
    const compared = comparePackage({ ...project, packageLines: Object.fromEntries(lines.map((line) => [line.id, line])) });
    expect(compared.missing).to.deep.equal([{ placeId: 'a', topic: 'network', part: 'all', wanted: 2, included: 1 }]);
    expect(compared.beyond).to.deep.equal([{ placeId: 'a', topic: 'coax', part: 'all', wanted: 0, included: 3 }]);
    expect(compared.unclear.map(({ words }) => words)).to.deep.equal(['allowance as discussed']);
  });

  it('is compared part by part, and says who supplies, fits and programs', () => {
    const project = answer(house, 'a', 'keypad', 'wanted', { count: 2 });
    const held = (text: string) => {
      const lines = readPackage(project, text, newId);
      return comparePackage({ ...project, packageLines: Object.fromEntries(lines.map((line) => [line.id, line])) });
    };
    // Two keypads are wanted; the builder pre-wires both and sets the boxes of both, and has plate and keypad for one of them only.
    const { missing, beyond, work } = held(
      'Room AA: 2 x keypad pre-wire\nRoom AA: 2 keypad back boxes\nRoom AA: 1 keypad plate\nRoom AA: 1 x keypad, supply only',
    );
    expect(missing.map(({ part, wanted, included }) => [part, wanted, included])).to.deep.equal([
      ['plate', 2, 1],
      ['device', 2, 1],
    ]);
    expect(beyond).to.deep.equal([]);
    expect(work.map(({ task, by }) => [task, by])).to.deep.equal([
      ['fit', 'nobody'],
      ['program', 'nobody'],
    ]);
  });
});

describe('outdoor areas', () => {
  const areas = [
    { id: 'ter', kind: 'terrace', name: 'Terrace' },
    { id: 'front', kind: 'facade', name: 'Front facade' },
    { id: 'right', kind: 'facade', name: 'Right facade' },
    { id: 'eav', kind: 'eaves', name: 'Eaves' },
  ] as const;
  const outdoors = make(house, addOutdoorAreas(house, areas));

  it('have the topics of a room and those of the site, prompts, cost, copy and sign-off', () => {
    expect(notDiscussed(outdoors, 'ter')).to.deep.equal([...BRIEF_TOPICS]);
    expect(notDiscussed(outdoors, 'a')).to.not.include('generator');
    expect(briefPrompts(outdoors, 'ter').map(({ topic }) => topic)).to.include.members(['light', 'heating', 'sound']);
    expect(briefPrompts(outdoors, 'front').map(({ topic }) => topic)).to.include.members(['generator', 'solar']);
    let project = answer(outdoors, 'ter', 'sound', 'wanted');
    expect(Object.values(project.briefCells)[0]).to.include({ roomId: null, areaId: 'ter' });
    expect(briefCost(project).byPlace.get('ter')!.now).to.be.greaterThan(0);
    expect(signRoom(project, 'ter', 'the client', '2026-11-25', newId).ok).to.equal(false);
    project = make(project, fillRest(project, 'ter', newId));
    for (const topic of notDiscussed(project, 'ter')) project = answer(project, 'ter', topic, 'nothing');
    const signed = signRoom(project, 'ter', 'the client', '2026-11-25', newId);
    if (!signed.ok) throw new Error(signed.problem.code);
    project = make(project, signed.value);
    expect(briefOf(project, 'ter')).to.include({ areaId: 'ter', roomId: null, signedBy: 'the client' });
    // A change takes the signature back.
    expect(briefOf(answer(project, 'ter', 'wifi', 'wanted'), 'ter')!.signedOn).to.equal('');
  });

  it('hold every outdoor device: the area in which it stands, else the nearest, at a height under the eaves, or as somebody says', () => {
    const at = (x: number, y: number, heightM: number) =>
      outdoorAreaAt(outdoorAreas(outdoors), { levelId: 'm', x, y, heightM })?.id;
    // The terrace lies from 0.5 to 3.5 m before the lower side, 4 m wide.
    expect(at(2, -2, 0.3)).to.equal('ter');
    expect(at(9, -0.15, 1.2)).to.equal('front');
    expect(at(9, -0.15, 2.6)).to.equal('eav');
    expect(at(10.3, 2, 1.2)).to.equal('right');
    const project = place(outdoors, 'camera', [10.35, 2]);
    const [camera] = Object.values(project.devices);
    expect(areaOfDevice(project, camera.id)?.id).to.equal('right');
    const said = { ...project, devices: { [camera.id]: { ...camera, areaId: 'ter' } } };
    expect(areaOfDevice(said, camera.id)?.id).to.equal('ter');
    expect(areaOfDevice(place(house, 'camera', [10.35, 2]), camera.id)).to.equal(null);
  });

  it('are walked after the rooms of their level, and a place is added there with one tap', () => {
    expect(walkingOrder(outdoors).map(({ id }) => id)).to.deep.equal(['a', 'b', 'right', 'eav', 'front', 'ter']);
    const ids = { device: newId, run: newId, walk: newId };
    const added = addWalkPlace(
      outdoors,
      { placeId: 'right' },
      'camera',
      { walk: 'first', by: 'crew', on: '2026-11-25', why: 'asked for on the walk' },
      ids,
    );
    if (!added.ok) throw new Error(added.problem.code);
    const project = make(outdoors, added.value.operations);
    expect(areaOfDevice(project, added.value.device.id)?.id).to.equal('right');
    expect(added.value.device.x).to.be.at.least(10.2 - 1e-9);
    // The plan answers what nobody has answered there.
    expect(proposedAnswers(project)).to.deep.include({ placeId: 'right', topic: 'camera', count: 1, typeId: 'camera' });
  });
});

describe('the walk', () => {
  it('goes level by level to the nearest room, unless an order is given; what differs is listed', () => {
    const both = twoStoreyHouse();
    expect(walkingOrder(both).map(({ id }) => id)).to.deep.equal(['a', 'b', 'c']);
    expect(walkingOrder(make(both, tellRoom(both, 'b', { walkOrder: 1 }, newId))).map(({ id }) => id)).to.deep.equal([
      'b',
      'a',
      'c',
    ]);
    let project = answer(both, 'a', 'display', 'wanted');
    const found = (how: 'there' | 'missing' | 'different', on: string) => ({ found: how, by: 'crew', on, note: '' });
    project = make(project, recordWalk(project, 'first', 'a', 'display', found('missing', '2026-11-25'), newId));
    const listed = (walk: 'first' | 'last') =>
      walkDifferences(project, walk).map((one) => [
        one.kind === 'answer' ? one.cell.topic : one.device.id,
        one.result.found,
        one.first?.found ?? null,
      ]);
    expect(listed('first')).to.deep.equal([['display', 'missing', null]]);
    expect(listed('last')).to.deep.equal([]);
    // The last walk is kept apart: what it finds there that the first missed is told too.
    project = make(project, recordWalk(project, 'last', 'a', 'display', found('there', '2026-12-10'), newId));
    expect(listed('last')).to.deep.equal([['display', 'there', 'missing']]);
    expect(listed('first')).to.deep.equal([['display', 'missing', null]]);
    project = make(project, recordWalk(project, 'first', 'a', 'display', found('there', '2026-11-26'), newId));
    expect([...listed('first'), ...listed('last')]).to.deep.equal([]);
  });

  it('goes device by device too', () => {
    const drawn = place(house, 'ceiling-speaker', [1, 1]);
    const [device] = Object.values(drawn.devices);
    const told = make(
      drawn,
      recordDeviceWalk(
        drawn,
        'last',
        device.id,
        { found: 'different', by: 'crew', on: '2026-12-10', note: 'farther left' },
        newId,
      ),
    );
    expect(walkDifferences(told, 'last')).to.deep.include({
      kind: 'device',
      device,
      result: Object.values(told.deviceWalks)[0],
      first: null,
    });
  });

  it('adds what nobody asked for before, with its cables, where it can be built, in a room and outdoors', () => {
    const ids = { device: newId, run: newId, walk: newId };
    const said = { walk: 'first', by: 'crew', on: '2026-11-25', why: 'asked for on the walk' } as const;
    let project = house;
    for (const [area, what] of [
      [{ placeId: 'a' }, 'display'],
      [{ placeId: 'a' }, 'display'],
      [{ placeId: 'a' }, 'speaker'],
      [{ levelId: 'm' }, 'camera'],
      [{ levelId: 'm' }, 'other'],
    ] as const) {
      const added = addWalkPlace(project, area, what, said, ids);
      if (!added.ok) throw new Error(added.problem.code);
      project = make(project, [...added.value.operations]);
    }
    const devices = Object.values(project.devices);
    expect(devices.map(({ typeId, roomId }) => [typeId, roomId])).to.deep.equal([
      ['display', 'a'],
      ['display', 'a'],
      ['ceiling-speaker', 'a'],
      ['camera', null],
      ['outdoor-stub', null],
    ]);
    expect(walkDifferences(project, 'first')).to.have.length(5);
    const runs = Object.values(project.runs);
    expect(runs.length).to.equal(3 + 3 + 1 + 1 + 4);
    expect(runs.every(({ reason }) => reason === 'asked for on the walk')).to.equal(true);
    // Two displays one after the other stand beside each other, off the studs and apart.
    expect(clashesOf(project, devices[1]).filter(({ code }) => code === 'mount-on-device')).to.deep.equal([]);
    const refused = addWalkPlace(project, { levelId: 'm' }, 'keypad', said, ids);
    expect(!refused.ok && refused.problem.code).to.equal('not-outdoors');
  });
});

describe('brief and plan', () => {
  const drawn = place(place(place(house, 'ceiling-speaker', [1, 1]), 'ceiling-speaker', [3, 1]), 'access-point', [7, 2]);

  it('has an answer proposed for what is placed and not in the brief, and takes it at a word', () => {
    const proposals = proposedAnswers(drawn);
    expect(proposals).to.deep.equal([
      { placeId: 'a', topic: 'sound', count: 2, typeId: 'ceiling-speaker' },
      { placeId: 'b', topic: 'wifi', count: 1, typeId: 'access-point' },
    ]);
    const taken = make(drawn, acceptAnswers(drawn, proposals, newId));
    expect(cellOf(taken, 'a', 'sound')).to.include({ answer: 'wanted', count: 2, typeId: 'ceiling-speaker' });
    expect(proposedAnswers(taken)).to.deep.equal([]);
    expect(requirementsOf(taken, planRuns(taken)).every(({ missing }) => missing === 0)).to.equal(true);
    // What was answered is not asked again, whatever the answer.
    expect(proposedAnswers(answer(drawn, 'a', 'sound', 'nothing')).map(({ topic }) => topic)).to.deep.equal(['wifi']);
  });

  it('has devices proposed for what is wanted and not placed, of the type that was chosen', () => {
    const wanting = answer(answer(drawn, 'a', 'sound', 'wanted', { count: 4 }), 'b', 'keypad', 'prepared');
    expect(wantedDevices(wanting).map(({ cell, typeId, missing }) => [cell.roomId, typeId, missing])).to.deep.equal([
      ['a', 'ceiling-speaker', 2],
      ['b', 'keypad', 1],
    ]);
    // A later phase is pre-wired too, unless somebody says that it is not.
    expect(wantedDevices(answer(drawn, 'b', 'keypad', 'later')).map(({ missing }) => missing)).to.deep.equal([1]);
    expect(wantedDevices(answer(drawn, 'b', 'keypad', 'later', { preWired: false }))).to.deep.equal([]);
  });

  it('keeps signatures that a change takes back, of both who signed', () => {
    const filled = BRIEF_TOPICS.reduce((project, topic) => answer(project, 'a', topic, 'nothing'), house);
    const signing = signRoom(filled, 'a', 'the client', '2026-10-01', newId);
    if (!signing.ok) throw new Error(signing.problem.code);
    let project = make(filled, signing.value);
    project = make(project, tellRoom(project, 'a', { asksToSign: 'her brother', alsoSignedOn: '2026-10-03' }, newId));
    project = answer(project, 'a', 'sound', 'wanted');
    expect(briefOf(project, 'a')).to.deep.include({
      signedBy: '',
      signedOn: '',
      alsoSignedOn: '',
      asksToSign: 'her brother',
      pastSignatures: [
        { by: 'the client', on: '2026-10-01' },
        { by: 'her brother', on: '2026-10-03' },
      ],
    });
    // An unsigned room has nothing to take back.
    expect(briefOf(answer(project, 'a', 'keypad', 'wanted'), 'a')!.pastSignatures).to.have.length(2);
  });
});

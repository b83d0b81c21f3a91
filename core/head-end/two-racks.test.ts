import { expect } from 'chai';
import { derivationsOf } from '../derive/index.ts';
import type { ProjectDocument } from '../model/index.ts';
import { applied, countedIds, smallHouse, withDevices } from '../testing/index.ts';
import { headEndChoices } from './choices.ts';
import { designHeadEnd } from './design.ts';
import { reachedFrom } from './flow.ts';
import { whatStops } from './lost.ts';
import { HEAD_END_PARTS } from './parts.ts';
import { portsOf } from './ports.ts';

let count = 0;
const newId = (kind: string) => `${kind}_t${++count}`;

/** The small house with a second rack at its other wall, a camera at each, and a link between both. */
function twoRacks(): ProjectDocument {
  const house = smallHouse();
  const racks = {
    rack: { ...house.racks.rack, kind: 'rack' as const, units: 24, widthM: 0.6, depthM: 0.8 },
    other: {
      ...house.racks.rack,
      kind: 'rack' as const,
      units: 24,
      id: 'other',
      code: 'B',
      name: 'Rack B',
      x: 0.4,
      facingRad: 0,
      widthM: 0.6,
      depthM: 0.8,
    },
  };
  const ids = countedIds();
  const linked = withDevices({ ...house, racks }, [{ typeId: 'rack-link', at: [0.5, 2] }], ids).project;
  const wired = withDevices(
    linked,
    [
      { typeId: 'camera', at: [1, -0.05] },
      { typeId: 'camera', at: [3, -0.05] },
    ],
    ids,
  ).project;
  // The second camera belongs to the second rack.
  const cameras = Object.values(wired.runs).filter(({ deviceId }) => wired.devices[deviceId].typeId === 'camera');
  const runs = { ...wired.runs, [cameras[1].id]: { ...cameras[1], rackId: 'other' } };
  let built: ProjectDocument = { ...wired, runs };
  for (const rackId of ['rack', 'other']) {
    const found = designHeadEnd(built, rackId, newId);
    if (!found.ok) throw new Error(found.problem.code);
    built = applied(built, found.value.operations);
  }
  return built;
}

describe('two racks with a link between them', () => {
  const house = twoRacks();
  const parts = derivationsOf(house).get(HEAD_END_PARTS);
  const at = (rackId: string, kind: string) =>
    parts.equipment.find((one) => one.rackId === rackId && one.kind === kind && one.tieDeviceId === null)!;
  const tie = parts.equipment.find(({ tieDeviceId }) => tieDeviceId !== null)!;

  it('have a panel at the far rack for the other ends of the link, to which no run is terminated', () => {
    expect([tie.rackId, house.devices[tie.tieDeviceId!].typeId]).to.deep.equal(['other', 'rack-link']);
    expect(parts.terminationsOn.get(tie.id)).to.equal(undefined);
    // Designed again nothing more is added.
    const again = designHeadEnd(house, 'other', newId);
    expect(again.ok && again.value.added).to.deep.equal([]);
  });

  it('carry what is plugged in at one rack to the port at the other', () => {
    const [run] = parts.needs
      .filter(({ deviceId, kind }) => deviceId === tie.tieDeviceId && kind === 'data')
      .sort((a, b) => a.leg - b.leg);
    const own = parts.terminationOfRun.get(run.runId)!;
    expect(parts.equipmentById.get(own.equipmentId)!.rackId).to.equal('rack');
    const [first] = portsOf(tie).filter(({ group }) => group.kind === 'data');
    expect(reachedFrom(parts, [first]).has(`${own.equipmentId}/${own.port}`)).to.equal(true);
    const near = portsOf(parts.equipmentById.get(own.equipmentId)!).find(({ name }) => name === own.port)!;
    expect(reachedFrom(parts, [near]).has(`${tie.id}/${first.name}`)).to.equal(true);
  });

  it('lose the far switch with the link, or with the router at the near one', () => {
    const camera = Object.values(house.runs).find(
      ({ rackId, deviceId }) => rackId === 'other' && house.devices[deviceId].typeId === 'camera',
    )!;
    const isLost = (removed: Parameters<typeof whatStops>[1]) =>
      whatStops(house, removed).runs.some(({ runId }) => runId === camera.id);
    const router = at('rack', 'router');
    expect(router).to.not.equal(undefined);
    // The far rack has neither modem nor router: its switch is plugged into the link.
    expect([at('other', 'router'), at('other', 'modem')]).to.deep.equal([undefined, undefined]);
    const farSwitch = at('other', 'switch');
    const cord = Object.values(house.patches).find((one) => one.equipmentId === tie.id)!;
    expect(cord.toEquipmentId).to.equal(farSwitch.id);
    expect(isLost({ kind: 'equipment', id: router.id })).to.equal(true);
    expect(isLost({ kind: 'patch', id: cord.id })).to.equal(true);
    expect(isLost({ kind: 'equipment', id: tie.id })).to.equal(true);
  });

  it('are compared with one: runs, cable in all, the longest, and what is too long', () => {
    const choices = headEndChoices(house);
    expect(choices.map(({ rackId }) => rackId)).to.have.members([null, 'rack', 'other']);
    expect(new Set(choices.map(({ runs }) => runs)).size).to.equal(1);
    for (const { totalM, longestM, beyond, noWay } of choices) {
      expect(totalM).to.be.greaterThan(longestM);
      expect([beyond, noWay]).to.deep.equal([0, 0]);
    }
    expect(headEndChoices(smallHouse())).to.deep.equal([]);
  });
});

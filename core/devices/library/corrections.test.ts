import { expect } from 'chai';
import type { ProjectDocument } from '../../model/index.ts';
import { checked, countedIds, smallHouse, withDevices } from '../../testing/index.ts';
import { DEVICE_TYPES } from './index.ts';

const typeOf = (id: string) => DEVICE_TYPES.find((type) => type.id === id)!;
const usual = (id: string) =>
  typeOf(id)
    .cables.filter(({ optional }) => !optional)
    .map(({ cableTypeId }) => cableTypeId);
const optional = (id: string) =>
  typeOf(id)
    .cables.filter((leg) => leg.optional)
    .map(({ cableTypeId }) => cableTypeId);
const endOf = (project: ProjectDocument, typeId: string) => {
  const device = Object.values(project.devices).find((one) => one.typeId === typeId)!;
  const run = Object.values(project.runs).find(({ deviceId }) => deviceId === device.id)!;
  return run.toDeviceId === null ? 'head end' : project.devices[run.toDeviceId].typeId;
};
const housed = (...wanted: Parameters<typeof withDevices>[1]) => withDevices(smallHouse(), wanted, countedIds()).project;

describe('recipes as the trade has them', () => {
  it('of mains-fed fixtures have no low-voltage cable: the electrician switches them with neutral and legs', () => {
    for (const id of ['ceiling-fan', 'sconce', 'step-light']) {
      expect(typeOf(id), id).to.deep.include({ link: 'mains-only', cables: [] });
      expect(typeOf(id).premade, id).to.match(/neutral/);
      expect(typeOf(id).mainsW, id).to.be.greaterThan(0);
    }
  });

  it('of a thermostat lead to the furnace or air handler; data cable to the controller is the other school', () => {
    const place = { typeId: 'thermostat', at: [5.05, 1] as const };
    expect(endOf(housed({ typeId: 'air-handler', at: [9, 3.9] }, place), 'thermostat')).to.equal('air-handler');
    expect(endOf(housed(place), 'thermostat')).to.equal('head end');
    expect(usual('thermostat')).to.deep.equal(['ctl_18_8']);
    expect(optional('thermostat')).to.deep.equal(['cat6_utp']);
  });

  it('of a game place lead to any display of its room, and to none in another', () => {
    const end = (typeId: string, x: number) => {
      const project = housed({ typeId, at: [x, 0.05] }, { typeId: 'game-point', at: [3, 4.05] });
      const game = Object.values(project.devices).find((one) => one.typeId === 'game-point')!;
      const run = Object.values(project.runs).find(
        ({ deviceId, cableTypeId }) => deviceId === game.id && cableTypeId === 'hdmi_fibre',
      )!;
      return run.toDeviceId === null ? 'head end' : project.devices[run.toDeviceId].typeId;
    };
    expect(end('bedroom-display', 2)).to.equal('bedroom-display');
    expect(end('large-display', 2)).to.equal('large-display');
    expect(end('bedroom-display', 8)).to.equal('head end');
  });

  it('of speakers behind a control lead to whatever control is in their room; one fed over data cable needs no mains', () => {
    const end = (typeId: string) =>
      endOf(housed({ typeId, at: [2, 0.05] }, { typeId: 'controlled-speaker', at: [2, 2] }), 'controlled-speaker');
    expect(end('volume-control')).to.equal('volume-control');
    expect(end('amplified-control')).to.equal('amplified-control');
    expect(end('data-fed-control')).to.equal('data-fed-control');
    expect(typeOf('data-fed-control')).to.deep.include({ mainsW: null, link: 'cable' });
    expect(optional('data-fed-control')).to.deep.equal(['cat6_utp']);
  });

  it('of a projector are two video leads, two data, a trigger; infrared and a conduit where ticked', () => {
    expect(usual('projector').sort()).to.deep.equal(['cat6a_utp', 'cat6a_utp', 'ctl_18_2', 'hdmi_fibre', 'hdmi_fibre']);
    expect(optional('projector')).to.deep.equal(['cat6_utp', 'conduit_53']);
  });

  it('of a dish are as many leads as feeds and polarities; masts of every kind are asked for their bonding', () => {
    expect(usual('dish').sort()).to.deep.equal(['bond_10', 'rg6', 'rg6']);
    expect(optional('dish')).to.deep.equal(['rg6', 'rg6']);
    for (const typeId of ['dish', 'aerial', 'uhf-antenna', 'fm-antenna']) {
      const codes = checked(housed({ typeId, at: [2, -0.1] })).map(({ code }) => code);
      expect(codes, typeId).to.include('aerial-not-bonded');
    }
  });

  it('of an alarm touch panel use two conductors and leave two spare', () => {
    const map = smallHouse().conductorMaps[typeOf('alarm-touch-panel').cables[0].mapId!];
    expect(map.lines.filter(({ use }) => use === 'spare')).to.have.length(2);
  });

  it('of a shade are schools: special, data or four-conductor cable, and only its volts are judged', () => {
    const house = housed({ typeId: 'shade', at: [8, 0.05] });
    const [run] = Object.values(house.runs);
    const codes = (cableTypeId: string) =>
      checked({ ...house, runs: { [run.id]: { ...run, cableTypeId, mapId: null } } })
        .filter(({ rank }) => rank !== 'fine')
        .map(({ code }) => code);
    for (const cable of ['shade_16_2_22_2p', 'cat6_utp', 'ctl_18_4'])
      expect(codes(cable), cable).to.not.include('cable-not-as-type');
    expect(codes('rg6')).to.include('cable-not-as-type');
  });

  it('of a strip light are one cable of six conductors or a pair, with control at its start', () => {
    expect(usual('strip-light')).to.deep.equal(['led_16_6']);
    expect(optional('strip-light')).to.deep.equal(['ctl_18_4', 'ctl_18_4', 'ctl_18_2']);
  });

  it('of gardens are both low impedance and constant voltage; a stub has a superset for outdoors', () => {
    expect(typeOf('garden-speaker-low').impedanceOhm).to.equal(8);
    expect(typeOf('garden-speaker').impedanceOhm).to.be.greaterThan(100);
    const cables = smallHouse().cableTypes;
    const stub = usual('outdoor-stub').map((id) => cables[id]);
    expect(stub.every(({ rating }) => rating === 'outdoor')).to.equal(true);
    expect(new Set(stub.map(({ system }) => system))).to.deep.equal(new Set(['data', 'sound', 'control']));
    expect(optional('outdoor-stub')).to.deep.equal(['conduit_53']);
  });

  it('know a recessed motor mount, a center speaker on the bracket of a display, and a flush camera indoors', () => {
    expect(typeOf('mount-recessed-motor')).to.deep.include({ part: 'mount', mainsW: 60 });
    expect(typeOf('mount-recessed-motor').depthM).to.be.greaterThan(0);
    expect(usual('display-centre-speaker')).to.deep.equal(['spk_14_2']);
    expect(typeOf('flush-camera').cutOut).to.not.equal(null);
  });

  it('may hold a conduit, ticked where it is wanted: display, fireplace, island, game place, screen', () => {
    for (const id of [
      'display',
      'bedroom-display',
      'fireplace-display',
      'floor-box',
      'game-point',
      'screen',
      'projector',
      'outdoor-stub',
    ])
      expect(
        optional(id).some((cable) => cable.startsWith('conduit')),
        id,
      ).to.equal(true);
    const project = housed({ typeId: 'equipment-place', at: [2, 0.05] }, { typeId: 'display', at: [3.3, 0.05], legs: [1, 5] });
    const laid = Object.values(project.runs).find(({ cableTypeId }) => cableTypeId === 'conduit_35')!;
    expect(project.devices[laid.toDeviceId!].typeId).to.equal('equipment-place');
    expect(laid).to.deep.include({ deviceSlackM: 0, rackSlackM: 0, bundle: '' });
  });
});

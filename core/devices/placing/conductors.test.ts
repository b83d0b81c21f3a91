import { expect } from 'chai';
import { applyChange } from '../../model/index.ts';
import { smallHouse } from '../../testing/index.ts';
import { CABLE_TYPES, CONDUCTOR_MAPS, DEVICE_TYPES } from '../library/index.ts';
import { changeMap, checkMap, conductorsUsed } from './conductors.ts';

describe('conductor maps', () => {
  it('of the library name every conductor once and fit the cables that use them', () => {
    for (const map of CONDUCTOR_MAPS) expect(checkMap(map), map.id).to.deep.include({ ok: true });
    const cables = new Map(CABLE_TYPES.map((cable) => [cable.id, cable]));
    const maps = new Map(CONDUCTOR_MAPS.map((map) => [map.id, map]));
    for (const { name, cables: legs } of DEVICE_TYPES)
      for (const { mapId, cableTypeId } of legs)
        if (mapId !== null)
          expect(conductorsUsed(maps.get(mapId)!), `${name}: ${mapId} in ${cableTypeId}`).to.be.at.most(
            cables.get(cableTypeId)!.conductors,
          );
  });

  it('count a pair as two', () => {
    const lines = ['blue pair', 'any two', 'red'].map((conductor) => ({ conductor, use: 'x' }));
    expect(conductorsUsed({ lines })).to.equal(5);
  });

  it('are changed in one place for all their runs, and not into nonsense', () => {
    const house = smallHouse();
    const lines = [
      { conductor: 'red', use: '+' },
      { conductor: 'Red ', use: '−' },
    ];
    expect(changeMap(house, 'trigger', { lines })).to.nested.include({
      'problem.code': 'map-twice',
      'problem.field': 'Trigger 12 V: lines[1].conductor',
    });
    expect(changeMap(house, 'trigger', { lines: [] })).to.nested.include({ 'problem.code': 'map-empty' });
    expect(changeMap(house, 'gone', { note: 'x' })).to.nested.include({ 'problem.code': 'record-gone' });
    const changed = changeMap(house, 'trigger', { note: 'Mind the polarity.' });
    if (!changed.ok) throw new Error(changed.problem.code);
    const applied = applyChange(house, { operations: changed.value });
    expect(applied.ok && applied.value.conductorMaps.trigger.note).to.equal('Mind the polarity.');
  });
});

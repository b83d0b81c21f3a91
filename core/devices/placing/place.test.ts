import { expect } from 'chai';
import fc from 'fast-check';
import { applyChange, type ProjectDocument } from '../../model/index.ts';
import { smallHouse } from '../../testing/index.ts';
import { moveDevices } from './place.ts';
import { placeAll } from './placing.ts';

describe('moving devices', () => {
  let count = 0;
  const placed = placeAll(
    smallHouse(),
    'm',
    [
      { typeId: 'network-drop', at: [1, 0.05] },
      { typeId: 'ceiling-speaker', at: [7, 2] },
      { typeId: 'display', at: [2, 4.05] },
    ],
    { device: () => `d${++count}`, run: () => `r${++count}` },
  );
  const applied = placed.ok && applyChange(smallHouse(), placed.value);
  const house = (applied && applied.ok ? applied.value : smallHouse()) as ProjectDocument;
  const [drop, speaker] = Object.keys(house.devices);
  const { x, y } = house.devices[speaker];
  const to = fc.tuple(fc.double({ min: 0.2, max: 10, noNaN: true }), fc.double({ min: 0.2, max: 4, noNaN: true }));

  it('gives a device alone the numbers and bundles that it gets where others are moved after it', () => {
    fc.assert(
      fc.property(to, (place) => {
        // A second move to where that device is: the first one is worked out by the long way, in a house that knows of it.
        const alone = moveDevices(house, [{ deviceId: drop, to: place }]);
        const long = moveDevices(house, [
          { deviceId: drop, to: place },
          { deviceId: speaker, to: [x, y] },
        ]);
        expect(alone).to.deep.equal(long);
      }),
    );
  });
});

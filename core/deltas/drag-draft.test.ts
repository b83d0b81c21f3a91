import { dragDraft } from './drag-draft.ts';
import { moveDevices, placeAll } from '../devices/index.ts';
import { applyChange, create, type ProjectDocument } from '../model/index.ts';
import { listOf, onLevel } from '../derive/index.ts';
import { smallHouse } from '../testing/index.ts';
import { expect } from 'chai';
import fc from 'fast-check';

describe('devices in the hand', () => {
  let count = 0;
  const placed = placeAll(
    smallHouse(),
    'm',
    [
      { typeId: 'ceiling-speaker', at: [1, 1] },
      { typeId: 'network-drop', at: [3, 0.05] },
      { typeId: 'ceiling-speaker', at: [7, 2] },
    ],
    { device: () => `d${++count}`, run: () => `r${++count}` },
  );
  const applied = placed.ok && applyChange(smallHouse(), placed.value);
  const house = (applied && applied.ok ? applied.value : smallHouse()) as ProjectDocument;
  const ids = Object.keys(house.devices);
  const place = fc.tuple(fc.double({ min: 0.2, max: 10, noNaN: true }), fc.double({ min: 0.2, max: 4, noNaN: true }));

  it('are where a change would put them, in every picture of a drag, lists and all, and the project stays as it was', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.subarray(ids, { minLength: 1 }), place), { minLength: 1, maxLength: 12 }), (pictures) => {
        const before = structuredClone(house.devices);
        for (const [moved, [x, y]] of pictures) {
          const operations = moveDevices(
            house,
            moved.map((deviceId, i) => ({ deviceId, to: [x + i * 0.3, y] as const })),
          );
          if (!operations.ok) throw new Error(operations.problem.code);
          const shown = dragDraft(house, operations.value)!;
          const changed = applyChange(house, { operations: operations.value });
          if (!changed.ok) throw new Error(changed.problem.code);
          expect(shown.devices).to.deep.equal(changed.value.devices);
          expect(shown.runs).to.deep.equal(changed.value.runs);
          expect(onLevel(shown, 'devices', 'm')).to.deep.equal(onLevel(changed.value, 'devices', 'm'));
          expect(listOf(shown, 'runs')).to.deep.equal(listOf(changed.value, 'runs'));
        }
        expect(house.devices).to.deep.equal(before);
      }),
      { numRuns: 60 },
    );
  });

  it('are not shown this way where more than devices and runs changes', () => {
    const group = create('groups', { id: 'g', kind: 'audio', name: 'West' });
    expect(dragDraft(house, [group])).to.equal(null);
  });
});

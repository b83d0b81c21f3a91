import { expect } from 'chai';
import { placeDevice } from '../devices/index.ts';
import { applyChange, type ProjectDocument, update } from '../model/index.ts';
import { checked, countingIds, smallHouse } from '../testing/index.ts';

function house(colours: Readonly<Record<string, string>>): ProjectDocument {
  const start = smallHouse();
  const placed = placeDevice(start, { typeId: 'display', levelId: 'm', at: [2, 0.05] }, countingIds()());
  if (!placed.ok) throw new Error('refused');
  const cables = Object.entries(colours).flatMap(
    ([id, jacketColour]) => update('cableTypes', start.cableTypes[id], { jacketColour }) ?? [],
  );
  const applied = applyChange(start, { operations: [...cables, ...placed.value.operations] });
  if (!applied.ok) throw new Error('refused');
  return applied.value;
}
const found = (project: ProjectDocument) =>
  checked(project)
    .filter(({ check }) => check === 'jackets-told-apart')
    .map(({ rank, code, figures }) => `${rank} ${code} ${String(figures.colour)}`);

describe('jacket colours', () => {
  it('that differ from family to family say nothing', () => {
    expect(found(house({}))).to.deep.equal([]);
  });

  it('that serve two families at one device are a look there, and told at the rack', () => {
    expect(found(house({ hdmi_fibre: 'violet' }))).to.have.members([
      'look jackets-alike violet',
      'fine jackets-alike-at-rack violet',
    ]);
  });

  it('that nobody has entered say nothing', () => {
    expect(found(house({ hdmi_fibre: '', cat6a_utp: '' }))).to.deep.equal([]);
  });
});

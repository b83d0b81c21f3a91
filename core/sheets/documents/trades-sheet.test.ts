import { expect } from 'chai';
import { placeAll } from '../../devices/index.ts';
import { applyChange, type Device, type ProjectDocument } from '../../model/index.ts';
import { PLACE_WORDS, smallHouse } from '../../testing/index.ts';
import { countsBySystem } from './counts.ts';
import { tradesSheet } from './trades-sheet.ts';
import { planRuns } from '../../runs/index.ts';

const words = {
  place: PLACE_WORDS,
  outdoors: 'Outdoors',
  atCeiling: 'at the ceiling',
  set: 'set',
  notSet: 'to be set',
  outlet: { switched: 'switched', surge: 'surge protected', dedicated: 'dedicated circuit' },
  wishes: { removable: 'Removable without trace' },
  links: { 'battery-radio': 'radio, on battery' },
};
let count = 0;
const put = (project: ProjectDocument, typeId: string, at: [number, number], more: Partial<Device> = {}): ProjectDocument => {
  const ids = { device: () => `d${++count}`, run: () => `r${++count}` };
  const placed = placeAll(project, 'm', [{ typeId, at, more }], ids);
  const applied = placed.ok && applyChange(project, placed.value);
  if (!applied || !applied.ok) throw new Error('not placed');
  return applied.value;
};

describe('the trades sheet', () => {
  const house = smallHouse({ walls: { south1: { studMaterial: 'none', studSpacingM: 0 } } });

  it('gives each trade what our devices ask of it, and leaves out what nobody asks', () => {
    let project = put(house, 'display', [2, 0.05], {
      mountTypeId: 'mount-arm',
      wishes: ['removable'],
      finish: 'black',
      seenFrom: 'sofa',
    });
    project = put(project, 'strip-light', [4, 3], { tailM: 2.5 });
    project = put(project, 'battery-shade', [1, 0.05]);
    const tables = tradesSheet(project, words);
    const of = (section: string) => tables.find((table) => table.section === section)?.rows ?? [];
    // 27 kg and a mount of 11 kg, factor 5: 1864 N; the mount's holes are 0.406 m apart and stand 0.1 m inside the blocking.
    expect(of('blocking')[0].slice(2)).to.deep.equal([
      // Studs at 1.697 and 2.303 m from the corner; the west wall is 0.12 m thick, a tape begins at its face.
      '1.637 m – 2.243 m left',
      '1.15 m',
      '1.55 m',
      '0.406 m × 0.20 m',
      '38.0 kg',
      '1864 N',
      'to be set',
    ]);
    expect(of('joinery').map((row) => [row[0], row[3]])).to.deep.equal([['LS Strip light feed', '2.50 m']]);
    expect(of('outlets').map((row) => row[3])).to.deep.equal(['180 W']);
    expect(of('looks')[0].slice(2)).to.deep.equal(['black', 'Removable without trace', 'sofa', '4']);
    expect(of('links').map((row) => row[0])).to.deep.equal(['BT Window shade on battery']);
    expect(tradesSheet(house, words)).to.deep.equal([]);
  });
});

describe('the count of a plan', () => {
  it('is devices, runs, cable and cost by system; a prepared device costs its cable alone', () => {
    const house = smallHouse();
    const project = put(house, 'network-drop', [1, 0.05]);
    const runs = planRuns(project);
    const cutM = runs.reduce((sum, { length }) => sum + length!.cutLengthM, 0);
    const [data] = countsBySystem(project, runs);
    expect(data).to.deep.include({ system: 'data', devices: 1, runs: 2, cableM: cutM });
    expect(data.cost).to.be.closeTo(18 + 0.2 * 65 + cutM * 0.55 + 2 * (0.3 + 2 * 0.2 + 0.03) * 65, 1e-9);
    const prepared = put(house, 'network-drop', [1, 0.05], { fitting: 'prepared' });
    expect(countsBySystem(prepared, planRuns(prepared))[0].cost).to.be.closeTo(data.cost - 31, 1e-9);
  });
});

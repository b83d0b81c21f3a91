import { expect } from 'chai';
import { placeAll } from '../../devices/index.ts';
import { applyChange } from '../../model/index.ts';
import { smallHouse } from '../../testing/index.ts';
import { cutOutTemplate } from './cut-out-template.ts';

describe('the cut-out template', () => {
  const placed = placeAll(
    smallHouse(),
    'm',
    [
      { typeId: 'ceiling-speaker', at: [2, 2] },
      { typeId: 'display', at: [2, 0.05], more: { mountTypeId: 'mount-recessed' } },
      { typeId: 'access-point', at: [3, 2] },
    ],
    {
      device: (() => {
        let n = 0;
        return () => `d${++n}`;
      })(),
      run: (() => {
        let n = 0;
        return () => `r${++n}`;
      })(),
    },
  );
  const applied = placed.ok && applyChange(smallHouse(), placed.value);
  const house = applied && applied.ok ? applied.value : smallHouse();

  it('draws the hole full size on the smallest paper that takes it with its clamps', () => {
    const { cutOut, clampM } = house.deviceTypes['ceiling-speaker'];
    const made = cutOutTemplate(house, 'd1', 'metric');
    if (!made.ok) throw new Error(made.problem.code);
    expect(made.value).to.deep.include({ paper: 'A3', landscape: false, scale: 1, shape: 'round', room: 'Room AA' });
    expect(made.value.holeMm![0]).to.be.closeTo(cutOut!.widthM * 1000, 1e-9);
    expect(made.value.clampMm).to.be.closeTo(clampM * 1000, 1e-9);
    // The middle of what is left above the foot: (420 - 20 - 34) / 2 + 10.
    expect(made.value.middle).to.deep.equal([148.5, 193]);
    expect(cutOutTemplate(house, 'd1', 'imperial')).to.nested.include({ 'value.paper': 'Tabloid' });
    const types = { ...house.deviceTypes, 'ceiling-speaker': { ...house.deviceTypes['ceiling-speaker'] } };
    types['ceiling-speaker'].cutOut = { shape: 'round', widthM: 0.12, heightM: 0.12 };
    expect(cutOutTemplate({ ...house, deviceTypes: types }, 'd1', 'metric')).to.nested.include({ 'value.paper': 'A4' });
  });

  it('goes to a larger paper, and says so where no paper is large enough', () => {
    const recess = cutOutTemplate(house, 'd2', 'metric');
    // 360 x 560 mm is more than A3 holds: drawn at a fifth.
    expect(recess).to.deep.nested.include({ 'value.scale': 0.2, 'value.holeMm': [360, 560] });
    const types = { ...house.deviceTypes, 'mount-recessed': { ...house.deviceTypes['mount-recessed'] } };
    types['mount-recessed'].cutOut = { shape: 'rectangle', widthM: 0.34, heightM: 0.2 };
    types['mount-recessed'].holePatternM = [0.3, 0.1];
    expect(cutOutTemplate({ ...house, deviceTypes: types }, 'd2', 'metric')).to.nested.include({
      'value.paper': 'A3',
      'value.landscape': true,
      'value.scale': 1,
    });
  });

  it('is refused where nothing is cut', () => {
    const types = {
      ...house.deviceTypes,
      'access-point': { ...house.deviceTypes['access-point'], cutOut: null, holePatternM: null },
    };
    expect(cutOutTemplate({ ...house, deviceTypes: types }, 'd3', 'metric')).to.nested.include({
      'problem.code': 'no-cut-out',
    });
    expect(cutOutTemplate(house, 'gone', 'metric')).to.nested.include({ 'problem.code': 'record-gone' });
  });
});

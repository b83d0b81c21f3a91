import { expect } from 'chai';
import { CABLE_TYPES, DEVICE_TYPES } from '@dusky-spool/core/devices';
import { cautionsOf, cautionsOfCable } from './cautions-of.ts';
import { CAUTIONS } from '@dusky-spool/texts/cautions';

describe('cautions', () => {
  const typeOf = (id: string) => DEVICE_TYPES.find((type) => type.id === id)!;
  const cableOf = (id: string) => CABLE_TYPES.find((cable) => cable.id === id)!;

  it('have words for all 22 topics', () => {
    for (let n = 1; n <= 22; n++) expect(CAUTIONS[`C${n}`], `C${n}`).to.be.a('string').and.not.equal('');
  });

  it('stand with every kind of device that can hurt somebody', () => {
    const told = new Set(DEVICE_TYPES.flatMap((type) => cautionsOf(type)));
    const wanted = [1, 5, 6, 7, 8, 9, 12, 14, 15, 16, 18, 19, 20, 22].map((n) => `C${n}`);
    expect(wanted.filter((id) => !told.has(id))).to.deep.equal([]);
    expect(cautionsOf(typeOf('display'))).to.include('C8');
    expect(cautionsOf(typeOf('network-drop'))).to.deep.equal([]);
  });

  it('stand with cables whose ends can hurt somebody', () => {
    expect(cautionsOfCable(cableOf('spk_14_2'))).to.deep.equal(['C2']);
    expect(cautionsOfCable(CABLE_TYPES.find(({ material }) => material === 'fibre')!)).to.deep.equal(['C12']);
    expect(cautionsOfCable(cableOf('cat6_utp'))).to.deep.equal([]);
  });
});

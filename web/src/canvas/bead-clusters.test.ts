import { expect } from 'chai';
import { newDevice } from '@dusky-spool/core/model';
import { smallHouse } from '@dusky-spool/core/testing';
import { beadClusters } from './bead-clusters.ts';

describe('beads that would hide each other', () => {
  const type = smallHouse().deviceTypes.keypad;
  const at = (id: string, x: number) => ({
    device: newDevice({ id, typeId: type.id, levelId: 'm', roomId: null, number: 1, x, y: 1, heightM: null, facingRad: 0 }),
    type,
    label: id,
  });
  const devices = [at('a', 1), at('b', 1.3), at('c', 4)];
  const seen = (scale: number, apart: string[] = []) => {
    const { single, clusters } = beadClusters(devices, scale, new Set(apart));
    return [single.map(({ label }) => label), clusters.map(({ members }) => members.map(({ label }) => label))];
  };

  it('are one cluster when zoomed out and stand by themselves when zoomed in', () => {
    expect(seen(25)).to.deep.equal([['c'], [['a', 'b']]]);
    expect(seen(60)).to.deep.equal([['a', 'b', 'c'], []]);
    // 0.3 m are 4.5 px at 15 px/m: nearer than a dot is wide.
    expect(seen(15)).to.deep.equal([['c'], [['a', 'b']]]);
    expect(seen(2)).to.deep.equal([[], [['a', 'b', 'c']]]);
  });

  it('leave the selected one out', () => {
    expect(seen(25, ['b'])).to.deep.equal([['a', 'b', 'c'], []]);
  });
});

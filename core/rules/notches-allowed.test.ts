import { derivationsOf } from '../derive/index.ts';
import { create, newFeature, type ProjectDocument } from '../model/index.ts';
import { applied, smallHouse } from '../testing/index.ts';
import { notchesAllowed } from './notches-allowed.ts';
import { expect } from 'chai';

type Notch = Partial<Parameters<typeof newFeature>[0]>;
type House = Parameters<typeof smallHouse>[0];

const notched = (notch: Notch, more: House = {}, jurisdiction: 'NA' | 'UK' = 'NA'): ProjectDocument => {
  const house = smallHouse(more);
  const feature = newFeature({ id: 'n', levelId: 'm', kind: 'existing-notch', points: [[2, 0]], ...notch });
  return applied({ ...house, project: { ...house.project, jurisdiction } }, [create('features', feature)]);
};
const told = (project: ProjectDocument) =>
  notchesAllowed
    .run({ project, read: derivationsOf(project), runs: [], today: '2026-01-01', limit: () => 0 })
    .map(({ code, rank, measured, allowed }) => ({ code, rank, measured, allowed }));
const codes = (project: ProjectDocument) => told(project).map(({ code }) => code);

/** Joists of 235 mm over a room 4.1 m deep, along y, notched from below or above. */
const ACROSS = { rooms: [{ joistAngleRad: Math.PI / 2, joistDepthM: 0.235, joistSpacingM: 0.4, joistOffsetM: 0 }] };
const inJoist = (alongM: number, bottomM: number, topM: number, lengthM = 0.05): Notch => ({
  points: [[2, alongM]],
  bottomM,
  topM,
  widthM: lengthM,
});

describe('notches', () => {
  it('of a stud keep to a quarter of its depth, on the limit too', () => {
    const walls = { south1: { cavityDepthM: 0.089 } };
    const stud = (depthM: number) => notched({ depthM, bottomM: 1, topM: 1.05 }, { walls });
    expect(told(stud(0.089 / 4))).to.deep.equal([]);
    expect(told(stud(0.023))).to.deep.equal([{ code: 'notch-over', rank: 'stop', measured: 0.023, allowed: 0.02225 }]);
  });

  it('of a plate keep to half its width', () => {
    const walls = { south1: { cavityDepthM: 0.089 } };
    const plate = (depthM: number) => codes(notched({ depthM, bottomM: 0, topM: 0.03 }, { walls }));
    expect(plate(0.044)).to.deep.equal([]);
    expect(plate(0.045)).to.deep.equal(['notch-over']);
  });

  it('in stone keep to a third of the leaf upright and a sixth level; concrete is the engineer’s', () => {
    const stone = (kind: 'masonry' | 'concrete') => ({
      walls: { south1: { kind, studSpacingM: 0, thicknessM: 0.12, finishLeftM: 0.01, finishRightM: 0.01 } },
    });
    const chase = (widthM: number, depthM: number, kind: 'masonry' | 'concrete' = 'masonry') =>
      codes(notched({ depthM, widthM, bottomM: 0.3, topM: 1.1 }, stone(kind)));
    expect(chase(0.04, 0.033)).to.deep.equal([]);
    expect(chase(0.04, 0.034)).to.deep.equal(['notch-over']);
    expect(chase(2, 0.016)).to.deep.equal([]);
    expect(chase(2, 0.017)).to.deep.equal(['notch-over']);
    expect(chase(0.04, 0.01, 'concrete')).to.deep.equal(['notch-engineered']);
  });

  it('of a joist keep to a sixth of its depth and a third of it long, and out of the middle third', () => {
    expect(codes(notched(inJoist(0.8, 2.5, 2.539), ACROSS))).to.deep.equal([]);
    expect(told(notched(inJoist(0.8, 2.5, 2.54), ACROSS))[0]).to.deep.include({ code: 'notch-over', allowed: 0.235 / 6 });
    expect(told(notched(inJoist(0.8, 2.5, 2.53, 0.08), ACROSS))[0]).to.deep.include({
      code: 'notch-too-long',
      measured: 0.08,
      allowed: 0.235 / 3,
    });
    expect(codes(notched(inJoist(2.05, 2.5, 2.51), ACROSS))).to.deep.equal(['notch-middle-third']);
    // At its very end a quarter may be cut, seen from either side.
    expect(codes(notched(inJoist(0.02, 2.5, 2.555, 0.06), ACROSS))).to.deep.equal([]);
    expect(codes(notched(inJoist(4.09, 2.5, 2.56, 0.06), ACROSS))).to.deep.equal(['notch-over']);
  });

  it('of a joist in the UK are in its top, near its ends', () => {
    const topM = 2.5 + 0.235;
    expect(codes(notched(inJoist(0.6, topM - 0.029, topM), ACROSS, 'UK'))).to.deep.equal([]);
    expect(codes(notched(inJoist(0.6, topM - 0.03, topM), ACROSS, 'UK'))).to.deep.equal(['notch-over']);
    expect(codes(notched(inJoist(0.6, 2.5, 2.51), ACROSS, 'UK'))).to.deep.equal(['notch-bottom']);
    expect(codes(notched(inJoist(2, topM - 0.02, topM), ACROSS, 'UK'))).to.deep.equal(['notch-off-span']);
  });

  it('of an I-joist wait for its engineer, and what is made good is only asked after', () => {
    const engineered = { rooms: [{ ...ACROSS.rooms[0], framing: 'i-joist' as const }] };
    expect(codes(notched(inJoist(0.8, 2.5, 2.51), engineered))).to.deep.equal(['notch-engineered']);
    expect(told(notched({ ...inJoist(0.8, 2.5, 2.51), decision: 'make-good' }, engineered))).to.deep.equal([
      { code: 'notch-mend', rank: 'look', measured: null, allowed: null },
    ]);
  });

  it('that lie in no member are told', () => {
    expect(codes(notched({ points: [[2, 2]], bottomM: 1, topM: 1.1 }))).to.deep.equal(['notch-no-member']);
    expect(codes(notched(inJoist(0.8, 3, 3.1), ACROSS))).to.deep.equal(['notch-no-member']);
  });
});

import { expect } from 'chai';
import { emptyProject, newFeature, newHeader, type ProjectDocument } from '@dusky-spool/core/model';
import { smallHouse } from '@dusky-spool/core/testing';
import { noSelection, readSelection } from './selection-kinds.ts';
import { boundsOf, inBounds, type Point2 } from '@dusky-spool/core/math';
import { cropBetween, insideOf, isBare, present, removed } from './survey-selection.ts';

const house = smallHouse();

const between = (a: Point2, b: Point2) => (p: Point2) => inBounds(boundsOf([a, b])!, p);

describe('a selection', () => {
  it('is read from the address, and is nothing where the address is not one', () => {
    expect(readSelection('wall:west,east')).to.deep.equal({ kind: 'wall', ids: ['west', 'east'] });
    for (const odd of [null, '', 'wall', 'wall:', 'castle:a', 'wall:a b', 'wall:<script>', ':a'])
      expect(readSelection(odd), String(odd)).to.equal(noSelection);
  });

  it('keeps what is still there, and what belongs to the survey', () => {
    expect(present(house, { kind: 'wall', ids: ['west', 'gone', 'east'] })).to.deep.equal({
      kind: 'wall',
      ids: ['west', 'east'],
    });
    expect(present(house, { kind: 'wall', ids: ['gone', 'toString'] })).to.equal(noSelection);
    expect(present(house, { kind: 'device', ids: ['d1'] })).to.equal(noSelection);
  });

  it('by a box is of the walls that lie in it, or of the things where there are more', () => {
    const none = new Set<string>();
    expect(insideOf(house, 'm', between([-1, -1], [5.2, 5]), none)).to.deep.equal({
      kind: 'wall',
      ids: ['south1', 'north1', 'west', 'middle'],
    });
    expect(insideOf(house, 'm', between([1, 1], [2, 2]), none)).to.equal(noSelection);
    const beds = Object.fromEntries(
      ['b1', 'b2'].map((id, i) => [id, newFeature({ id, levelId: 'm', kind: 'bed', points: [[1 + i, 1]] })]),
    );
    const furnished = { ...house, features: beds };
    expect(insideOf(furnished, 'm', between([3, 2], [0.5, 0.5]), none)).to.deep.equal({ kind: 'feature', ids: ['b1', 'b2'] });
    expect(insideOf(furnished, 'm', between([3, 2], [0.5, 0.5]), new Set(['bed']))).to.equal(noSelection);
    expect(insideOf(furnished, 'elsewhere', between([-9, -9], [99, 99]), none)).to.equal(noSelection);
  });

  it('that is removed takes along what cannot stand without it', () => {
    const operations = removed(house, 'rack', 'rack');
    expect(operations.map(({ op, in: list, id }) => [op, list, id])).to.deep.equal([['delete', 'racks', 'rack']]);
    expect(removed(house, 'run', 'r1')).to.deep.equal([]);
  });
});

describe('a level', () => {
  it('is bare until something is drawn on it', () => {
    const empty: ProjectDocument = { ...emptyProject(newHeader('7K3MQ', 'Empty', 'metric')), levels: house.levels };
    expect(isBare(empty, 'm')).to.equal(true);
    expect(isBare(house, 'm')).to.equal(false);
    expect(isBare(house, 'elsewhere')).to.equal(true);
  });
});

describe('a crop', () => {
  // 1000 x 500 px at 1 cm a pixel, its lower left corner at (2, 1): it covers 10 x 5 m.
  const underlay = { originX: 2, originY: 1, rotationRad: 0, metresPerPixel: 0.01, metresPerPixelY: 0.01 };
  const picture = { widthPx: 1000, heightPx: 500 };

  it('is the part between two corners, in whatever order, and never beyond the picture', () => {
    const within = (crop: readonly number[] | null, want: readonly number[]) =>
      want.forEach((value, i) => expect(crop![i]).to.be.closeTo(value, 1e-9));
    within(cropBetween(underlay, picture, [4, 2], [7, 5]), [0.2, 0.2, 0.5, 0.8]);
    within(cropBetween(underlay, picture, [7, 2], [4, 5]), [0.2, 0.2, 0.5, 0.8]);
    within(cropBetween(underlay, picture, [-9, -9], [99, 99]), [0, 0, 1, 1]);
    // Turned a quarter, the picture runs up from its corner, and its own up points to the left.
    within(cropBetween({ ...underlay, rotationRad: Math.PI / 2 }, picture, [1, 2], [-2, 5]), [0.1, 0.2, 0.4, 0.8]);
  });

  it('too small to see is none', () => {
    expect(cropBetween(underlay, picture, [4, 2], [4.05, 5])).to.equal(null);
  });
});

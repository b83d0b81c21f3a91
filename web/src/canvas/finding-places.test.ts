import type { DerivedFinding } from '@dusky-spool/core/deltas';
import { newOpening } from '@dusky-spool/core/model';
import { smallHouse } from '@dusky-spool/core/testing';
import { expect } from 'chai';
import { placesOf } from './finding-places.ts';

const door = newOpening({ id: 'door', wallId: 'south2', kind: 'door', offsetM: 2, widthM: 0.9, sillM: 0, headM: 2.1 });
const house = smallHouse({ openings: [door] });
const about = (list: string, id: string, figures: object = {}) =>
  ({ subjects: [{ in: list, id }], figures }) as unknown as DerivedFinding;

describe('a finding on the plan', () => {
  it('stands where the joist or wall is bored, on the level of its room', () => {
    expect(placesOf(house, about('rooms', 'a', { at: [1.2, 3.4] }), 'm')).to.deep.equal([[1.2, 3.4]]);
    expect(placesOf(house, about('walls', 'middle', { at: [5.1, 1] }), 'm')).to.deep.equal([[5.1, 1]]);
    expect(placesOf(house, about('rooms', 'a', { at: [1.2, 3.4] }), 'other')).to.deep.equal([]);
  });

  it('stands in the middle of a room or wall where no place is named, and at its opening in a wall', () => {
    expect(placesOf(house, about('walls', 'middle'), 'm')).to.deep.equal([[5.1, 2.05]]);
    // Words are no place.
    expect(placesOf(house, about('walls', 'middle', { at: 'its far end' }), 'm')).to.deep.equal([[5.1, 2.05]]);
    expect(placesOf(house, about('openings', 'door'), 'm')).to.deep.equal([[7.1, 0]]);
  });
});

import { edited } from '@dusky-spool/core/derive';
import { update, type Operation } from '@dusky-spool/core/model';
import { smallHouse } from '@dusky-spool/core/testing';
import { expect } from 'chai';
import { problemSentence } from './sentences.ts';

const house = smallHouse();
const said = (operation: Operation | null, units: 'metric' | 'imperial' = 'metric') => {
  const after = edited(house, [operation!]);
  return after.ok ? 'taken' : problemSentence(after.problem, units);
};

describe('a value that a field cannot take', () => {
  it('is told by the name of the field and its bound, in the units of the project', () => {
    const spacing = update('rooms', house.rooms.a, { joistSpacingM: 0.001 });
    expect(said(spacing)).to.equal('Joist spacing: 0.05 m or more.');
    expect(said(spacing, 'imperial')).to.equal('Joist spacing: 1 15/16" or more.');
    expect(said(update('walls', house.walls.west, { thicknessM: 9 }))).to.equal('Thickness: 3.00 m at most.');
    expect(said(update('racks', house.racks.rack, { units: 900 }))).to.equal('Units: 60 at most.');
  });

  it('is told in letters where it is words', () => {
    expect(said(update('rooms', house.rooms.a, { name: '' }))).to.equal('Name is missing.');
    expect(said(update('rooms', house.rooms.a, { name: 'x'.repeat(61) }))).to.equal('Name: 60 characters at most.');
    expect(said(update('rooms', house.rooms.a, { code: 'a b' }))).to.equal(
      'Code: capital letters and digits only, without spaces.',
    );
  });

  it('never shows the words of a schema', () => {
    const wrong = [
      update('rooms', house.rooms.a, { framing: 'twigs' as never }),
      update('walls', house.walls.west, { thicknessM: 'thick' as never }),
      update('levels', house.levels.m, { benchmarkM: Number.NaN }),
      update('rooms', house.rooms.a, { polygon: [[0, 0]] }),
    ];
    for (const operation of wrong) expect(said(operation)).to.not.match(/invalid|expected|received|array|too |zod|\[object/i);
  });
});

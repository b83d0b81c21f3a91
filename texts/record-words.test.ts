import { expect } from 'chai';
import { COLLECTION_NAMES, type FieldConflict } from '@dusky-spool/core/model';
import { countedIds, smallHouse, withDevices } from '@dusky-spool/core/testing';
import { conflictLines, fieldValue, recordName } from './record-words.ts';

const { project, devices } = withDevices(
  smallHouse(),
  [
    { typeId: 'keypad', at: [1, 0.1], heightM: 1.2 },
    { typeId: 'access-point', at: [2.5, 2], name: 'over the table' },
  ],
  countedIds(),
);
const [keypad, point] = devices;
const conflict = (of: Partial<FieldConflict>): FieldConflict => ({
  ...{ in: 'devices', id: keypad.id, field: 'heightM', expected: null, mine: null, theirs: null },
  ...of,
});

describe('what two people made of one thing', () => {
  it('is told with the name of the field and its unit: a height of 1.20 m or of 1.30 m', () => {
    const [line] = conflictLines(project, [conflict({ mine: 1.2, theirs: 1.3 })]);
    expect(line).to.include({ what: 'Keypad', field: 'Height', mine: '1.20 m', theirs: '1.30 m' });
    const feet = { ...project, project: { ...project.project, units: 'imperial' as const } };
    expect(conflictLines(feet, [conflict({ mine: 1.2192, theirs: null })])[0]).to.include({
      mine: `4'`,
      theirs: 'at the ceiling',
    });
  });

  it('is one place where a device was moved, as a tape finds it', () => {
    const moved = ['x', 'y', 'number'].map((field) =>
      conflict({ id: point.id, field, mine: { x: 1, y: 1, number: 1 }[field], theirs: { x: 4, y: 3, number: 2 }[field] }),
    );
    expect(conflictLines(project, moved).map(({ what, field, mine, theirs }) => [what, field, mine, theirs])).to.deep.equal([
      [
        'Access point, over the table',
        'Place',
        'Room AA, 0.94 m from the lower wall, 0.94 m from the left wall',
        'Room AA, 1.04 m from the right wall, 1.04 m from the upper wall',
      ],
    ]);
  });

  it('names records, choices and lists, and never shows what a machine reads', () => {
    expect(fieldValue(project, 'roomId', 'b')).to.equal('Room BB');
    expect(fieldValue(project, 'cableTypeId', 'cat6a_utp')).to.equal('Category 6A');
    expect(fieldValue(project, 'fitting', 'prepared')).to.equal('Prepared: cable now');
    expect(fieldValue(project, 'facingRad', Math.PI / 2)).to.equal('90°');
    expect(fieldValue(project, 'polygon', project.rooms.a.polygon)).to.equal('an outline with 4 corners');
    expect(fieldValue(project, 'defaults', { joistSpacingM: 0.4, framing: 'solid' })).to.match(
      /^Joist spacing: 0\.40 m, .*Solid joists$/,
    );
    expect(fieldValue(project, 'name', '')).to.equal('nothing');
    expect(fieldValue(project, 'name', undefined)).to.equal('deleted');
    for (const record of [...Object.values(project.devices), ...Object.values(project.walls), ...Object.values(project.rooms)])
      for (const [field, value] of Object.entries(record as unknown as Record<string, unknown>))
        expect(fieldValue(project, field, value), field).to.not.match(/[{}[\]]|undefined|null/);
  });

  it('has a name for a record of every list, also one that is gone', () => {
    for (const list of COLLECTION_NAMES) expect(recordName(project, list, 'gone'), list).to.match(/^An? \w|^Something/);
    expect(recordName(project, 'project', 'project')).to.equal('Job facts');
    expect(recordName(project, 'runs', Object.keys(project.runs)[0])).to.match(/^Run M-AA-/);
  });
});

import { expect } from 'chai';
import { placeDevice } from '../../devices/index.ts';
import type { Outcome } from '../../math/index.ts';
import { applyChange, create, type ProjectDocument } from '../../model/index.ts';
import { planRuns } from '../../runs/index.ts';
import { countingIds, smallHouse, twoStoreyHouse } from '../../testing/index.ts';
import { supportsOf } from '../supports.ts';
import { holeSchedule } from './hole-schedule.ts';
import { penetrationsOf, sealCounts } from './penetrations.ts';

function must<T>(outcome: Outcome<T>): T {
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problem));
  return outcome.value;
}
const place = (
  project: ProjectDocument,
  ids: ReturnType<typeof countingIds>,
  at: [number, number],
  typeId = 'ceiling-speaker',
  levelId = 'm',
) => must(applyChange(project, must(placeDevice(project, { typeId, levelId, at }, ids()))));
const pierced = (project: ProjectDocument) => penetrationsOf(project, holeSchedule(project, planRuns(project)));

describe('the register of penetrations', () => {
  it('holds rated walls, plates and floors, but no stud and no joist', () => {
    const ids = countingIds();
    const project = place(smallHouse({ walls: { middle: { kind: 'fire' } } }), ids, [1, 2]);
    const register = pierced(project);
    expect(register.map(({ member, kind }) => `${member} ${kind}`)).to.have.members(['fire fire-stop', 'top-plate fire-block']);
    const [fire] = register.filter(({ member }) => member === 'fire');
    expect(fire).to.deep.include({ wallId: 'middle', assembly: 'fire', family: 'listed system', seal: null });
    expect(fire.at[0]).to.be.closeTo(5.1, 1e-6);
  });

  it('counts what is open, sealed and inspected; a record belongs to the place that it was made for', () => {
    const ids = countingIds();
    const house = place(smallHouse({ walls: { middle: { kind: 'fire' } } }), ids, [1, 2]);
    const [fire] = pierced(house).filter(({ member }) => member === 'fire');
    const seal = {
      levelId: 'm',
      member: 'fire' as const,
      assembly: '60 min',
      product: 'collar',
      system: 'invented-12',
      by: 'Kim',
      on: '2026-11-26',
      photo: '',
      note: '',
    };
    const [x, y, z] = fire.at;
    const project = must(
      applyChange(house, {
        operations: [
          create('seals', { id: 's1', ...seal, at: [x + 0.01, y, z], state: 'sealed' }),
          create('seals', { id: 's2', ...seal, at: [x, y + 1, z], state: 'inspected' }),
        ],
      }),
    );
    const register = pierced(project);
    expect(register.find(({ member }) => member === 'fire')!.seal!.id).to.equal('s1');
    expect(sealCounts(register)).to.deep.equal({ open: 1, sealed: 1, inspected: 0 });
  });

  it('takes floors in risers along, to be blocked against fire', () => {
    const ids = countingIds();
    const project = place(twoStoreyHouse(), ids, [9, 3.2], 'ceiling-speaker', 'u');
    expect(
      pierced(project).some(({ member, kind }) => (member === 'floor' || member === 'sole-plate') && kind === 'fire-block'),
    ).to.equal(true);
  });
});

describe('what holds the cable', () => {
  it('is counted by F16.6: staples in walls, hooks where it hangs, ties on bundles (by hand)', () => {
    const ids = countingIds();
    // 0.1 up at the ceiling, 9.2 along above it, 0.6 down in the wall of the rack.
    const one = place(smallHouse(), ids, [1, 2]);
    const alone = supportsOf(one, planRuns(one));
    // 0.6 / 1.4 -> 1, and 4 at its ends; 9.2 / 1.5 -> 7.
    expect(alone.byCable).to.have.length(1);
    expect(alone.byCable[0]).to.include({ runs: 1, staples: 5, hooks: 7 });
    expect(alone.byCable[0].hungM).to.be.closeTo(9.2, 1e-6);
    expect(alone.ties).to.equal(0);
    // A second one of the same bundle hangs on the same hooks: 9.2 / 1.2 -> 8 ties.
    const two = place(one, ids, [1.1, 2]);
    const both = supportsOf(two, planRuns(two));
    expect(both.byCable[0]).to.include({ runs: 2, staples: 10, hooks: 7 });
    expect(both.ties).to.equal(8);
  });
});

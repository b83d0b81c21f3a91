import { expect } from 'chai';
import fc from 'fast-check';
import { moveDevices, placeDevice, removeDevices } from '../devices/index.ts';
import type { Outcome } from '../math/index.ts';
import { applyChange, checkIntegrity, type Operation, type ProjectDocument, update, updateProject } from '../model/index.ts';
import { countingIds, smallHouse } from '../testing/index.ts';
import { renumberScheme } from './renumber-scheme.ts';
import { reserveBlock } from './numbering.ts';
import { runState, proposedRoutes } from './run-state.ts';

function must<T>(outcome: Outcome<T>): T {
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problem));
  return outcome.value;
}
const apply = (project: ProjectDocument, operations: readonly Operation[]) => must(applyChange(project, { operations }));
type At = [number, number];
function house(places: readonly At[], typeId = 'ceiling-speaker', holder?: string, start = smallHouse(), ids = countingIds()) {
  return places.reduce(
    (project, at) => apply(project, must(placeDevice(project, { typeId, levelId: 'm', at, holder }, ids())).operations),
    start,
  );
}
const printed = (project: ProjectDocument, runId = 'r1x1') =>
  apply(project, [update('runs', project.runs[runId], { printedOn: '2026-11-26' })!]);
const numbers = (project: ProjectDocument) => Object.values(project.runs).map(({ number }) => number);

describe('a number that was printed', () => {
  it('is not given again when its device is deleted', () => {
    const ids = countingIds();
    const start = printed(
      house(
        [
          [1, 2],
          [2, 2],
        ],
        'ceiling-speaker',
        undefined,
        smallHouse(),
        ids,
      ),
    );
    expect(numbers(start)).to.deep.equal(['M-AA-01.1', 'M-AA-02.1']);
    const gone = apply(start, must(removeDevices(start, ['d1'])));
    const again = apply(gone, must(placeDevice(gone, { typeId: 'ceiling-speaker', levelId: 'm', at: [3, 2] }, ids())).operations);
    expect(numbers(again)).to.have.members(['M-AA-02.1', 'M-AA-03.1']);
    // One that was never printed is given again.
    const plain = apply(again, must(removeDevices(again, ['d2'])));
    const after = apply(
      plain,
      must(placeDevice(plain, { typeId: 'ceiling-speaker', levelId: 'm', at: [4, 2] }, ids())).operations,
    );
    expect(numbers(after)).to.include('M-AA-02.1');
  });

  it('is spent when its device moves into another room, and the label is to be printed again', () => {
    const start = printed(house([[1, 2]]));
    const moved = apply(start, must(moveDevices(start, [{ deviceId: 'd1', to: [7, 2] }])));
    expect(moved.runs.r1x1).to.include({ number: 'M-BB-01.1', printedOn: '' });
    expect(Object.values(moved.spentNumbers).map(({ number }) => number)).to.deep.equal(['M-AA-01.1']);
    const back = apply(moved, must(moveDevices(moved, [{ deviceId: 'd1', to: [1, 2] }])));
    expect(back.runs.r1x1.number).to.equal('M-AA-02.1');
  });
});

describe('numbers taken along', () => {
  it('never meet those that were given meanwhile: merging renumbers nothing', () => {
    const start = house([[1, 2]]);
    const withBlock = apply(start, reserveBlock(start, 'Kim, phone', '2026-11-26', 'b1'));
    const [block] = Object.values(withBlock.numberBlocks);
    expect(block).to.include({ from: 111, to: 150 });
    const ids = countingIds();
    ids();
    const office = house(
      [
        [2, 2],
        [3, 2],
      ],
      'ceiling-speaker',
      undefined,
      withBlock,
      ids,
    );
    const onSite = must(
      placeDevice(withBlock, { typeId: 'ceiling-speaker', levelId: 'm', at: [4, 2], holder: 'Kim, phone' }, ids()),
    );
    expect(onSite.device.number).to.equal(111);
    const merged = apply(office, onSite.operations);
    expect(checkIntegrity(merged).ok).to.equal(true);
    expect(numbers(merged)).to.deep.equal(['M-AA-01.1', 'M-AA-02.1', 'M-AA-03.1', 'M-AA-111.1']);
  });

  it('are left out by everybody else, and by the next block', () => {
    const start = smallHouse();
    const two = apply(apply(start, reserveBlock(start, 'a', '', 'b1')), []);
    const second = apply(two, reserveBlock(two, 'b', '', 'b2'));
    const [first, next] = ['b1', 'b2'].map((id) => second.numberBlocks[id]);
    expect(next.from).to.be.greaterThan(first.to);
    const narrow = { ...second, numberBlocks: { b1: { ...first, from: 1, to: 3 } } };
    expect(numbers(house([[1, 2]], 'ceiling-speaker', undefined, narrow))).to.deep.equal(['M-AA-04.1']);
    expect(
      numbers(
        house(
          [
            [1, 2],
            [2, 2],
            [3, 2],
            [4, 2],
          ],
          'ceiling-speaker',
          'a',
          narrow,
        ),
      ),
    ).to.deep.equal(['M-AA-01.1', 'M-AA-02.1', 'M-AA-03.1', 'M-AA-04.1']);
  });
});

describe('another number scheme', () => {
  const project = house(
    [
      [1, 2],
      [7, 2],
    ],
    'display',
  );

  it('is shown on every run, old beside new, and keeps what was issued', () => {
    const issued = apply(project, must(runState(project, ['r1x1'], 'issued', proposedRoutes(project))));
    const preview = must(renumberScheme(issued, '{room}{type}{device}-{leg}'));
    expect(preview.runs.find(({ runId }) => runId === 'r1x1')).to.include({ from: 'M-AA-01.1', to: 'AATV01-1', kept: 'issued' });
    expect(preview.runs.find(({ runId }) => runId === 'r2x2')).to.include({ to: 'BBTV01-2', kept: null });
    const after = apply(issued, preview.operations);
    expect(after.project.numberPattern).to.equal('{room}{type}{device}-{leg}');
    expect(after.runs.r1x1.number).to.equal('M-AA-01.1');
    expect(checkIntegrity(after).ok).to.equal(true);
  });

  it('may count the ports of each rack in the order of termination', () => {
    const after = apply(project, must(renumberScheme(project, '{rack}{port}')).operations);
    expect(numbers(after).sort()[0]).to.equal('A001');
    expect(new Set(numbers(after)).size).to.equal(numbers(after).length);
    const more = house(
      [[2, 2]],
      'ceiling-speaker',
      undefined,
      after,
      (() => {
        const ids = countingIds();
        ids();
        ids();
        return ids;
      })(),
    );
    expect(numbers(more)).to.include(`A${String(numbers(after).length + 1).padStart(3, '0')}`);
  });

  it('spends numbers that were printed under the old one', () => {
    const preview = must(renumberScheme(printed(project), '{room}.{device}.{leg}'));
    const after = apply(printed(project), preview.operations);
    expect(Object.values(after.spentNumbers).map(({ number }) => number)).to.deep.equal(['M-AA-01.1']);
    expect(after.runs.r1x1.printedOn).to.equal('');
  });

  it('is refused with the part or the two runs that do not fit', () => {
    const problem = (pattern: string) => {
      const outcome = renumberScheme(project, pattern);
      return outcome.ok ? null : outcome.problem;
    };
    expect(problem('{room}-{cable}-{device}')).to.include({ code: 'scheme-unknown-part', part: 'cable' });
    expect(problem('{room}-{leg}')).to.include({ code: 'scheme-without-count' });
    expect(problem('{device}.{leg}')).to.include({ code: 'scheme-not-unique', number: '01.1' });
    expect(problem(`{device}${'X'.repeat(50)}`)).to.include({ code: 'scheme-too-long' });
    expect(problem('')).to.include({ code: 'scheme-without-count', field: 'numberPattern' });
  });

  it('is unique on the whole project by construction, or refused (property)', () => {
    const part = fc.constantFrom('{level}', '{room}', '{system}', '{type}', '{device}', '{leg}', '{rack}', '{port}', '-', '.');
    fc.assert(
      fc.property(fc.array(part, { minLength: 1, maxLength: 7 }), (parts) => {
        const preview = renumberScheme(project, parts.join(''));
        if (!preview.ok) return;
        const after = apply(project, preview.value.operations);
        expect(checkIntegrity(after).ok).to.equal(true);
      }),
      { numRuns: 300 },
    );
  });

  it('takes numbers from nobody (update of a header alone is not enough)', () => {
    const only = apply(project, [updateProject(project.project, { numberPattern: '{room}{device}.{leg}' })!]);
    expect(numbers(only)).to.deep.equal(numbers(project));
  });
});

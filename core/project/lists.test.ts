import { expect } from 'chai';
import fc from 'fast-check';
import { twoStoreyHouse } from '../testing/index.ts';
import {
  addToDraft,
  applyChange,
  create,
  draftOf,
  listOf,
  newWall,
  onLevel,
  remove,
  update,
  type Operation,
  type ProjectDocument,
  withRecords,
} from './index.ts';

/** The lists as somebody who remembers nothing would make them. */
const afresh = (document: ProjectDocument, levelId: string) =>
  Object.keys(document.walls)
    .sort()
    .map((id) => document.walls[id])
    .filter((wall) => wall.levelId === levelId);

const step = fc.record({
  act: fc.constantFrom('create', 'update', 'lift', 'remove'),
  pick: fc.nat(1000),
  id: fc.string({ unit: fc.constantFrom('a', 'b', 'Z', '0', '_', '9'), minLength: 1, maxLength: 5 }).map((s) => `w${s}`),
});

function operationOf(document: ProjectDocument, { act, pick, id }: { act: string; pick: number; id: string }): Operation | null {
  const walls = Object.values(document.walls);
  const levels = Object.keys(document.levels);
  if (act === 'create')
    return document.walls[id] ? null : create('walls', newWall({ ...walls[0], id, levelId: levels[pick % levels.length] }));
  const wall = walls[pick % walls.length];
  if (act === 'update') return update('walls', wall, { thicknessM: 0.1 + (pick % 7) / 100 });
  if (act === 'lift') return update('walls', wall, { levelId: levels[pick % levels.length] });
  return walls.length > 1 ? remove('walls', wall) : null;
}

describe('a draft', () => {
  it('holds what was added to it in the same lists as a project with those records, and leaves the project alone', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.string({ unit: fc.constantFrom('a', 'b', '0', '_'), minLength: 1, maxLength: 4 }), fc.nat(3)), {
          maxLength: 12,
        }),
        fc.boolean(),
        (wanted, listed) => {
          const document = twoStoreyHouse();
          const levels = Object.keys(document.levels);
          if (listed) levels.forEach((levelId) => onLevel(document, 'walls', levelId));
          const before = Object.keys(document.walls).length;
          const draft = draftOf(document, ['walls']);
          let plain = document;
          for (const [id, pick] of wanted) {
            const wall = newWall({ ...Object.values(document.walls)[0], id: `n${id}`, levelId: levels[pick % levels.length] });
            addToDraft(draft, 'walls', [wall]);
            plain = withRecords(plain, 'walls', [wall]);
          }
          expect(listOf(draft, 'walls')).to.deep.equal(listOf(plain, 'walls'));
          for (const levelId of levels) expect(onLevel(draft, 'walls', levelId)).to.deep.equal(afresh(plain, levelId));
          expect(Object.keys(document.walls)).to.have.length(before);
        },
      ),
    );
  });
});

describe('lists of records', () => {
  it('that are carried from edit to edit are the same as lists made afresh', () => {
    fc.assert(
      fc.property(fc.array(step, { minLength: 1, maxLength: 30 }), (steps) => {
        let document = twoStoreyHouse();
        const levels = Object.keys(document.levels);
        for (const one of steps) {
          levels.forEach((levelId) => onLevel(document, 'walls', levelId));
          const operation = operationOf(document, one);
          if (!operation) continue;
          const applied = applyChange(document, { operations: [operation] });
          if (!applied.ok) throw new Error(applied.problem.code);
          document = applied.value;
          for (const levelId of levels) expect(onLevel(document, 'walls', levelId)).to.deep.equal(afresh(document, levelId));
          expect(listOf(document, 'walls').map(({ id }) => id)).to.deep.equal(Object.keys(document.walls).sort());
        }
      }),
      { numRuns: 60 },
    );
  });

  it('are the same object until their table changes, and those before an edit stay as they were', () => {
    const document = twoStoreyHouse();
    const [wall] = listOf(document, 'walls');
    const was = onLevel(document, 'walls', wall.levelId);
    const copy = [...was];
    const applied = applyChange(document, { operations: [remove('walls', wall)] });
    if (!applied.ok) throw new Error(applied.problem.code);
    expect(onLevel(document, 'walls', wall.levelId)).to.equal(was);
    expect(was).to.deep.equal(copy);
    expect(onLevel(applied.value, 'walls', wall.levelId)).to.deep.equal(copy.slice(1));
    expect(onLevel({ walls: applied.value.walls }, 'walls', wall.levelId)).to.equal(
      onLevel(applied.value, 'walls', wall.levelId),
    );
  });
});

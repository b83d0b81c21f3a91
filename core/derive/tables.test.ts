import { expect } from 'chai';
import fc from 'fast-check';
import { create, newWall, type Operation, type ProjectDocument, remove, update } from '../model/index.ts';
import { twoStoreyHouse } from '../testing/index.ts';
import { derivationsOf } from './derivations.ts';
import { edited, grouped, listOf, onLevel, partOf, withRecords } from './tables.ts';

/** The lists as somebody who remembers nothing would make them. */
const afresh = (project: ProjectDocument, levelId?: string) =>
  Object.keys(project.walls)
    .sort()
    .map((id) => project.walls[id])
    .filter((wall) => levelId === undefined || wall.levelId === levelId);

const step = fc.record({
  act: fc.constantFrom('create', 'update', 'lift', 'remove'),
  pick: fc.nat(1000),
  id: fc.string({ unit: fc.constantFrom('a', 'b', 'Z', '0', '_', '9'), minLength: 1, maxLength: 5 }).map((s) => `w${s}`),
});

function operationOf(project: ProjectDocument, { act, pick, id }: { act: string; pick: number; id: string }): Operation | null {
  const walls = Object.values(project.walls);
  const levels = Object.keys(project.levels);
  if (act === 'create')
    return project.walls[id] ? null : create('walls', newWall({ ...walls[0], id, levelId: levels[pick % levels.length] }));
  const wall = walls[pick % walls.length];
  if (act === 'update') return update('walls', wall, { thicknessM: 0.1 + (pick % 7) / 100 });
  if (act === 'lift') return update('walls', wall, { levelId: levels[pick % levels.length] });
  return walls.length > 1 ? remove('walls', wall) : null;
}

const after = (project: ProjectDocument, operations: readonly Operation[]): ProjectDocument => {
  const next = edited(project, operations);
  if (!next.ok) throw new Error(next.problem.code);
  return next.value;
};

describe('lists of records', () => {
  it('that are carried from edit to edit are the same as lists made afresh', () => {
    fc.assert(
      fc.property(fc.array(step, { minLength: 1, maxLength: 30 }), fc.boolean(), (steps, always) => {
        let project = twoStoreyHouse();
        const levels = Object.keys(project.levels);
        for (const one of steps) {
          if (always) levels.forEach((levelId) => onLevel(project, 'walls', levelId));
          const operation = operationOf(project, one);
          if (operation) project = after(project, [operation]);
        }
        for (const levelId of levels) expect(onLevel(project, 'walls', levelId)).to.deep.equal(afresh(project, levelId));
        expect(listOf(project, 'walls')).to.deep.equal(afresh(project));
      }),
      { numRuns: 80 },
    );
  });

  it('are the same object until their table changes, and those before an edit stay as they were', () => {
    const project = twoStoreyHouse();
    const [wall] = listOf(project, 'walls');
    const was = onLevel(project, 'walls', wall.levelId);
    const copy = [...was];
    const next = after(project, [remove('walls', wall)]);
    expect(onLevel(project, 'walls', wall.levelId)).to.equal(was);
    expect(was).to.deep.equal(copy);
    expect(onLevel(next, 'walls', wall.levelId)).to.deep.equal(copy.slice(1));
  });

  it('of a level that an edit leaves alone stay the same object', () => {
    const project = twoStoreyHouse();
    const [low, high] = Object.keys(project.levels).map((id) => onLevel(project, 'walls', id));
    const next = after(project, [update('walls', low[0], { thicknessM: 0.3 })!]);
    expect(onLevel(next, 'walls', high[0].levelId)).to.equal(high);
    expect(onLevel(next, 'walls', low[0].levelId)).to.not.equal(low);
  });
});

describe('groups and parts of a table', () => {
  const BY_THICKNESS = grouped('walls by thickness', 'walls', ({ thicknessM }) =>
    thicknessM > 0.25 ? null : String(thicknessM),
  );
  const THICK = partOf('thick walls', 'walls', ({ thicknessM }) => thicknessM > 0.12);

  it('are after any edits what they are from nothing', () => {
    fc.assert(
      fc.property(fc.array(step, { minLength: 1, maxLength: 20 }), (steps) => {
        let project = twoStoreyHouse();
        for (const one of steps) {
          const operation = operationOf(project, one);
          if (!operation) continue;
          project = after(project, [operation]);
          const [now, cold] = [derivationsOf(project), derivationsOf(structuredClone(project))];
          expect([...now.get(BY_THICKNESS).byKey].sort()).to.deep.equal([...cold.get(BY_THICKNESS).byKey].sort());
          expect(now.get(THICK)).to.deep.equal(cold.get(THICK));
        }
      }),
      { numRuns: 40 },
    );
  });

  it('stay the same list where an edit touches none of their records', () => {
    const project = twoStoreyHouse();
    const [wall] = listOf(project, 'walls');
    const thin = after(project, [update('walls', wall, { thicknessM: 0.08 })!]);
    const list = derivationsOf(thin).get(THICK);
    expect(derivationsOf(after(thin, [update('walls', thin.walls[wall.id], { thicknessM: 0.09 })!])).get(THICK)).to.equal(list);
  });
});

describe('a layer over a project', () => {
  it('holds what was put over it in the same lists as a project with those records, and leaves the project alone', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.string({ unit: fc.constantFrom('a', 'b', '0', '_'), minLength: 1, maxLength: 4 }), fc.nat(3)), {
          maxLength: 12,
        }),
        fc.boolean(),
        (wanted, listed) => {
          const project = twoStoreyHouse();
          const levels = Object.keys(project.levels);
          if (listed) levels.forEach((levelId) => onLevel(project, 'walls', levelId));
          const before = structuredClone(project.walls);
          let layer = project;
          const plain: Record<string, ProjectDocument['walls'][string]> = { ...project.walls };
          for (const [id, pick] of wanted) {
            const wall = newWall({ ...Object.values(project.walls)[0], id: `n${id}`, levelId: levels[pick % levels.length] });
            layer = withRecords(layer, 'walls', [wall]);
            plain[wall.id] = wall;
          }
          const asCopy = { ...project, walls: plain };
          expect(listOf(layer, 'walls')).to.deep.equal(afresh(asCopy));
          for (const levelId of levels) expect(onLevel(layer, 'walls', levelId)).to.deep.equal(afresh(asCopy, levelId));
          expect(Object.keys(layer.walls).sort()).to.deep.equal(Object.keys(plain).sort());
          expect({ ...layer.walls }).to.deep.equal(plain);
          expect(project.walls).to.deep.equal(before);
        },
      ),
    );
  });
});

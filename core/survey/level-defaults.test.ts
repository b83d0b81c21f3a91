import { expect } from 'chai';
import { answerFact } from '../house/index.ts';
import { applied, smallHouse } from '../testing/index.ts';
import type { ProjectDocument } from '../model/index.ts';
import { buildOf, isDefaultBuild, setLevelDefaults, wallBuildOf } from './level-defaults.ts';
import { drawWalls, WALL_BUILDS } from './walls.ts';

const counted = () => {
  let n = 0;
  return () => `new${++n}`;
};
const onto = (project: ProjectDocument, operations: ReturnType<typeof setLevelDefaults>) => applied(project, operations);

describe('defaults of a level', () => {
  it('are followed by rooms that were as the level said, not by those set otherwise or measured', () => {
    const house = smallHouse({ rooms: [{}, { joistSpacingM: 0.6 }] });
    const measured = applied(
      house,
      (
        answerFact(
          house,
          { subject: 'rooms', subjectId: 'a', field: 'joistDepthM' },
          { value: house.rooms.a.joistDepthM, state: 'measured', by: 'Planner', on: '2026-11-25' },
          'q1',
        ) as { value: ReturnType<typeof setLevelDefaults> }
      ).value,
    );
    const after = onto(measured, setLevelDefaults(measured, 'm', { joistSpacingM: 0.5, joistDepthM: 0.3, framing: 'i-joist' }));
    expect(after.levels.m.defaults).to.deep.include({ joistSpacingM: 0.5, joistDepthM: 0.3, framing: 'i-joist' });
    expect(after.rooms.a).to.include({ joistSpacingM: 0.5, joistDepthM: house.rooms.a.joistDepthM, framing: 'i-joist' });
    expect(after.rooms.b).to.include({ joistSpacingM: 0.6, joistDepthM: 0.3, framing: 'i-joist' });
  });

  it('are those of a room that walls close', () => {
    const house = onto(smallHouse(), setLevelDefaults(smallHouse(), 'm', { joistAngleRad: 1, joistSpacingM: 0.6 }));
    const drawn = drawWalls(
      house,
      'm',
      [
        [20, 0],
        [24, 0],
        [24, 3],
        [20, 3],
        [20, 0],
      ],
      WALL_BUILDS.stud,
      counted(),
    );
    if (!drawn.ok) throw new Error(drawn.problem.code);
    const after = applied(house, drawn.value);
    const room = Object.values(after.rooms).find(({ id }) => !house.rooms[id])!;
    expect(room).to.include({ joistAngleRad: 1, joistSpacingM: 0.6, framing: house.levels.m.defaults.framing });
  });

  it('give the build-up of its walls, for their kind alone', () => {
    const house = smallHouse();
    const wall = { ...WALL_BUILDS.stud, thicknessM: 0.15, finishLeft: 'two boards', finishLeftM: 0.025 };
    const after = applied(house, setLevelDefaults(house, 'm', { wall }));
    const level = after.levels.m;
    expect(wallBuildOf(level)).to.deep.equal(wall);
    expect(wallBuildOf(level, 'stud')).to.deep.equal(wall);
    expect(wallBuildOf(level, 'masonry')).to.deep.equal(WALL_BUILDS.masonry);
    expect(wallBuildOf(house.levels.m)).to.deep.equal(WALL_BUILDS.stud);
    expect(isDefaultBuild(level, wall)).to.equal(true);
    expect(isDefaultBuild(house.levels.m, wall)).to.equal(false);
  });

  it('take the build-up from a wall without its place and its first stud', () => {
    const wall = { ...smallHouse().walls.west, studOffsetM: 0.2 };
    expect(buildOf(wall)).to.have.all.keys(Object.keys(WALL_BUILDS.stud));
    expect(buildOf(wall).studOffsetM).to.equal(0);
  });

  it('do nothing where nothing changes', () => {
    const house = smallHouse();
    expect(setLevelDefaults(house, 'm', { joistSpacingM: house.levels.m.defaults.joistSpacingM })).to.deep.equal([]);
  });
});

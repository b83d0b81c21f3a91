import { expect } from 'chai';
import { applyChange, newOpening, type ProjectDocument } from '../model/index.ts';
import { checked, type CheckedFinding, smallHouse, twoStoreyHouse } from '../testing/index.ts';

const about = (project: ProjectDocument) => checked(project).filter((f) => f.rank !== 'fine');
const window = (more: object) =>
  newOpening({ id: 'w', wallId: 'south1', kind: 'window', offsetM: 2, widthM: 1.2, sillM: 0.9, headM: 2.1, ...more });
const cured = (project: ProjectDocument, found: CheckedFinding) => {
  const applied = applyChange(project, found.cures[0]);
  if (!applied.ok) throw new Error(applied.problem.code);
  return about(applied.value);
};

describe('a house', () => {
  it('that is sound has nothing to say', () => {
    expect(about(smallHouse({ openings: [window({})] }))).to.deep.equal([]);
    expect(about(twoStoreyHouse())).to.deep.equal([]);
  });

  it('with an opening wider than its wall, or beyond its end, is stopped and offered what fits', () => {
    const wide = smallHouse({ openings: [window({ widthM: 9 })] });
    expect(about(wide).map(({ code, rank }) => [code, rank])).to.deep.equal([['opening-wider-than-wall', 'stop']]);
    expect(cured(wide, about(wide)[0])).to.deep.equal([]);
    const outside = smallHouse({ openings: [window({ offsetM: 5 })] });
    const applied = applyChange(outside, about(outside)[0].cures[0]);
    // The wall is 5.1 m long: the middle of 1.2 m can be at 4.5 m at most.
    expect(applied.ok && applied.value.openings.w.offsetM).to.be.closeTo(4.5, 1e-9);
  });

  it('with a ceiling below a window head is asked to measure again', () => {
    const low = smallHouse({ rooms: [{ ceilingHeightM: 2 }], openings: [window({})] });
    const [found] = about(low);
    expect(found).to.include({ code: 'ceiling-below-head', rank: 'look', measured: 2, allowed: 2.1 });
  });

  it('whose levels stand in each other is stopped, and lifting the upper one cures it', () => {
    const house = twoStoreyHouse();
    const sunk = { ...house, levels: { ...house.levels, u: { ...house.levels.u, elevationM: 2.2 } } };
    const [found] = about(sunk);
    expect(found).to.include({ code: 'levels-overlap', rank: 'stop' });
    expect(found.figures.overlapM).to.be.closeTo(0.3, 1e-9);
    expect(cured(sunk, found)).to.deep.equal([]);
  });

  it('whose levels lie beside each other may have floors at any height', () => {
    const house = twoStoreyHouse();
    const aside = Object.fromEntries(
      Object.entries(house.walls).map(([id, wall]) => [
        id,
        wall.levelId === 'u'
          ? { ...wall, a: [wall.a[0] + 20, wall.a[1]] as [number, number], b: [wall.b[0] + 20, wall.b[1]] as [number, number] }
          : wall,
      ]),
    );
    const levels = { ...house.levels, u: { ...house.levels.u, elevationM: 1.2 } };
    expect(about({ ...house, levels, walls: aside }).filter(({ code }) => code === 'levels-overlap')).to.deep.equal([]);
  });

  it('with an open room, or a cavity nobody could know, is to be looked at', () => {
    const { west: _west, ...walls } = smallHouse().walls;
    expect(about({ ...smallHouse(), walls }).map(({ code, figures }) => [code, figures.room])).to.deep.equal([
      ['room-open', 'Room AA'],
    ]);
    const facts = {
      f: {
        id: 'f',
        subject: 'walls' as const,
        subjectId: 'west',
        field: 'cavityDepthM',
        state: 'not-known' as const,
        by: '',
        on: '',
        note: '',
      },
    };
    expect(about({ ...smallHouse(), facts }).map(({ code }) => code)).to.deep.equal(['cavity-not-known']);
  });
});

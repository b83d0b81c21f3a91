import '../../testing/dom.ts';
import { create, newFeature, newOpening, newRiser, type ProjectDocument } from '@dusky-spool/core/model';
import { applied, smallHouse, twoStoreyHouse } from '@dusky-spool/core/testing';
import { expect } from 'chai';
import { present } from '../../state/survey-selection.ts';
import { useProject } from '../../state/open-project.ts';
import type { Selection } from '../../state/selection-kinds.ts';
import { choose, enter, flip, press, valueIn } from '../../testing/fields.ts';
import { closePage, renderInProject } from '../../testing/render.tsx';
import { SurveyInspector } from './SurveyInspector.tsx';

interface Heard {
  readonly selections: Selection[];
  readonly views: string[];
  readonly levels: string[];
  readonly pressed: string[];
}

/** The inspector as the screen shows it: of what is still there. */
function Shown({
  selection,
  levelId,
  heard,
}: {
  readonly selection: Selection;
  readonly levelId: string;
  readonly heard: Heard;
}) {
  const project = useProject();
  return (
    <SurveyInspector
      selection={present(project, selection)}
      levelId={project.levels[levelId] ? levelId : Object.keys(project.levels)[0]}
      onView={(view) => heard.views.push(view)}
      onLevel={(id) => heard.levels.push(id)}
      onSelect={(next) => heard.selections.push(next)}
      onCopy={() => heard.pressed.push('copy')}
      onMirror={() => heard.pressed.push('mirror')}
      onArray={() => heard.pressed.push('array')}
      onRemove={() => heard.pressed.push('remove')}
    />
  );
}

function open(selection: Selection, project: ProjectDocument = smallHouse(), levelId = 'm') {
  const heard: Heard = { selections: [], views: [], levels: [], pressed: [] };
  const page = renderInProject(<Shown selection={selection} levelId={levelId} heard={heard} />, project);
  return { ...page, ...heard };
}
const wallOf = ({ project }: { project: () => ProjectDocument }, id = 'south1') => project().walls[id];

describe('the panel of a wall', () => {
  afterEach(closePage);
  const wall: Selection = { kind: 'wall', ids: ['south1'] };

  it('sets where its ends are, and the length from its first end', async () => {
    const page = open({ kind: 'wall', ids: ['east'] });
    await enter(page, 'Length', '5 m');
    const { a, b } = wallOf(page, 'east');
    expect(Math.hypot(a[0] - b[0], a[1] - b[1])).to.be.closeTo(5, 1e-6);
    expect(a).to.deep.equal([10.2, 0]);
  });

  it('gets the build of its kind when the kind is chosen', async () => {
    const page = open(wall);
    await choose(page, 'Kind of wall', 'Masonry');
    expect(wallOf(page)).to.deep.include({ kind: 'masonry', studMaterial: 'none' });
    expect(page.queryByLabelText('First stud from start')).to.equal(null);
  });

  it('takes cable or not, and as much as it is thick', async () => {
    const page = open(wall);
    const before = wallOf(page).cableMayRun;
    await flip(page, 'Cable may run in it');
    expect(wallOf(page).cableMayRun).to.equal(!before);
    await enter(page, 'Thickness', '14.5 cm');
    expect(wallOf(page).thicknessM).to.be.closeTo(0.145, 1e-9);
  });

  it('has what was typed for it marked as measured, by whom and when', async () => {
    const page = open(wall);
    await enter(page, 'Spacing, on center', '0.61 m');
    expect(wallOf(page).studSpacingM).to.be.closeTo(0.61, 1e-9);
    const fact = Object.values(page.project().facts).find(({ field }) => field === 'studSpacingM');
    expect(fact).to.deep.include({ subject: 'walls', subjectId: 'south1', state: 'measured' });
    await press(page, /Spacing, on center.*measured/i);
    expect(Object.values(page.project().facts).find(({ field }) => field === 'studSpacingM')?.state).to.equal('not-known');
  });

  it('changes all walls that are selected as one edit', async () => {
    const page = open({ kind: 'wall', ids: ['south1', 'north1', 'west'] });
    await enter(page, 'Height', '2.1 m');
    expect(page.edits).to.have.length(1);
    expect(['south1', 'north1', 'west'].map((id) => wallOf(page, id).heightM)).to.deep.equal([2.1, 2.1, 2.1]);
    expect(wallOf(page, 'east').heightM).to.equal(null);
    expect(page.queryByLabelText('Angle, degrees')).to.equal(null);
  });

  it('is split in the middle, shown from the side, copied and removed', async () => {
    const page = open(wall);
    const before = Object.keys(page.project().walls).length;
    await press(page, 'Split in the middle');
    expect(Object.keys(page.project().walls).length).to.equal(before + 1);
    await press(page, 'Elevation');
    expect(page.views[0]).to.match(/^wall-south1/);
    await press(page, /^Copy/);
    await press(page, 'Remove');
    expect(page.pressed).to.deep.equal(['copy', 'remove']);
  });

  it('says what is wrong with a length, and keeps the wall', async () => {
    const page = open(wall);
    await enter(page, 'Length', 'five');
    expect(page.getByRole('alert').textContent).to.match(/length/i);
    expect(page.edits).to.deep.equal([]);
  });
});

describe('the panel of a room', () => {
  afterEach(closePage);
  const room: Selection = { kind: 'room', ids: ['a'] };
  const roomOf = ({ project }: { project: () => ProjectDocument }) => project().rooms.a;

  it('names the room, with its code in capitals', async () => {
    const page = open(room);
    await enter(page, 'Name', 'Music room');
    await enter(page, 'Room code', 'mu');
    await enter(page, 'Use', 'music');
    expect(roomOf(page)).to.deep.include({ name: 'Music room', code: 'MU', use: 'music' });
  });

  it('does not lose its name where the field is emptied, which is said beside it', async () => {
    const page = open(room);
    await enter(page, 'Name', '');
    expect(roomOf(page).name).to.equal('Room AA');
    expect(page.getByRole('alert').textContent).to.equal('Name is missing.');
    expect(page.edits).to.have.length(0);
  });

  it('asks for both sides of a sloped ceiling, and forgets them for a flat one', async () => {
    const page = open(room);
    await choose(page, 'Ceiling', /sloped/i);
    await enter(page, 'Low side', '1.9 m');
    await enter(page, 'High side, ridge', '3.4 m');
    expect(roomOf(page).slope).to.deep.include({ lowM: 1.9, highM: 3.4 });
    await choose(page, 'Ceiling', /^flat/i);
    expect(roomOf(page)).to.deep.include({ ceilingKind: 'flat', slope: null });
    expect(page.queryByLabelText('Low side')).to.equal(null);
  });

  it('asks for joists only where there are some', async () => {
    const page = open(room);
    const joists = () => page.queryByLabelText('First joist, offset', { selector: 'input' });
    await choose(page, 'Framing', 'Solid joists');
    expect(joists()).to.not.equal(null);
    await choose(page, 'Framing', 'No cavity');
    expect(joists()).to.equal(null);
  });

  it('shows its ceiling, and is removed with what refers to it', async () => {
    const page = open(room);
    await press(page, 'Ceiling view');
    expect(page.views[0]).to.match(/^ceiling-a/);
    await press(page, 'Remove the room');
    expect(page.project().rooms.a).to.equal(undefined);
    expect(page.selections).to.deep.equal([{ kind: 'none', ids: [] }]);
  });

  it('warns where its walls do not close', () => {
    const { walls, ...rest } = smallHouse();
    const { west: _, ...others } = walls;
    const page = open(room, { ...rest, walls: others });
    expect(page.getByText(/do not close|not closed|open/i)).to.not.equal(null);
  });
});

describe('the panel of several rooms', () => {
  afterEach(closePage);
  const both: Selection = { kind: 'room', ids: ['a', 'b'] };

  it('shows what they share, says what differs, and changes all as one step', async () => {
    const house = smallHouse({ rooms: [{ joistSpacingM: 0.4 }, { joistSpacingM: 0.6 }] });
    const page = open(both, house);
    expect(page.getByText('2 rooms')).to.not.equal(null);
    const spacing = page.getByLabelText('Spacing, on center', { selector: 'input' }) as HTMLInputElement;
    expect([spacing.value, spacing.placeholder]).to.deep.equal(['', 'mixed']);
    await enter(page, 'Spacing, on center', '0.5 m');
    await enter(page, 'Ceiling height', '2.4 m');
    expect(page.edits).to.have.length(2);
    for (const id of both.ids) expect(page.project().rooms[id]).to.include({ joistSpacingM: 0.5, ceilingHeightM: 2.4 });
  });

  it('says the bound beside the field, and keeps what was typed', async () => {
    const page = open(both);
    await enter(page, 'Spacing, on center', '1 mm');
    expect(page.getByRole('alert').textContent).to.equal('Joist spacing: 0.05 m or more.');
    expect(valueIn(page, 'Spacing, on center')).to.equal('1 mm');
    expect(page.edits).to.have.length(0);
  });
});

describe('the panel of a level', () => {
  afterEach(closePage);
  const nothing: Selection = { kind: 'none', ids: [] };

  it('sets its heights and its name', async () => {
    const page = open(nothing);
    await enter(page, 'Name', 'Ground floor');
    await enter(page, 'Code', 'g');
    await enter(page, 'Ceiling height', '2.7 m');
    expect(page.project().levels.m).to.deep.include({ name: 'Ground floor', code: 'G', ceilingHeightM: 2.7 });
  });

  it('says how its rooms are framed: those that are still as it says follow', async () => {
    const house = smallHouse({ rooms: [{}, { joistSpacingM: 0.6 }] });
    const page = open(nothing, house);
    await enter(page, 'Spacing, on center', '0.5 m');
    expect(page.project().levels.m.defaults.joistSpacingM).to.equal(0.5);
    expect([page.project().rooms.a.joistSpacingM, page.project().rooms.b.joistSpacingM]).to.deep.equal([0.5, 0.6]);
    expect(page.edits).to.have.length(1);
  });

  it('takes the build-up of a wall for its new walls', async () => {
    const page = open({ kind: 'wall', ids: ['south1'] });
    await enter(page, 'Thickness', '0.2 m');
    await press(page, 'Use as the level’s default wall');
    expect(page.project().levels.m.defaults.wall).to.deep.include({ thicknessM: 0.2, kind: page.project().walls.south1.kind });
    expect(page.queryByRole('button', { name: 'Use as the level’s default wall' })).to.equal(null);
  });

  it('gets another level on top, which is shown', async () => {
    const page = open(nothing);
    await press(page, 'Add a level');
    const [added] = Object.values(page.project().levels).filter(({ id }) => id !== 'm');
    expect(added.order).to.equal(1);
    expect(page.levels).to.deep.equal([added.id]);
  });

  it('is removed with what is on it, never as the last one', async () => {
    const page = open(nothing, twoStoreyHouse());
    await press(page, 'Remove the level');
    expect(Object.keys(page.project().levels)).to.deep.equal(['u']);
    expect(page.queryByText('Remove the level')).to.equal(null);
    expect(page.levels).to.deep.equal(['u']);
  });

  it('lies over another by the points that both show', async () => {
    const point = (id: string, levelId: string, name: string, x: number, y: number) => ({ id, levelId, name, x, y });
    const points = [
      point('p1', 'm', 'corner', 0, 0),
      point('p2', 'm', 'shaft', 5, 0),
      point('p3', 'u', 'corner', 0.3, 0.1),
      point('p4', 'u', 'shaft', 5.3, 0.1),
    ];
    const house = applied(
      twoStoreyHouse(),
      points.map((one) => create('referencePoints', one)),
    );
    const page = open(nothing, house, 'u');
    expect(page.getByText('0.32 m')).to.not.equal(null);
    await press(page, 'Lay it over');
    const { p3, p4 } = page.project().referencePoints;
    expect([p3.x, p3.y, p4.x, p4.y].map((value) => Math.round(value * 1000) / 1000)).to.deep.equal([0, 0, 5, 0]);
    expect(page.project().walls.us.a[0]).to.be.closeTo(-0.3, 1e-6);
  });
});

describe('panels of other things', () => {
  afterEach(closePage);
  const door = newOpening({
    id: 'o1',
    wallId: 'south1',
    kind: 'door',
    offsetM: 2,
    widthM: 0.9,
    sillM: 0,
    headM: 2.04,
    hinge: 'start',
    swing: 'left',
  });

  it('set the size and the place of an opening', async () => {
    const page = open({ kind: 'opening', ids: ['o1'] }, smallHouse({ openings: [door] }));
    await enter(page, 'Width', '1.1 m');
    expect(page.project().openings.o1.widthM).to.be.closeTo(1.1, 1e-9);
  });

  it('refuse an opening that is wider than its wall, and keep the old one', async () => {
    const page = open({ kind: 'opening', ids: ['o1'] }, smallHouse({ openings: [door] }));
    await enter(page, 'Width', '9 m');
    expect(page.project().openings.o1.widthM).to.equal(0.9);
    expect(page.problems).to.have.length(1);
  });

  it('name a rack and set its size', async () => {
    const page = open({ kind: 'rack', ids: ['rack'] });
    await enter(page, 'Name', 'Rack in the closet');
    expect(page.project().racks.rack.name).to.equal('Rack in the closet');
  });

  it('set a riser', async () => {
    const riser = newRiser({
      id: 'z1',
      name: 'Riser',
      x: 2,
      y: 2,
      widthM: 0.2,
      depthM: 0.2,
      bottomLevelId: 'm',
      topLevelId: 'm',
    });
    const page = open({ kind: 'riser', ids: ['z1'] }, applied(smallHouse(), [create('risers', riser)]));
    await enter(page, 'Name', 'Chase by the stair');
    expect(page.project().risers.z1.name).to.equal('Chase by the stair');
  });

  it('arrange things that are selected together', async () => {
    const thing = (id: string, x: number) =>
      create('features', newFeature({ id, levelId: 'm', kind: 'sofa', points: [[x, 1 + x / 10]], widthM: 1, depthM: 1 }));
    const house = applied(smallHouse(), [thing('f1', 1), thing('f2', 3), thing('f3', 4)]);
    const page = open({ kind: 'feature', ids: ['f1', 'f2', 'f3'] }, house);
    const group = page.getByRole('group', { name: 'Line up' });
    const buttons = [...group.querySelectorAll('button')];
    expect(buttons.length).to.be.greaterThan(4);
    for (const button of buttons) await page.user.click(button);
    const { f1, f2, f3 } = page.project().features;
    const [x1, x2, x3] = [f1, f2, f3].map(({ points }) => points[0][0]);
    expect(Math.abs(x2 - x1 - (x3 - x2))).to.be.lessThan(1e-6);
  });
});

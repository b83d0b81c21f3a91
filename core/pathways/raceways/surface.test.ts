import { expect } from 'chai';
import { placeDevice } from '../../devices/index.ts';
import type { Outcome } from '../../math/index.ts';
import { applyChange, newOpening, type ProjectDocument } from '../../model/index.ts';
import { planRuns } from '../../runs/index.ts';
import { countingIds, smallHouse, twoStoreyHouse } from '../../testing/index.ts';
import { surfaceRoute } from '../../routing/index.ts';
import { bothRoutes } from './both-routes.ts';
import { openedByAll } from './opened.ts';

function must<T>(outcome: Outcome<T>): T {
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problem));
  return outcome.value;
}
const place = (project: ProjectDocument, at: [number, number], typeId = 'network-drop', levelId = 'm', ids = countingIds()) =>
  must(applyChange(project, must(placeDevice(project, { typeId, levelId, at }, ids()))));

describe('a run on the surface', () => {
  it('goes along the skirtings, through one hole in the partition (measured by hand)', () => {
    // Network drop on the south wall at x 2, 0.4 m up; the rack at the east wall at y 2, entry at 2 m.
    const project = place(smallHouse(), [2, 0.05]);
    const route = must(surfaceRoute(project, project.runs.r1x1));
    // 3.1 m to the corner, 0.21 m up the partition to its hole; then 0.21 + 5.1 + 2 m to the rack.
    expect(route.channelM).to.be.closeTo(3.1 + 0.21 + 0.21 + 5.1 + 2, 1e-6);
    expect(route.uprightM).to.be.closeTo(0.3 + 1.9, 1e-6);
    // 12.82 m of channel: seven lengths with their covers.
    expect(route).to.include({ wallsPierced: 1, insideCorners: 5, outsideCorners: 0, lengths: 7 });
    expect(route.visibleM).to.be.closeTo(3.31 + 0.3, 1e-6);
  });

  it('goes over the head of a door in its way, or round the room where that is shorter', () => {
    const project = place(
      smallHouse({
        openings: [newOpening({ id: 'd', wallId: 'south1', kind: 'door', offsetM: 4, widthM: 0.9, sillM: 0, headM: 2 })],
      }),
      [2, 0.05],
    );
    const route = must(surfaceRoute(project, project.runs.r1x1));
    // 3.1 + 0.21 m along, and 2.0 m up and down again at the door; round the room it would be 11.41 m.
    expect(route.legs[0].lengthM).to.be.closeTo(3.31 + 4, 1e-6);
    expect(route).to.include({ flatCorners: 4 });
    const wide = place(
      smallHouse({
        openings: [
          newOpening({ id: 'd', wallId: 'south1', kind: 'door', offsetM: 3, widthM: 0.9, sillM: 0, headM: 2.4 }),
          newOpening({ id: 'e', wallId: 'south1', kind: 'door', offsetM: 4.2, widthM: 0.9, sillM: 0, headM: 2.4 }),
        ],
      }),
      [2, 0.05],
    );
    // Two doors of 2.4 m: west instead, 2 + 4.1 + 5.1 m to the far corner of the partition, and its hole there.
    expect(must(surfaceRoute(wide, wide.runs.r1x1)).legs[0].lengthM).to.be.closeTo(2 + 4.1 + 5.1 + 0.21, 1e-6);
    expect(route.wallsPierced).to.equal(1);
  });

  it('goes to another level up the corner of a room and through its floor (by hand)', () => {
    const upstairs = place(twoStoreyHouse(), [3, 0.05], 'network-drop', 'u');
    const route = must(surfaceRoute(upstairs, upstairs.runs.r1x1));
    // 7.2 m along the south wall to the corner over the rack's room, 2.8 m down it, 2 m up the east wall to the rack.
    expect(route.channelM).to.be.closeTo(7.2 + 2, 1e-6);
    expect(route.uprightM).to.be.closeTo(0.3 + 1.9 + 2.8, 1e-6);
    expect(route).to.include({ wallsPierced: 0, floorsPierced: 1 });
  });

  it('leads out of no shut room', () => {
    const glass = place(smallHouse({ walls: { middle: { kind: 'glazed' } } }), [2, 0.05]);
    expect(surfaceRoute(glass, glass.runs.r1x1)).to.have.nested.property('problem.code', 'surface-no-way');
  });
});

describe('both ways of a run in a finished house', () => {
  const project = place(smallHouse(), [2, 0.05]);
  const [planned] = planRuns(project);

  it('are priced by what is opened, patched and painted, and by what is seen (by hand)', () => {
    const { inWall, surface } = bothRoutes(project, planned);
    const joistsAndPlates = planned.proposedRoute.ok ? planned.proposedRoute.value.holes.length : 0;
    expect(inWall!.openings).to.equal(joistsAndPlates);
    expect(inWall!.openedM2).to.be.closeTo(0.06 * joistsAndPlates, 1e-9);
    const { siteRates, labourRate } = project.project;
    const hours = 1 + 0.12 * joistsAndPlates;
    expect(inWall!.price).to.be.closeTo(
      planned.length!.cutLengthM * 0.55 +
        inWall!.openedM2 * siteRates.openingPerM2 +
        inWall!.paintedM2 * siteRates.paintPerM2 +
        hours * labourRate,
      1e-9,
    );
    const route = must(surface);
    const allM = route.channelM + route.uprightM;
    expect(route.paintedM2).to.be.closeTo(0.08 * allM, 1e-9);
    expect(route.price).to.be.closeTo(allM * (0.55 + 18) + 0.08 * allM * 22 + (0.3 * allM + 0.75) * 65, 1e-9);
  });

  it('open what several runs need only once', () => {
    const two = planRuns(
      place(
        project,
        [2.02, 0.05],
        'network-drop',
        'm',
        (() => {
          const ids = countingIds();
          ids();
          return ids;
        })(),
      ),
    );
    const [one, both] = [openedByAll(project, [planned]), openedByAll(project, two)];
    expect(both.openings).to.be.lessThan(2 * one.openings);
    expect(both.paintedM2).to.be.closeTo(one.paintedM2, 1e-9);
  });
});

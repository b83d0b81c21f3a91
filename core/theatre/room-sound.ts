import { ABSORPTION, panelArea, reverberation, roomRatios } from '../calculators/index.ts';
import { buildingOf, ceilingHeightOf, openingsOf, wallsAround } from '../house/index.ts';
import { boundsOf, type Point2, polygonArea } from '../math/index.ts';
import type { Opening, ProjectDocument, Room, TheatreAim } from '../model/index.ts';

/** A room by its surfaces and proportions; a planning estimate, measured at the end. */
export interface RoomSound {
  readonly volumeM3: number;
  readonly rt60S: number | null;
  readonly targetS: number | null;
  /** Whether the estimate is in the window of homes. */
  readonly isInWindow: boolean | null;
  /** Panels by practice, least and most, m2. */
  readonly panelsM2: readonly [number, number] | null;
  readonly ratiosPass: boolean | null;
  /** Doors and windows of the room, m2 of each; behind a drape they count as one. */
  readonly openings: readonly { readonly opening: Opening; readonly areaM2: number; readonly isDraped: boolean }[];
}

/** Absorption of a seated person with the seat, m2. */
const SEATED_M2 = 0.45;

/** A room by its outline from face to face, with so many who sit in it. */
export function roomSoundOf(
  project: ProjectDocument,
  room: Room,
  polygon: readonly Point2[],
  { aim: { surfaces, panelsM2, drapedOpeningIds }, seated }: { readonly aim: TheatreAim; readonly seated: number },
): RoomSound {
  const { minX, minY, maxX, maxY } = boundsOf(polygon)!;
  const heightM = ceilingHeightOf(room, project.levels[room.levelId]);
  const areaM2 = Math.abs(polygonArea(polygon));
  // An equal area with the proportions of its bounds.
  const share = Math.sqrt(areaM2 / Math.max(1e-9, (maxX - minX) * (maxY - minY)));
  const sides = [maxX - minX, maxY - minY].map((one) => one * share).sort((a, b) => b - a);
  const box = { lengthM: sides[0], widthM: sides[1], heightM };
  const wallsM2 = 2 * (box.lengthM + box.widthM) * heightM;
  const openings = openingsIn(project, room, drapedOpeningIds);
  const openM2 = Math.min(
    wallsM2,
    openings.reduce((sum, one) => sum + one.areaM2, 0),
  );
  const drapedM2 = Math.min(
    openM2,
    openings.reduce((sum, one) => sum + (one.isDraped ? one.areaM2 : 0), 0),
  );
  const glassM2 = openM2 - drapedM2;
  const treatedM2 = Math.min(panelsM2, wallsM2 - openM2);
  const sound = reverberation.run({
    ...box,
    surfaces: [
      { areaM2: areaM2, absorption: ABSORPTION[surfaces.floor] },
      { areaM2: areaM2, absorption: ABSORPTION[surfaces.ceiling] },
      { areaM2: wallsM2 - openM2 - treatedM2, absorption: ABSORPTION[surfaces.walls] },
      { areaM2: glassM2, absorption: ABSORPTION.glass },
      { areaM2: drapedM2, absorption: ABSORPTION.drape },
      { areaM2: treatedM2, absorption: ABSORPTION.panel },
    ],
    peopleM2: seated * SEATED_M2,
  });
  const panels = panelArea.run({ ...box, openingsM2: openM2, panelM2: 0.72 });
  const ratios = roomRatios.run(box);
  return {
    volumeM3: areaM2 * heightM,
    rt60S: sound.ok ? sound.value.rt60S : null,
    targetS: sound.ok ? sound.value.targetS : null,
    isInWindow: sound.ok ? sound.value.ok : null,
    panelsM2: panels.ok ? [panels.value.leastM2, panels.value.mostM2] : null,
    ratiosPass: ratios.ok ? ratios.value.ok : null,
    openings,
  };
}

/** Doors and windows of a room: what shuts them is hard, as glass. */
function openingsIn(project: ProjectDocument, room: Room, drapedIds: readonly string[]): RoomSound['openings'] {
  const building = buildingOf(project);
  return wallsAround(project, room).flatMap(({ wall }) =>
    openingsOf(building, wall).map((opening) => ({
      opening,
      areaM2: opening.widthM * (opening.headM - opening.sillM),
      isDraped: drapedIds.includes(opening.id),
    })),
  );
}

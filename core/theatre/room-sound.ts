import { ABSORPTION, panelArea, reverberation, roomRatios } from '../calculators/index.ts';
import { ceilingHeightOf } from '../house/index.ts';
import { boundsOf, type Point2, polygonArea } from '../math/index.ts';
import type { ProjectDocument, Room, TheatreAim } from '../model/index.ts';

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
}

/** Absorption of a seated person with the seat, m2. */
const SEATED_M2 = 0.45;

/** A room by its outline from face to face, with so many who sit in it. */
export function roomSoundOf(
  project: ProjectDocument,
  room: Room,
  polygon: readonly Point2[],
  { aim: { surfaces, panelsM2 }, seated }: { readonly aim: TheatreAim; readonly seated: number },
): RoomSound {
  const { minX, minY, maxX, maxY } = boundsOf(polygon)!;
  const heightM = ceilingHeightOf(room, project.levels[room.levelId]);
  const areaM2 = Math.abs(polygonArea(polygon));
  // An equal area with the proportions of its bounds.
  const share = Math.sqrt(areaM2 / Math.max(1e-9, (maxX - minX) * (maxY - minY)));
  const sides = [maxX - minX, maxY - minY].map((one) => one * share).sort((a, b) => b - a);
  const box = { lengthM: sides[0], widthM: sides[1], heightM };
  const wallsM2 = 2 * (box.lengthM + box.widthM) * heightM;
  const treatedM2 = Math.min(panelsM2, wallsM2);
  const sound = reverberation.run({
    ...box,
    surfaces: [
      { areaM2: areaM2, absorption: ABSORPTION[surfaces.floor] },
      { areaM2: areaM2, absorption: ABSORPTION[surfaces.ceiling] },
      { areaM2: wallsM2 - treatedM2, absorption: ABSORPTION[surfaces.walls] },
      { areaM2: treatedM2, absorption: ABSORPTION.panel },
    ],
    peopleM2: seated * SEATED_M2,
  });
  const panels = panelArea.run({ ...box, openingsM2: 0, panelM2: 0.72 });
  const ratios = roomRatios.run(box);
  return {
    volumeM3: areaM2 * heightM,
    rt60S: sound.ok ? sound.value.rt60S : null,
    targetS: sound.ok ? sound.value.targetS : null,
    isInWindow: sound.ok ? sound.value.ok : null,
    panelsM2: panels.ok ? [panels.value.leastM2, panels.value.mostM2] : null,
    ratiosPass: ratios.ok ? ratios.value.ok : null,
  };
}

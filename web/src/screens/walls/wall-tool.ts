import { type FaceGuide, type FacePlace, facePlaceOf, guideOnFace, moveOnFace } from '@dusky-spool/core/devices';
import type { WallElevation, WallSide } from '@dusky-spool/core/house';
import type { DeviceType, Opening, Operation, ProjectDocument, Wall } from '@dusky-spool/core/model';
import type { Outcome } from '@dusky-spool/core/math';
import { placeOpening } from '@dusky-spool/core/survey';
import type { Dragged, Grip } from './useSurfaceDrag.ts';

/** A wall as it is seen from one side. */
export interface WallFace {
  readonly project: ProjectDocument;
  readonly wall: Wall;
  readonly side: WallSide;
  readonly view: WallElevation;
  /** Guides attract a device from this far, m. */
  readonly guideM: number;
}

/** Where a device would be placed, with the guides that it follows. */
export const guidedOnWall = (
  { project, wall, side, guideM }: WallFace,
  type: DeviceType,
  place: FacePlace,
  { without = [], isFree }: { readonly without?: readonly string[]; readonly isFree: boolean },
): { readonly place: FacePlace; readonly guides: readonly FaceGuide[] } =>
  isFree ? { place, guides: [] } : guideOnFace(project, wall, side, type, place, guideM, new Set(without));

/** What a drag on a wall does: an opening slides, devices move as one, the first of them along the guides. */
export function dragOnWall(face: WallFace, grip: Grip<FacePlace>, to: FacePlace, isFree: boolean): Dragged<FaceGuide> {
  const { project, wall, side } = face;
  const byM: FacePlace = { offsetM: to.offsetM - grip.from.offsetM, heightM: to.heightM - grip.from.heightM };
  if (grip.kind === 'opening') return { guides: [], operations: slideOpening(face, project.openings[grip.ids[0]], byM) };
  const places = grip.ids.flatMap((deviceId) => {
    const place = facePlaceOf(project, wall, project.devices[deviceId]);
    return place ? [{ deviceId, place }] : [];
  });
  const first = places[0].place;
  const type = project.deviceTypes[project.devices[grip.ids[0]].typeId];
  const wanted = { offsetM: first.offsetM + byM.offsetM, heightM: first.heightM + byM.heightM };
  const guided = guidedOnWall(face, type, wanted, { without: grip.ids, isFree });
  const [alongM, upM] = [guided.place.offsetM - first.offsetM, guided.place.heightM - first.heightM];
  const moves = places.map(({ deviceId, place }) => ({
    deviceId,
    to: { offsetM: place.offsetM + alongM, heightM: place.heightM + upM },
  }));
  return { guides: guided.guides, operations: moveOnFace(project, wall, side, moves) };
}

/** An opening moves along its wall; a window up and down too, to the floor at most. */
function slideOpening({ project, view }: WallFace, opening: Opening, byM: FacePlace): Outcome<readonly Operation[]> {
  const halfM = opening.widthM / 2;
  const riseM = opening.kind === 'window' ? Math.max(byM.heightM, -opening.sillM) : 0;
  return placeOpening(project, {
    ...opening,
    offsetM: Math.min(view.lengthM - halfM, Math.max(halfM, opening.offsetM + byM.offsetM)),
    sillM: opening.sillM + riseM,
    headM: opening.headM + riseM,
  });
}

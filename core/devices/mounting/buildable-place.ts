import type { Point2 } from '../../math/index.ts';
import type { Device, ProjectDocument } from '../../model/index.ts';
import { type Clash, CURED_BY_MOVING } from './clash.ts';
import { clashesOf } from './clashes.ts';
import { legalPlaces } from './legal-places.ts';

/** Where a device is put that cannot be built where it was wanted. */
export interface BuildablePlace {
  readonly at: Point2;
  /** What keeps it from where it was wanted; null where nothing does. */
  readonly reason: Clash | null;
  /** How far it was moved, m; 0 where it stands as wanted, also where no place near can be built. */
  readonly movedM: number;
}

/** A device, not placed yet, where it can be built: off studs, joists, jambs, casings and what stands there. `reachM` is how far it is moved. */
export function buildablePlace(project: ProjectDocument, device: Device, reachM: number): BuildablePlace {
  const here: Point2 = [device.x, device.y];
  const reason = clashesOf(project, device).find(({ code }) => CURED_BY_MOVING.has(code)) ?? null;
  if (!reason) return { at: here, reason: null, movedM: 0 };
  const [place] = legalPlaces(project, device, 1);
  if (!place || place.shiftM > reachM) return { at: here, reason, movedM: 0 };
  return { at: place.at, reason, movedM: place.shiftM };
}

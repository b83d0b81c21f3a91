import type { Bounds, Point2, UnitSystem } from '@dusky-spool/core/math';
import type { Level } from '@dusky-spool/core/model';
import { NUDGE_M } from './tools/nudge.ts';
import type { CameraControl } from './useCamera.ts';

const ZOOM_STEP = 1.25;
/** An arrow key without a selection moves the plan so far, px. */
const PAN_PX = 60;

/** What an arrow key moves a selection by, m. */
export function nudgeBy(units: UnitSystem, dx: number, dy: number, far: boolean): Point2 {
  const step = NUDGE_M[units] * (far ? 10 : 1);
  return [dx * step, dy * step];
}

export const panByKey = (control: CameraControl, dx: number, dy: number): void => control.panBy(-dx * PAN_PX, dy * PAN_PX);

interface Sheet {
  readonly control: CameraControl;
  readonly leftPx: number;
  /** All of the level. */
  readonly bounds: () => Bounds | null;
  readonly levels: readonly Level[];
  readonly levelId: string;
  readonly onLevel: (levelId: string) => void;
}

/** The keys that every plan has: nearer, farther, all of it, and the levels. */
export const sheetKeys = ({ control, leftPx, bounds, levels, levelId, onLevel }: Sheet) => ({
  zoom: (direction: number) =>
    direction === 0 ? control.fit(bounds(), leftPx) : control.zoomBy(direction > 0 ? ZOOM_STEP : 1 / ZOOM_STEP),
  level: (by: number) => {
    const next = levels[levels.findIndex((level) => level.id === levelId) + by];
    if (next) onLevel(next.id);
  },
});

import type { WallElevation, WallSide } from '@dusky-spool/core/house';
import type { SheetSize } from './useSheetSize.ts';
import type { FacePlace } from '@dusky-spool/core/devices';

const MARGIN = { side: 66, top: 26, bottom: 36 } as const;

/** Where metres of a wall lie on its sheet, px. Seen from its left side a wall runs from right to left. */
export interface WallScale {
  /** px per m. */
  readonly k: number;
  readonly X: (offsetM: number) => number;
  readonly Y: (heightM: number) => number;
  /** The box between two offsets and two heights. */
  readonly box: (
    fromM: number,
    toM: number,
    bottomM: number,
    topM: number,
  ) => { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
  readonly placeAt: (x: number, y: number) => FacePlace;
}

export function wallScale(
  view: Pick<WallElevation, 'lengthM' | 'heightM' | 'floorBuildUpM'>,
  side: WallSide,
  sheet: SheetSize,
): WallScale {
  const low = -Math.max(0.08, view.floorBuildUpM);
  const k = Math.max(
    1,
    Math.min((sheet.width - 2 * MARGIN.side) / view.lengthM, (sheet.height - MARGIN.top - MARGIN.bottom) / (view.heightM - low)),
  );
  const left = (sheet.width - view.lengthM * k) / 2;
  const mirrored = side === 'left';
  const along = (offsetM: number) => (mirrored ? view.lengthM - offsetM : offsetM);
  const X = (offsetM: number) => left + along(offsetM) * k;
  const Y = (heightM: number) => sheet.height - MARGIN.bottom - (heightM - low) * k;
  return {
    k,
    X,
    Y,
    box: (fromM, toM, bottomM, topM) => ({
      x: Math.min(X(fromM), X(toM)),
      y: Y(topM),
      width: Math.abs(toM - fromM) * k,
      height: Math.max(0, topM - bottomM) * k,
    }),
    placeAt: (x, y) => ({ offsetM: along((x - left) / k), heightM: (sheet.height - MARGIN.bottom - y) / k + low }),
  };
}

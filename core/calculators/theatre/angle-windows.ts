/** Kinds of channel that have a window of angles; left and right of a pair share it. */
export const WINDOW_CHANNELS = [
  'front',
  'center',
  'wide',
  'surround',
  'side',
  'rear',
  'top-front',
  'top-middle',
  'top-rear',
] as const;
export type WindowChannel = (typeof WINDOW_CHANNELS)[number];
export type Window = readonly [fromDeg: number, toDeg: number];

/** Windows of a channel in degrees: of the angle beside the middle line and of the elevation, or of the overhead angle. */
export interface AngleWindow {
  readonly nominalDeg: number;
  /** Beside the middle line; of an overhead channel the angle from the front horizon over the zenith. */
  readonly mainDeg: Window;
  readonly practiceDeg: Window;
  readonly isOverhead: boolean;
  readonly elevationDeg: Window;
  readonly practiceElevationDeg: Window;
  /** As ITU-R BS.2051 has it: beside the middle line and elevation; null where it has no such place. */
  readonly itu: { readonly azimuthDeg: Window; readonly elevationDeg: Window } | null;
}

const FRONT_EL: Window = [-10, 10];
const FRONT_EL_MOST: Window = [-10, 15];
const SURROUND_EL: Window = [0, 15];
const SURROUND_EL_MOST: Window = [0, 25];
const TOP_EL: Window = [30, 55];

const floor = (
  nominalDeg: number,
  mainDeg: Window,
  practiceDeg: Window = mainDeg,
  ituDeg: Window | null = mainDeg,
  [elevationDeg, practiceElevationDeg] = [SURROUND_EL, SURROUND_EL_MOST],
): AngleWindow => ({
  ...{ nominalDeg, mainDeg, practiceDeg, isOverhead: false, elevationDeg, practiceElevationDeg },
  itu: ituDeg && { azimuthDeg: ituDeg, elevationDeg },
});
const top = (nominalDeg: number, mainDeg: Window, ituDeg: Window | null): AngleWindow => ({
  ...{ nominalDeg, mainDeg, practiceDeg: mainDeg, isOverhead: true, elevationDeg: TOP_EL, practiceElevationDeg: TOP_EL },
  itu: ituDeg && { azimuthDeg: ituDeg, elevationDeg: TOP_EL },
});

/** The window of a channel in a layout such as 7.1.4; null where the layout has no such channel. */
export function angleWindow(layout: string, channel: WindowChannel): AngleWindow | null {
  const parts = /^([235679])\.(\d{1,2})(?:\.([0246]))?$/.exec(layout);
  if (!parts) return null;
  const [main, over] = [Number(parts[1]), Number(parts[3] ?? 0)];
  switch (channel) {
    case 'front': {
      const itu: Window = main >= 7 ? [30, 45] : [27.5, 32.5];
      return floor(30, [22, 30], undefined, itu, [FRONT_EL, FRONT_EL_MOST]);
    }
    case 'center':
      return main === 2 ? null : floor(0, [0, 3], undefined, undefined, [FRONT_EL, FRONT_EL_MOST]);
    case 'wide':
      return main === 9 ? floor(60, [50, 70], undefined, null, [FRONT_EL, FRONT_EL_MOST]) : null;
    case 'surround':
      return main === 5 ? floor(110, [100, 120], [90, 120]) : null;
    case 'side':
      return main < 7 ? null : floor(90, [85, 110], main === 9 ? [90, 110] : [80, 110]);
    case 'rear':
      return main < 7 ? null : floor(135, [120, 150], [135, 150]);
    case 'top-front':
      return over < 4 ? null : top(45, [30, 55], over === 4 ? [30, 45] : null);
    case 'top-middle':
      return over === 2 ? top(80, [65, 100], [30, 45]) : over === 6 ? top(85, [65, 100], null) : null;
    case 'top-rear':
      return over < 4 ? null : top(135, [125, 150], over === 4 ? (main === 5 ? [100, 135] : [100, 150]) : null);
  }
}

/** How far a value lies beyond a window: above positive, below negative, in it or on its edge nothing. */
export const beyondWindow = (value: number, [from, to]: Window): number =>
  value > to + EDGE ? value - to : value < from - EDGE ? value - from : 0;
const EDGE = 1e-9;

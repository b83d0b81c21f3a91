/** Person-hours of one unit of work: in open framing, and behind finished walls. */
export interface WorkHours {
  readonly new: number;
  readonly retrofit: number;
}

/**
 * Person-hours of low-voltage work (ENGINEERING 18.1; trade practice), each to be read as a band of 40 % either way. Everything that
 * estimates hours or weighs routes takes them from here.
 */
export const HOURS = {
  /** First cable of a path, up to 30 m. */
  pull: { new: 0.3, retrofit: 1 },
  /** Each further cable of the same path. */
  additionalCable: { new: 0.08, retrofit: 0.25 },
  /** A stud or joist bored. */
  hole: { new: 0.03, retrofit: 0.12 },
  /** Ladder, marking and bit at a place that is bored. */
  placeSetUp: { new: 0.05, retrofit: 0.05 },
  /** A floor or plate crossed. */
  floorCrossing: { new: 0.15, retrofit: 0.75 },
  box: { new: 0.1, retrofit: 0.35 },
  nailPlate: { new: 0.03, retrofit: 0.05 },
  /** A metre of conduit with its sweeps, and of surface raceway. */
  conduitM: { new: 0.08, retrofit: 0.3 },
  /** A category jack terminated and tested. */
  categoryEnd: { new: 0.2, retrofit: 0.2 },
  coaxEnd: { new: 0.1, retrofit: 0.1 },
  /** A labelled pair of ends. */
  labelPair: { new: 0.03, retrofit: 0.03 },
  fireStop: { new: 0.25, retrofit: 0.35 },
  speakerInCeiling: { new: 0.4, retrofit: 0.75 },
  speakerInWall: { new: 0.6, retrofit: 1 },
  display: { new: 1.5, retrofit: 2 },
  camera: { new: 0.75, retrofit: 1.5 },
  /** A device moved to another place, its cable pulled again: not in the table, as a camera hung again (trade practice). */
  deviceMoved: { new: 0.75, retrofit: 1.5 },
} as const satisfies Record<string, WorkHours>;

export type WorkKind = keyof typeof HOURS;

/** Least and most hours of an estimate: 40 % either way (ENGINEERING 18.1), person-hours. */
export const hoursBand = (hours: number): { readonly leastHours: number; readonly mostHours: number } => ({
  leastHours: 0.6 * hours,
  mostHours: 1.4 * hours,
});

/** What one run takes; counts are of whole pieces. */
export interface RunWork {
  /** Family of its cable. */
  readonly family: string;
  /** Whether another cable of the same path is pulled anyway. */
  readonly additional?: boolean;
  readonly holes?: number;
  readonly floors?: number;
  readonly boxes?: number;
}

/** Hours to pull one run, bore for it, box, terminate and label it (difficulty 1), person-hours. */
export function runHours(
  { family, additional = false, holes = 0, floors = 0, boxes = 0 }: RunWork,
  construction: keyof WorkHours,
): number {
  const end = family === 'cat' ? HOURS.categoryEnd : HOURS.coaxEnd;
  return (
    (additional ? HOURS.additionalCable : HOURS.pull)[construction] +
    holes * HOURS.hole[construction] +
    floors * HOURS.floorCrossing[construction] +
    boxes * HOURS.box[construction] +
    2 * end[construction] +
    HOURS.labelPair[construction]
  );
}

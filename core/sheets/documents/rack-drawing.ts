import { derivationsOf } from '../../derive/index.ts';
import { boardM, fromTop, HEAD_ENDS, type HeadEnd, isRackMounted } from '../../head-end/index.ts';
import { RACK_UNIT_M } from '../../math/index.ts';
import type { Equipment, ProjectDocument } from '../../model/index.ts';

/** A piece of equipment on an elevation: from the lower left corner of the head end, mm on paper. */
export interface DrawnItem {
  readonly name: string;
  readonly xMm: number;
  readonly yMm: number;
  readonly widthMm: number;
  readonly heightMm: number;
}

/** A head end seen from one side, to scale. */
export interface DrawnFace {
  readonly face: 'front' | 'rear';
  readonly items: readonly DrawnItem[];
}

/** The elevations of a head end with the strip that stands on it. */
export interface RackDrawing {
  readonly rackId: string;
  readonly name: string;
  /** 1 to so many. */
  readonly scale: number;
  readonly widthMm: number;
  readonly heightMm: number;
  /** Rack units, from the bottom; none on a board or in an enclosure. */
  readonly units: number;
  readonly faces: readonly DrawnFace[];
  /** What hangs on the wall beside it. */
  readonly beside: readonly string[];
  /** Strip for its door: the firm with its contact, the house, and the head end. */
  readonly strip: readonly string[];
}

const SCALES = [2, 5, 8, 10, 15, 20] as const;

/** Every head end with equipment, in the largest scale in which both its sides fit a field of so many mm. */
export function rackDrawings(project: ProjectDocument, [fieldWidthMm, fieldHeightMm]: readonly [number, number]): RackDrawing[] {
  return derivationsOf(project)
    .get(HEAD_ENDS)
    .filter(({ equipment }) => equipment.length > 0)
    .map((headEnd) => drawingOf(project, headEnd, [fieldWidthMm, fieldHeightMm]));
}

function drawingOf(
  project: ProjectDocument,
  { rack, equipment }: HeadEnd,
  [fieldWidthMm, fieldHeightMm]: readonly [number, number],
): RackDrawing {
  const isRack = isRackMounted(rack);
  const [widthM, heightM] = boardM(rack);
  const faces = isRack ? (['front', 'rear'] as const) : (['front'] as const);
  const scale =
    SCALES.find(
      (one) => (heightM * 1000) / one <= fieldHeightMm && ((widthM * 1000) / one) * faces.length <= fieldWidthMm * 0.8,
    ) ?? SCALES[SCALES.length - 1];
  const mm = (m: number) => (m * 1000) / scale;
  const placed = equipment.filter(({ atUnit, xM }) => (isRack ? atUnit !== null : xM !== null));
  const item = (one: Equipment): DrawnItem =>
    isRack
      ? {
          ...{ name: one.name, yMm: mm((one.atUnit! - 1) * RACK_UNIT_M), heightMm: mm(Math.max(1, one.units) * RACK_UNIT_M) },
          ...{ xMm: one.xM === null ? 0 : mm(one.xM), widthMm: one.xM === null ? mm(widthM) : mm(one.widthM) },
        }
      : { name: one.name, xMm: mm(one.xM!), yMm: mm(one.yM ?? 0), widthMm: mm(one.widthM), heightMm: mm(one.heightM) };
  const { firm, firmContact, name, address } = project.project;
  return {
    ...{ rackId: rack.id, name: rack.name, scale, widthMm: mm(widthM), heightMm: mm(heightM), units: isRack ? rack.units : 0 },
    faces: faces.map((face) => ({
      face,
      items: placed
        .filter((one) => one.face === face || !isRack)
        .sort(fromTop)
        .map(item),
    })),
    beside: equipment.filter((one) => !placed.includes(one)).map((one) => one.name),
    strip: [
      [firm, firmContact].filter(Boolean).join(' · '),
      [name, address].filter(Boolean).join(', '),
      `${rack.name} (${rack.code})`,
    ].filter(Boolean),
  };
}

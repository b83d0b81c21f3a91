import { featureMake, SVG_PX_PER_M, type TradeMarkAt, usualSize } from '@dusky-spool/core/house';
import type { Point2 } from '@dusky-spool/core/math';
import { create, newFeature, newUnderlay, type Operation, type ProjectDocument } from '@dusky-spool/core/model';

const MAX_NAME = 200;
const MAX_OWNER = 60;
const OPACITY = 0.5;

/** Lays the picture of a drawing under a level: its lower left corner at `at`, m; `corner` is that corner in the drawing, m. */
export const addDrawingPicture = ({
  id,
  levelId,
  pictureId,
  name,
  at,
  corner,
  shrunk = 1,
}: {
  readonly id: string;
  readonly levelId: string;
  readonly pictureId: string;
  readonly name: string;
  readonly at: Point2;
  readonly corner: Point2;
  /** How many pixels of the drawing are one of the picture that was stored of it: more than one for a very large drawing. */
  readonly shrunk?: number;
}): Operation[] => [
  create(
    'underlays',
    newUnderlay({
      id,
      levelId,
      pictureId,
      name: name.slice(0, MAX_NAME),
      originX: at[0],
      originY: at[1],
      drawingCorner: [corner[0], corner[1]],
      metresPerPixel: shrunk / SVG_PX_PER_M,
      rotationRad: 0,
      opacity: OPACITY,
      scaled: true,
    }),
  ),
];

/** Marks of trades from their layers, each open until it is answered. `moved` lays a point of the drawing on the plan, m. */
export const addTradeMarks = (
  project: ProjectDocument,
  {
    levelId,
    marks,
    moved,
    newId,
  }: {
    readonly levelId: string;
    readonly marks: readonly TradeMarkAt[];
    readonly moved: (p: Point2) => Point2;
    readonly newId: () => string;
  },
): Operation[] =>
  marks.map(({ layer, name, at }) => {
    const [x, y] = moved(at);
    const { ceilingHeightM } = project.levels[levelId];
    const size = usualSize(featureMake('trade-mark'), ceilingHeightM);
    const owner = layer.slice(0, MAX_OWNER);
    return create(
      'features',
      newFeature({ id: newId(), levelId, kind: 'trade-mark', name, owner, points: [[x, y]], ...size, decision: 'open' }),
    );
  });

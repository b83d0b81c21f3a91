import type { Point2 } from '@dusky-spool/core/math';
import type { ProjectDocument } from '@dusky-spool/core/model';
import type { Camera } from '../../canvas/picture.ts';
import { UnderlayLayer } from '../../canvas/UnderlayLayer.tsx';
import css from './survey.module.css';

interface Props {
  readonly projectId: string;
  readonly project: ProjectDocument;
  readonly levelId: string;
  readonly camera: Camera;
  /** What is looked at, m; nothing without. */
  readonly at: Point2 | null | undefined;
}

const SIDE_PX = 168;
const TIMES = 6;
/** How far from the pointer it stands, px. */
const ASIDE_PX = 28;

/** The plan picture about the pointer, enlarged, with a cross where a click would be. */
export function Magnifier({ projectId, project, levelId, camera: { k, tx, ty }, at }: Props) {
  if (!at) return null;
  const half = SIDE_PX / 2;
  const near = k * TIMES;
  const camera: Camera = { k: near, tx: half - at[0] * near, ty: half + at[1] * near };
  const [x, y] = [at[0] * k + tx, ty - at[1] * k];
  const left = x + ASIDE_PX + SIDE_PX > window.innerWidth ? x - ASIDE_PX - SIDE_PX : x + ASIDE_PX;
  const top = y - ASIDE_PX - SIDE_PX < 0 ? y + ASIDE_PX : y - ASIDE_PX - SIDE_PX;
  return (
    <svg className={css.magnifier} style={{ left, top }} width={SIDE_PX} height={SIDE_PX} aria-hidden="true">
      <rect className={css.magnifierPaper} width={SIDE_PX} height={SIDE_PX} />
      <g transform={`translate(${camera.tx},${camera.ty}) scale(${near},${-near})`}>
        <UnderlayLayer projectId={projectId} project={project} levelId={levelId} camera={camera} isFull />
      </g>
      <path
        className={css.magnifierCross}
        d={`M0 ${half}H${half - 6}M${half + 6} ${half}H${SIDE_PX}M${half} 0V${half - 6}M${half} ${half + 6}V${SIDE_PX}`}
      />
      <circle className={css.magnifierCross} cx={half} cy={half} r={1} />
    </svg>
  );
}

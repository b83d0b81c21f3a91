import { type FaceGuide, faceOf, type FacePlace } from '@dusky-spool/core/devices';
import type { WallElevation } from '@dusky-spool/core/house';
import { formatLength } from '@dusky-spool/core/math';
import type { DeviceType } from '@dusky-spool/core/model';
import { useProject } from '../../state/open-project.ts';
import { BeadShape } from '../../ui/Bead.tsx';
import { FaceShape } from './WallDevices.tsx';
import type { WallScale } from './wall-scale.ts';

/** A device that a click would place. */
export interface Ghost {
  readonly type: DeviceType;
  readonly place: FacePlace;
  /** How bad it would be there; null where nothing is wrong. */
  readonly rank: string | null;
}

interface Props {
  readonly view: WallElevation;
  readonly scale: WallScale;
  readonly guides: readonly FaceGuide[];
  readonly ghost: Ghost | null;
  /** Where the pointer is while framing is set, and the first corner of a blocking. */
  readonly framing: { readonly at: FacePlace; readonly blockFrom: FacePlace | null } | null;
}

/** What would be placed or set where the pointer is, with the guides that it follows. */
export function WallDraft({ view, scale, guides, ghost, framing }: Props) {
  const { X, Y } = scale;
  return (
    <g pointerEvents="none" className="draft">
      {guides.map(({ axis, atM, kind }) => (
        <path
          key={axis}
          className={`guide ${kind}`}
          d={axis === 'offset' ? `M${X(atM)} ${Y(view.heightM)}V${Y(0)}` : `M${X(0)} ${Y(atM)}H${X(view.lengthM)}`}
        />
      ))}
      {ghost && <GhostDevice scale={scale} ghost={ghost} />}
      {framing && <FramingDraft view={view} scale={scale} {...framing} />}
    </g>
  );
}

function GhostDevice({ scale: { X, Y, k }, ghost: { type, place, rank } }: { readonly scale: WallScale; readonly ghost: Ghost }) {
  const { units } = useProject().project;
  const face = faceOf(type, null);
  const halfPx = (face.heightM * k) / 2;
  return (
    <g className={`ghost ${rank ?? ''}`} transform={`translate(${X(place.offsetM)},${Y(place.heightM)})`}>
      <FaceShape face={face} k={k} />
      <g transform={`translate(0,${-halfPx - 14})`}>
        <BeadShape code={type.code} system={type.system} facingRad={null} />
      </g>
      <text y={halfPx + 15} textAnchor="middle" className="draft-text">
        {formatLength(place.heightM, units)} · {formatLength(place.offsetM, units)}
      </text>
    </g>
  );
}

function FramingDraft({
  view,
  scale,
  at,
  blockFrom,
}: Pick<Props, 'view' | 'scale'> & { readonly at: FacePlace; readonly blockFrom: FacePlace | null }) {
  const { units } = useProject().project;
  const { X, Y } = scale;
  const { min, max } = Math;
  return (
    <>
      {blockFrom ? (
        <rect
          className="box-select"
          {...scale.box(
            min(blockFrom.offsetM, at.offsetM),
            max(blockFrom.offsetM, at.offsetM),
            min(blockFrom.heightM, at.heightM),
            max(blockFrom.heightM, at.heightM),
          )}
        />
      ) : (
        <path className="guide" d={`M${X(at.offsetM)} ${Y(view.heightM)}V${Y(0)}`} />
      )}
      <text x={X(at.offsetM) + 8} y={Y(at.heightM) - 8} className="draft-text">
        {formatLength(at.offsetM, units)} · {formatLength(at.heightM, units)}
      </text>
    </>
  );
}

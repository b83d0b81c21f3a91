import { Fragment, type PointerEvent } from 'react';
import { type Face, faceOf, mountTypeOf, rankOf } from '@dusky-spool/core/devices';
import type { ProjectDocument, Wall } from '@dusky-spool/core/model';
import { facedSide, type WallElevation, type WallSide } from '@dusky-spool/core/house';
import { formatLength } from '@dusky-spool/core/math';
import { BeadShape } from '../../ui/Bead.tsx';
import { SYSTEM_STYLE } from '../../ui/systems.ts';
import { labelFaces } from './face-labels.ts';
import type { WallScale } from './wall-scale.ts';
import css from './walls.module.css';

interface Props {
  readonly project: ProjectDocument;
  readonly wall: Wall;
  readonly view: WallElevation;
  readonly side: WallSide;
  readonly scale: WallScale;
  readonly chosen: ReadonlySet<string>;
  readonly onPointerDown: (deviceId: string, event: PointerEvent) => void;
  readonly onKey: (deviceId: string, event: React.KeyboardEvent) => void;
}

/** Boxes, speakers and displays of one wall with the holes behind them; what hangs on its other side is pale. */
export function WallDevices({ project, wall, view, side, scale, chosen, onPointerDown, onKey }: Props) {
  const { X, Y, k } = scale;
  const { units } = project.project;
  const shown = view.devices.map(({ device, offsetM, heightM }) => {
    const type = project.deviceTypes[device.typeId];
    return {
      device,
      type,
      offsetM,
      heightM,
      face: faceOf(type, mountTypeOf(project, device)),
      behind: facedSide(wall, device.facingRad) !== side,
    };
  });
  const here = shown.filter(({ behind }) => !behind);
  // What is chosen has its label first.
  const labels = labelFaces(
    [...here]
      .sort((a, b) => Number(chosen.has(b.device.id)) - Number(chosen.has(a.device.id)))
      .map(({ device, face, offsetM, heightM }) => ({
        id: device.id,
        x: X(offsetM),
        y: Y(heightM),
        width: face.widthM * k,
        height: face.heightM * k,
        words: `${formatLength(heightM, units)} · ${formatLength(offsetM, units)}`,
      })),
  );
  return (
    <>
      {shown
        .filter(({ behind }) => behind)
        .map(({ device, face, offsetM, heightM }) => (
          <g key={device.id} className={`${css.wallFace} behind`} transform={`translate(${X(offsetM)},${Y(heightM)})`}>
            <FaceShape face={face} k={k} />
          </g>
        ))}
      {here.map(({ device, type, face, offsetM, heightM }) => {
        const label = labels.get(device.id)!;
        const [bx, by] = [label.bead[0] - X(offsetM), label.bead[1] - Y(heightM)];
        return (
          <Fragment key={device.id}>
            <g
              className={`${css.wallFace} ${rankOf(project, device)}${chosen.has(device.id) ? ' chosen' : ''}${device.fitting === 'fitted' ? '' : ' prepared'}`}
              transform={`translate(${X(offsetM)},${Y(heightM)})`}
              role="button"
              tabIndex={0}
              aria-label={`${type.code} ${device.name || type.name}`}
              aria-pressed={chosen.has(device.id)}
              data-device={device.id}
              onPointerDown={(event) => onPointerDown(device.id, event)}
              onKeyDown={(event) => onKey(device.id, event)}
              style={{ color: SYSTEM_STYLE[type.system].colour }}
            >
              <path className={css.elevationDrop} d={`M0 ${(face.heightM * k) / 2}V${heightM * k}`} />
              <FaceShape face={face} k={k} />
              {Math.hypot(bx, by) > 4 && <path className={css.faceLeader} d={`M0 0L${bx} ${by}`} />}
              <g transform={`translate(${bx},${by})`}>
                {chosen.has(device.id) && <circle r={20} className="chosen-ring" />}
                <BeadShape code={type.code} system={type.system} facingRad={null} />
              </g>
            </g>
            {label.words && (
              <text x={label.words[0]} y={label.words[1]} className="face-words">
                {`${formatLength(heightM, units)} · ${formatLength(offsetM, units)}`}
              </text>
            )}
          </Fragment>
        );
      })}
    </>
  );
}

/** A face square on around 0,0: its outline, the cut-out dashed, what its clamps need dotted, and its fixings. */
export function FaceShape({ face, k }: { readonly face: Face; readonly k: number }) {
  const { widthM, heightM, round, cutOut, clampM, holePatternM } = face;
  const around = (w: number, h: number, circle: boolean, className: string) =>
    circle ? (
      <circle r={(w * k) / 2} className={className} />
    ) : (
      <rect x={(-w * k) / 2} y={(-h * k) / 2} width={w * k} height={h * k} className={className} />
    );
  return (
    <>
      {around(widthM, heightM, round, 'face')}
      {cutOut && around(cutOut.widthM, cutOut.heightM, cutOut.shape === 'round', 'cut-out')}
      {cutOut &&
        clampM > 0 &&
        around(cutOut.widthM + 2 * clampM, cutOut.heightM + 2 * clampM, cutOut.shape === 'round', 'clamp-edge')}
      {holePatternM &&
        [-1, 1].flatMap((sx) =>
          [-1, 1].map((sy) => (
            <circle
              key={`${sx}${sy}`}
              cx={(sx * holePatternM[0] * k) / 2}
              cy={(sy * holePatternM[1] * k) / 2}
              r={2.2}
              className={css.fixing}
            />
          )),
        )}
    </>
  );
}

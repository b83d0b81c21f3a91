import { type TheatreThing, type Inside, pictureCorners } from '@dusky-spool/core/theatre';
import { text } from '../../ground/text.ts';
import { BeadShape } from '../../ui/Bead.tsx';
import { pathOf } from './path.ts';
import type { DrawingProps } from './TheatreDrawing.tsx';

import css from './theatre.module.css';

/** Projectors with their cones of light; several are candidates for one picture. */
export function Projectors({ theatre, project, view, frame, scale, chosenId, onTake, onKey }: DrawingProps) {
  const { picture, projections } = theatre;
  if (!picture || view === 'front') return null;
  const [a, b, , d] = pictureCorners(picture, frame);
  return projections.map(({ deviceId, lens, windowM, throwFit, shiftUsed }) => {
    const at = frame.insideOf(lens);
    const edges = view === 'top' ? [a, b] : [a, d];
    const device = project.devices[deviceId];
    const type = project.deviceTypes[device.typeId];
    const body = frame.insideOf([device.x, device.y, lens[2]]);
    const [x, y] = scale.at(body);
    const thing: TheatreThing = { kind: 'device', id: deviceId };
    const isBad = throwFit === 'outside' || shiftUsed > 1;
    return (
      <g key={deviceId}>
        <path className={css.cone} d={pathOf([at, ...edges].map(scale.at), true)} />
        {windowM && <ThrowWindow windowM={[windowM[0], Math.min(windowM[1], frame.toM.awayM)]} {...{ at, scale }} />}
        <g
          className={`${css.projector}${isBad ? ` ${css.blocked}` : ''}${chosenId === deviceId ? ' chosen' : ''}`}
          transform={`translate(${x},${y})`}
          role="button"
          tabIndex={0}
          aria-label={text('theatre.projectorLabel', { name: device.name || type.name })}
          aria-pressed={chosenId === deviceId}
          data-device={deviceId}
          onPointerDown={(event) => onTake(thing, event)}
          onKeyDown={(event) => onKey(thing, event)}
        >
          {chosenId === deviceId && <circle r={20} className="chosen-ring" />}
          <BeadShape code={type.code} system={type.system} facingRad={null} />
        </g>
      </g>
    );
  });
}

/** Between which distances from the screen the lens may be. */
function ThrowWindow({
  windowM,
  at,
  scale,
}: {
  readonly windowM: readonly [number, number];
  readonly at: Inside;
  readonly scale: DrawingProps['scale'];
}) {
  if (windowM[0] >= windowM[1]) return null;
  const [from, to] = windowM.map((awayM) => scale.at({ ...at, awayM }));
  return <path className={css.throwWindow} d={pathOf([from, to], false)} />;
}

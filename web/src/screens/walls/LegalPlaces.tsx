import { faceOf, facePlaceOf, legalPlaces, moveDevices, moveOnFace, rankOf } from '@dusky-spool/core/devices';
import { formatLength, type Outcome } from '@dusky-spool/core/math';
import type { Device, Operation, Wall } from '@dusky-spool/core/model';
import type { WallSide } from '@dusky-spool/core/house';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { useProjectParts } from '../../state/project.ts';
import type { WallScale } from './wall-scale.ts';
import { faceTurn } from './face-labels.ts';
import { FaceShape } from './WallDevices.tsx';
import css from './walls.module.css';

/** Places near a device that cannot be built where it is; a click moves it there. On a wall in px of its sheet. */
export function LegalPlacesOnWall({
  device,
  wall,
  side,
  scale,
}: {
  readonly device: Device;
  readonly wall: Wall;
  readonly side: WallSide;
  readonly scale: WallScale;
}) {
  const project = useProject();
  if (facePlaceOf(project, wall, device)?.side !== side || rankOf(project, device) !== 'stop') return null;
  return legalPlaces(project, device).map(({ at: [x, y], shiftM }) => {
    const place = facePlaceOf(project, wall, { ...device, x, y });
    return (
      place && (
        <LegalPlace
          key={`${x},${y}`}
          device={device}
          k={scale.k}
          transform={`translate(${scale.X(place.offsetM)},${scale.Y(place.heightM)})`}
          shiftM={shiftM}
          move={() => moveOnFace(project, wall, side, [{ deviceId: device.id, to: place }])}
        />
      )
    );
  });
}

/** The same on a ceiling, m of the plan. */
export function LegalPlacesOnCeiling({ device, k }: { readonly device: Device; readonly k: number }) {
  const project = useProject();
  if (rankOf(project, device) !== 'stop') return null;
  return legalPlaces(project, device).map(({ at, shiftM }) => (
    <LegalPlace
      key={at.join()}
      device={device}
      k={k}
      isUpright
      transform={`translate(${at[0]},${at[1]})`}
      shiftM={shiftM}
      move={() => moveDevices(project, [{ deviceId: device.id, to: at }])}
    />
  ));
}

function LegalPlace({
  device,
  k,
  transform,
  shiftM,
  isUpright = false,
  move,
}: {
  readonly device: Device;
  readonly k: number;
  readonly transform: string;
  readonly shiftM: number;
  readonly isUpright?: boolean;
  readonly move: () => Outcome<readonly Operation[]>;
}) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const label = text('elevation.moveHere', { by: formatLength(shiftM, project.project.units) });
  const shape = <FaceShape face={faceOf(project.deviceTypes[device.typeId], null)} k={k} />;
  const words = (
    <text y={-8} textAnchor="middle">
      {label}
    </text>
  );
  return (
    <g
      className={css.legalPlace}
      transform={transform}
      role="button"
      aria-label={label}
      onClick={(event) => {
        event.stopPropagation();
        edit(text('edit.move'), move());
      }}
    >
      {isUpright ? (
        <g className="upright">
          <g transform={faceTurn(device.facingRad)}>{shape}</g>
          {words}
        </g>
      ) : (
        <>
          {shape}
          {words}
        </>
      )}
    </g>
  );
}

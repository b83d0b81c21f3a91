import { moveDevices, setWallDistance, wallDistances } from '@dusky-spool/core/devices';
import { buildingOf, nearestWall } from '@dusky-spool/core/house';
import { onLevel } from '@dusky-spool/core/derive';
import { distance2, type Point2 } from '@dusky-spool/core/math';
import type { Device } from '@dusky-spool/core/model';
import { placeOnWall } from '@dusky-spool/core/survey';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { useProjectParts } from '../../state/project.ts';
import { LengthField } from '../../ui/LengthField.tsx';
import { wallName } from './wall-name.ts';

/** A device outdoors is on a wall that is this near, m. */
const ON_WALL_M = 0.3;
/** Nobody measures farther from a wall, m. */
const FARTHEST_M = 200;

/** Where a device is, from walls and corners that a tape reaches. */
export function PlaceFields({ device }: { readonly device: Device }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const { units } = project.project;
  const isOutdoors = device.roomId === null;
  const host = isOutdoors ? nearestWall(buildingOf(project), device.levelId, [device.x, device.y], ON_WALL_M)?.wall : undefined;
  const distances = host ? [] : wallDistances(project, device);
  if (distances.length > 0)
    return distances.map(({ wall, distanceM, away }) => (
      <LengthField
        key={wall.id}
        label={text('device.fromWall', { wall: wallName(away) })}
        valueM={distanceM}
        units={units}
        minM={0}
        maxM={FARTHEST_M}
        onChange={(valueM) => valueM !== null && edit(text('edit.move'), setWallDistance(project, device.id, wall.id, valueM))}
      />
    ));
  const moveTo = (to: Point2) => edit(text('edit.move'), moveDevices(project, [{ deviceId: device.id, to }]));
  if (host) {
    // The outside corner is beyond the centerlines by half of the wall that meets it there, which is as thick as this one.
    const beyondM = host.thicknessM / 2;
    const placeAt = (lengthM?: number) =>
      placeOnWall(
        [device.x, device.y],
        host,
        { walls: onLevel(project, 'walls', device.levelId), between: 'centres' },
        { halfM: 0, lengthM },
      );
    return (
      <LengthField
        label={text('device.fromCorner')}
        valueM={placeAt().lengthM + beyondM}
        units={units}
        minM={0}
        maxM={distance2(host.a, host.b) + beyondM}
        onChange={(lengthM) => {
          if (lengthM === null) return;
          const { at } = placeAt(Math.max(0, lengthM - beyondM));
          // It stays on the side of the wall that it is on.
          moveTo([at[0] + Math.cos(device.facingRad) * 0.1, at[1] + Math.sin(device.facingRad) * 0.1]);
        }}
      />
    );
  }
  return (
    <>
      <LengthField
        label={text('device.x')}
        valueM={device.x}
        units={units}
        onChange={(x) => x !== null && moveTo([x, device.y])}
      />
      <LengthField
        label={text('device.y')}
        valueM={device.y}
        units={units}
        onChange={(y) => y !== null && moveTo([device.x, y])}
      />
    </>
  );
}

import { facePlaceOf, moveDevices, moveOnFace, moveRack } from '@dusky-spool/core/devices';
import type { Outcome, Point2 } from '@dusky-spool/core/math';
import type { Operation, ProjectDocument } from '@dusky-spool/core/model';
import type { WallSide } from '@dusky-spool/core/house';

/** Moves devices on the plan by so many metres. */
export const nudgeOnPlan = (
  project: ProjectDocument,
  deviceIds: readonly string[],
  [dx, dy]: Point2,
): Outcome<readonly Operation[]> =>
  moveDevices(
    project,
    deviceIds.map((deviceId) => {
      const { x, y } = project.devices[deviceId];
      return { deviceId, to: [x + dx, y + dy] as const };
    }),
  );

/** Moves a rack with what belongs to it by so many metres, exactly. */
export const nudgeRack = (project: ProjectDocument, rackId: string, [dx, dy]: Point2): readonly Operation[] => {
  const { x, y } = project.racks[rackId];
  return moveRack(project, rackId, [x + dx, y + dy], true);
};

/** Moves devices along and up a wall that is seen square on, m to the right and up. */
export function nudgeOnWall(
  project: ProjectDocument,
  { wallId, side }: { readonly wallId: string; readonly side: WallSide },
  deviceIds: readonly string[],
  [rightM, upM]: Point2,
): Outcome<readonly Operation[]> {
  const wall = project.walls[wallId];
  const alongM = side === 'left' ? -rightM : rightM;
  const moves = deviceIds.flatMap((deviceId) => {
    const place = facePlaceOf(project, wall, project.devices[deviceId]);
    return place?.side === side ? [{ deviceId, to: { offsetM: place.offsetM + alongM, heightM: place.heightM + upM } }] : [];
  });
  return moveOnFace(project, wall, side, moves);
}

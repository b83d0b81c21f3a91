import type { Point2 } from '@dusky-spool/core/math';
import { create, type Operation } from '@dusky-spool/core/model';

/** A reference point of a level, m: levels are laid over each other by points of one name. */
export const markPoint = ({
  id,
  levelId,
  name,
  at: [x, y],
}: {
  readonly id: string;
  readonly levelId: string;
  readonly name: string;
  readonly at: Point2;
}): Operation[] => [create('referencePoints', { id, levelId, name, x, y })];

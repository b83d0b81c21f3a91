import type { Point2 } from '@dusky-spool/core/math';
import { create, type Operation } from '@dusky-spool/core/model';

/** A dimension between two points of a level, m. */
export const addDimension = ({
  id,
  levelId,
  from,
  to,
}: {
  readonly id: string;
  readonly levelId: string;
  readonly from: Point2;
  readonly to: Point2;
}): Operation[] => [create('dimensions', { id, levelId, a: [from[0], from[1]], b: [to[0], to[1]], note: '' })];

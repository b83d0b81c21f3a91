import type { Point2 } from '@dusky-spool/core/math';
import type { Operation, PictureInfo, ProjectDocument } from '@dusky-spool/core/model';
import { cropBetween } from '../state/survey-selection.ts';
import { changeRecord } from './change-record.ts';

/** Crops a plan picture to the part between two corners, m on the plan; nothing where the part is too small to see. */
export function cropPicture(
  project: ProjectDocument,
  pictures: readonly PictureInfo[],
  { underlayId, first, second }: { readonly underlayId: string; readonly first: Point2; readonly second: Point2 },
): Operation[] {
  const underlay = project.underlays[underlayId];
  const picture = pictures.find(({ id }) => id === underlay?.pictureId);
  const crop = underlay && picture && cropBetween(underlay, picture, first, second);
  return crop ? changeRecord('underlays', underlay, { crop }) : [];
}

import type { Point2 } from '@dusky-spool/core/math';
import { create, newUnderlay, type Operation, type PictureInfo, type Underlay } from '@dusky-spool/core/model';
import { changeRecord } from './change-record.ts';

/** A picture whose scale nobody has set yet is laid this wide, m. */
const FIRST_WIDTH_M = 20;
const MAX_NAME = 200;
const USUAL_OPACITY = 0.7;

/** How many pixels of the old issue a pixel of the new one is: by the paper of both, else they are as wide as each other. */
const pixelsOf = (old: Pick<PictureInfo, 'widthPx' | 'paperMetresPerPixel'>, picture: PictureInfo): number =>
  old.paperMetresPerPixel !== null && picture.paperMetresPerPixel !== null
    ? picture.paperMetresPerPixel / old.paperMetresPerPixel
    : old.widthPx / picture.widthPx;

/**
 * Lays a plan picture under a level. A newer issue of a sheet lies where the old one lay, at the same width, and the old one is retired.
 * `metresPerPixel` is null where it is not known.
 */
export function addPlanPicture({
  id,
  levelId,
  picture,
  name,
  at,
  metresPerPixel,
  replaced,
}: {
  readonly id: string;
  readonly levelId: string;
  readonly picture: PictureInfo;
  readonly name: string;
  readonly at: Point2;
  readonly metresPerPixel: number | null;
  readonly replaced: {
    readonly underlay: Underlay;
    readonly picture: Pick<PictureInfo, 'widthPx' | 'paperMetresPerPixel'>;
  } | null;
}): Operation[] {
  const old = replaced?.underlay;
  const underlay = newUnderlay({
    id,
    levelId,
    pictureId: picture.id,
    name: name.slice(0, MAX_NAME),
    originX: old?.originX ?? at[0],
    originY: old?.originY ?? at[1],
    metresPerPixel: replaced
      ? replaced.underlay.metresPerPixel * pixelsOf(replaced.picture, picture)
      : (metresPerPixel ?? FIRST_WIDTH_M / picture.widthPx),
    rotationRad: old?.rotationRad ?? 0,
    mirrored: old?.mirrored ?? false,
    opacity: old?.opacity ?? USUAL_OPACITY,
    scaled: old?.scaled ?? metresPerPixel !== null,
  });
  return [create('underlays', underlay), ...(old ? changeRecord('underlays', old, { retired: true }) : [])];
}

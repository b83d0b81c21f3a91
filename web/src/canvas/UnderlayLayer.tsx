import { memo } from 'react';
import { type PictureInfo, type ProjectDocument, TILE_PX, type Underlay, WHOLE_UP_TO_PX } from '@dusky-spool/core/model';
import { planToPicture } from '@dusky-spool/core/house';
import { useBrokenPictures } from '../state/broken-pictures.ts';
import { useProjectStore } from '../state/project.ts';
import type { Camera } from './picture.ts';
import css from './canvas.module.css';

interface Props {
  readonly projectId: string;
  readonly project: ProjectDocument;
  readonly levelId: string;
  /** Older issues of the plan are shown too, in another colour, so that what moved can be seen. */
  readonly showRetired?: boolean;
  /** With it large pictures are shown in tiles, only those in sight. */
  readonly camera?: Camera;
  /** Not faded: it is looked at for itself. */
  readonly isFull?: boolean;
}

const MAX_TILES = 80;

/** Plan pictures under the drawing, at their scale. */
export const UnderlayLayer = memo(function UnderlayLayer({
  projectId,
  project,
  levelId,
  showRetired = false,
  camera,
  isFull,
}: Props) {
  const pictures = useProjectStore((state) => state.pictures);
  const { add: addBroken, remove: removeBroken } = useBrokenPictures.getState();
  return (
    <g className="underlays">
      {Object.values(project.underlays)
        .filter((underlay) => underlay.levelId === levelId && (!underlay.retired || showRetired))
        .map((underlay) => {
          const picture = pictures.find((p) => p.id === underlay.pictureId);
          if (!picture) return null;
          const large = picture.widthPx * picture.heightPx > WHOLE_UP_TO_PX && picture.mediaType !== 'image/svg+xml';
          const [sx, sy] = [underlay.metresPerPixel * (underlay.mirrored ? -1 : 1), underlay.metresPerPixelY];
          const [x0, y0, x1, y1] = underlay.crop ?? [0, 0, 1, 1];
          const clip = `crop-${underlay.id}`;
          const address = `/api/projects/${projectId}/pictures/${picture.id}`;
          return (
            <g
              key={underlay.id}
              className={underlay.retired ? `${css.underlay} retired` : css.underlay}
              opacity={isFull ? 1 : underlay.opacity}
              transform={`translate(${underlay.originX},${underlay.originY}) rotate(${(underlay.rotationRad * 180) / Math.PI}) scale(${sx},${-sy}) translate(0,${-picture.heightPx})`}
            >
              {underlay.crop && (
                <clipPath id={clip}>
                  <rect
                    x={x0 * picture.widthPx}
                    y={(1 - y1) * picture.heightPx}
                    width={(x1 - x0) * picture.widthPx}
                    height={(y1 - y0) * picture.heightPx}
                  />
                </clipPath>
              )}
              <g clipPath={underlay.crop ? `url(#${clip})` : undefined}>
                <rect className={css.underlaySheet} width={picture.widthPx} height={picture.heightPx} />
                {large && camera ? (
                  tilesInSight(underlay, picture, camera).map(({ z, x, y, sidePx }) => (
                    <image
                      key={`${z}/${x}/${y}`}
                      href={`${address}/tiles/${z}/${x}/${y}`}
                      x={x * sidePx}
                      y={y * sidePx}
                      width={sidePx}
                      height={sidePx}
                      preserveAspectRatio="none"
                      onError={() => addBroken(picture.id)}
                    />
                  ))
                ) : (
                  <image
                    href={address}
                    width={picture.widthPx}
                    height={picture.heightPx}
                    preserveAspectRatio="none"
                    onError={() => addBroken(picture.id)}
                    onLoad={() => removeBroken(picture.id)}
                  />
                )}
              </g>
            </g>
          );
        })}
    </g>
  );
});

/** Tiles of the level that is just fine enough, those that the sheet shows. */
function tilesInSight(underlay: Underlay, picture: PictureInfo, { k, tx, ty }: Camera) {
  const deepest = Math.max(0, Math.ceil(Math.log2(Math.max(picture.widthPx, picture.heightPx) / TILE_PX)));
  const perScreenPx = 1 / (underlay.metresPerPixel * k);
  const z = Math.min(deepest, Math.max(0, deepest - Math.floor(Math.log2(Math.max(1, perScreenPx)))));
  const sidePx = TILE_PX * 2 ** (deepest - z);
  // Corners of the sheet as pixels of the picture.
  const corners = [0, window.innerWidth].flatMap((sx) =>
    [0, window.innerHeight].map((sy): [number, number] => {
      const [x, y] = planToPicture(underlay, [(sx - tx) / k, (ty - sy) / k]);
      return [x, picture.heightPx - y];
    }),
  );
  const range = (axis: 0 | 1, sizePx: number): [number, number] => {
    const values = corners.map((corner) => corner[axis]);
    return [
      Math.max(0, Math.floor(Math.min(...values) / sidePx)),
      Math.min(Math.ceil(sizePx / sidePx) - 1, Math.floor(Math.max(...values) / sidePx)),
    ];
  };
  const [[fromX, toX], [fromY, toY]] = [range(0, picture.widthPx), range(1, picture.heightPx)];
  const tiles: { z: number; x: number; y: number; sidePx: number }[] = [];
  for (let y = fromY; y <= toY; y++)
    for (let x = fromX; x <= toX && tiles.length < MAX_TILES; x++) tiles.push({ z, x, y, sidePx });
  return tiles;
}

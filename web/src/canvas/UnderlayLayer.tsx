import { memo } from 'react';
import type { ProjectDocument } from '@dusky-spool/core/project';
import { useProject } from '../state/project.ts';

interface Props {
  readonly projectId: string;
  readonly document: ProjectDocument;
  readonly levelId: string;
  /** Older issues of the plan are shown too, in another colour, so that what moved can be seen. */
  readonly showRetired?: boolean;
}

/** Plan pictures under the drawing, at their scale. */
export const UnderlayLayer = memo(function UnderlayLayer({ projectId, document, levelId, showRetired = false }: Props) {
  const pictures = useProject((state) => state.pictures);
  return (
    <g className="underlays">
      {Object.values(document.underlays)
        .filter((underlay) => underlay.levelId === levelId)
        .map((underlay) => {
          const picture = pictures.find((p) => p.id === underlay.pictureId);
          if (!picture || (underlay.retired && !showRetired)) return null;
          const [width, height] = [picture.widthPx * underlay.metresPerPixel, picture.heightPx * underlay.metresPerPixelY];
          const [x0, y0, x1, y1] = underlay.crop ?? [0, 0, 1, 1];
          // Insets of the part that is shown, from the top of the picture clockwise.
          const inset = `inset(${(1 - y1) * 100}% ${(1 - x1) * 100}% ${y0 * 100}% ${x0 * 100}%)`;
          return (
            <image
              key={underlay.id}
              className={underlay.retired ? 'underlay retired' : 'underlay'}
              style={underlay.crop ? { clipPath: inset } : undefined}
              href={`/api/projects/${projectId}/pictures/${picture.id}`}
              width={width}
              height={height}
              opacity={underlay.opacity}
              preserveAspectRatio="none"
              transform={`translate(${underlay.originX},${underlay.originY}) rotate(${(underlay.rotationRad * 180) / Math.PI}) translate(0,${height}) scale(1,-1)`}
            />
          );
        })}
    </g>
  );
});

import { memo } from 'react';
import type { ProjectDocument } from '@dusky-spool/core/project';
import { useProject } from '../state/project.ts';

interface Props {
  readonly projectId: string;
  readonly document: ProjectDocument;
  readonly levelId: string;
}

/** Plan pictures under the drawing, at their scale. */
export const UnderlayLayer = memo(function UnderlayLayer({ projectId, document, levelId }: Props) {
  const pictures = useProject((state) => state.pictures);
  return (
    <g className="underlays">
      {Object.values(document.underlays)
        .filter((underlay) => underlay.levelId === levelId)
        .map((underlay) => {
          const picture = pictures.find((p) => p.id === underlay.pictureId);
          if (!picture) return null;
          const [width, height] = [picture.widthPx * underlay.metresPerPixel, picture.heightPx * underlay.metresPerPixel];
          return (
            <image
              key={underlay.id}
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

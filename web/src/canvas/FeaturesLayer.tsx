import { memo, useMemo } from 'react';
import { atticContours, featureBox, featureMake } from '@dusky-spool/core/house';
import type { Feature, ProjectDocument } from '@dusky-spool/core/model';
import { formatLength } from '@dusky-spool/core/math';
import { term } from '../ground/text.ts';
import { pathThrough } from './room-drawing.ts';
import css from './canvas.module.css';

interface Props {
  readonly project: Pick<ProjectDocument, 'features' | 'dimensions' | 'referencePoints' | 'project'>;
  readonly levelId: string;
  readonly hidden: ReadonlySet<string>;
  /** Names are shown from this near on, px per m. */
  readonly scale: number;
}

const NAMES_ABOVE = 34;
/** Small things lie close together: their names wait until there is room. */
const SMALL_M = 0.6;
const SMALL_NAMES_ABOVE = 110;

/** Everything in and around the house that is neither wall nor device, drawn by the group that it belongs to. */
export const FeaturesLayer = memo(function FeaturesLayer({ project, levelId, hidden, scale }: Props) {
  const features = useMemo(
    () => Object.values(project.features).filter((feature) => feature.levelId === levelId && !hidden.has(feature.kind)),
    [project.features, levelId, hidden],
  );
  const ordered = useMemo(() => [...features].sort((a, b) => Number(b.area) - Number(a.area)), [features]);
  const { units } = project.project;
  return (
    <g className="features" aria-hidden="true">
      {ordered.map((feature) => (
        <FeatureShape
          key={feature.id}
          feature={feature}
          named={scale > (feature.widthM < SMALL_M && !feature.area ? SMALL_NAMES_ABOVE : NAMES_ABOVE)}
        />
      ))}
      {Object.values(project.dimensions)
        .filter((one) => one.levelId === levelId)
        .map(({ id, a, b }) => {
          const middle = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
          const length = formatLength(Math.hypot(a[0] - b[0], a[1] - b[1]), units);
          return (
            <g key={id} className={css.dimension}>
              <path d={pathThrough([a, b])} />
              <g transform={`translate(${middle[0]},${middle[1]})`}>
                <g className="upright">
                  <text y={-5} textAnchor="middle">
                    {length}
                  </text>
                </g>
              </g>
            </g>
          );
        })}
      {Object.values(project.referencePoints)
        .filter((point) => point.levelId === levelId)
        .map(({ id, name, x, y }) => (
          <g key={id} className={css.referencePoint} transform={`translate(${x},${y})`}>
            <g className="upright">
              <path d="M-8 0H8M0-8V8" />
              <circle r={5} />
              <text x={10} y={4}>
                {name}
              </text>
            </g>
          </g>
        ))}
    </g>
  );
});

function FeatureShape({ feature, named }: { readonly feature: Feature; readonly named: boolean }) {
  const { group } = featureMake(feature.kind);
  const classes = `${css.feature} ${group} kind-${feature.kind}${feature.chosen ? '' : ` ${css.notChosen}`}${feature.decision === 'strike' || feature.decision === 'abandon' ? ' struck' : ''}`;
  const round = feature.points.length === 1 && feature.depthM === 0;
  const [[x, y]] = feature.points;
  const label = feature.name || term(`features.${feature.kind}`);
  return (
    <g className={classes}>
      {feature.points.length > 1 ? (
        <>
          {!feature.area && (
            <path d={pathThrough(feature.points)} className={css.featureBody} style={{ strokeWidth: feature.widthM }} />
          )}
          <path d={pathThrough(feature.points, feature.area)} className={feature.area ? css.featureArea : css.featureLine} />
        </>
      ) : round ? (
        <circle cx={x} cy={y} r={feature.widthM / 2} className={css.featureArea} />
      ) : (
        <path d={pathThrough(featureBox(feature), true)} className={css.featureArea} />
      )}
      {feature.kind === 'attic' &&
        atticContours(feature).map(({ for: what, lines }) =>
          lines.map((line, i) => (
            <g key={`${what}${i}`} className={css.atticContour}>
              <path d={pathThrough(line)} />
              {named && (
                <g transform={`translate(${line[0][0]},${line[0][1]})`}>
                  <text className={`upright ${css.featureName}`} x={6} y={-3}>
                    {term(`atticContours.${what}`)}
                  </text>
                </g>
              )}
            </g>
          )),
        )}
      {feature.markedAt && (
        <g className={css.markedAt}>
          <path d={pathThrough([feature.markedAt, feature.points[0]])} />
          <g transform={`translate(${feature.markedAt[0]},${feature.markedAt[1]})`}>
            <path className="upright" d="M-4-4 4 4M4-4-4 4" />
          </g>
        </g>
      )}
      {named && (
        <g transform={`translate(${x},${y})`}>
          <text
            className={`upright ${css.featureName}`}
            textAnchor={feature.points.length > 1 ? 'start' : 'middle'}
            y={feature.area ? 14 : 4}
            x={feature.points.length > 1 ? 4 : 0}
          >
            {label}
          </text>
        </g>
      )}
    </g>
  );
}

import { memo } from 'react';
import type { FramingMember, Opening } from '@dusky-spool/core/model';
import type { WallElevation } from '@dusky-spool/core/house';
import { formatLength, type UnitSystem } from '@dusky-spool/core/math';
import { term, text } from '../../ground/text.ts';
import type { Selection } from '../../state/selection-kinds.ts';
import type { WallScale } from './wall-scale.ts';
import css from './walls.module.css';

interface Props {
  readonly view: WallElevation;
  readonly scale: WallScale;
  readonly units: UnitSystem;
  readonly selection: Selection;
  readonly onOpening?: (opening: Opening, event: React.PointerEvent) => void;
  readonly onFeature?: (featureId: string) => void;
  readonly onBlocking?: (member: FramingMember, event: React.MouseEvent) => void;
}

/** A wall as it stands: framing, openings, what meets it, what was found on it, and the lines that heights are taken from. */
export const WallDrawing = memo(function WallDrawing({ view, scale, units, selection, onOpening, onFeature, onBlocking }: Props) {
  const { box } = scale;
  return (
    <>
      <rect {...box(0, view.lengthM, 0, view.heightM)} className={css.elevationWall} />
      {view.floorBuildUpM > 0 && <rect {...box(0, view.lengthM, -view.floorBuildUpM, 0)} className={css.elevationBuildUp} />}
      {view.plates.map(({ bottomM, topM }, i) => (
        <rect key={i} {...box(0, view.lengthM, bottomM, topM)} className={css.elevationPlate} />
      ))}
      {view.studs.map(({ offsetM, widthM, measured }, i) => (
        <rect
          key={i}
          {...box(offsetM - widthM / 2, offsetM + widthM / 2, 0, view.heightM)}
          className={measured ? `${css.elevationStud} measured` : css.elevationStud}
        />
      ))}
      {view.blocking.map((one) => (
        <rect
          key={one.id}
          {...box(one.offsetM, one.offsetM + one.widthM, one.bottomM, one.topM)}
          className={css.elevationBlocking}
          onClick={(event) => onBlocking?.(one, event)}
        />
      ))}
      <Openings {...{ view, scale, units, selection, onOpening }} />
      {view.meets.map(({ wall, offsetM }) => (
        <rect
          key={wall.id}
          {...box(offsetM - wall.thicknessM / 2, offsetM + wall.thicknessM / 2, 0, view.heightM)}
          className={css.elevationMeets}
        />
      ))}
      <Features {...{ view, scale, selection, onFeature }} />
      <HeightLines {...{ view, scale, units }} />
    </>
  );
});

/** Doors, windows and arches with their casings. */
function Openings({
  view,
  scale,
  units,
  selection,
  onOpening,
}: Pick<Props, 'view' | 'scale' | 'units' | 'selection' | 'onOpening'>) {
  const { X, Y, box } = scale;
  return view.openings.map((opening) => {
    const { offsetM, widthM, casingWidthM, sillM, headM } = opening;
    const reach = widthM / 2 + casingWidthM;
    return (
      <g
        key={opening.id}
        className={`${css.elevationOpening}${isChosen(selection, 'opening', opening.id) ? ' chosen' : ''}${onOpening ? '' : ' still'}`}
        onPointerDown={(event) => onOpening?.(opening, event)}
      >
        <rect
          {...box(offsetM - reach, offsetM + reach, sillM > 0 ? sillM - casingWidthM : 0, headM + casingWidthM)}
          className={css.casing}
        />
        <rect {...box(offsetM - widthM / 2, offsetM + widthM / 2, sillM, headM)} className={opening.kind} />
        <text x={X(offsetM)} y={Y((headM + sillM) / 2)} textAnchor="middle">
          {formatLength(widthM, units)}
        </text>
      </g>
    );
  });
}

/** What was found on the wall. */
function Features({ view, scale, selection, onFeature }: Pick<Props, 'view' | 'scale' | 'selection' | 'onFeature'>) {
  const { X, Y, k, box } = scale;
  return view.features.map(({ feature, offsetM }) => {
    const minM = 4 / k;
    const half = Math.max(minM, feature.widthM) / 2;
    return (
      <g
        key={feature.id}
        className={isChosen(selection, 'feature', feature.id) ? `${css.elevationThing} chosen` : css.elevationThing}
        onClick={() => onFeature?.(feature.id)}
      >
        <rect {...box(offsetM - half, offsetM + half, feature.bottomM, Math.max(feature.topM, feature.bottomM + minM))} />
        <text x={X(offsetM)} y={Y(feature.topM) - 4} textAnchor="middle">
          {feature.name || term(`features.${feature.kind}`)}
        </text>
      </g>
    );
  });
}

/** The lines that heights are taken from: floor, ceilings, benchmark. */
function HeightLines({ view, scale, units }: Pick<Props, 'view' | 'scale' | 'units'>) {
  const { X, Y } = scale;
  const [west, east] = [Math.min(X(0), X(view.lengthM)), Math.max(X(0), X(view.lengthM))];
  const across = (heightM: number) => `M${west} ${Y(heightM)}H${east}`;
  return (
    <>
      {view.benchmarkM !== null && (
        <g className={css.elevationBenchmark}>
          <path d={across(view.benchmarkM)} />
          <text x={east - 6} y={Y(view.benchmarkM) - 6} textAnchor="end">
            {text('elevation.benchmark', { height: formatLength(view.benchmarkM, units) })}
          </text>
        </g>
      )}
      <g className="elevation-scale">
        <path d={across(0)} className={css.floorLine} />
        <text x={west - 8} y={Y(0) + 4} textAnchor="end">
          {text('elevation.floor')}
        </text>
        {view.floorBuildUpM > 0 && (
          <text x={west} y={Y(-view.floorBuildUpM) + 18}>
            {text('elevation.subfloor', { down: formatLength(view.floorBuildUpM, units) })}
          </text>
        )}
        {[...new Set(view.ceilings.map(({ heightM }) => heightM))].map((heightM) => (
          <g key={heightM}>
            <path d={across(heightM)} className={css.ceilingLine} />
            <text x={west - 8} y={Y(heightM) + 4} textAnchor="end">
              {formatLength(heightM, units)}
            </text>
          </g>
        ))}
      </g>
    </>
  );
}

const isChosen = (selection: Selection, kind: Selection['kind'], id: string) =>
  selection.kind === kind && selection.ids.includes(id);

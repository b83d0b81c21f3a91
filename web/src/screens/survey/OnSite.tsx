import { useProject } from '../../state/open-project.ts';
import { distance2, formatLength } from '@dusky-spool/core/math';
import type { Feature } from '@dusky-spool/core/model';
import { anchoringIn, DRILL_M, fromTwoCorners, ridgeHeight, TAPED_KINDS } from '@dusky-spool/core/house';
import { moveFeatures } from '@dusky-spool/core/survey';
import { atticHeight } from '@dusky-spool/core/calculators';
import { term, text } from '../../ground/text.ts';
import { useProjectStore } from '../../state/project.ts';
import { Button } from 'antd';

interface Props {
  readonly feature: Feature;
}

/** What follows from a thing for the people on site: how it is found with two tapes, what it bears, what its trade is told. */
export function OnSite({ feature }: Props) {
  if (feature.kind === 'trade-mark') return <Mark feature={feature} />;
  if (feature.kind === 'attic') return <Attic feature={feature} />;
  if (feature.kind === 'underground-way') return <Trench feature={feature} />;
  if (TAPED_KINDS.has(feature.kind)) return <Tapes feature={feature} />;
  if (feature.substrate) return <Anchors substrate={feature.substrate} />;
  return null;
}

function Mark({ feature }: Props) {
  const project = useProject();
  const edit = useProjectStore((state) => state.edit);
  const [at] = feature.points;
  if (!feature.markedAt) return <p className="faint">{text('survey.markStays')}</p>;
  const [x, y] = feature.markedAt;
  const length = formatLength(distance2(feature.markedAt, at), project.project.units);
  return (
    <>
      <p>{text('survey.markMoved', { length, owner: feature.owner || text('survey.anotherTrade') })}</p>
      <Button size="small" onClick={() => edit(text('edit.move'), moveFeatures(project, [feature.id], [x - at[0], y - at[1]]))}>
        {text('survey.putBack')}
      </Button>
    </>
  );
}

function Tapes({ feature }: Props) {
  const project = useProject();
  const { units } = project.project;
  const tapes = fromTwoCorners(project, feature.levelId, feature.points[0]);
  return (
    <>
      <p>
        {tapes
          ? text('survey.twoTapes', {
              first: formatLength(tapes.distancesM[0], units),
              a: tapes.corners[0].name,
              second: formatLength(tapes.distancesM[1], units),
              b: tapes.corners[1].name,
            })
          : text('survey.noTapes')}
      </p>
      <p className="caution">{text('survey.digCaution')}</p>
    </>
  );
}

function Trench({ feature }: Props) {
  const project = useProject();
  const { units } = project.project;
  const lengthM = feature.points.slice(1).reduce((sum, p, i) => sum + distance2(feature.points[i], p), 0);
  return (
    <>
      <p>{text('survey.trench', { length: formatLength(lengthM, units), depth: formatLength(-feature.topM, units) })}</p>
      <p className="caution">{text('survey.digCaution')}</p>
    </>
  );
}

function Attic({ feature }: Props) {
  const project = useProject();
  const { units } = project.project;
  const ridgeM = ridgeHeight(feature);
  if (ridgeM === null || !feature.pitchRad) return null;
  const found = atticHeight({
    pitchDeg: (feature.pitchRad * 180) / Math.PI,
    distanceFromEavesM: 0,
    ridgeHeightM: ridgeM,
    drillLengthM: DRILL_M,
  });
  if (!found.ok) return null;
  const { crawlFromM, drillFromM } = found.value;
  const length = (valueM: number) => formatLength(valueM, units);
  return (
    <p>
      {crawlFromM === null || drillFromM === null
        ? text('survey.atticLow', { ridge: length(ridgeM) })
        : text('survey.atticNote', { ridge: length(ridgeM), crawl: length(crawlFromM), drill: length(drillFromM) })}
    </p>
  );
}

function Anchors({ substrate }: { readonly substrate: NonNullable<Feature['substrate']> }) {
  const { anchors, cautions } = anchoringIn(substrate);
  return (
    <>
      <p>
        {anchors.length > 0
          ? text('survey.anchorsIn', { anchors: anchors.map((anchor) => term(`anchors.${anchor}`)).join(', ') })
          : text('survey.anchorsNone')}
      </p>
      <p className="caution">{cautions.map((caution) => term(`anchorCautions.${caution}`)).join(' ')}</p>
    </>
  );
}

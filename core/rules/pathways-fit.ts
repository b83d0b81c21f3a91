import { conduitSize } from '../calculators/index.ts';
import { WAY_LOADS, type PathwayFill, pathwayFills } from '../pathways/index.ts';
import { type ProjectDocument, update } from '../model/index.ts';
import { type Cure, defineCheck, type Rank, type RuleFinding, say } from './check.ts';

/** ENGINEERING 6: no more than 360 degrees between pull points is allowed, 180 and 30 m are practice. */
const MAX_BENDS_RAD = 2 * Math.PI;
const USUAL_BENDS_RAD = Math.PI;
const LONGEST_PULL_M = 30;

/** What lies in a pathway fits, and can be pulled through it (ENGINEERING 6). */
export const pathwaysFit = defineCheck({
  id: 'ways-fit',
  stage: 'cabling',
  title: 'What lies in a conduit, chase or channel fits, and can be pulled',
  source: 'NEC chapter 9 table 1; ANSI/TIA-569; trade practice',
  calculators: ['conduit-fill', 'conduit-size', 'conduit-pull'],
  severity: 'stop',
  appliesTo: 'features',
  reads: [],
  nodes: [WAY_LOADS],
  run: ({ project }) => pathwayFills(project).flatMap((load) => findingsOf(load)),
});

function findingsOf(load: PathwayFill): RuleFinding[] {
  const found: RuleFinding[] = [];
  const add = (
    code: string,
    rank: Rank,
    measured: number | null,
    allowed: number | null,
    unit: string,
    figures = {},
    cures?: RuleFinding['cures'],
  ) =>
    found.push(
      say(
        rank,
        code,
        [{ in: load.in, id: load.id }],
        { way: load.name, thing: load.kind, cables: load.runs.length, ...figures },
        { measured, allowed, unit, cures },
      ),
    );
  const { fill, limit, pull, allowedN } = load;
  if (load.runs.length > 0 && fill === null && load.kind === 'conduit') add('way-size-unknown', 'look', null, null, '');
  if (fill !== null && fill > limit + 1e-9)
    add(
      'way-over-full',
      'stop',
      fill,
      limit,
      '',
      { full: Math.round(fill * 100), most: `${Math.round(limit * 100)} %` },
      (house) => larger(house, load),
    );
  if (load.jams) add('way-jams', 'look', null, null, '');
  if (!pull) return found;
  const degrees = Math.round((pull.bendsRad * 180) / Math.PI);
  if (pull.bendsRad > MAX_BENDS_RAD + 1e-6) add('way-bends-over', 'stop', pull.bendsRad, MAX_BENDS_RAD, 'rad', { degrees });
  else if (pull.bendsRad > USUAL_BENDS_RAD + 1e-6) add('way-bends', 'look', pull.bendsRad, USUAL_BENDS_RAD, 'rad', { degrees });
  if (pull.lengthM > LONGEST_PULL_M) add('way-long', 'look', pull.lengthM, LONGEST_PULL_M, 'm', { lengthM: pull.lengthM });
  if (allowedN !== null && pull.tensionN > allowedN)
    add('way-too-hard', 'stop', pull.tensionN, allowedN, 'N', {
      pullN: Math.round(pull.tensionN),
      allowedN: Math.round(allowedN),
    });
  return found;
}

/** The next conduit that takes all of it with room to spare. */
function larger(project: ProjectDocument, load: PathwayFill): Cure[] {
  if (load.insideM === null) return [];
  const diameters = load.runs.map(({ run }) => project.cableTypes[run.cableTypeId].outsideDiameterM);
  const size = conduitSize(diameters, project.project.jurisdiction);
  if (!size.ok || size.value.insideM <= load.insideM) return [];
  const { name, insideM, outsideM } = size.value;
  const feature = project.features[load.id];
  if (!feature) return [];
  const middleM = (feature.bottomM + feature.topM) / 2;
  const after = {
    insideDiameterM: insideM,
    widthM: outsideM,
    bottomM: Math.round((middleM - outsideM / 2) * 1e4) / 1e4,
    topM: Math.round((middleM + outsideM / 2) * 1e4) / 1e4,
  };
  const operation = update('features', feature, after);
  return operation ? [{ code: 'larger-conduit', figures: { name }, operations: [operation] }] : [];
}

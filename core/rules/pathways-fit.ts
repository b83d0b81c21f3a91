import { conduitSize, fillLimit, plugConduit } from '../calculators/index.ts';
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
  reads: ['cableTypes'],
  nodes: [WAY_LOADS],
  run: ({ project }) => pathwayFills(project).flatMap((load) => findingsOf(project, load)),
});

function findingsOf(project: ProjectDocument, load: PathwayFill): RuleFinding[] {
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
  const plug = plugIn(project, load);
  if (plug)
    add(
      'way-plug-too-large',
      'stop',
      load.insideM,
      plug.leastM,
      'm',
      { number: plug.number, insideM: load.insideM, leastM: plug.leastM, diagonalM: plug.diagonalM },
      (house) => larger(house, load, plug.leastM),
    );
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

/** Leads that come with their plugs on. */
const PRE_MADE = /^hdmi/;

/** A lead whose plug does not pass the pathway beside the cables that lie in it; null where every plug does. */
function plugIn({ cableTypes }: ProjectDocument, { runs, insideM, pull }: PathwayFill) {
  if (insideM === null || !pull) return null;
  const lead = runs.find(({ run }) => PRE_MADE.test(cableTypes[run.cableTypeId].family));
  if (!lead) return null;
  const besideM = runs.filter((one) => one !== lead).map(({ run }) => cableTypes[run.cableTypeId].outsideDiameterM);
  const fits = plugConduit.run({ ...plugConduit.input.parse({ insideM, besideM }) });
  if (!fits.ok || fits.value.ok !== false) return null;
  return { number: lead.run.number, leastM: fits.value.leastM, diagonalM: fits.value.diagonalM };
}

/** The next conduit that takes all of it with room to spare, and no narrower than is asked. */
function larger(project: ProjectDocument, load: PathwayFill, leastM = 0): Cure[] {
  if (load.insideM === null) return [];
  const diameters = load.runs.map(({ run }) => project.cableTypes[run.cableTypeId].outsideDiameterM);
  const { jurisdiction } = project.project;
  const [byFill, byPlug] = [diameters, [leastM * Math.sqrt(fillLimit(1, jurisdiction))]].map((list) =>
    conduitSize(list, jurisdiction),
  );
  const size = leastM > 0 && byPlug.ok && byFill.ok && byPlug.value.insideM > byFill.value.insideM ? byPlug : byFill;
  if (!size.ok || size.value.insideM <= load.insideM || size.value.insideM < leastM) return [];
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

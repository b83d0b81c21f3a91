import { derivationsOf, whole } from '../derive/index.ts';
import { FAMILY_ENDS } from '../devices/index.ts';
import { type ProjectDocument, update } from '../model/index.ts';
import { type Cure, defineCheck, say } from './check.ts';

/** Connectors that the library puts on each family of cable. */
const USED_ON = whole<ReadonlyMap<string, ReadonlySet<string>>>({
  name: 'connectors by family',
  tables: ['deviceTypes', 'cableTypes'],
  make: (read) => {
    const found = new Map<string, Set<string>>();
    const add = (family: string, connector: string) => {
      if (connector === '') return;
      const set = found.get(family);
      if (set) set.add(connector);
      else found.set(family, new Set([connector]));
    };
    for (const [family, [device, far]] of Object.entries(FAMILY_ENDS)) [device, far].forEach((one) => add(family, one));
    for (const { cables } of read.rows('deviceTypes'))
      for (const leg of cables) {
        const family = read.project.cableTypes[leg.cableTypeId]?.family;
        if (family) [leg.deviceConnector, leg.farConnector].forEach((one) => add(family, one));
      }
    return found;
  },
});

const usedOn = (project: ProjectDocument) => derivationsOf(project).get(USED_ON);

/** Every run has a connector at both ends, and one that goes on its cable (practice B10). */
export const endsKnown = defineCheck({
  id: 'ends-known',
  title: 'Every run has a connector at both ends that fits its cable',
  source: 'Trade practice',
  severity: 'stop',
  stage: 'cabling',
  appliesTo: 'runs',
  reads: ['cableTypes'],
  nodes: [USED_ON],
  ofRun: ({ run }, { project }) => {
    const { family, name } = project.cableTypes[run.cableTypeId];
    if (!FAMILY_ENDS[family]) return [];
    const ends = [run.deviceConnector, run.farConnector];
    const used = usedOn(project);
    const isMisfit = (connector: string) =>
      connector !== '' &&
      !used.get(family)?.has(connector) &&
      [...used].some(([other, set]) => other !== family && set.has(connector));
    const wrong = ends.find(isMisfit);
    const isOpen = ends.includes('');
    if (!wrong && !isOpen) return [];
    return [
      say(
        wrong ? 'stop' : 'look',
        wrong ? 'end-misfit' : 'end-unknown',
        [{ in: 'runs', id: run.id }],
        { number: run.number, cable: name, connector: wrong ?? '', at: ends[0] === '' ? 'the device' : 'its far end' },
        { cures: (house) => usual(house, run.id) },
      ),
    ];
  },
});

function usual(project: ProjectDocument, runId: string): Cure[] {
  const run = project.runs[runId];
  if (!run) return [];
  const [device, far] = FAMILY_ENDS[project.cableTypes[run.cableTypeId].family];
  const used = usedOn(project).get(project.cableTypes[run.cableTypeId].family);
  const keep = (connector: string, otherwise: string) => (connector !== '' && used?.has(connector) ? connector : otherwise);
  const operation = update('runs', run, {
    deviceConnector: keep(run.deviceConnector, device),
    farConnector: keep(run.farConnector, far),
  });
  return operation ? [{ code: 'usual-ends', figures: { device, far }, operations: [operation] }] : [];
}

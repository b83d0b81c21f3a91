import { BUILDING } from '../house/index.ts';
import { OUTDOORS, PICTURES, proposeConduit, spareConduits } from '../pathways/index.ts';
import { type Cure, defineCheck, say } from './check.ts';
import type { ProjectDocument } from '../model/index.ts';

/**
 * Attic and outdoors have a conduit to the head end, displays a local one to their furniture, projectors one to anywhere
 * (practice A40, B09).
 */
export const conduitsPlanned = defineCheck({
  id: 'conduits-planned',
  stage: 'cabling',
  title: 'Spare conduits lead where later cable will be wanted',
  source: 'Trade practice',
  severity: 'look',
  appliesTo: 'devices',
  reads: ['cableTypes', 'deviceTypes', 'features', 'levels', 'racks', 'runs'],
  nodes: [BUILDING, OUTDOORS, PICTURES],
  run: ({ project }) => {
    const missing = spareConduits(project).filter(({ servedBy }) => servedBy === null);
    if (missing.length === 0) return [];
    return [
      say(
        'look' as const,
        'conduits-missing',
        missing.map(({ subject }) => subject),
        { count: missing.length, first: missing[0].name || missing[0].why },
        { measured: missing.length, allowed: 0, cures: (house: ProjectDocument) => withConduits(house, missing) },
      ),
    ];
  },
});

/** All of them at once; those to which no route leads stay open. */
function withConduits(project: ProjectDocument, missing: readonly Parameters<typeof proposeConduit>[1][]): Cure[] {
  const operations = missing.flatMap((one, n) => {
    const id = `spare_${one.subject.id}`.slice(0, 36);
    const proposed = proposeConduit(project, one, project.features[id] ? `${id}_${n}` : id);
    return proposed ? [...proposed.operations] : [];
  });
  return operations.length > 0 ? [{ code: 'add-conduits', figures: { count: operations.length }, operations }] : [];
}

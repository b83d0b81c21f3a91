import { coaxDbPerM } from '../calculators/index.ts';
import type { ProjectDocument } from '../model/index.ts';
import { coaxKindOf, plannedRun } from '../runs/index.ts';
import type { HeadEnd } from './head-end.ts';
import { CONNECTORS_DB, PLATE_DB, PLATE_FROM_MHZ, type RfOutlet, type RfSource } from './rf.ts';

/** Coax outlets of a head end with what their cables lose at both ends of the band; runs without a route count with no length. */
export function rfOutlets(
  project: ProjectDocument,
  { needs }: HeadEnd,
  { lowestMhz, highestMhz }: Pick<RfSource, 'lowestMhz' | 'highestMhz'>,
): (RfOutlet & { readonly number: string; readonly lengthM: number | null })[] {
  return needs
    .filter(({ kind, isSignalIn }) => kind === 'coax' && !isSignalIn)
    .map(({ runId, number }) => {
      const { run, length } = plannedRun(project, runId);
      const kind = coaxKindOf(project.cableTypes[run.cableTypeId])!;
      const lengthM = length?.cutLengthM ?? null;
      const lossAt = (mhz: number) => {
        const perM = coaxDbPerM(kind, mhz, project.project.ambientC);
        return CONNECTORS_DB + (mhz > PLATE_FROM_MHZ ? PLATE_DB : 0) + (perM.ok ? perM.value * (lengthM ?? 0) : 0);
      };
      return { id: runId, number, lengthM, lowDb: lossAt(lowestMhz), highDb: lossAt(highestMhz) };
    });
}

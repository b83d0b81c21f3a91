import { coaxDbPerM } from '../calculators/index.ts';
import type { ProjectDocument } from '../model/index.ts';
import { coaxKindOf, plannedRun } from '../runs/index.ts';
import type { HeadEnd } from './head-end.ts';
import type { RfOutlet, RfSource } from './rf.ts';

/** What brings a signal in rather than taking it: antennas, dishes, the line of the provider. */
const SOURCES = /aerial|antenna|dish|line-entry|modem-place|surge|bonding/;
/** Two compression connectors, and a plate above 1 GHz (ENGINEERING 5.1), dB. */
const CONNECTORS_DB = 0.4;
const PLATE_DB = 0.5;
const PLATE_FROM_MHZ = 1000;

/** Coax outlets of a head end with what their cables lose at both ends of the band; runs without a route count with no length. */
export function rfOutlets(
  project: ProjectDocument,
  { needs }: HeadEnd,
  { lowestMhz, highestMhz }: Pick<RfSource, 'lowestMhz' | 'highestMhz'>,
): (RfOutlet & { readonly number: string; readonly lengthM: number | null })[] {
  return needs
    .filter(({ kind, deviceId }) => kind === 'coax' && !SOURCES.test(project.devices[deviceId].typeId))
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

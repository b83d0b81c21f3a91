import { coaxDbPerM, type CoaxKind, SATELLITE_MHZ } from '../calculators/index.ts';
import type { ProjectDocument } from '../model/index.ts';
import { coaxKindOf } from '../runs/index.ts';
import { defineCheck, say } from './check.ts';
import { useCable } from './cures.ts';

/** Highest frequency of cable television lines, MHz. */
const CABLE_MHZ = 1000;

/** A coax run leaves enough of its signal: what it loses by itself. */
export const coaxLossCheck = defineCheck({
  id: 'coax-loss',
  title: 'Coax leaves enough of its signal',
  source: 'ANSI/SCTE 74, above 1000 MHz typical; 12 dB a run by trade practice',
  calculators: ['coax-loss'],
  severity: 'look',
  stage: 'cabling',
  appliesTo: 'runs',
  reads: ['cableTypes', 'project'],
  limits: { mostDb: { usual: 12, min: 4, max: 20, unit: 'dB', safer: 'less' } },
  ofRun: ({ run, device, length }, { project, limit }) => {
    const cable = project.cableTypes[run.cableTypeId];
    const kind = coaxKindOf(cable);
    if (!length || !kind) return [];
    const mhz = device.typeId.includes('dish') ? SATELLITE_MHZ : CABLE_MHZ;
    const lossDb = lossOf(project, kind, mhz, length.cutLengthM);
    const maxDb = limit('mostDb');
    if (lossDb <= maxDb * (1 + 1e-9)) return [];
    return [
      say(
        'look',
        'coax-lossy',
        [{ in: 'runs', id: run.id }],
        { number: run.number, cable: cable.name, lengthM: length.cutLengthM, lossDb, limitDb: maxDb, mhz },
        {
          measured: lossDb,
          allowed: maxDb,
          unit: 'dB',
          cures: (house) =>
            useCable(house, run.id, (other) => {
              const better = coaxKindOf(other);
              return better !== null && other.rating === cable.rating && lossOf(house, better, mhz, length.cutLengthM) <= maxDb;
            }),
        },
      ),
    ];
  },
});

function lossOf(project: ProjectDocument, kind: CoaxKind, mhz: number, lengthM: number): number {
  const perM = coaxDbPerM(kind, mhz, project.project.ambientC);
  return perM.ok ? perM.value * lengthM : Infinity;
}

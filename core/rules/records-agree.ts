import type { CableType, ProjectDocument } from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import { type Cure, defineCheck, say } from './check.ts';
import { exchange } from './cures.ts';

/** `14 AWG`, `14 ga`, `14/2`, `14-2`: a gauge as it is written in notes. */
const GAUGE = /\b(\d{1,2})\s*(?:AWG|ga(?:uge)?\b|[/-][24]\b)/i;

/** What is written of a run says the same as its record (practice A84, B10). */
export const recordsAgree = defineCheck({
  id: 'records-agree',
  title: 'Notes and records say the same',
  source: 'Trade practice',
  severity: 'stop',
  stage: 'cabling',
  appliesTo: 'runs',
  reads: ['cableTypes'],
  ofRun: ({ run, device }, { project }) => {
    const cable = project.cableTypes[run.cableTypeId];
    if (cable.gaugeAwg === null) return [];
    for (const text of [run.purpose, run.note, device.note]) {
      const found = GAUGE.exec(text);
      const gaugeAwg = found ? Number(found[1]) : NaN;
      if (!found || gaugeAwg === cable.gaugeAwg || gaugeAwg < 8 || gaugeAwg > 26) continue;
      return [
        say(
          'stop',
          'gauge-twice',
          [{ in: 'runs', id: run.id }],
          { number: run.number, cable: cable.name, written: found[0], has: cable.gaugeAwg },
          {
            measured: gaugeAwg,
            allowed: cable.gaugeAwg,
            unit: 'AWG',
            cures: (house) => asWritten(house, run.id, cable, gaugeAwg),
          },
        ),
      ];
    }
    return [];
  },
});

function asWritten(project: ProjectDocument, runId: string, { family, conductors }: CableType, gaugeAwg: number): Cure[] {
  const cable = listOf(project, 'cableTypes').find(
    (one) => one.family === family && one.gaugeAwg === gaugeAwg && one.conductors === conductors,
  );
  const operations = exchange(project, runId, cable);
  return operations.length > 0 ? [{ code: 'use-gauge', figures: { gaugeAwg }, operations }] : [];
}

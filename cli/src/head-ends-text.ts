import { headEndReport } from '@dusky-spool/core/devices';
import type { ProjectDocument } from '@dusky-spool/core/model';
import { en } from '@dusky-spool/texts';

/** Every head end: its kind, how it is entered, the runs and the cable that end there by system; then the rules. */
export function headEndsText(project: ProjectDocument, asJson: boolean): string {
  const report = headEndReport(project);
  if (asJson) return JSON.stringify({ project: project.project.name, units: 'm', ...report }, null, 2);
  const { racks, rackEntries, systems } = en.terms;
  const heads = report.headEnds.flatMap(({ name, kind, entry, systems: own }) => [
    `${name} (${racks[kind]}; ${rackEntries[entry].toLowerCase()})`,
    ...own.map(({ system, runs, cutLengthM }) => `  ${systems[system]}: ${runs}, ${cutLengthM.toFixed(2)} m`),
  ]);
  const rules = report.rules.map(({ family, system, headEnd }) => `${system === null ? family : systems[system]} → ${headEnd}`);
  return [...heads, ...rules].join('\n');
}

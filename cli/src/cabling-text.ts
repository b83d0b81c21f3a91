import { cablingReport, cablingSheet } from '@dusky-spool/core/sheets';
import { sealCounts } from '@dusky-spool/core/pathways';
import type { ProjectDocument } from '@dusky-spool/core/model';
import { planRuns } from '@dusky-spool/core/runs';
import { cablingWords, en, words } from '@dusky-spool/texts';

/** What follows from the routes: bundles, how full pathways are, spare conduits, seals, screed, supports. */
export function cablingText(project: ProjectDocument, asJson: boolean): string {
  const runs = planRuns(project);
  const report = cablingReport(project);
  if (asJson) return JSON.stringify({ project: project.project.name, units: 'm', ...report }, null, 2);
  const tables = cablingSheet(project, report, runs, cablingWords());
  const sections: Readonly<Record<string, string>> = en.documents.cabling.sections;
  const titles: Readonly<Record<string, string>> = en.documents.cabling.columns;
  const counts = sealCounts(report.penetrations);
  return [
    ...tables.flatMap(({ section, columns, rows }) => [
      sections[section],
      columns.map((column) => titles[column]).join('\t'),
      ...rows.map((row) => row.join('\t')),
      '',
    ]),
    words.t('ui.ways.sealsOpen', { count: counts.open }),
  ].join('\n');
}

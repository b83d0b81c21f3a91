// Here: pure models of what is handed out: the cable schedule, its totals, the plan sheet.
// Not here: PDF and XLSX (server) and screens (web).
// Start with `scheduleOf`.
// Terms: docs/glossary.md.
export {
  groupSchedule,
  plainSchedule,
  scheduleNodes,
  scheduleOf,
  spoolsFor,
  totalsByCable,
  type CableTotal,
  type ScheduleGroup,
  type ScheduleGrouping,
  type ScheduleRow,
  type ScheduleWords,
} from './schedule.ts';
export { countsBySystem, type SystemCount } from './counts.ts';
export { scheduleColumns, scheduleCsv, type ColumnTitles } from './schedule-columns.ts';
export { siteSheet, SITE_SECTIONS, type SiteColumn, type SiteSection, type SiteTable, type SiteWords } from './site-sheet.ts';
export {
  tradesSheet,
  TRADES_SECTIONS,
  type TradesColumn,
  type TradesSection,
  type TradesTable,
  type TradesWords,
} from './trades-sheet.ts';
export { platesInOrder, plateSchedule, type PlateColumn, type PlateTable, type PlateWords } from './plate-schedule.ts';
export { cutOutTemplate, type CutOutTemplate, type TemplatePaper } from './cut-out-template.ts';
export { planSheet, SHEET_PAPERS, type PlanSheet, type SheetMark, type SheetPaper } from './plan-sheet.ts';
export {
  cablingReport,
  type BesideRun,
  type CablingReport,
  type LoadedWay,
  type ReportedBundle,
  type ReportedSpare,
} from './cabling-report.ts';
export { cablingSheet, CABLING_SECTIONS, type CablingTable, type CablingWords } from './cabling-sheet.ts';
export { supportsOf, type SupportCount, type Supports } from './supports.ts';
export { bitsOf, holePlace, holeSheet, type HoleTable, type HoleWords } from './hole-sheet.ts';
export { checkSheet, loweredRules, type CheckTable, type CheckWords } from './check-sheet.ts';

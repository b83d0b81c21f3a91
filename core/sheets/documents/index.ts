// Here: pure models of what is handed out: the cable schedule, its totals, the plan sheet.
// Not here: PDF and XLSX (server) and screens (web).
// Start with `scheduleOf`.
// Terms: docs/glossary.md.
export { cablingReport, type CablingReport, type FilledPathway } from './cabling-report.ts';
export { cablingSheet, type CablingWords } from './cabling-sheet.ts';
export { checkSheet, type CheckWords, loweredRules } from './check-sheet.ts';
export { countsBySystem } from './counts.ts';
export { cutOutTemplate, type CutOutTemplate } from './cut-out-template.ts';
export { fileName } from './file-name.ts';
export { bitsOf, holePlace, holeSheet } from './hole-sheet.ts';
export { deviceLines, planList, type PlanListWords } from './plan-list.ts';
export { placeText, type PlaceWords } from './place-text.ts';
export { buildingMarks, deviceMarks, type SheetMark, type ShowsDevice } from './plan-marks.ts';
export { NOTE_MM, WALL_TAG_MM } from './plan-notes.ts';
export { type KeyLine, type PlanContent, planSheet, type PlanSheet, type SheetPaper } from './plan-sheet.ts';
export { plateSchedule, platesInOrder } from './plate-schedule.ts';
export { scheduleColumns, scheduleCsv } from './schedule-columns.ts';
export {
  type CableTotal,
  groupSchedule,
  plainSchedule,
  type ScheduleGrouping,
  scheduleNodes,
  scheduleOf,
  type ScheduleRow,
  type ScheduleWords,
  spoolsFor,
  totalsByCable,
} from './schedule.ts';
export { siteSheet } from './site-sheet.ts';
export { tradesSheet } from './trades-sheet.ts';
export { type TheatreMark, type TheatreSheet, theatreSheet, type TheatreSheetWords, theatreTables } from './theatre-sheet.ts';
export { headEndSheet, type HeadEndSheetWords, type HeadEndTable } from './head-end-sheet.ts';
export { type DrawnFace, type DrawnItem, type RackDrawing, rackDrawings } from './rack-drawing.ts';
export { elevationSheets } from './elevation-sheet.ts';
export { riserDiagram } from './riser-diagram.ts';
export type { ViewMark, ViewSheet } from './view-sheet.ts';
export {
  cableTable,
  holeNumberTable,
  labelTable,
  lengthTable,
  pullTable,
  rackOpeningTable,
  type SetTable,
  sourceTable,
  tailTable,
} from './set-tables.ts';
export { planSvg, type PlanSvgPens } from './plan-svg.ts';
export { wireList, type WireListTitles } from './wire-list.ts';

// Here: files made of the core's document models: XLSX and PDF.
// Not here: what they say (core/documents, core/labels) and who may fetch them (resources).
// Start with `labelsPdf`.
export { tablesPdf, type SheetTable, type TablesSheet } from './tables-pdf.ts';
export { labelsPdf } from './labels-pdf.ts';
export { planPdf } from './plan-pdf.ts';
export { scheduleXlsx } from './schedule-xlsx.ts';
export { tagsPdf } from './tags-pdf.ts';
export { templatePdf } from './template-pdf.ts';
export { DOCUMENTS, type MadeDocument } from './registry.ts';
export { DOCUMENT_QUERIES, FETCHED_DOCUMENTS, isDocument, type DocumentName } from './queries.ts';

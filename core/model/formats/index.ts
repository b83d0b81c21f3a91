// Here: readers and writers of open formats: our project file and CSV.
// Not here: XLSX and PDF, which need the server.
// Start with `readProjectFile` and `writeProjectFile`.
// Terms: docs/glossary.md.
export { type CsvColumn, writeCsv } from './csv.ts';
export {
  FORMAT_NAME,
  FORMAT_VERSION,
  MAX_FILE_BYTES,
  type Picture,
  type ProjectFile,
  projectFileSchema,
  readProjectFile,
  writeProjectFile,
} from './project-file.ts';
export { withoutAreas } from './older-app.ts';

// Here: readers and writers of open formats: our project file and CSV.
// Not here: XLSX and PDF, which need the server.
// Start with `readProjectFile` and `writeProjectFile`.
// Terms: docs/glossary.md.
export {
  FORMAT_NAME,
  FORMAT_VERSION,
  MOST_FILE_BYTES,
  projectFileSchema,
  readProjectFile,
  writeProjectFile,
  type Picture,
  type ProjectFile,
} from './project-file.ts';
export { writeCsv, type CsvColumn } from './csv.ts';

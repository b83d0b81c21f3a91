// Here: a library of device types as a file, CSV or JSON, read row by row.
// Not here: the types that a new project starts with and their recipes (devices).
// Start with `readLibrary`.
// Terms: docs/glossary.md.
export {
  LIBRARY_COLUMNS,
  LIBRARY_FORMAT,
  readLibrary,
  writeLibraryCsv,
  writeLibraryJson,
  type LibraryFile,
  type RowProblem,
} from './library-files.ts';

// Here: a library of device types as a file, CSV or JSON, read row by row.
// Not here: the types that a new project starts with (library) and their recipes (placing).
// Start with `readLibrary`.
// Terms: docs/glossary.md.
export { readLibrary, writeLibraryCsv, writeLibraryJson } from './library-files.ts';

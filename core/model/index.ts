// Here: what a project is made of: records and changes, the project file, what web and server say to each other.
// Not here: what follows from it (derive and the shelves above).
// Start with `ProjectDocument` and `applyChange`.
// Terms: docs/glossary.md.
export * from './contract/index.ts';
export * from './formats/index.ts';
export * from './project/index.ts';

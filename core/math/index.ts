// Here: results and problems, units, geometry, regions of the plane: nothing that knows a project.
// Not here: records of a house (model).
// Start with `fine`, `Point2`, `formatLength`.
// Terms: docs/glossary.md.
export * from './geometry/index.ts';
export * from './lists/index.ts';
export * from './outcome/index.ts';
export * from './regions/index.ts';
export * from './units/index.ts';

// Here: device types and their recipes, putting devices into place, what their places allow, wall boxes and plates.
// Not here: their runs (runs).
// Start with `placeDevice` and `clashesOf`.
// Terms: docs/glossary.md.
export * from './library/index.ts';
export * from './library-files/index.ts';
export * from './mounting/index.ts';
export * from './placing/index.ts';
export * from './plates/index.ts';

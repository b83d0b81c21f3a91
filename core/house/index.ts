// Here: the building as it stands, plans read from drawings, and what is known of both.
// Not here: editing it (survey) and cable in it (routing).
// Start with `buildingOf`.
// Terms: docs/glossary.md.
export * from './building/index.ts';
export * from './plans/index.ts';
export * from './survey/index.ts';

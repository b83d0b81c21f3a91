// Here: schedules, reports and labels: everything that is printed or exported, as data.
// Not here: PDF and XLSX (server).
// Start with `scheduleOf` and `cablingReport`.
// Terms: docs/glossary.md.
export * from './documents/index.ts';
export * from './labels/index.ts';
export * from './reference/index.ts';

// Here: the pre-wire day on site: what is pulled next, what was pulled with its true length, and what has to be done before leaving.
// Not here: planning spools and pulls (order), rules (rules).
// Start with `pullDay`.
// Terms: docs/glossary.md.
export { type CloseOfDay, closeOfDay, type RoomProgress } from './close-of-day.ts';
export { type FootageMarks, lengthByMarks, type MarkedLength } from './footage.ts';
export { type DayPull, type DayRun, pullDay } from './pull-day.ts';
export { type PulledRecord, type PullFigure, pullFigure, recordPull } from './record-pull.ts';

// Here: a run led in channels along the skirtings of finished rooms, priced beside the same run in walls and ceilings.
// Not here: channels that a survey holds and the route along skirtings itself (routing).
// Start with `bothRoutes`.
// Terms: docs/glossary.md.
export { bothRoutes, type BothRoutes } from './both-routes.ts';
export { type Opened, openedBy, openedByAll } from './opened.ts';

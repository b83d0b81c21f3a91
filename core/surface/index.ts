// Here: a run led in channels along the skirtings of finished rooms, priced beside the same run in walls and ceilings.
// Not here: channels that a survey holds (routing) and what a way costs in metres of cable (routing).
// Start with `bothRoutes`.
export { bothRoutes, type BothRoutes } from './both-routes.ts';
export { surfaceRoute, type SurfaceRoute } from './surface-route.ts';
export { openedBy, openedByAll, type Opened } from './opened.ts';

// Here: the routes a cable can take through the building, and the cheapest of them for each run, with its holes.
// Not here: slack, waste and cut lengths (runs), and what is drawn.
// Start with `networkOf`, then `routeDevice`; `openAirSegments` and `holesOf` are the independent judges of both.
// Terms: docs/glossary.md.
export { type TightBend, tightBends } from './bends.ts';
export { type BesideMains, besideMains, besideThings, RIGHT_ANGLE_FROM_RAD } from './beside-mains.ts';
export { type EndPlace, entriesFrom } from './ends.ts';
export { type Hole, HOLE_MEMBERS, type HoleMember, holesOf, outerSkin } from './holes.ts';
export { type Network, NETWORK } from './network.ts';
export { routeOptions } from './route-options.ts';
export { NOT_SHARED, rackName, rackPlace, routeBetween, routeDevice, type RoutedPath } from './route-device.ts';
export type { Loads, SharedLoads } from './share.ts';
export { mainRoutes } from './main-routes.ts';
export { cavityZ, isOffSpan } from './spaces.ts';
export { surfaceRoute, type SurfaceRoute } from './surface-route.ts';
export { linesOf, loadsOf } from './shared-route-lines.ts';
export { sharedRouteBound } from './shared-route-bound.ts';
export { type Demand, findSharedRoutes, type Work, workWith } from './shared-routes.ts';
export { BARRED_M, weightsOf } from './weights.ts';

// Here: the ways a cable can take through the building, and the cheapest of them for each run.
// Not here: slack, waste and cut lengths (runs), and what is drawn.
// Start with `networkOf`, then `routeDevice`; `openAirSegments` is the independent judge of both.
export { networkOf, LATTICE_STEP_M, type Network } from './network.ts';
export { routeBetween, routeDevice, type EndPlace, type Penetration, type RoutedPath } from './route-device.ts';
export { openAirSegments, type OpenAirSegment } from './open-air.ts';

// Here: the ways a cable can take through the building, and the cheapest of them for each run, with its holes.
// Not here: slack, waste and cut lengths (runs), and what is drawn.
// Start with `networkOf`, then `routeDevice`; `openAirSegments` and `holesOf` are the independent judges of both.
export { networkOf, type Network } from './network.ts';
export { HOLE_MEMBERS, holesOf, type Hole, type HoleMember } from './holes.ts';
export { routeBetween, routeDevice, type EndPlace, type RoutedPath } from './route-device.ts';
export { openAirSegments, type OpenAirSegment } from './open-air.ts';
export { NEW_FRAMING, type Weights } from './weights.ts';

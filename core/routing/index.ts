// Here: the ways a cable can take through the building, and the cheapest of them for each run, with its holes.
// Not here: slack, waste and cut lengths (runs), and what is drawn.
// Start with `networkOf`, then `routeDevice`; `openAirSegments` and `holesOf` are the independent judges of both.
// Terms: docs/glossary.md.
export { isOffSpan, cavityZ } from './spaces.ts';
export { NETWORK, networkOf, type Network } from './network.ts';
export { HOLE_MEMBERS, holesOf, type Hole, type HoleMember } from './holes.ts';
export { NOT_SHARED, rackName, rackPlace, routeBetween, routeDevice, type EndPlace, type RoutedPath } from './route-device.ts';
export { openAirSegments, type OpenAirSegment } from './open-air.ts';
export { BARRED_M, NEW_FRAMING, WEIGHTS, weightsOf, type Weights } from './weights.ts';
export { CABLES_A_HOLE, CABLES_A_PULL, priceFor, type Loads } from './share.ts';
export { findTrunks, workWith, type Demand, type Trunks, type Work } from './trunks.ts';
export { linesOf, loadsOf } from './trunk-lines.ts';
export { surfaceRoute, type SurfaceRoute } from './surface-route.ts';
export { tightBends, type TightBend } from './bends.ts';
export { waysIn } from './ends.ts';
export { otherWays, type OtherWay } from './other-ways.ts';
export { besideMains, besideThings, RIGHT_ANGLE_FROM_RAD, type BesideMains } from './beside-mains.ts';

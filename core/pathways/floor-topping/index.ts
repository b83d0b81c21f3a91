// Here: conduits in floor topping and slab: what they cross, how much lies over them, where they come up, and whether they are signed.
// Not here: routing along them (routing) and filling them (conduits).
// Start with `screedWays`.
// Terms: docs/glossary.md.
export {
  movedFromSigned,
  type FloorConduit,
  floorConduits,
  SIGNED_WITHIN_M,
  signFloorConduit,
  type StubUp,
} from './floor-conduits.ts';

// Here: plane and space geometry in metres (x right, y up the page, z up), no domain words.
// Not here: walls, rooms or cables.
// Start with `Point2`.
// Terms: docs/glossary.md.
export { type Bounds, boundsMeet, boundsOf, grownBounds, inBounds, middleOf } from './bounds.ts';
export { BoxIndex } from './box-index.ts';
export { type Cluster, clusterPoints } from './cluster.ts';
export { facesAfter, type Traits, traitsOf } from './faces-after.ts';
export { type Face, faceArea, type FaceSegment, facesOf, type PlanarMap } from './faces.ts';
export { convexHull, outlineGap } from './hull.ts';
export { type Box, type LabelWish, placeLabels } from './place-labels.ts';
export { centroidOf, chordsOf, isSimplePolygon, levelCrossings, pointInPolygon, polygonArea } from './polygon.ts';
export { alongRing, placeOnRing, ringLength } from './ring.ts';
export { closestOnSegment, crossingParameters, segmentsCross } from './segment.ts';
export { distance2, distance3, type Point2, type Point3, rotate2, tidyM } from './vector.ts';

// Here: plane and space geometry in metres (x right, y up the page, z up), no domain words.
// Not here: walls, rooms or cables.
// Start with `Point2`.
// Terms: docs/glossary.md.
export { distance2, distance3, nearly, rotate2, samePoint2, tidyM, type Point2, type Point3 } from './vector.ts';
export { boundsMeet, boundsOf, middleOf, grownBounds, inBounds, type Bounds } from './bounds.ts';
export { placeLabels, type Box, type LabelWish } from './place-labels.ts';
export { alongRing, placeOnRing, pointOnRing, ringLength } from './ring.ts';
export { closestOnSegment, crossingParameters, segmentsCross } from './segment.ts';
export { centroidOf, chordsOf, isSimplePolygon, levelCrossings, pointInPolygon, polygonArea } from './polygon.ts';
export { convexHull, outlineGap } from './hull.ts';
export { clusterPoints, type Cluster } from './cluster.ts';
export { facesAfter, traitsOf, type Traits } from './faces-after.ts';
export { faceArea, facesOf, type Face, type FaceSegment, type PlanarMap } from './faces.ts';

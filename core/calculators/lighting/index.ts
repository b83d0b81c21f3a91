// Here: estimates of light at a point and over a room.
// Not here: feeds of strip light (power).
// Start with `lightAtPoint`.
// Terms: docs/glossary.md.
export { lightAtPoint } from './light-at-point.ts';
export { roomLight } from './room-light.ts';

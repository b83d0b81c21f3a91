// Here: areas put together, cut and widened (metres), over an exact integer clipper.
// Not here: single polygons and points (geometry), and what an area means.
// Start with `union`.
// Terms: docs/glossary.md.
export { difference, intersection, type Region, regionArea, union } from './regions.ts';

// Here: shortest paths on plain numbered graphs.
// Not here: what a node stands for.
// Start with `shortestPathTree`.
// Terms: docs/glossary.md.
export { shortestPathTree, walkToSource, type Arc, type PathTree } from './shortest-path-tree.ts';

// Here: direct-current feeds over copper: drop, constant loads, chains, strip light.
// Not here: power over network cable (data-links) and what is wrong with a run (checks).
// Start with `dcDrop`.
// Terms: docs/glossary.md.
export { constantPower, dcChain, dcDrop, dcFeed, dcPower, type FeedLoad } from './dc-feeds.ts';
export { classTwo, ledChannels, ledFeed, ledStrip } from './led-feeds.ts';

// Here: direct-current feeds over copper: drop, constant loads, chains, strip light.
// Not here: power over network cable (data-links) and what is wrong with a run (checks).
// Start with `dcDrop`.
// Terms: docs/glossary.md.
export { classTwo } from './class-two-source.ts';
export { dcChain } from './dc-chain.ts';
export { dcDrop } from './dc-drop.ts';
export { constantPower, dcFeed, type FeedLoad } from './dc-feed.ts';
export { dcPower } from './dc-power.ts';
export { ledChannels } from './led-channels.ts';
export { ledFeed } from './led-feed.ts';
export { ledStrip } from './led-strip.ts';

// Here: the real app in a real browser: a server process on a database of its own, and Chromium.
// Not here: the stories themselves.
// Start with `startApp`.
export { startApp, type App } from './app.ts';
export { openGranary, planPoint, projectIdOf, saved } from './steps.ts';

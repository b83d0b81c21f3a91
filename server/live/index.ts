// Here: other open tabs follow a project live, over WebSockets fed by PostgreSQL's notifications.
// Not here: applying changes.
// Start with `startLive`.
export { startLive, type Live } from './live.ts';

// Here: events that every server on one database receives, over PostgreSQL's notifications.
// Not here: what follows from them.
// Start with `EventBus`.
export { EventBus, eventText, NOTIFY_STATEMENT, type ServerEvent } from './event-bus.ts';

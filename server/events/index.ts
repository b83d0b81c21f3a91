// Here: events that every server on one database hears of, over PostgreSQL's notifications.
// Not here: what follows from them.
// Start with `EventBus`.
export { EventBus, type ServerEvent } from './event-bus.ts';

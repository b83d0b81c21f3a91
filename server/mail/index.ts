// Here: mail to people: over SMTP where a server is set, else into a simulated box that owners open in the app.
// Not here: what the mails say (texts) and when they are sent (resources).
// Start with `MailRoom`.
export { MailRoom, type Letter } from './mail-store.ts';

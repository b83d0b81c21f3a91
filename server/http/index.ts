// Here: what every request passes: sessions, membership, problems turned into statuses, security headers.
// Not here: the resources.
// Start with `problemHandler`.
export { PlannedRefusal, problemHandler, refusal } from './problems.ts';
export { sessions, requireCsrf, type SessionParser } from './sessions.ts';
export { requireMember, requireProject, memberOf } from './membership.ts';
export { securityHeaders } from './security.ts';
export { parseBody, parseQuery } from './parse.ts';

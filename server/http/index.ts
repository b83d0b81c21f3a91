// Here: what every request passes: sessions, rights, the route table, problems turned into statuses, security headers, the log.
// Not here: the resources.
// Start with `RouteTable`.
export { answerOf, PlannedRefusal, problemHandler, refusal, type ErrorReport } from './problems.ts';
export {
  beginSession,
  newCsrfToken,
  openSessions,
  sessionName,
  tokenForVisitor,
  type SessionLimits,
  type Sessions,
} from './sessions.ts';
export { isUuid, maySeeProject, memberOf, type SignedIn } from './membership-store.ts';
export { openApi } from './open-api.ts';
export { RouteTable, type Access, type Route, type RouteSpec } from './route-table.ts';
export { securityHeaders } from './security.ts';
export { parseBody, parseQuery, parseShape, parseValue } from './parse.ts';
export { fingerprint, makeLog } from './logging.ts';
export { tabOf } from './tab.ts';

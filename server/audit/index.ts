// Here: the audit trail of a firm: signed lines that cannot be changed or left out unseen.
// Not here: who may read it (resources/people).
// Start with `AuditTrail`.
export { AuditTrail, newAuditKey, type AuditKind } from './audit-store.ts';

import type { Operation } from '@dusky-spool/core/model';

/** What a change accepts in somebody's name: findings, and issued routes that differ from the plan. For the audit trail. */
export function acceptancesIn(operations: readonly Operation[]): readonly Readonly<Record<string, string>>[] {
  return operations.flatMap((operation): Readonly<Record<string, string>>[] => {
    if (operation.op === 'delete') return [];
    const fields = operation.op === 'create' ? operation.record : operation.after;
    if (operation.in === 'findingMarks' && typeof fields.acceptedBy === 'string' && fields.acceptedBy !== '')
      return [{ what: 'finding', rule: String(fields.ruleId ?? operation.id), by: fields.acceptedBy }];
    if (operation.in === 'routes' && operation.op === 'update' && fields.acceptedAt)
      return [{ what: 'issued route', record: operation.id }];
    return [];
  });
}

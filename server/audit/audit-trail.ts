import { createHmac } from 'node:crypto';
import { QueryTypes, type Transaction } from 'sequelize';
import type { AuditLine, AuditReply } from '@dusky-spool/core/contract';
import type { Database } from '../database/index.ts';

/** What is written down. */
export type AuditKind =
  | 'signed-in'
  | 'sign-in-refused'
  | 'signed-out'
  | 'sessions-ended'
  | 'password-changed'
  | 'password-reset'
  | 'refused'
  | 'export'
  | 'import'
  | 'project-deleted'
  | 'project-restored'
  | 'member-invited'
  | 'invitation-withdrawn'
  | 'member-joined'
  | 'role-changed'
  | 'member-removed'
  | 'firm-settings'
  | 'accepted'
  | 'diagnostics';

interface Row {
  readonly line: number;
  readonly kind: string;
  readonly memberId: string | null;
  readonly memberName: string;
  readonly about: Readonly<Record<string, unknown>>;
  readonly createdAt: Date;
  readonly signature: string;
}

export interface AuditEntry {
  readonly firmId: string;
  readonly kind: AuditKind;
  /** Null for a stranger who was refused. */
  readonly member: { readonly id: string; readonly name: string } | null;
  readonly about?: Readonly<Record<string, unknown>>;
}

const PAGE = 200;
/** PostgreSQL keeps microseconds, JavaScript milliseconds: the signature is over the latter. */
const signedText = (firmId: string, row: Omit<Row, 'signature'>, before: string): string =>
  JSON.stringify([
    firmId,
    row.line,
    row.kind,
    row.memberId,
    row.memberName,
    Object.entries(row.about).sort(([a], [b]) => (a < b ? -1 : 1)),
    row.createdAt.toISOString(),
    before,
  ]);

/**
 * Lines of a firm in order. Each is signed with the server's key over its content and the signature before it, so a line
 * that was altered, moved or taken out of the middle is found; the newest line's number shows whether the end is missing.
 */
export class AuditTrail {
  constructor(
    private readonly database: Database,
    private readonly key: string,
  ) {}

  private sign = (text: string): string => createHmac('sha256', this.key).update(text).digest('base64url');

  /** Adds a line; with a transaction, in it. */
  async add(entry: AuditEntry, transaction?: Transaction): Promise<void> {
    if (!transaction) return this.database.sequelize.transaction((own) => this.add(entry, own));
    const { sequelize, models } = this.database;
    const { firmId, kind, member, about = {} } = entry;
    // Lines of one firm are added one after the other.
    await sequelize.query('SELECT pg_advisory_xact_lock(404101, hashtext(:firmId))', { replacements: { firmId }, transaction });
    const [last] = await sequelize.query<{ line: number; signature: string }>(
      'SELECT line, signature FROM audit_lines WHERE firm_id = :firmId ORDER BY line DESC LIMIT 1',
      { replacements: { firmId }, type: QueryTypes.SELECT, transaction },
    );
    const row = {
      line: (last?.line ?? 0) + 1,
      kind,
      memberId: member?.id ?? null,
      memberName: member?.name ?? '',
      about: JSON.parse(JSON.stringify(about)) as Record<string, unknown>,
      createdAt: new Date(),
    };
    const signature = this.sign(signedText(firmId, row, last?.signature ?? ''));
    await models.auditLines.create({ firmId, ...row, signature }, { transaction, returning: false });
  }

  /** Newest lines first, and the first line that does not fit. `before` turns the page. */
  async read(firmId: string, before: number | null): Promise<AuditReply> {
    const rows = await this.database.sequelize.query<Row>(
      `SELECT line, kind, member_id AS "memberId", member_name AS "memberName", about, created_at AS "createdAt", signature
       FROM audit_lines WHERE firm_id = :firmId ORDER BY line`,
      { replacements: { firmId }, type: QueryTypes.SELECT },
    );
    let signature = '';
    let brokenAt: number | null = null;
    for (const [n, row] of rows.entries()) {
      if (row.line !== n + 1 || row.signature !== this.sign(signedText(firmId, row, signature))) {
        brokenAt = row.line;
        break;
      }
      signature = row.signature;
    }
    const lines = rows
      .filter(({ line }) => before === null || line < before)
      .slice(-PAGE)
      .reverse()
      .map(({ line, kind, memberName, about, createdAt }): AuditLine => ({
        line,
        kind,
        by: memberName,
        about,
        at: createdAt.toISOString(),
      }));
    return { lines, brokenAt, total: rows.length };
  }
}

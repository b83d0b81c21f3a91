import { createPrivateKey, createPublicKey, generateKeyPairSync, sign, verify, type KeyObject } from 'node:crypto';
import { promisify } from 'node:util';
import { QueryTypes, type Transaction } from 'sequelize';
import type { AuditLine, AuditReply } from '@dusky-spool/core/model';
import type { Database } from '../database/index.ts';
import { fingerprint } from '../http/logging.ts';

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

const verifyInPool = promisify(verify);

/** A new key that signs lines, as text. */
export const newAuditKey = (): string =>
  generateKeyPairSync('ed25519').privateKey.export({ type: 'pkcs8', format: 'pem' }).toString();

/**
 * Lines of a firm in order. Each is signed with the server's key over its content and the signature before it, so a line
 * that was altered, moved or taken out of the middle is found; the newest line's number shows whether the end is missing.
 * The public halves of all keys are stored with the lines and travel in backups: an old trail can be checked after a restore
 * that brought no private key.
 */
export class AuditTrail {
  private readonly privateKey: KeyObject;
  private readonly publicKey: string;
  private readonly keyId: string;

  constructor(
    private readonly database: Database,
    key: string,
  ) {
    this.privateKey = createPrivateKey(key);
    this.publicKey = createPublicKey(this.privateKey).export({ type: 'spki', format: 'pem' }).toString();
    this.keyId = fingerprint(this.publicKey).slice(0, 16);
  }

  /** Stores the public half of the key. Runs under the start lock. */
  async prepare(): Promise<void> {
    const row = { id: this.keyId, publicKey: this.publicKey, createdAt: new Date() };
    await this.database.models.auditKeys.bulkCreate([row], { ignoreDuplicates: true });
  }

  private sign = (text: string): string =>
    `${this.keyId}.${sign(null, Buffer.from(text), this.privateKey).toString('base64url')}`;

  private async keys(): Promise<ReadonlyMap<string, KeyObject>> {
    const rows = (await this.database.models.auditKeys.findAll({ raw: true })) as unknown as { id: string; publicKey: string }[];
    return new Map(rows.map(({ id, publicKey }) => [id, createPublicKey(publicKey)]));
  }

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
    const keys = await this.keys();
    let signature = '';
    let brokenAt: number | null = null;
    for (const [n, row] of rows.entries()) {
      const [keyId, signed] = row.signature.split('.');
      const key = keys.get(keyId);
      const text = Buffer.from(signedText(firmId, row, signature));
      if (row.line !== n + 1 || !key || !(await verifyInPool(null, text, key, Buffer.from(signed ?? '', 'base64url')))) {
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

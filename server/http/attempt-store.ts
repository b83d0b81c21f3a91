import { createHmac, randomUUID } from 'node:crypto';
import { Op, QueryTypes } from 'sequelize';
import type { Database } from '../database/index.ts';
import { refusal } from './problems.ts';

const QUARTER_HOUR_MS = 15 * 60 * 1000;
/** From one address people of a whole firm may sign in: it gets more tries than one account. */
const ADDRESS_FACTOR = 5;

export interface AttemptLimits {
  readonly key: string;
  readonly tries: number;
}

/**
 * Counts failed sign-ins by account and by address, in the database, so that it holds for all servers. Accounts and addresses
 * are stored as keyed fingerprints only.
 */
export class SignInAttempts {
  constructor(
    private readonly database: Database,
    private readonly limits: AttemptLimits,
  ) {}

  private fingerprint = (kind: string, text: string): string =>
    createHmac('sha256', this.limits.key).update(`${kind} ${text}`).digest('base64url').slice(0, 24);

  /**
   * Writes an attempt down as failed before its password is checked, so that many at once cannot pass together; returns
   * how to take that back when it succeeds. Problem: `too-many-tries`.
   */
  async begin(account: string, address: string): Promise<{ readonly succeeded: () => Promise<void> }> {
    const { sequelize, models } = this.database;
    const [accountKey, addressKey] = [this.fingerprint('account', account), this.fingerprint('address', address)];
    const id = randomUUID();
    const since = new Date(Date.now() - QUARTER_HOUR_MS);
    const counts = await sequelize.transaction(async (transaction) => {
      for (const key of [accountKey, addressKey].sort())
        await sequelize.query('SELECT pg_advisory_xact_lock(404102, hashtext(:key))', { replacements: { key }, transaction });
      const [row] = await sequelize.query<{ byAccount: number; byAddress: number }>(
        `SELECT count(*) FILTER (WHERE account_key = :accountKey)::int AS "byAccount",
                count(*) FILTER (WHERE address_key = :addressKey)::int AS "byAddress"
         FROM sign_in_attempts WHERE failed AND created_at > :since AND (account_key = :accountKey OR address_key = :addressKey)`,
        { replacements: { accountKey, addressKey, since }, type: QueryTypes.SELECT, transaction },
      );
      const { tries } = this.limits;
      if (row.byAccount < tries && row.byAddress < tries * ADDRESS_FACTOR)
        await models.signInAttempts.create(
          { id, accountKey, addressKey, failed: true, createdAt: new Date() },
          { transaction, returning: false },
        );
      return row;
    });
    const { tries } = this.limits;
    if (counts.byAccount >= tries || counts.byAddress >= tries * ADDRESS_FACTOR) throw refusal('too-many-tries', { minutes: 15 });
    return {
      succeeded: async () => {
        await models.signInAttempts.update({ failed: false }, { where: { id } });
      },
    };
  }

  async deleteOld(before: Date): Promise<void> {
    await this.database.models.signInAttempts.destroy({ where: { createdAt: { [Op.lt]: before } } });
  }
}

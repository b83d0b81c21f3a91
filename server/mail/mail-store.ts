import { randomUUID } from 'node:crypto';
import type { Transporter } from 'nodemailer';
import type { Logger } from 'pino';
import { Op } from 'sequelize';
import type { Mail } from '@dusky-spool/core/model';
import type { Database } from '../database/index.ts';

export interface Letter {
  readonly firmId: string;
  readonly recipient: string;
  readonly subject: string;
  readonly body: string;
}

const KEPT_IN_BOX = 100;

/** Sends mail; one that was sent keeps no text here, since it may hold a code that opens an account. */
export class MailRoom {
  private transport: Promise<Transporter> | null = null;

  constructor(
    private readonly database: Database,
    private readonly smtpUrl: string,
    private readonly from: string,
    private readonly log: Logger,
  ) {}

  get isSimulated(): boolean {
    return this.smtpUrl === '';
  }

  /** The mail library is loaded with the first letter. */
  private open(): Promise<Transporter> {
    this.transport ??= import('nodemailer').then(({ createTransport }) =>
      createTransport(this.smtpUrl, { connectionTimeout: 8000, socketTimeout: 15_000 } as never),
    );
    return this.transport;
  }

  /** Sends a letter in the background: no request waits for a mail server. */
  async send({ firmId, recipient, subject, body }: Letter): Promise<void> {
    const id = randomUUID();
    const state = this.isSimulated ? 'simulated' : 'waiting';
    const { mails } = this.database.models;
    await mails.create({ id, firmId, recipient, subject, body, state, createdAt: new Date() }, { returning: false });
    if (this.isSimulated) return;
    void this.open()
      .then((transport) => transport.sendMail({ from: this.from, to: recipient, subject, text: body }))
      .then(
        () => mails.update({ state: 'sent', body: '' }, { where: { id } }),
        (error: unknown) => {
          this.log.warn({ err: error as Error }, 'a mail was not sent');
          return mails.update({ state: 'failed', body: '' }, { where: { id } });
        },
      )
      .catch(() => undefined);
  }

  /** What lies in the simulated box of a firm, newest first. */
  async box(firmId: string): Promise<Mail[]> {
    const rows = (await this.database.models.mails.findAll({
      where: { firmId, state: 'simulated' },
      order: [['createdAt', 'DESC']],
      limit: KEPT_IN_BOX,
      raw: true,
    })) as unknown as (Omit<Mail, 'at'> & { createdAt: Date })[];
    return rows.map(({ id, recipient, subject, body, createdAt }) => ({
      id,
      recipient,
      subject,
      body,
      at: createdAt.toISOString(),
    }));
  }

  async deleteOld(before: Date): Promise<void> {
    await this.database.models.mails.destroy({ where: { createdAt: { [Op.lt]: before } } });
  }

  close(): void {
    void this.transport?.then((transport) => transport.close());
  }
}

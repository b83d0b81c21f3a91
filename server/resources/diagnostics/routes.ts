import { memoryUsage, uptime, version as nodeVersion } from 'node:process';
import { cpus, release, totalmem } from 'node:os';
import { FORMAT_VERSION, PROTOCOL_VERSION } from '@dusky-spool/core/model';
import { countAll, databaseVersion, lastErrors } from './store.ts';
import type { RouteTable } from '../../http/route-table.ts';
import type { Services } from '../../services/services.ts';

/** A file for whoever is asked for help: versions, settings, counts, last errors; no names, no addresses, no secrets. */
export function diagnosticsRoutes(table: RouteTable, { database, config, mail, audit }: Services): void {
  table.get(
    '/diagnostics',
    'own',
    { does: 'A file for whoever helps: versions, settings, counts, last errors', reply: 'file' },
    async (_request, response) => {
      const member = response.locals.member!;
      const { rss, heapUsed } = memoryUsage();
      const mb = (bytes: number) => Math.round(bytes / 1048576);
      const report = {
        madeAt: new Date().toISOString(),
        versions: {
          protocol: PROTOCOL_VERSION,
          format: FORMAT_VERSION,
          node: nodeVersion,
          postgres: await databaseVersion(database),
        },
        machine: { kernel: release(), processors: cpus().length, memoryMb: mb(totalmem()) },
        server: { uptimeS: Math.round(uptime()), residentMb: mb(rss), heapMb: mb(heapUsed) },
        settings: {
          demo: config.demo,
          behindProxy: config.trustProxy !== '',
          publicUrlIsSet: config.publicUrl !== '',
          mail: mail.isSimulated ? 'simulated' : 'SMTP',
          backupBeforeMigrations: config.backupFolder !== '',
          signInTries: config.signInTries,
          sessionIdleHours: config.sessionIdleHours,
          sessionAbsoluteHours: config.sessionAbsoluteHours,
          logLevel: config.logLevel,
        },
        counts: await countAll(database),
        lastErrors: await lastErrors(database),
      };
      await audit.add({ firmId: member.firmId, kind: 'diagnostics', member });
      response
        .attachment('diagnostics.json')
        .type('application/json')
        .send(JSON.stringify(report, null, 2));
    },
  );
}

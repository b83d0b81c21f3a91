import express from 'express';
import { z } from 'zod';
import { CHECKS, judgeSetting } from '@dusky-spool/core/rules';
import { checkMap, checkRecipe, writeLibraryCsv, writeLibraryJson } from '@dusky-spool/core/devices';
import {
  cablesReply,
  columnsReply,
  type ColumnsReply,
  keepColumnsRequest,
  type CablesReply,
  type CableType,
  type ConductorMap,
  type DeviceType,
  type FirmRules,
  firmRulesReply,
  projectDefaultsReply,
  type ProjectDefaultsReply,
  keepCablesRequest,
  keepMapsRequest,
  keepRulesRequest,
  keepDefaultsRequest,
  keepTypesRequest,
  libraryReadReply,
  libraryReply,
  type LibraryReply,
  mapsReply,
  type MapsReply,
  tableFrom,
} from '@dusky-spool/core/model';
import { parseBody, parseQuery } from '../../http/parse.ts';
import { PlannedRefusal, refusal } from '../../http/problems.ts';
import type { RouteTable } from '../../http/route-table.ts';
import { resultFile } from '../../jobs/store.ts';
import { type Services, untilGone } from '../../services/services.ts';
import {
  defaultsOf,
  firmCables,
  firmLibrary,
  firmMaps,
  firmRules,
  forgetCable,
  forgetMap,
  forgetType,
  keepCables,
  keepColumns,
  keepDefaults,
  keepMaps,
  keepRules,
  keepTypes,
  knownColumns,
} from './store.ts';

const MAX_BYTES = 8 * 1024 * 1024;
const fileQuery = z.strictObject({ kind: z.enum(['csv', 'json']).default('csv') });

/** The firm's own library of device types: looked at, kept, read from a file, handed out. */
export function libraryRoutes(table: RouteTable, { database, jobs, audit }: Services): void {
  const known = (types: readonly DeviceType[], maps: readonly ConductorMap[], cables: readonly CableType[]) => ({
    cableTypes: tableFrom(cables),
    conductorMaps: tableFrom(maps),
    deviceTypes: tableFrom(types),
  });
  table.get('/library', 'plan', { does: 'Device types of the firm', reply: libraryReply }, async (_request, response) => {
    const reply: LibraryReply = { types: await firmLibrary(database, response.locals.member!.firmId) };
    response.json(reply);
  });
  table.put(
    '/library',
    'plan',
    { does: 'Keeps device types', body: keepTypesRequest, reply: libraryReply },
    express.json({ limit: MAX_BYTES }),
    async (request, response) => {
      const { types } = parseBody(request, keepTypesRequest);
      const { firmId } = response.locals.member!;
      const library = await firmLibrary(database, firmId);
      const all = known([...library, ...types], await firmMaps(database, firmId), await firmCables(database, firmId));
      for (const type of types) {
        const sound = checkRecipe(all, type);
        if (!sound.ok) throw new PlannedRefusal({ ...sound.problem, field: `${type.name}: ${sound.problem.field}` });
        const taken = library.find(({ code, id }) => code === type.code && id !== type.id);
        if (taken)
          throw refusal('library-code-taken', {
            kind: 'invalid',
            field: `${type.name}: code`,
            value: type.code,
            other: taken.name,
          });
      }
      const reply: LibraryReply = { types: await keepTypes(database, firmId, types, new Date()) };
      response.json(reply);
    },
  );
  table.get('/library/cables', 'plan', { does: 'Cables of the firm', reply: cablesReply }, async (_request, response) => {
    const reply: CablesReply = { cables: await firmCables(database, response.locals.member!.firmId) };
    response.json(reply);
  });
  table.put(
    '/library/cables',
    'plan',
    { does: 'Stores cables for the firm', body: keepCablesRequest, reply: cablesReply },
    express.json({ limit: MAX_BYTES }),
    async (request, response) => {
      const { cables } = parseBody(request, keepCablesRequest);
      const { firmId } = response.locals.member!;
      await keepCables(database, firmId, cables, new Date());
      const reply: CablesReply = { cables: await firmCables(database, firmId) };
      response.json(reply);
    },
  );
  table.delete('/library/cables/:cableId', 'plan', { does: 'Removes a cable of the firm' }, async (request, response) => {
    if (!(await forgetCable(database, response.locals.member!.firmId, String(request.params.cableId))))
      throw refusal('not-found', { field: 'cable' });
    response.status(204).end();
  });
  table.get(
    '/library/defaults',
    'plan',
    { does: 'Settings that new projects of the firm start with', reply: projectDefaultsReply },
    async (_request, response) => {
      const reply: ProjectDefaultsReply = { settings: await defaultsOf(database, response.locals.member!.firmId) };
      response.json(reply);
    },
  );
  table.put(
    '/library/defaults',
    'own',
    {
      does: 'Stores the settings that new projects of the firm start with',
      body: keepDefaultsRequest,
      reply: projectDefaultsReply,
    },
    express.json({ limit: MAX_BYTES }),
    async (request, response) => {
      const { settings } = parseBody(request, keepDefaultsRequest);
      await keepDefaults(database, response.locals.member!.firmId, settings);
      response.json({ settings } satisfies ProjectDefaultsReply);
    },
  );
  table.get('/library/maps', 'plan', { does: 'Conductor maps of the firm', reply: mapsReply }, async (_request, response) => {
    const reply: MapsReply = { maps: await firmMaps(database, response.locals.member!.firmId) };
    response.json(reply);
  });
  table.put(
    '/library/maps',
    'plan',
    { does: 'Keeps conductor maps', body: keepMapsRequest, reply: mapsReply },
    express.json({ limit: MAX_BYTES }),
    async (request, response) => {
      const { maps } = parseBody(request, keepMapsRequest);
      const { firmId } = response.locals.member!;
      for (const map of maps) {
        const sound = checkMap(map);
        if (!sound.ok) throw new PlannedRefusal(sound.problem);
      }
      await keepMaps(database, firmId, maps, new Date());
      const reply: MapsReply = { maps: await firmMaps(database, firmId) };
      response.json(reply);
    },
  );
  table.get(
    '/library/columns',
    'plan',
    { does: 'What columns of tables hold, as the firm chose it', reply: columnsReply },
    async (_request, response) => {
      const reply: ColumnsReply = { tables: await knownColumns(database, response.locals.member!.firmId) };
      response.json(reply);
    },
  );
  table.put(
    '/library/columns',
    'plan',
    { does: 'Remembers what the columns of a table hold', body: keepColumnsRequest, reply: columnsReply },
    express.json({ limit: '60kb' }),
    async (request, response) => {
      const { firmId } = response.locals.member!;
      await keepColumns(database, firmId, parseBody(request, keepColumnsRequest), new Date());
      response.json({ tables: await knownColumns(database, firmId) } satisfies ColumnsReply);
    },
  );
  table.get(
    '/library/rules',
    'plan',
    { does: 'Rules that the firm sets otherwise', reply: firmRulesReply },
    async (_request, response) => {
      const reply: FirmRules = { rules: await firmRules(database, response.locals.member!.firmId) };
      response.json(reply);
    },
  );
  table.put(
    '/library/rules',
    'own',
    { does: 'Sets the rules of the firm', body: keepRulesRequest, reply: firmRulesReply },
    express.json({ limit: MAX_BYTES }),
    async (request, response) => {
      const { rules } = parseBody(request, keepRulesRequest);
      const seen = new Set<string>();
      for (const rule of rules) {
        const check = CHECKS.find(({ id }) => id === rule.ruleId);
        if (!check || seen.has(rule.ruleId))
          throw refusal('rule-unknown', { kind: 'invalid', field: 'ruleId', value: rule.ruleId });
        seen.add(rule.ruleId);
        const judged = judgeSetting(check, rule);
        if (!judged.ok) throw new PlannedRefusal({ ...judged.problem, field: `${check.title}: ${judged.problem.field}` });
      }
      const { firmId } = response.locals.member!;
      await keepRules(database, firmId, rules, new Date());
      const reply: FirmRules = { rules: await firmRules(database, firmId) };
      response.json(reply);
    },
  );
  table.delete('/library/maps/:mapId', 'plan', { does: 'Removes a conductor map' }, async (request, response) => {
    if (!(await forgetMap(database, response.locals.member!.firmId, String(request.params.mapId))))
      throw refusal('not-found', { field: 'map' });
    response.status(204).end();
  });
  table.delete('/library/:typeId', 'plan', { does: 'Removes a device type' }, async (request, response) => {
    if (!(await forgetType(database, response.locals.member!.firmId, String(request.params.typeId))))
      throw refusal('not-found', { field: 'type' });
    response.status(204).end();
  });
  table.post(
    '/library/read',
    'plan',
    { does: 'Reads a library file without keeping it', body: 'file', reply: libraryReadReply },
    express.text({ type: () => true, limit: MAX_BYTES }),
    async (request, response) => {
      const input = Buffer.from(typeof request.body === 'string' ? request.body : '', 'utf8');
      const job = await jobs.run(response.locals.member!, { kind: 'library-read', params: {}, input }, untilGone(request));
      response.type('application/json').send((await resultFile(database, job.id))!.bytes);
    },
  );
  table.get(
    '/library/file',
    'plan',
    { does: 'The device types as a file', query: fileQuery, reply: 'file' },
    async (request, response) => {
      const { kind } = parseQuery(request, fileQuery);
      const member = response.locals.member!;
      const types = await firmLibrary(database, member.firmId);
      await audit.add({ firmId: member.firmId, kind: 'export', member, about: { document: 'device library' } });
      response
        .attachment(`device-library.${kind}`)
        .type(kind === 'csv' ? 'text/csv' : 'application/json')
        .send(kind === 'csv' ? `\uFEFF${writeLibraryCsv(types)}` : writeLibraryJson(types));
    },
  );
}

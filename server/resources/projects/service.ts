import { randomBytes, randomUUID } from 'node:crypto';
import { CABLE_TYPES } from '@dusky-spool/core/devices';
import { emptyProject, newHeader, newLevel, type ProjectDocument, shortIdFrom, tableFrom } from '@dusky-spool/core/model';
import type { Database } from '../../database/index.ts';
import { firmLibrary, firmMaps, firmRules } from '../library/store.ts';
import { insertProject } from './store.ts';

/** An empty project: the generic library, one level, nothing drawn. */
export async function makeProject(
  database: Database,
  firmId: string,
  name: string,
  units: 'metric' | 'imperial',
  at: Date,
): Promise<string> {
  const header = newHeader(
    shortIdFrom((count) => randomBytes(count)),
    name,
    units,
  );
  const project: ProjectDocument = {
    ...emptyProject(header),
    levels: {
      level_m: newLevel({
        id: 'level_m',
        code: 'M',
        name: 'Main',
        order: 0,
        elevationM: 0,
        ceilingHeightM: 2.7,
        cavityDepthM: 0.3,
        gridAngleRad: 0,
      }),
    },
    cableTypes: tableFrom(CABLE_TYPES),
    conductorMaps: tableFrom(await firmMaps(database, firmId)),
    deviceTypes: tableFrom(await firmLibrary(database, firmId)),
    ruleSettings: tableFrom(
      (await firmRules(database, firmId)).map((rule) => ({ id: `firm_${rule.ruleId}`.slice(0, 40), ...rule, on: '' })),
    ),
  };
  return insertProject(database, { firmId, projectId: randomUUID() }, project, [], at);
}

import { randomBytes, randomUUID } from 'node:crypto';
import { houseFromTemplate } from '@dusky-spool/core/devices';
import {
  type copyProjectRequest,
  emptyProject,
  type Level,
  LEVEL_DEFAULTS,
  newHeader,
  newLevel,
  type newProjectRequest,
  type ProjectDocument,
  shortIdFrom,
  tableFrom,
} from '@dusky-spool/core/model';
import { ok } from '@dusky-spool/core/math';
import { projectOfOption } from '@dusky-spool/core/order';
import { WALL_BUILDS } from '@dusky-spool/core/survey';
import type { z } from 'zod';
import type { Database } from '../../database/index.ts';
import { firmCables, firmLibrary, firmMaps, firmRules, defaultsOf } from '../library/store.ts';
import { PlannedRefusal, refusal } from '../../http/problems.ts';
import { copyPictures, firmOnPlans, insertProject, loadProject } from './store.ts';

const SIXTEEN_INCHES_M = 0.4064;

/** Joists and studs as they are usually spaced where lengths are in these units. */
function defaultsIn(units: ProjectDocument['project']['units']): Level['defaults'] {
  if (units === 'metric') return LEVEL_DEFAULTS.defaults;
  const wall = { ...WALL_BUILDS.stud, studSpacingM: SIXTEEN_INCHES_M };
  return { ...LEVEL_DEFAULTS.defaults, joistSpacingM: SIXTEEN_INCHES_M, wall };
}

/** An empty project: the generic library, one level, nothing drawn. */
export async function makeProject(
  database: Database,
  firmId: string,
  { name, units, jurisdiction }: z.infer<typeof newProjectRequest>,
  at: Date,
): Promise<string> {
  const header = {
    ...newHeader(
      shortIdFrom((count) => randomBytes(count)),
      name,
      units,
      jurisdiction,
    ),
    ...(await defaultsOf(database, firmId)),
    ...(await firmOnPlans(database, firmId)),
  };
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
        defaults: defaultsIn(units),
      }),
    },
    cableTypes: tableFrom(await firmCables(database, firmId)),
    conductorMaps: tableFrom(await firmMaps(database, firmId)),
    deviceTypes: tableFrom(await firmLibrary(database, firmId)),
    ruleSettings: tableFrom(
      (await firmRules(database, firmId)).map((rule) => ({ id: `firm_${rule.ruleId}`.slice(0, 40), ...rule, on: '' })),
    ),
  };
  return insertProject(database, { firmId, projectId: randomUUID() }, project, [], at);
}

/** A new house of the firm on the plan of another of its projects, with its plan pictures. */
export async function copyProject(
  database: Database,
  firmId: string,
  fromId: string,
  { name, without, optionId }: z.infer<typeof copyProjectRequest>,
  at: Date,
): Promise<string> {
  const { project } = await loadProject(database, fromId);
  const shortId = shortIdFrom((count) => randomBytes(count));
  const option = optionId === null ? null : project.offerOptions[optionId];
  if (option === undefined) throw refusal('record-gone', { in: 'offerOptions', id: optionId!, field: 'optionId' });
  const plan = option ? projectOfOption(project, option) : ok(project);
  if (!plan.ok) throw new PlannedRefusal(plan.problem);
  const made = houseFromTemplate(plan.value, { name, shortId, without });
  if (!made.ok) throw new PlannedRefusal(made.problem);
  const id = await insertProject(database, { firmId, projectId: randomUUID() }, made.value, [], at);
  await copyPictures(database, fromId, id);
  return id;
}

import { CABLE_TYPES, CONDUCTOR_MAPS, DEVICE_TYPES } from '@dusky-spool/core/devices';
import type { CableType, ConductorMap, DeviceType, FirmRule, KnownColumns, ProjectDefaults } from '@dusky-spool/core/model';
import { CABLE_TYPE_COLUMNS, DEVICE_TYPE_COLUMNS } from '../../database/models/records.ts';
import type { Database } from '../../database/index.ts';

const FIELDS = ['id', ...Object.keys(DEVICE_TYPE_COLUMNS)];

/** The types that a firm has made or changed itself. */
export async function ownTypes({ models }: Database, firmId: string): Promise<DeviceType[]> {
  return (await models.firmDeviceTypes.findAll({
    where: { firmId },
    attributes: FIELDS,
    order: ['id'],
    raw: true,
  })) as unknown as DeviceType[];
}

/** The generic library with the firm's own types over it: what its new projects start with. */
export async function firmLibrary(database: Database, firmId: string): Promise<DeviceType[]> {
  const own = new Map((await ownTypes(database, firmId)).map((type) => [type.id, type]));
  return [
    ...DEVICE_TYPES.map((type) => own.get(type.id) ?? type),
    ...[...own.values()].filter(({ id }) => !DEVICE_TYPES.some((type) => type.id === id)),
  ];
}

/** The generic cables with the firm's own over them: what its new projects start with. */
export async function firmCables({ models }: Database, firmId: string): Promise<CableType[]> {
  const rows = (await models.firmCableTypes.findAll({
    where: { firmId },
    attributes: ['id', ...Object.keys(CABLE_TYPE_COLUMNS)],
    order: ['id'],
    raw: true,
  })) as unknown as CableType[];
  const own = new Map(rows.map((cable) => [cable.id, cable]));
  return [
    ...CABLE_TYPES.map((cable) => own.get(cable.id) ?? cable),
    ...rows.filter(({ id }) => !CABLE_TYPES.some((cable) => cable.id === id)),
  ];
}

/** Stores cables in the library of the firm, all or none. */
export async function keepCables(
  { sequelize, models }: Database,
  firmId: string,
  cables: readonly CableType[],
  at: Date,
): Promise<void> {
  await sequelize.transaction(async (transaction) => {
    for (const cable of cables)
      await models.firmCableTypes.upsert({ ...cable, firmId, updatedAt: at } as unknown as Record<string, unknown>, {
        transaction,
      });
  });
}

/** Takes a cable out of the library of the firm; a generic one comes back as it was. */
export async function forgetCable({ models }: Database, firmId: string, id: string): Promise<boolean> {
  return (await models.firmCableTypes.destroy({ where: { firmId, id } })) > 0;
}

/** The settings that new projects of the firm start with. */
export async function defaultsOf({ models }: Database, firmId: string): Promise<ProjectDefaults> {
  const row = (await models.firms.findByPk(firmId, { attributes: ['projectDefaults'], raw: true })) as unknown as {
    projectDefaults: ProjectDefaults;
  } | null;
  return row?.projectDefaults ?? {};
}

export async function keepDefaults({ models }: Database, firmId: string, settings: ProjectDefaults): Promise<void> {
  await models.firms.update({ projectDefaults: settings }, { where: { id: firmId } });
}

/** The generic conductor maps with the firm's own over them: what its new projects start with. */
export async function firmMaps({ models }: Database, firmId: string): Promise<ConductorMap[]> {
  const rows = (await models.firmConductorMaps.findAll({
    where: { firmId },
    attributes: ['id', 'name', 'lines', 'note'],
    order: ['id'],
    raw: true,
  })) as unknown as ConductorMap[];
  const own = new Map(rows.map((map) => [map.id, map]));
  return [
    ...CONDUCTOR_MAPS.map((map) => own.get(map.id) ?? map),
    ...rows.filter(({ id }) => !CONDUCTOR_MAPS.some((map) => map.id === id)),
  ];
}

/** Keeps conductor maps for the firm, all or none. */
export async function keepMaps(
  { sequelize, models }: Database,
  firmId: string,
  maps: readonly ConductorMap[],
  at: Date,
): Promise<void> {
  await sequelize.transaction(async (transaction) => {
    for (const map of maps) await models.firmConductorMaps.upsert({ ...map, firmId, updatedAt: at }, { transaction });
  });
}

/** Takes a map of the firm away; a generic one comes back as it was. */
export async function forgetMap({ models }: Database, firmId: string, id: string): Promise<boolean> {
  return (await models.firmConductorMaps.destroy({ where: { firmId, id } })) > 0;
}

/** Keeps types in the firm's library, all or none; each gets a version above the one that was there. */
export async function keepTypes(
  database: Database,
  firmId: string,
  types: readonly DeviceType[],
  at: Date,
): Promise<DeviceType[]> {
  const { sequelize, models } = database;
  return sequelize.transaction(async (transaction) => {
    const kept: DeviceType[] = [];
    for (const type of types) {
      const there = (await models.firmDeviceTypes.findOne({
        where: { firmId, id: type.id },
        attributes: ['version'],
        raw: true,
        transaction,
        lock: transaction.LOCK.UPDATE,
      })) as unknown as { version: number } | null;
      const generic = DEVICE_TYPES.find(({ id }) => id === type.id);
      const version = Math.max(there?.version ?? generic?.version ?? 0, 0) + 1;
      const row = { ...type, version, firmId, updatedAt: at };
      await models.firmDeviceTypes.upsert(row as unknown as Record<string, unknown>, { transaction });
      kept.push({ ...type, version });
    }
    return kept;
  });
}

/** Takes a type out of the firm's library; a generic one comes back as it was. */
export async function forgetType({ models }: Database, firmId: string, id: string): Promise<boolean> {
  return (await models.firmDeviceTypes.destroy({ where: { firmId, id } })) > 0;
}

/** How the firm sets the rules of its checks: what its new projects start with. */
export async function firmRules({ models }: Database, firmId: string): Promise<FirmRule[]> {
  return (await models.firmRuleSettings.findAll({
    where: { firmId },
    attributes: ['ruleId', 'off', 'rank', 'limits', 'reason', 'by'],
    order: ['ruleId'],
    raw: true,
  })) as unknown as FirmRule[];
}

/** Keeps the settings of all rules for the firm: those that are not among them are as they come. */
export async function keepRules(
  { sequelize, models }: Database,
  firmId: string,
  rules: readonly FirmRule[],
  at: Date,
): Promise<void> {
  await sequelize.transaction(async (transaction) => {
    await models.firmRuleSettings.destroy({ where: { firmId }, transaction });
    for (const rule of rules) await models.firmRuleSettings.create({ ...rule, firmId, updatedAt: at }, { transaction });
  });
}

/** So many heads of tables are remembered of a firm, the newest first. */
const MAX_HEADS = 200;

/** What the firm remembers of the columns of tables, newest first. */
export async function knownColumns({ models }: Database, firmId: string): Promise<KnownColumns[]> {
  const rows = (await models.firmTableColumns.findAll({
    where: { firmId },
    attributes: ['kind', 'head', 'columns'],
    order: [['updatedAt', 'DESC']],
    limit: MAX_HEADS,
    raw: true,
  })) as unknown as { kind: KnownColumns['kind']; head: string; columns: KnownColumns['columns'] }[];
  return rows.map(({ kind, head, columns }) => ({ kind, head: JSON.parse(head) as string[], columns }));
}

/** Remembers what the columns of a table with this head hold; the oldest beyond `MAX_HEADS` are forgotten. */
export async function keepColumns(
  { sequelize, models }: Database,
  firmId: string,
  { kind, head, columns }: KnownColumns,
  at: Date,
): Promise<void> {
  await sequelize.transaction(async (transaction) => {
    const row = { firmId, kind, head: JSON.stringify(head), columns, updatedAt: at };
    await models.firmTableColumns.upsert(row, { transaction, returning: false });
    await sequelize.query(
      `DELETE FROM firm_table_columns WHERE firm_id = :firmId AND (kind, head) NOT IN
         (SELECT kind, head FROM firm_table_columns WHERE firm_id = :firmId ORDER BY updated_at DESC LIMIT ${MAX_HEADS})`,
      { replacements: { firmId }, transaction },
    );
  });
}

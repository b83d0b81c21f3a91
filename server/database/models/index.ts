// Here: the Sequelize models, one for each table.
// Not here: the tables themselves (migrations) and the rules (resources).
// Start with `defineModels`.
import {
  DataTypes,
  type ModelAttributeColumnOptions,
  type ModelAttributes,
  type ModelStatic,
  type Model,
  type Sequelize,
} from 'sequelize';
import { COLLECTION_NAMES, type CollectionName } from '@dusky-spool/core/model';
import { flag, geometry, geometryOrNull, number, numberOrNull, text, whole, wholeOrNull } from './columns.ts';
import { CABLE_TYPE_COLUMNS, DEVICE_TYPE_COLUMNS, RECORD_COLUMNS } from './records.ts';

export type Row = Model<Record<string, unknown>, Record<string, unknown>>;
export type Table = ModelStatic<Row>;

export interface Models {
  readonly firms: Table;
  readonly members: Table;
  readonly projects: Table;
  readonly pictures: Table;
  readonly changes: Table;
  readonly firmDeviceTypes: Table;
  readonly firmCableTypes: Table;
  readonly firmConductorMaps: Table;
  readonly firmRuleSettings: Table;
  readonly firmTableColumns: Table;
  readonly memberProjects: Table;
  readonly invitations: Table;
  readonly passwordResets: Table;
  readonly signInAttempts: Table;
  readonly auditLines: Table;
  readonly auditKeys: Table;
  readonly mails: Table;
  readonly jobs: Table;
  readonly jobFiles: Table;
  readonly pictureTiles: Table;
  readonly siteFiles: Table;
  readonly siteFileParts: Table;
  readonly planFiles: Table;
  readonly printedJobs: Table;
  readonly serverErrors: Table;
  readonly records: Readonly<Record<CollectionName, Table>>;
}

const uuidKey = { type: DataTypes.UUID, allowNull: false, primaryKey: true };
const uuid = { type: DataTypes.UUID, allowNull: false };
const uuidOrNull = { type: DataTypes.UUID, allowNull: true };
const textKey = { type: DataTypes.TEXT, allowNull: false, primaryKey: true };
const wholeKey = { type: DataTypes.INTEGER, allowNull: false, primaryKey: true };
const blob = { type: DataTypes.BLOB, allowNull: false };
const blobOrNull = { type: DataTypes.BLOB, allowNull: true };
const timeOrNull = { type: DataTypes.DATE, allowNull: true };
const time = { type: DataTypes.DATE, allowNull: false };

/** The columns of a project's header, apart from its id, which is `project` in the project. */
export const HEADER_COLUMNS = {
  shortId: text,
  name: text,
  description: text,
  client: text,
  address: text,
  units: text,
  jurisdiction: text,
  numberPattern: text,
  wasteFactor: number,
  tracedFactor: number,
  reserveM: number,
  slackStyle: text,
  rackSlackM: number,
  ambientC: number,
  currency: text,
  labourRate: number,
  speakerColours: text,
  speakerPairs: text,
  dataCable: text,
  roomDataCables: whole,
  deskDataCables: whole,
  outletPrice: numberOrNull,
  windowPrice: numberOrNull,
  construction: text,
  routeWeights: geometry,
  sharedRoutes: flag,
  labour: geometry,
  labelling: text,
  fixingFactors: geometry,
  spoolSettings: geometry,
  priceSettings: geometry,
  siteRates: geometry,
  channelColour: text,
  firm: text,
  firmContact: text,
  northRad: numberOrNull,
} as const;

const underscored = (name: string) => name.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);

const ownColumns = (columns: ModelAttributes): ModelAttributes =>
  Object.fromEntries(Object.entries(columns).map(([name, column]) => [name, { ...(column as ModelAttributeColumnOptions) }]));

export function defineModels(sequelize: Sequelize): Models {
  const define = (name: string, columns: ModelAttributes) =>
    // Sequelize writes into the column objects it is given: each model gets its own.
    sequelize.define(name, ownColumns(columns), { tableName: underscored(name), underscored: true, timestamps: false }) as Table;
  return {
    firms: define('firms', {
      id: uuidKey,
      name: text,
      isDemo: flag,
      plannersMayDelete: flag,
      projectDefaults: { ...geometry, defaultValue: {} },
      createdAt: time,
    }),
    members: define('members', {
      id: uuidKey,
      firmId: uuid,
      email: text,
      name: text,
      passwordHash: text,
      role: text,
      createdAt: time,
      removedAt: timeOrNull,
    }),
    projects: define('projects', {
      id: uuidKey,
      firmId: uuid,
      revision: whole,
      ...HEADER_COLUMNS,
      createdAt: time,
      updatedAt: time,
      deletedAt: timeOrNull,
      deletedBy: uuidOrNull,
    }),
    pictures: define('pictures', {
      projectId: uuidKey,
      id: { type: DataTypes.TEXT, allowNull: false, primaryKey: true },
      mediaType: text,
      widthPx: whole,
      heightPx: whole,
      paperMetresPerPixel: numberOrNull,
      tiled: flag,
      bytes: { type: DataTypes.BLOB, allowNull: false },
    }),
    siteFiles: define('site_files', {
      projectId: uuidKey,
      id: textKey,
      mediaType: text,
      sizeBytes: whole,
      receivedBytes: whole,
      widthPx: wholeOrNull,
      heightPx: wholeOrNull,
      isComplete: flag,
      byMember: uuidOrNull,
      updatedAt: time,
      thumbnail: blobOrNull,
      shared: blobOrNull,
    }),
    siteFileParts: define('site_file_parts', { projectId: uuidKey, fileId: textKey, fromByte: wholeKey, bytes: blob }),
    changes: define('changes', {
      projectId: uuidKey,
      id: uuidKey,
      revision: whole,
      memberId: { type: DataTypes.UUID, allowNull: true },
      title: text,
      operations: geometry,
      undoes: { type: DataTypes.UUID, allowNull: true },
      createdAt: time,
    }),
    firmDeviceTypes: define('firmDeviceTypes', {
      firmId: uuidKey,
      id: { type: DataTypes.TEXT, allowNull: false, primaryKey: true },
      ...DEVICE_TYPE_COLUMNS,
      updatedAt: time,
    }),
    firmCableTypes: define('firmCableTypes', {
      firmId: uuidKey,
      id: { type: DataTypes.TEXT, allowNull: false, primaryKey: true },
      ...CABLE_TYPE_COLUMNS,
      updatedAt: time,
    }),
    firmConductorMaps: define('firmConductorMaps', {
      firmId: uuidKey,
      id: { type: DataTypes.TEXT, allowNull: false, primaryKey: true },
      name: { type: DataTypes.TEXT, allowNull: false },
      lines: { type: DataTypes.JSONB, allowNull: false },
      note: { type: DataTypes.TEXT, allowNull: false },
      updatedAt: time,
    }),
    firmRuleSettings: define('firmRuleSettings', {
      firmId: uuidKey,
      ruleId: { type: DataTypes.TEXT, allowNull: false, primaryKey: true },
      off: flag,
      rank: { type: DataTypes.TEXT, allowNull: true },
      limits: geometry,
      reason: text,
      by: text,
      updatedAt: time,
    }),
    firmTableColumns: define('firmTableColumns', {
      firmId: uuidKey,
      kind: textKey,
      head: textKey,
      columns: geometry,
      updatedAt: time,
    }),
    memberProjects: define('memberProjects', { memberId: uuidKey, projectId: uuidKey }),
    invitations: define('invitations', {
      id: uuidKey,
      firmId: uuid,
      email: text,
      role: text,
      projectIds: geometry,
      tokenHash: text,
      invitedBy: uuidOrNull,
      createdAt: time,
      expiresAt: time,
      acceptedAt: timeOrNull,
      withdrawnAt: timeOrNull,
    }),
    passwordResets: define('passwordResets', {
      tokenHash: textKey,
      memberId: uuid,
      createdAt: time,
      expiresAt: time,
      usedAt: timeOrNull,
    }),
    signInAttempts: define('signInAttempts', { id: uuidKey, accountKey: text, addressKey: text, failed: flag, createdAt: time }),
    auditLines: define('auditLines', {
      firmId: uuidKey,
      line: wholeKey,
      kind: text,
      memberId: uuidOrNull,
      memberName: text,
      about: geometry,
      createdAt: time,
      signature: text,
    }),
    auditKeys: define('auditKeys', { id: textKey, publicKey: text, createdAt: time }),
    mails: define('mails', {
      id: uuidKey,
      firmId: uuidOrNull,
      recipient: text,
      subject: text,
      body: text,
      state: text,
      createdAt: time,
    }),
    jobs: define('jobs', {
      id: uuidKey,
      firmId: uuid,
      memberId: uuidOrNull,
      projectId: uuidOrNull,
      lane: text,
      kind: text,
      params: geometry,
      state: text,
      progress: number,
      result: geometryOrNull,
      problem: geometryOrNull,
      createdAt: time,
      finishedAt: timeOrNull,
    }),
    jobFiles: define('jobFiles', { jobId: uuidKey, part: textKey, name: text, mediaType: text, bytes: blob }),
    pictureTiles: define('pictureTiles', {
      projectId: uuidKey,
      pictureId: textKey,
      z: wholeKey,
      y: wholeKey,
      x: wholeKey,
      bytes: blob,
    }),
    planFiles: define('planFiles', { projectId: uuidKey, id: textKey, bytes: blob, createdAt: time }),
    printedJobs: define('printedJobs', {
      firmId: uuidKey,
      number: wholeKey,
      projectId: uuidOrNull,
      pages: whole,
      mediaType: text,
      bytes: blob,
      createdAt: time,
    }),
    serverErrors: define('serverErrors', { id: uuidKey, place: text, kind: text, createdAt: time }),
    records: Object.fromEntries(COLLECTION_NAMES.map((name) => [name, define(name, RECORD_COLUMNS[name])])) as Models['records'],
  };
}

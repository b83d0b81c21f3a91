// What the server answers, as Zod schemas: the types of both sides, the API description and the tests come from them.
import { z } from 'zod';
import {
  CABLE_FAULTS,
  cableType,
  changeSchema,
  COLLECTIONS,
  conductorMap,
  deviceType,
  type ProjectDocument,
  projectHeader,
} from '../project/index.ts';
import { type Problem, REFUSAL_KINDS } from '../../math/index.ts';
import { ROLES } from './access.ts';
import { JOB_STATES } from './jobs.ts';
import { firmRule, projectDefaults, tableColumns } from './library.ts';

const time = z.iso.datetime();
const count = z.int().min(0);
const list = <T extends z.ZodType>(of: T) => z.array(of).readonly();

/** A problem as data: its code becomes a sentence, `field` names the input that it is about, the rest are its figures. */
export const problem = z.looseObject({
  code: z.string(),
  kind: z.enum(REFUSAL_KINDS).optional(),
  field: z.string().optional(),
}) as z.ZodType<Problem>;
export const problemReply = z.strictObject({ problem });
export type ProblemReply = z.infer<typeof problemReply>;

/** The id of what was made. */
export const madeReply = z.strictObject({ id: z.string() });

/** A document that was made of a project, by the revision that it was made from. */
export const madeDocumentReply = z.strictObject({
  id: z.string(),
  memberId: z.string().nullable(),
  name: z.string(),
  query: z.record(z.string(), z.string()),
  revision: z.int().min(0),
  madeAt: z.iso.datetime(),
});
export const madeDocumentsReply = z.strictObject({ documents: list(madeDocumentReply) });
export type MadeDocumentReply = z.infer<typeof madeDocumentReply>;
export type MadeDocumentsReply = z.infer<typeof madeDocumentsReply>;

/** Who is signed in, and what the sign-in page may offer. */
export const sessionReply = z.strictObject({
  member: z.strictObject({ id: z.uuid(), name: z.string(), firm: z.string(), role: z.enum(ROLES) }).nullable(),
  csrfToken: z.string(),
  firstStart: z.boolean().describe('no account exists yet: offer to make the first'),
  needsSetupToken: z.boolean().describe('the first account needs the token that the start of the server printed'),
  demo: z.boolean().describe('the demo firm is loaded: offer to open it'),
});
export type SessionReply = z.infer<typeof sessionReply>;

export const deviceKeyReply = z.strictObject({ key: z.base64() });

const openSession = z.strictObject({
  id: z.string(),
  device: z.string(),
  startedAt: time,
  usedAt: time,
  isThis: z.boolean().describe('the session of the request itself'),
});
export type OpenSession = z.infer<typeof openSession>;
export const sessionsReply = z.strictObject({ sessions: list(openSession) });
export type SessionsReply = z.infer<typeof sessionsReply>;

const projectSummary = z.strictObject({
  id: z.uuid(),
  shortId: z.string(),
  name: z.string(),
  description: z.string(),
  revision: count,
  updatedAt: time,
  levels: count,
  rooms: count,
  devices: count,
  runs: count,
  runsPulled: count,
});
export type ProjectSummary = z.infer<typeof projectSummary>;
export const projectsReply = z.strictObject({
  projects: list(projectSummary),
  mayDelete: z.boolean().describe('whether the member may delete a project'),
});
export type ProjectsReply = z.infer<typeof projectsReply>;

/** A deleted project, for the thirty days in which it can be restored. */
const deletedProject = z.strictObject({
  id: z.uuid(),
  name: z.string(),
  deletedAt: time,
  deletedBy: z.string(),
  goneAt: time,
});
export type DeletedProject = z.infer<typeof deletedProject>;
export const deletedProjectsReply = z.strictObject({ projects: list(deletedProject) });

const pictureInfo = z.strictObject({
  id: z.string(),
  mediaType: z.string(),
  widthPx: z.number(),
  heightPx: z.number(),
  paperMetresPerPixel: z
    .number()
    .nullable()
    .describe('side of a pixel on the sheet of paper, m; null where the file does not say'),
});
export type PictureInfo = z.infer<typeof pictureInfo>;
export const pictureReply = pictureInfo;
/** A PDF of plans that was taken: its sheets are fetched by this id and their number. */
export const planFileReply = z.strictObject({
  id: z.string(),
  pages: list(z.strictObject({ number: count, widthPt: z.number(), heightPt: z.number() })),
});

/** The cells of a workbook as words, with the line of each row. */
export const workbookReply = z.strictObject({
  sheets: list(z.strictObject({ name: z.string(), rows: list(z.strictObject({ line: count, cells: list(z.string()) })) })),
});
export type WorkbookReply = z.infer<typeof workbookReply>;

/** A project as it stands: its header and every list of records by id. */
const projectDocument = z.strictObject({
  project: projectHeader,
  ...Object.fromEntries(Object.entries(COLLECTIONS).map(([name, { schema }]) => [name, z.record(z.string(), schema)])),
}) as unknown as z.ZodType<ProjectDocument>;
export const documentReply = z.strictObject({
  projectId: z.uuid(),
  revision: count,
  document: projectDocument,
  pictures: list(pictureInfo),
});
export type DocumentReply = z.infer<typeof documentReply>;

/** What became of a change: applied at a revision (also when it was sent before), or refused with the reason. */
const changeResult = z.discriminatedUnion('status', [
  z.strictObject({ id: z.string(), status: z.literal('applied'), revision: count }),
  z.strictObject({ id: z.string(), status: z.literal('refused'), problem }),
]);
export type ChangeResult = z.infer<typeof changeResult>;
/** Results in the order sent; changes after a refused one are not tried. */
export const changesReply = z.strictObject({ revision: count, results: list(changeResult) });
export type ChangesReply = z.infer<typeof changesReply>;

/** A change as the server stored it, also as it follows live in other tabs. */
export const storedChange = z.strictObject({ revision: count, change: changeSchema, author: z.string(), at: time });
export type StoredChange = z.infer<typeof storedChange>;
export const storedChangesReply = z.strictObject({ changes: list(storedChange) });

/** The offer as its client reads it on screen: tables of printed words. */
export const offerTablesReply = z.strictObject({
  tables: list(
    z.strictObject({
      section: z.string(),
      title: z.string(),
      note: z.string(),
      columns: list(z.string()),
      rows: list(list(z.string())),
    }),
  ),
});
export type OfferTablesReply = z.infer<typeof offerTablesReply>;

/** A job as its owner sees it. */
export const jobReply = z.strictObject({
  id: z.uuid(),
  kind: z.string(),
  state: z.enum(JOB_STATES),
  progress: z.number().min(0).max(1).describe('share done'),
  problem: problem.nullable(),
  file: z.string().nullable().describe('name of the file that it made, once it is done'),
  result: z.record(z.string(), z.unknown()).nullable().describe('what else it came to, for instance the id of a project'),
});
export type JobReply = z.infer<typeof jobReply>;

/** Device types of the firm's library. */
export const libraryReply = z.strictObject({ types: list(deviceType) });
export type LibraryReply = z.infer<typeof libraryReply>;
/** What a library file holds: the rows that can be taken, and what is wrong with the others. */
export const libraryReadReply = libraryReply.extend({ problems: list(z.strictObject({ row: count, problem })) });
export type LibraryReadReply = z.infer<typeof libraryReadReply>;
/** Conductor maps of the firm. */
export const cablesReply = z.strictObject({ cables: list(cableType) });
export type CablesReply = z.infer<typeof cablesReply>;
export const projectDefaultsReply = z.strictObject({ settings: projectDefaults });
export type ProjectDefaultsReply = z.infer<typeof projectDefaultsReply>;
export const mapsReply = z.strictObject({ maps: list(conductorMap) });
export type MapsReply = z.infer<typeof mapsReply>;
/** The rules that a firm sets otherwise; all others are as they come. */
export const firmRulesReply = z.strictObject({ rules: list(firmRule) });
export type FirmRules = z.infer<typeof firmRulesReply>;

/** What the firm remembers of the columns of tables, newest first. */
export const columnsReply = z.strictObject({ tables: list(tableColumns) });
export type ColumnsReply = z.infer<typeof columnsReply>;

/** What went to the printer: labels of runs that are still there. */
export const printLabelsReply = z.strictObject({ printer: z.string(), labels: count, runIds: list(z.string()) });
export type PrintLabelsReply = z.infer<typeof printLabelsReply>;
/** Jobs that the simulated printer has taken, newest first. */
export const printerJobsReply = z.strictObject({
  simulated: z.boolean(),
  jobs: list(z.strictObject({ id: count, type: z.string(), pages: count })),
});
export type PrinterJobsReply = z.infer<typeof printerJobsReply>;
export const instrumentsReply = z.strictObject({
  instruments: list(z.strictObject({ kind: z.string(), name: z.string(), simulated: z.boolean() })),
});
export const measureReply = z.strictObject({ lengthM: z.number().describe('m') });

/** What a network switch says of one of its ports. */
export const switchPortReading = z.strictObject({
  port: z.string().min(1).max(40),
  isUp: z.boolean(),
  mbps: z.number().min(0).max(1_000_000).describe('link speed, Mbit/s'),
  watts: z.number().min(0).max(200).describe('power over Ethernet that it gives, W'),
  serial: z.string().max(60).describe('what the device there calls itself'),
});
export type SwitchPortReading = z.infer<typeof switchPortReading>;
export const switchReply = z.strictObject({ simulated: z.boolean(), ports: z.array(switchPortReading) });
export type SwitchReply = z.infer<typeof switchReply>;
/** What is plugged in by the plan: a simulated switch reads it, a real one its own ports. */
export const switchRequest = z.strictObject({ plugged: z.array(switchPortReading).max(400), script: z.string().min(1).max(40) });
export const switchScriptsReply = z.strictObject({
  simulated: z.boolean(),
  scripts: z.array(z.strictObject({ name: z.string(), title: z.string() })),
});
export type SwitchScriptsReply = z.infer<typeof switchScriptsReply>;

const numberOfRun = z.string().min(1).max(40);
/** A cable that is tested, as the plan has it: a simulated tester reads it, a real one its own leads. */
export const testedCable = z.strictObject({
  number: numberOfRun,
  nth: z.int().min(1).max(30_000).describe('its place in the order of numbers'),
  lengthM: z.number().gt(0).max(5000).nullable().describe('as planned or cut, m'),
  others: z.array(z.strictObject({ number: numberOfRun, nth: z.int().min(1).max(30_000) })).max(2000),
});
export type TestedCable = z.infer<typeof testedCable>;
export const testerReading = z.strictObject({
  lengthM: z.number().min(0).max(5000).nullable(),
  lossDb: z.number().min(0).max(200).nullable(),
  faults: z
    .array(z.strictObject({ fault: z.enum(CABLE_FAULTS), pair: z.string().max(20), atM: z.number().min(0).max(5000).nullable() }))
    .max(20),
  farEnd: z.string().max(40).describe('number of the run whose remote unit answered; empty where none did'),
});
export type TesterReading = z.infer<typeof testerReading>;
export const testerRequest = z.strictObject({ cable: testedCable, script: z.string().min(1).max(40) });
export const testerReply = z.strictObject({ simulated: z.boolean(), tester: z.string(), reading: testerReading });
export type TesterReply = z.infer<typeof testerReply>;

/** Largest photo or film, bytes. */
export const MAX_SITE_FILE_BYTES = 120 * 1024 * 1024;
export const SITE_FILE_TYPES = ['image/jpeg', 'image/png', 'image/webp', 'video/mp4', 'video/webm', 'video/quicktime'] as const;
export const siteFileRequest = z.strictObject({
  mediaType: z.enum(SITE_FILE_TYPES),
  sizeBytes: z.int().min(1).max(MAX_SITE_FILE_BYTES),
});
export const siteFileReply = z.strictObject({
  id: z.string(),
  sizeBytes: z.int(),
  receivedBytes: z.int(),
  isComplete: z.boolean(),
});
export type SiteFileState = z.infer<typeof siteFileReply>;
export const siteFilesReply = z.strictObject({ files: z.array(siteFileReply) });
export type SiteFilesReply = z.infer<typeof siteFilesReply>;

const member = z.strictObject({
  id: z.uuid(),
  name: z.string(),
  email: z.string(),
  role: z.enum(ROLES),
  projectIds: list(z.uuid()).describe('projects that a client may see; empty for the other roles, who see all'),
  createdAt: time,
});
export type Member = z.infer<typeof member>;
const invitation = z.strictObject({ id: z.uuid(), email: z.string(), role: z.enum(ROLES), createdAt: time, expiresAt: time });
export type Invitation = z.infer<typeof invitation>;
export const peopleReply = z.strictObject({
  members: list(member),
  invitations: list(invitation),
  plannersMayDelete: z.boolean(),
  mailIsSimulated: z.boolean().describe('mail goes to the simulated box'),
});
export type PeopleReply = z.infer<typeof peopleReply>;
/** What a person is shown before an invitation is accepted. */
export const invitationReply = z.strictObject({ firm: z.string(), email: z.string(), role: z.enum(ROLES) });
export type InvitationReply = z.infer<typeof invitationReply>;

const auditLine = z.strictObject({
  line: count,
  kind: z.string(),
  by: z.string(),
  about: z.record(z.string(), z.unknown()),
  at: time,
});
export type AuditLine = z.infer<typeof auditLine>;
export const auditReply = z.strictObject({
  lines: list(auditLine),
  brokenAt: count.nullable().describe('the first line whose signature does not fit; null where all fit'),
  total: count,
});
export type AuditReply = z.infer<typeof auditReply>;

const mail = z.strictObject({ id: z.string(), recipient: z.string(), subject: z.string(), body: z.string(), at: time });
export type Mail = z.infer<typeof mail>;
export const mailsReply = z.strictObject({ mails: list(mail) });
export type MailsReply = z.infer<typeof mailsReply>;
export const sentReply = z.strictObject({ sent: z.literal(true) });

// Here: what web and server say to each other, as Zod schemas and types.
// Not here: how requests are sent or answered.
// Start with `changesRequest`.
import { z } from 'zod';
import {
  deviceType,
  conductorMap,
  RANKS,
  type ConductorMap,
  type Change,
  type DeviceType,
  type ProjectDocument,
} from '../project/index.ts';
import type { Problem } from '../outcome/index.ts';
import type { Role } from './access.ts';
import { words } from './people.ts';

export * from './jobs.ts';
export * from './people.ts';
export { forbiddenOperation, hasRight, ROLES, type Right, type Role } from './access.ts';

/**
 * Version of what web and server say to each other. It rises when an app of the version before could not go on; the server
 * still takes edits from `MIN_PROTOCOL` on, so that no queue is lost while an app brings itself up to date.
 */
export const PROTOCOL_VERSION = 2;
export const MIN_PROTOCOL = 1;

export const newProjectRequest = z.strictObject({ name: words(120), units: z.enum(['metric', 'imperial']) });
/** Each change is judged by itself (`changeSchema`), so that one that is malformed does not hold up the others. */
export const changesRequest = z.strictObject({ changes: z.array(z.unknown()).min(1).max(200) });

export const keepTypesRequest = z.strictObject({ types: z.array(deviceType).min(1).max(5000) });

export const keepMapsRequest = z.strictObject({ maps: z.array(conductorMap).min(1).max(500) });

/** Conductor maps of the firm. */
export interface MapsReply {
  readonly maps: readonly ConductorMap[];
}

/** How a firm sets the rules of its checks. */
const firmRule = z.strictObject({
  ruleId: z.string().regex(/^[a-z0-9-]{1,60}$/, 'is not the name of a rule'),
  off: z.boolean(),
  rank: z.enum(RANKS).nullable(),
  limits: z.record(z.string().regex(/^[A-Za-z0-9]{1,40}$/), z.number()),
  reason: words(400, 0),
  by: words(60, 0),
});
export const keepRulesRequest = z.strictObject({ rules: z.array(firmRule).max(200) });
export type FirmRule = z.infer<typeof firmRule>;

/** The rules that a firm sets otherwise; all others are as they come. */
export interface FirmRules {
  readonly rules: readonly FirmRule[];
}

/** Device types of the firm's library. */
export interface LibraryReply {
  readonly types: readonly DeviceType[];
}

/** What a library file holds: the rows that can be taken, and what is wrong with the others. */
export interface LibraryReadReply extends LibraryReply {
  readonly problems: readonly { readonly row: number; readonly problem: Problem }[];
}

export const labelsQuery = z.strictObject({
  size: z.enum(['small', 'medium', 'large']).default('medium'),
  paper: z.enum(['A4', 'Letter']).default('A4'),
});
export const printLabelsRequest = z.strictObject({
  runIds: z.array(z.string().max(40)).min(1).max(5000),
  ends: z
    .array(z.enum(['R', 'D']))
    .min(1)
    .max(2),
  size: z.enum(['small', 'medium', 'large']).default('medium'),
});
export type PrintLabelsRequest = z.infer<typeof printLabelsRequest>;

/** What went to the printer: labels of runs that are still there. */
export interface PrintLabelsReply {
  readonly printer: string;
  readonly labels: number;
  readonly runIds: readonly string[];
}

/** Jobs that the simulated printer has taken, newest first. */
export interface PrinterJobsReply {
  readonly simulated: boolean;
  readonly jobs: readonly { readonly id: number; readonly type: string; readonly pages: number }[];
}

export const siteQuery = z.strictObject({ paper: z.enum(['A4', 'Letter']).default('A4') });
export const planQuery = z.strictObject({
  level: z.string().max(40),
  paper: z.enum(['A4', 'A3', 'A2', 'Letter', 'Tabloid']).default('A3'),
});

/** Who is signed in, and what the sign-in page may offer. */
export interface SessionReply {
  readonly member: { readonly id: string; readonly name: string; readonly firm: string; readonly role: Role } | null;
  readonly csrfToken: string;
  /** No account exists yet: offer to make the first. */
  readonly firstStart: boolean;
  /** The first account needs the token that the start of the server printed. */
  readonly needsSetupToken: boolean;
  /** The demo firm is loaded: offer one-click sign-in. */
  readonly demo: boolean;
}

/** A deleted project, for the thirty days in which it can be restored. */
export interface DeletedProject {
  readonly id: string;
  readonly name: string;
  readonly deletedAt: string;
  readonly deletedBy: string;
  readonly goneAt: string;
}
export interface ProjectsReply {
  readonly projects: readonly ProjectSummary[];
  /** Whether the member may delete a project. */
  readonly mayDelete: boolean;
}

export interface ProjectSummary {
  readonly id: string;
  readonly shortId: string;
  readonly name: string;
  readonly description: string;
  readonly revision: number;
  readonly updatedAt: string;
  readonly levels: number;
  readonly rooms: number;
  readonly devices: number;
  readonly runs: number;
  readonly runsPulled: number;
}

export interface DocumentReply {
  readonly projectId: string;
  readonly revision: number;
  readonly document: ProjectDocument;
  readonly pictures: readonly PictureInfo[];
}

/** Raster pictures of more pixels are shown in tiles. */
export const WHOLE_UP_TO_PX = 16_000_000;
/** Side of a tile, px. */
export const TILE_PX = 512;

export interface PictureInfo {
  readonly id: string;
  readonly mediaType: string;
  readonly widthPx: number;
  readonly heightPx: number;
}

/** What became of a change: applied at a revision (also when it was sent before), or refused with the reason. */
export type ChangeResult =
  | { readonly id: string; readonly status: 'applied'; readonly revision: number }
  | { readonly id: string; readonly status: 'refused'; readonly problem: Problem };

/** Results in the order sent; changes after a refused one are not tried. */
export interface ChangesReply {
  readonly revision: number;
  readonly results: readonly ChangeResult[];
}

/** A change as the server stored it, also as it follows live in other tabs. */
export interface StoredChange {
  readonly revision: number;
  readonly change: Change;
  readonly author: string;
  readonly at: string;
}

export type LiveMessage =
  | { readonly type: 'at-revision'; readonly revision: number; readonly protocol: number }
  | { readonly type: 'change'; readonly stored: StoredChange }
  /** The project was deleted. */
  | { readonly type: 'gone' }
  /** The session ended: signed out elsewhere, revoked, too old, or the member was removed. */
  | { readonly type: 'signed-out' };

export interface ProblemReply {
  readonly problem: Problem;
}

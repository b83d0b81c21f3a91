import { z } from 'zod';
import { JURISDICTIONS, recordId } from '../project/index.ts';
import { words } from './people.ts';
import type { StoredChange } from './replies.ts';

/**
 * Version of what web and server say to each other. It rises when an app of the version before could not go on; the server
 * still takes edits from `MIN_PROTOCOL` on, so that no queue is lost while an app brings itself up to date.
 */
export const PROTOCOL_VERSION = 3;
/** From this version on an app knows outdoor areas in the brief. */
export const KNOWS_AREAS = 3;
export const MIN_PROTOCOL = 1;

export const newProjectRequest = z.strictObject({
  name: words(120),
  units: z.enum(['metric', 'imperial']),
  /** An older page does not ask; its units say which region is likely. */
  jurisdiction: z.enum(JURISDICTIONS).optional(),
});
/** A new house on the plan of another, without some of its options. */
export const copyProjectRequest = z.strictObject({
  name: words(120),
  without: z.array(recordId).max(200).default([]),
  optionId: recordId.nullable().default(null),
});
/** Each change is judged by itself (`changeSchema`), so that one that is malformed does not hold up the others. */
export const changesRequest = z.strictObject({ changes: z.array(z.unknown()).min(1).max(200) });

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

export const siteQuery = z.strictObject({ paper: z.enum(['A4', 'Letter']).default('A4') });
const SHEET_PAPERS = ['A4', 'A3', 'A2', 'A1', 'Letter', 'Tabloid', 'ArchD'] as const;
export const planQuery = z.strictObject({
  level: z.string().max(40),
  paper: z.enum(SHEET_PAPERS).default('A3'),
});

/** Who gets a pack of drawings: everything, or what one trade needs. */
export const DRAWING_PACKS = [
  'all',
  'crew',
  'electrician',
  'framer',
  'joiner',
  'finisher',
  'remote-electrician',
  'inspector',
  'client',
] as const;
export type DrawingPack = (typeof DRAWING_PACKS)[number];
export const setQuery = z.strictObject({
  pack: z.enum(DRAWING_PACKS).default('all'),
  paper: z.enum(SHEET_PAPERS).default('A3'),
  preview: z.enum(['yes', 'no']).default('no').describe('only the cover and the first plan, to look at'),
});

/** The sheet of a room as a theatre. */
export const theatreQuery = z.strictObject({
  room: z.string().max(40),
  paper: z.enum(SHEET_PAPERS).default('A3'),
});

/** Raster pictures of more pixels are shown in tiles. */
export const WHOLE_UP_TO_PX = 16_000_000;
/** Side of a tile, px. */
export const TILE_PX = 512;

/** Why the server closed a live connection: nobody is signed in any more, or the project is gone. */
export const LIVE_CLOSED = { signedOut: 4401, gone: 4404 } as const;

export type LiveMessage =
  | { readonly type: 'at-revision'; readonly revision: number; readonly protocol: number }
  | { readonly type: 'change'; readonly stored: StoredChange }
  /** The project was deleted. */
  | { readonly type: 'gone' }
  /** The session ended: signed out elsewhere, revoked, too old, or the member was removed. */
  | { readonly type: 'signed-out' };

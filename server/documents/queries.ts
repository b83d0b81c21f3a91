import { z } from 'zod';
import { labelsQuery, planQuery, printLabelsRequest, siteQuery } from '@dusky-spool/core/contract';

const NO_QUERY = z.strictObject({});

/**
 * What each document is asked with, by the name at the end of its address. Apart from how documents are made, so that the server
 * starts without the libraries that only the job queue needs.
 */
export const DOCUMENT_QUERIES = {
  'schedule.csv': NO_QUERY,
  'schedule.xlsx': NO_QUERY,
  'labels.pdf': labelsQuery,
  'labels.csv': NO_QUERY,
  'labels.svg': labelsQuery,
  'bundle-tags.pdf': siteQuery,
  'print-labels': printLabelsRequest,
  'plan.pdf': planQuery,
  'cut-out': z.strictObject({ deviceId: z.string().max(40) }),
  'cabling-sheet.pdf': siteQuery,
  'checks.pdf': siteQuery,
  'site-sheet.pdf': siteQuery,
  'trades-sheet.pdf': siteQuery,
  'plate-schedule.pdf': siteQuery,
  'hole-list.pdf': siteQuery,
} as const satisfies Record<string, z.ZodType<Readonly<Record<string, unknown>>>>;

export type DocumentName = keyof typeof DOCUMENT_QUERIES;
export type DocumentQuery<N extends DocumentName> = z.infer<(typeof DOCUMENT_QUERIES)[N]>;

export const isDocument = (name: string): name is DocumentName => Object.hasOwn(DOCUMENT_QUERIES, name);

/** Documents that a browser fetches by their name alone. */
export const FETCHED_DOCUMENTS = (Object.keys(DOCUMENT_QUERIES) as DocumentName[]).filter((name) => name.includes('.'));

import { z } from 'zod';
import { labelsQuery, planQuery, printLabelsRequest, setQuery, siteQuery, theatreQuery } from '@dusky-spool/core/model';

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
  'head-end.pdf': siteQuery,
  'theatre-sheet.pdf': theatreQuery,
  'drawing-set.pdf': setQuery,
  'package-gaps.pdf': siteQuery,
  'offer.pdf': siteQuery,
  'offer.json': NO_QUERY,
  'change-order.pdf': z.strictObject({ changeId: z.string().max(40), paper: z.enum(['A4', 'Letter']).default('A4') }),
  'plan.dxf': planQuery,
  'plan.svg': planQuery,
  'plan.png': planQuery,
  'wire-list.csv': NO_QUERY,
  'house.xlsx': NO_QUERY,
  'dates.ics': NO_QUERY,
  'package.zip': planQuery.pick({ paper: true }),
} as const satisfies Record<string, z.ZodType<Readonly<Record<string, unknown>>>>;

/** What each document is, in one line. */
export const DOCUMENT_TITLES = {
  'schedule.csv': 'The cable schedule as a table',
  'schedule.xlsx': 'The cable schedule as a workbook',
  'labels.pdf': 'Labels to print',
  'labels.csv': 'Labels as a table',
  'labels.svg': 'Labels as a drawing',
  'bundle-tags.pdf': 'Tags of bundles',
  'print-labels': 'Labels for the label printer',
  'plan.pdf': 'The plan of a level, to scale',
  'cut-out': 'The cut-out of a device at full size',
  'cabling-sheet.pdf': 'The cabling sheet',
  'checks.pdf': 'Findings of the checks',
  'site-sheet.pdf': 'The survey sheet for the site',
  'trades-sheet.pdf': 'What other trades do for us',
  'plate-schedule.pdf': 'Boxes and plates',
  'hole-list.pdf': 'Holes to bore',
  'head-end.pdf': 'Equipment, ports, patching, power and heat of head ends',
  'package-gaps.pdf': 'What the builder’s package lacks, to sign',
  'offer.pdf': 'The offer to the client',
  'offer.json': 'The tables of the offer to the client',
  'change-order.pdf': 'A change order to sign',
  'plan.dxf': 'The plan of a level in true size',
  'plan.svg': 'The plan of a level as a drawing',
  'plan.png': 'The plan of a level as a picture',
  'wire-list.csv': 'The lines of all labels, for label programs',
  'house.xlsx': 'Runs, devices, rooms and prices as a workbook',
  'dates.ics': 'Dates of the job as a calendar',
  'package.zip': 'Everything of the project with a manifest',
  'drawing-set.pdf': 'The drawing set, or the pack of one person',
  'theatre-sheet.pdf': 'A room as a theatre, to scale, with its speakers, seats and picture',
} as const satisfies Record<keyof typeof DOCUMENT_QUERIES, string>;

/** Documents with costs of the firm, or the whole project in them: only who plans gets them. */
export const PLANNER_DOCUMENTS: ReadonlySet<string> = new Set(['house.xlsx', 'package.zip']);

/** Documents that are made for clients: they hold prices, and nothing of what the firm pays. Every other one that a client asks for has no money in it. */
export const PRICED_FOR_CLIENTS: ReadonlySet<string> = new Set<keyof typeof DOCUMENT_QUERIES>([
  ...(['offer.pdf', 'offer.json', 'change-order.pdf'] as const),
]);

export type DocumentName = keyof typeof DOCUMENT_QUERIES;
export type DocumentQuery<N extends DocumentName> = z.infer<(typeof DOCUMENT_QUERIES)[N]>;

export const isDocument = (name: string): name is DocumentName => Object.hasOwn(DOCUMENT_QUERIES, name);

/** Documents that a browser fetches by their name alone. */
export const FETCHED_DOCUMENTS = (Object.keys(DOCUMENT_QUERIES) as DocumentName[]).filter((name) => name.includes('.'));

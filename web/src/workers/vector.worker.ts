import { svgLines } from '@dusky-spool/core/house';
import type { VectorJobs } from './drawing-jobs.ts';
import { type JobPort, serveJobs } from './jobs.ts';

/** Reads the lines of vector pictures away from the page. */
serveJobs<VectorJobs>(self as unknown as JobPort, {
  lines: ({ svg, widthPx, heightPx }) => Float64Array.from(svgLines(svg, widthPx, heightPx).flat(2)),
});

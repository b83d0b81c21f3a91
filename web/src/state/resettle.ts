// Fetched only when it is needed: it brings the geometry of the survey along.
export { onlyOutlines, resettle } from '@dusky-spool/core/survey';

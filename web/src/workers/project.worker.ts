import { DerivedProject } from '@dusky-spool/core/deltas';
import { en } from '@dusky-spool/texts';
import { type JobPort, serveJobs } from './jobs.ts';
import { PROJECT_JOB_GROUPS, projectHandlers, type ProjectJobs } from './project-jobs.ts';

/** Derives routes, checks and the schedule away from the page. */
serveJobs<ProjectJobs>(self as unknown as JobPort, projectHandlers(new DerivedProject(en.terms)), PROJECT_JOB_GROUPS);

import type { Problem } from '@dusky-spool/core/math';
import type { Change } from '@dusky-spool/core/model';

/** An edit that the server could not take: stored with the reason until a person settles it. */
export interface SetAside {
  readonly change: Change;
  readonly problem: Problem;
  /** When it was set aside, ISO 8601. */
  readonly at: string;
}

import type { Problem } from '@dusky-spool/core/math';

/** What a runner is given. */
export interface RunnerTask {
  readonly jobId: string;
  readonly firmId: string;
  readonly memberId: string | null;
  readonly projectId: string | null;
  readonly kind: string;
  readonly params: Readonly<Record<string, unknown>>;
}

/** What a runner says. */
export type RunnerMessage =
  | { readonly type: 'progress'; readonly share: number }
  | { readonly type: 'done'; readonly result: Readonly<Record<string, unknown>> | null }
  | { readonly type: 'refused'; readonly problem: Problem }
  | { readonly type: 'failed'; readonly kind: string; readonly at: readonly string[] };

export interface RunnerSettings {
  readonly databaseUrl: string;
}

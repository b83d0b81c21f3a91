/** Every kind of job with its parameters. */
export interface JobParams {
  /** A document of a project, by its name in `DOCUMENTS`. */
  readonly document: {
    readonly name: string;
    readonly query: Readonly<Record<string, unknown>>;
    readonly today: string;
    /** Who asked may not see what the firm pays and earns. */
    readonly forClient?: boolean;
  };
  /** The project as our open file. */
  readonly 'project-file': Record<string, never>;
  /** A project file is read and stored; its text is the input. */
  readonly import: { readonly projectId: string };
  /** A library file is read; its text is the input. */
  readonly 'library-read': Record<string, never>;
  /** A plan picture is inspected, stored and cut into tiles where it is large; its bytes are the input. */
  readonly picture: Record<string, never>;
  /** A photo or film whose parts are all there: looked at, with a thumbnail and a copy to share. */
  readonly photo: { readonly fileId: string };
  /** Tiles of a large picture that was stored before they were cut at once. */
  readonly tiles: { readonly pictureId: string };
  /** A PDF plan set is stored for a while; its bytes are the input. */
  readonly 'plan-file': Record<string, never>;
  readonly 'plan-thumbnail': { readonly sheetId: string; readonly page: number };
  /** A page of a PDF becomes a plan picture. */
  readonly 'plan-page': { readonly sheetId: string; readonly page: number };
  /** The cells of a workbook; its bytes are the input. */
  readonly workbook: Record<string, never>;
  /** Waits, with progress: for tests of the queue itself. */
  readonly wait: { readonly ms: number; readonly fill?: boolean };
}
export type JobKind = keyof JobParams;

/** A part of the pool with runners, limits and a queue of its own. */
export interface Lane {
  readonly name: 'documents' | 'pictures' | 'plan-files' | 'workbooks';
  /** Threads share the server's process; a picture is decoded in a process of its own, since native code cannot be ended in a thread. */
  readonly runner: 'thread' | 'process';
  readonly runners: number;
  readonly limitMs: number;
  readonly memoryMb: number;
}

export const LANES: readonly Lane[] = [
  { name: 'documents', runner: 'thread', runners: 2, limitMs: 90_000, memoryMb: 1024 },
  // One runner: one picture is decoded at a time.
  { name: 'pictures', runner: 'process', runners: 1, limitMs: 240_000, memoryMb: 1500 },
  { name: 'plan-files', runner: 'process', runners: 1, limitMs: 60_000, memoryMb: 1500 },
  { name: 'workbooks', runner: 'process', runners: 1, limitMs: 20_000, memoryMb: 450 },
];

export const LANE_OF: Readonly<Record<JobKind, Lane['name']>> = {
  document: 'documents',
  'project-file': 'documents',
  import: 'documents',
  'library-read': 'documents',
  picture: 'pictures',
  tiles: 'pictures',
  photo: 'pictures',
  'plan-file': 'plan-files',
  'plan-thumbnail': 'plan-files',
  'plan-page': 'plan-files',
  workbook: 'workbooks',
  wait: 'documents',
};

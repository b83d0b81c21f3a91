import type { Delta, DocumentPatch, DragDelta } from '@dusky-spool/core/deltas';
import type { Operation, ProjectDocument } from '@dusky-spool/core/model';

/** What the page asks of the worker that follows its project. Days are YYYY-MM-DD. */
export type FollowingQuestion =
  | { readonly ask: 'open'; readonly document: ProjectDocument; readonly today: string }
  | { readonly ask: 'edit'; readonly patch: DocumentPatch; readonly today: string }
  | { readonly ask: 'preview'; readonly id: number; readonly patch: DocumentPatch; readonly today: string }
  | {
      readonly ask: 'hold';
      readonly id: number;
      readonly operations: readonly Operation[];
      readonly deviceIds: readonly string[];
    }
  /** Calls off what is worked out, or goes on with it. */
  | { readonly ask: 'stop' }
  | { readonly ask: 'go-on'; readonly today: string }
  | { readonly ask: 'cures'; readonly id: number; readonly ref: string }
  | { readonly ask: 'choices'; readonly id: number; readonly runId: string }
  | { readonly ask: 'trunks'; readonly id: number; readonly newId: string }
  | { readonly ask: 'cabling'; readonly id: number }
  | { readonly ask: 'bundles'; readonly id: number }
  | { readonly ask: 'scheme'; readonly id: number; readonly pattern: string }
  | { readonly ask: 'both'; readonly id: number; readonly runId: string };

export type FollowingAnswer =
  | { readonly tell: 'progress'; readonly share: number }
  /** Routes, ahead of the checks of a whole house. */
  | { readonly tell: 'routed'; readonly told: Delta }
  /** `edits` of the project's states had come, the first one counted, when this was begun. */
  | { readonly tell: 'followed'; readonly edits: number; readonly told: Delta }
  | { readonly tell: 'previewed'; readonly id: number; readonly told: Delta }
  | { readonly tell: 'held'; readonly id: number; readonly held: DragDelta | null }
  /** What was asked for by one question. */
  | { readonly tell: 'answer'; readonly id: number; readonly value: unknown }
  | { readonly tell: 'failed'; readonly message: string };

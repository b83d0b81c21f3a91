import type { Proposals } from '@dusky-spool/core/house';
import type { Point2 } from '@dusky-spool/core/math';
import type { Operation } from '@dusky-spool/core/model';
import {
  acceptRevision,
  type AcceptedRevision,
  type ChangedRoom,
  changedRooms,
  laidRevision,
  type RevisedPiece,
  revisionAt,
  type Touched,
  touchedBy,
} from '@dusky-spool/core/survey';
import { edited, onLevel } from '@dusky-spool/core/derive';
import { useMemo, useState } from 'react';
import { changeRecord } from '../../commands/change-record.ts';
import { useDerived } from '../../state/derived.ts';
import { useProject } from '../../state/open-project.ts';
import { newSurveyId } from './ids.ts';

/** A revised plan held to the house: its differences, what they touch, and which of them are taken. */
export interface Revision {
  readonly pieces: readonly (RevisedPiece & { readonly touched: Touched })[];
  /** Where the lower left corner of the drawing lies on the plan, m. */
  readonly place: Point2;
  readonly refused: ReadonlySet<string>;
  readonly setRefused: (refused: ReadonlySet<string>) => void;
  readonly rooms: readonly ChangedRoom[];
  readonly takenCount: number;
  /** What takes the accepted differences into the house, after other operations. */
  readonly take: (first: readonly Operation[]) => AcceptedRevision;
}

interface Wanted {
  readonly levelId: string;
  readonly proposals: Proposals | null;
  /** The lower left corner of the drawing in the coordinates of its file, m; null where its unit is not known. */
  readonly cornerM: Point2 | null;
  /** Whether its coordinates are those of the plan. */
  readonly isOnPlan: boolean;
}

/** Holds the walls of a drawing to those of a level; null where the level has none yet or nothing is proposed. */
export function useRevision({ levelId, proposals, cornerM, isOnPlan }: Wanted): Revision | null {
  const project = useProject();
  const derived = useDerived(project);
  const [refused, setRefused] = useState<ReadonlySet<string>>(new Set());
  const hasWalls = onLevel(project, 'walls', levelId).length > 0;
  const [x, y] = cornerM ?? [0, 0];
  const found = useMemo(() => {
    if (!proposals || !hasWalls) return null;
    return (isOnPlan ? revisionAt : laidRevision)(project, levelId, proposals.walls, [x, y]);
  }, [project, levelId, proposals, hasWalls, x, y, isOnPlan]);
  const pieces = useMemo(() => {
    const runs = (derived?.runs ?? []).map(({ run, device, points }) => ({ runId: run.id, deviceId: device.id, points }));
    return (found?.pieces ?? []).map((piece) => ({ ...piece, touched: touchedBy(project, levelId, piece, runs) }));
  }, [found, derived, project, levelId]);
  const taken = useMemo(() => pieces.filter(({ id }) => !refused.has(id)), [pieces, refused]);
  const rooms = useMemo(
    () => changedRooms(project, acceptRevision(project, levelId, taken, newSurveyId).project),
    [project, levelId, taken],
  );
  if (!found) return null;
  const take = (first: readonly Operation[]): AcceptedRevision => {
    // The older issue of the drawing is kept to see what moved.
    const retired = onLevel(project, 'underlays', levelId)
      .filter((one) => one.drawingCorner && !one.retired && first.some(({ in: table }) => table === 'underlays'))
      .flatMap((one) => changeRecord('underlays', one, { retired: true }));
    const before = [...retired, ...first];
    const laid = edited(project, before);
    if (!laid.ok) return { operations: [], project, refused: [{ pieceId: '', problem: laid.problem }] };
    const done = acceptRevision(laid.value, levelId, taken, newSurveyId);
    return { ...done, operations: [...before, ...done.operations] };
  };
  return { pieces, place: found.place, refused, setRefused, rooms, takenCount: taken.length, take };
}

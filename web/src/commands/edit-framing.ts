import type { FacePlace } from '@dusky-spool/core/devices';
import { create, type FramingMember, type Operation, type ProjectDocument, remove } from '@dusky-spool/core/model';
import type { WallElevation } from '@dusky-spool/core/house';

export type FramingMode = 'look' | 'stud' | 'no-stud' | 'blocking';

/** A stud this near to a click is the one that is meant, m. */
const STUD_NEAR_M = 0.04;
const NARROWEST_BLOCK_M = 0.02;
/** Blocking is at least a board high, m. */
const BOARD_M = 0.09;

/** What a click on a wall does to its framing: a stud that is there or is not, or the next corner of a blocking. */
export function framingEdit(
  project: ProjectDocument,
  view: WallElevation,
  wallId: string,
  mode: Exclude<FramingMode, 'look'>,
  { offsetM, heightM }: FacePlace,
  blockFrom: FacePlace | null,
  newId: () => string,
): { readonly operation: Operation | null; readonly blockFrom: FacePlace | null } {
  const base = { id: newId(), wallId, roomId: null, note: '' };
  if (mode === 'blocking') {
    if (!blockFrom) return { operation: null, blockFrom: { offsetM, heightM } };
    const [fromM, toM] = [Math.min(blockFrom.offsetM, offsetM), Math.max(blockFrom.offsetM, offsetM)];
    const [bottomM, topM] = [Math.min(blockFrom.heightM, heightM), Math.max(blockFrom.heightM, heightM)];
    if (toM - fromM < NARROWEST_BLOCK_M) return { operation: null, blockFrom: null };
    const member: FramingMember = {
      ...base,
      kind: 'blocking',
      offsetM: fromM,
      widthM: toM - fromM,
      bottomM,
      topM: Math.max(topM, bottomM + BOARD_M),
      present: true,
    };
    return { operation: create('framingMembers', member), blockFrom: null };
  }
  const near = view.studs.find((stud) => Math.abs(stud.offsetM - offsetM) < STUD_NEAR_M);
  const known = near?.memberId ? project.framingMembers[near.memberId] : undefined;
  if (known) return { operation: remove('framingMembers', known), blockFrom: null };
  if (mode === 'no-stud' && !near) return { operation: null, blockFrom: null };
  const member: FramingMember = {
    ...base,
    kind: 'stud',
    offsetM: mode === 'no-stud' ? near!.offsetM : offsetM,
    widthM: project.walls[wallId].studWidthM || 0.045,
    bottomM: 0,
    topM: view.heightM,
    present: mode === 'stud',
  };
  return { operation: create('framingMembers', member), blockFrom: null };
}

import { create, type Operation, type ProjectDocument, remove } from '@dusky-spool/core/model';

const JOIST_WIDTH_M = 0.045;
/** A joist this near to a click is the one that is meant, m. */
const NEAR_M = 0.05;

/** What a click on a ceiling does to its joists: what was written down there is taken back; else a joist is there, or is not. */
export function toggleJoist(
  project: ProjectDocument,
  {
    id,
    roomId,
    offsetM,
    isThere,
    joists,
  }: {
    readonly id: string;
    readonly roomId: string;
    readonly offsetM: number;
    /** Whether a joist is there, or one that the spacing rule puts there is not. */
    readonly isThere: boolean;
    readonly joists: readonly { readonly offsetM: number; readonly memberId?: string | null }[];
  },
): Operation[] {
  const near = joists.find((joist) => Math.abs(joist.offsetM - offsetM) < NEAR_M);
  const known = near?.memberId ? project.framingMembers[near.memberId] : undefined;
  if (known) return [remove('framingMembers', known)];
  if (!isThere && !near) return [];
  return [
    create('framingMembers', {
      id,
      wallId: null,
      roomId,
      kind: 'joist',
      offsetM: isThere ? offsetM : near!.offsetM,
      widthM: JOIST_WIDTH_M,
      bottomM: 0,
      topM: 0,
      present: isThere,
      note: '',
    }),
  ];
}

import type { Reading } from '../derive/index.ts';
import { type HeadEnd, HEAD_END_PARTS, type HeadEndParts, HEAD_ENDS } from '../head-end/index.ts';
import type { RuleFinding } from './check.ts';

/** Nodes that rules about head ends read. */
export const HEAD_END_NODES = [HEAD_ENDS, HEAD_END_PARTS] as const;

/** Every head end for which equipment was chosen; before that nothing can be short. */
export const inHeadEnds = (
  read: Reading,
  judge: (headEnd: HeadEnd, parts: HeadEndParts) => readonly RuleFinding[],
): RuleFinding[] => {
  const parts = read.get(HEAD_END_PARTS);
  return read.get(HEAD_ENDS).flatMap((headEnd) => (headEnd.equipment.length === 0 ? [] : judge(headEnd, parts)));
};

export const ofEquipment = (...ids: readonly string[]) => ids.map((id) => ({ in: 'equipment' as const, id }));
export const ofRack = ({ rack }: Pick<HeadEnd, 'rack'>) => [{ in: 'racks' as const, id: rack.id }];
export const equipmentName = ({ equipment }: HeadEnd, id: string): string => equipment.find((one) => one.id === id)?.name ?? '';

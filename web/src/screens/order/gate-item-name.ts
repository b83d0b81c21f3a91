import type { GateItem } from '@dusky-spool/core/order';
import type { ProjectDocument } from '@dusky-spool/core/model';
import { text } from '../../ground/text.ts';

/** What a thing that meets a gate is called: its kind, its own name, and its room. */
export function gateItemName(project: ProjectDocument, { kind, id, name, roomId }: GateItem): string {
  const kindName = text(`order.dates.kinds.${kind}`);
  if (kind === 'drawing') return `${kindName}: ${text(`order.dates.drawings.${id as 'holes'}`)}`;
  const own = kind === 'commissioning' || name === '' ? '' : ` ${name}`;
  const room = roomId === null ? '' : (project.rooms[roomId]?.name ?? '');
  return [kindName + own, room].filter(Boolean).join(' · ');
}

import type { BillCause } from '@dusky-spool/core/order';
import { deviceTitle } from '@dusky-spool/core/devices';
import type { ProjectDocument } from '@dusky-spool/core/model';
import { term, text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';

import css from './order.module.css';

/** So many causes are named before the rest is counted. */
const NAMED = 60;

/** The records that a line of a bill or an offer is there for. */
export function CauseChips({ causes }: { readonly causes: readonly BillCause[] }) {
  const project = useProject();
  return (
    <p className={css.cuts}>
      {causes.slice(0, NAMED).map((cause) => (
        <span key={`${cause.in} ${cause.id}`} className="chip">
          {causeName(project, cause)}
        </span>
      ))}
      {causes.length > NAMED && <span>{text('order.bill.more', { count: causes.length - NAMED })}</span>}
    </p>
  );
}

function causeName(project: ProjectDocument, cause: BillCause): string {
  if (cause.in === 'runs') return project.runs[cause.id]?.number ?? '';
  if (cause.in === 'equipment') return project.equipment[cause.id]?.name ?? '';
  if (cause.in === 'racks') return project.racks[cause.id]?.name ?? '';
  if (cause.in === 'siteTasks') return project.siteTasks[cause.id]?.name ?? '';
  if (cause.in === 'features') return project.features[cause.id]?.name || text('order.bill.parts.conduit');
  if (cause.in === 'plates') {
    const plate = project.plates[cause.id];
    return [project.rooms[plate?.roomId ?? '']?.name, plate?.name].filter(Boolean).join(' · ');
  }
  const device = project.devices[cause.id];
  if (!device) return '';
  const room = project.rooms[device.roomId ?? '']?.name ?? term('outdoors');
  return `${room} · ${deviceTitle(device, project.deviceTypes[device.typeId])}`;
}

import { costOfType, placeOf } from '@dusky-spool/core/brief';
import { groupedBy } from '@dusky-spool/core/math';
import { listOf } from '@dusky-spool/core/derive';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { money } from '../../ui/money.ts';

import css from './order.module.css';

/** What one more of each kind of place costs while the walls are open, and after drywall. */
export function LaterPrices() {
  const project = useProject();
  const { currency } = project.project;
  const byType = groupedBy(
    listOf(project, 'devices').filter(({ foundId, roomId }) => foundId === null && roomId !== null),
    ({ typeId }) => typeId,
  );
  const rows = [...byType]
    .flatMap(([typeId, [device]]) => {
      const place = placeOf(project, device.roomId!);
      const type = project.deviceTypes[typeId];
      if (!place || type.cables.length === 0) return [];
      const { now, devices, afterClose } = costOfType(project, place, type, 1, 'wanted');
      return [{ typeId, name: type.name, now: now - devices, after: afterClose - devices }];
    })
    .sort((a, b) => (a.name < b.name ? -1 : 1));
  if (rows.length === 0) return null;
  return (
    <>
      <h3 className={css.part}>{text('order.offer.later')}</h3>
      <p className="faint">{text('order.offer.laterLead')}</p>
      <table className={css.table}>
        <thead>
          <tr>
            {(['what', 'now', 'after', 'factor'] as const).map((name) => (
              <th key={name} scope="col" className={name === 'what' ? undefined : css.figure}>
                {text(`order.offer.laterColumns.${name}`)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(({ typeId, name, now, after }) => (
            <tr key={typeId}>
              <th scope="row">{name}</th>
              <td className={css.figure}>{`${money(now)} ${currency}`}</td>
              <td className={css.figure}>{`${money(after)} ${currency}`}</td>
              <td className={css.figure}>{now > 0 ? (after / now).toFixed(1) : '–'}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

import type { EditEffects } from '@dusky-spool/core/deltas';
import { Modal } from 'antd';
import { text } from '../../ground/text.ts';

/** As many names as are read at a glance; the others are counted. */
const SHOWN = 8;
function listed(names: readonly string[]): string {
  const more = names.length - SHOWN;
  return more > 0 ? text('survey.removal.more', { names: names.slice(0, SHOWN).join(', '), count: more }) : names.join(', ');
}

/** What else changes by a deletion, before it is made. */
export function RemovalDialog({
  effects: { rooms, removed, moved, renumbered, unrouted },
  onRemove,
  onCancel,
}: {
  readonly effects: EditEffects;
  readonly onRemove: () => void;
  readonly onCancel: () => void;
}) {
  const lines = [
    rooms.length > 0 && text('survey.removal.rooms', { count: rooms.length, names: listed(rooms) }),
    removed.length > 0 && text('survey.removal.removed', { count: removed.length, names: listed(removed) }),
    moved.length > 0 &&
      text('survey.removal.moved', {
        count: moved.length,
        names: listed(moved.map(({ name, room }) => (room === '' ? name : text('survey.removal.into', { name, room })))),
      }),
    renumbered.length > 0 &&
      text('survey.removal.renumbered', {
        count: renumbered.length,
        names: listed(renumbered.map(({ from, to }) => text('survey.removal.becomes', { from, to }))),
      }),
    unrouted.length > 0 && text('survey.removal.unrouted', { count: unrouted.length, names: listed(unrouted) }),
  ].filter((line) => line !== false);
  return (
    <Modal
      open
      title={text('survey.removal.title')}
      okText={text('survey.removal.confirm')}
      okButtonProps={{ danger: true }}
      cancelText={text('cancel')}
      cancelButtonProps={{ autoFocus: true }}
      onOk={onRemove}
      onCancel={onCancel}
    >
      <ul className="effects">
        {lines.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
      <p className="faint">{text('survey.removal.undo')}</p>
    </Modal>
  );
}

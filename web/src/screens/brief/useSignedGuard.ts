import { briefOf } from '@dusky-spool/core/brief';
import { App as AntApp } from 'antd';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';

/** Does an edit of a room's answers; where the room was signed a person is asked first, for the signature is taken back by it. */
export function useSignedGuard(): (roomIds: readonly string[], act: () => void) => void {
  const project = useProject();
  const { modal } = AntApp.useApp();
  return (roomIds, act) => {
    const signed = roomIds.flatMap((roomId) => {
      const brief = briefOf(project, roomId);
      return brief && brief.signedOn !== '' ? [{ room: project.rooms[roomId].name, by: brief.signedBy, on: brief.signedOn }] : [];
    });
    if (signed.length === 0) return act();
    const [{ room, by, on }] = signed;
    void modal.confirm({
      title: text('brief.signedAsk', { room, by, on, count: signed.length }),
      content: text('brief.signedAskText'),
      okText: text('brief.signedChange'),
      cancelText: text('cancel'),
      autoFocusButton: 'cancel',
      onOk: act,
    });
  };
}

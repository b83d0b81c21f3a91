import { briefOf, placeOf } from '@dusky-spool/core/brief';
import { App as AntApp } from 'antd';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';

/** Does an edit of the answers of rooms and areas; where one was signed a person is asked first, for the signature is taken back by it. */
export function useSignedGuard(): (placeIds: readonly string[], act: () => void) => void {
  const project = useProject();
  const { modal } = AntApp.useApp();
  return (placeIds, act) => {
    const signed = placeIds.flatMap((placeId) => {
      const brief = briefOf(project, placeId);
      return brief && brief.signedOn !== ''
        ? [{ room: placeOf(project, placeId)?.name ?? '', by: brief.signedBy, on: brief.signedOn }]
        : [];
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

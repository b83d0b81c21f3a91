import { useEffect, useState } from 'react';
import { Modal, Radio } from 'antd';
import { sentenceOf } from '../ground/api/error-sentence.ts';
import { canLock } from '../ground/api/device-lock.ts';
import { countUnsent } from '../ground/api/device-store.ts';
import { useSession } from '../ground/api/session.ts';
import { text } from '../ground/text.ts';

/** Asks what becomes of the houses stored on this device, and signs out. */
export function SignOutDialog({ onClose }: { readonly onClose: () => void }) {
  const signOut = useSession((state) => state.signOut);
  const [houses, setHouses] = useState<'lock' | 'wipe'>(canLock() ? 'lock' : 'wipe');
  const [unsent, setUnsent] = useState(0);
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    countUnsent().then(setUnsent, () => undefined);
  }, []);
  const leave = () => {
    setBusy(true);
    signOut(houses).catch((error: unknown) => {
      setProblem(sentenceOf(error));
      setBusy(false);
    });
  };
  return (
    <Modal
      open
      title={text('leaving.title')}
      okText={text('leaving.signOut')}
      okButtonProps={{ loading: busy, danger: houses === 'wipe' && unsent > 0 }}
      cancelText={text('cancel')}
      onOk={leave}
      onCancel={onClose}
      width={480}
    >
      <div className="ask">
        <p>{text('leaving.lead')}</p>
        {unsent > 0 && <p className="finding look">{text('leaving.unsent', { count: unsent })}</p>}
        <Radio.Group value={houses} onChange={(event) => setHouses(event.target.value as 'lock' | 'wipe')} className="choices">
          <Radio value="lock" disabled={!canLock()}>
            {text('leaving.lock')}
            <small>{text('leaving.lockHint')}</small>
          </Radio>
          <Radio value="wipe">
            {text('leaving.wipe')}
            <small>
              {text('leaving.wipeHint')} {unsent > 0 && text('leaving.wipeUnsent')}
            </small>
          </Radio>
        </Radio.Group>
        {problem && (
          <p className="field-problem" role="alert">
            {problem}
          </p>
        )}
      </div>
    </Modal>
  );
}

import type { TheatreDesign } from '@dusky-spool/core/theatre';
import { Button, Modal, Progress } from 'antd';
import { term, text } from '../../ground/text.ts';
import css from './theatre.module.css';

/** A design on its way, or what it proposes. */
export type DesignState = { readonly share: number } | { readonly design: TheatreDesign };

interface Props {
  readonly state: DesignState;
  readonly onCancel: () => void;
  readonly onShow: (design: TheatreDesign) => void;
  readonly onApply: (design: TheatreDesign) => void;
}

/** Progress of the search for places, then what changes, what it is worth and which places could not be built. */
export function DesignDialog({ state, onCancel, onShow, onApply }: Props) {
  if ('share' in state)
    return (
      <Modal
        open
        title={text('theatre.design.title')}
        footer={<Button onClick={onCancel}>{text('cancel')}</Button>}
        onCancel={onCancel}
      >
        <Progress percent={Math.round(100 * state.share)} showInfo={false} />
        <p>{text('theatre.design.searching')}</p>
      </Modal>
    );
  const { design } = state;
  const isIdle = design.operations.length === 0;
  return (
    <Modal
      open
      width={640}
      title={text('theatre.design.title')}
      onCancel={onCancel}
      footer={
        <>
          <Button onClick={onCancel}>{text('cancel')}</Button>
          <Button disabled={isIdle} onClick={() => onShow(design)}>
            {text('theatre.design.show')}
          </Button>
          <Button type="primary" disabled={isIdle} onClick={() => onApply(design)}>
            {text('theatre.design.apply')}
          </Button>
        </>
      }
    >
      <p>
        {design.before && design.after
          ? text('theatre.design.scores', { before: design.before.total.toFixed(1), after: design.after.total.toFixed(1) })
          : text('theatre.design.scoreAfter', { after: design.after?.total.toFixed(1) ?? '–' })}{' '}
        {text('theatre.design.judged', { count: design.judged })}
      </p>
      {isIdle && <p>{text('theatre.design.nothing')}</p>}
      <table className={css.table}>
        <thead>
          <tr>
            {(['channel', 'change', 'places', 'refused'] as const).map((one) => (
              <th key={one} scope="col">
                {text(`theatre.design.columns.${one}`)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {design.channels.map(({ channel, change, places, refused }) => (
            <tr key={channel}>
              <th scope="row">{term(`channels.${channel}`)}</th>
              <td className={change === 'impossible' ? css.bad : ''}>{text(`theatre.design.changes.${change}`)}</td>
              <td>{places}</td>
              <td>{reasonsOf(refused)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="faint">{text('theatre.design.note')}</p>
    </Modal>
  );
}

const reasonsOf = (refused: Readonly<Record<string, number>>): string =>
  Object.entries(refused)
    .sort((a, b) => b[1] - a[1])
    .map(([reason, count]) => `${count} × ${reasonWords(reason)}`)
    .join(', ') || '–';

const reasonWords = (reason: string): string => term(`clashes.${reason}` as Parameters<typeof term>[0]);

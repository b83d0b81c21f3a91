import { useProject } from '../../state/open-project.ts';
import { distance2, formatLength, type Point2 } from '@dusky-spool/core/math';
import { planScale } from '@dusky-spool/core/calculators';
import { planToPicture } from '@dusky-spool/core/house';
import type { Underlay } from '@dusky-spool/core/model';
import { text } from '../../ground/text.ts';
import { problemSentence } from '@dusky-spool/texts';
import { rescaled } from '../../commands/place-picture.ts';
import { useProjectStore } from '../../state/project.ts';
import { LengthField } from '../../ui/LengthField.tsx';
import { useState } from 'react';
import { Button, Modal } from 'antd';
import css from './survey.module.css';

interface Props {
  readonly measured: { readonly underlayId: string; readonly first: Point2; readonly second: Point2 };
  readonly onDone: () => void;
}

type ScaleJudgement = Extract<ReturnType<typeof planScale>, { ok: true }>['value'];

/** Nobody measures less or more than this on a plan, m. */
const SHORTEST_M = 0.01;
const LONGEST_M = 1000;

/** The measurement that set the scale of each picture in this session, px and m. */
const before = new Map<string, { dxPx: number; dyPx: number; lengthM: number }>();

/** The length between two points of a picture: the first sets its scale, the next ones judge it. */
export function ScaleFlow({ measured, onDone }: Props) {
  const project = useProject();
  const edit = useProjectStore((state) => state.edit);
  const [lengthM, setLengthM] = useState<number | null>(null);
  const [isMissing, setIsMissing] = useState(false);
  const { units } = project.project;
  const underlay = project.underlays[measured.underlayId];
  const [p, q] = [planToPicture(underlay, measured.first), planToPicture(underlay, measured.second)];
  const now = { dxPx: q[0] - p[0], dyPx: q[1] - p[1] };
  const nowM = distance2(measured.first, measured.second);
  const earlier = underlay.scaled
    ? (before.get(underlay.id) ?? { dxPx: 1000, dyPx: 0, lengthM: 1000 * underlay.metresPerPixel })
    : null;
  const judged = earlier && lengthM !== null ? planScale({ first: earlier, second: { ...now, lengthM } }) : null;
  const found = judged?.ok ? judged.value : null;
  const scaleTo = (x: number, y: number) => {
    const operation = rescaled(underlay, measured.first, x, y);
    if (operation) edit(text('plan.setScale'), [operation]);
    onDone();
  };
  const setFirst = () => {
    if (lengthM === null) return setIsMissing(true);
    before.set(underlay.id, { ...now, lengthM });
    const factor = lengthM / nowM;
    scaleTo(underlay.metresPerPixel * factor, underlay.metresPerPixelY * factor);
  };
  return (
    <Modal open title={text('plan.scaleTitle')} footer={null} onCancel={onDone}>
      <p>{text('plan.scaleNow', { length: formatLength(nowM, units) })}</p>
      <div className={css.scaleField}>
        <LengthField
          autoFocus
          label={text('plan.scaleField')}
          valueM={lengthM}
          units={units}
          minM={SHORTEST_M}
          maxM={LONGEST_M}
          onChange={setLengthM}
        />
      </div>
      {/* Its line is always there: a button that moves away from under the pointer is not pressed. */}
      <p className={`field-problem ${css.scaleProblem}`} role="alert">
        {judged && !judged.ok
          ? problemSentence(judged.problem, units)
          : isMissing && lengthM === null && text('form.missing', { label: text('plan.scaleField') })}
      </p>
      {found && <Judgement found={found} underlay={underlay} />}
      <div className="panel-buttons">
        {!earlier && (
          <Button type="primary" onClick={setFirst}>
            {text('plan.setScale')}
          </Button>
        )}
        {found && (
          <>
            <Button onClick={onDone}>{text('survey.keepScale')}</Button>
            <Button onClick={() => scaleTo(found.bestMetresPerPixel, found.bestMetresPerPixel)}>{text('survey.fitBoth')}</Button>
            {found.perAxis && (
              <Button
                type={found.warn ? 'primary' : 'default'}
                onClick={() => scaleTo(found.perAxis!.metresPerPixelX, found.perAxis!.metresPerPixelY)}
              >
                {text('survey.fitAxes')}
              </Button>
            )}
            <Button onClick={setFirst}>{text('survey.useThis')}</Button>
          </>
        )}
      </div>
    </Modal>
  );
}

const percent = (share: number) => `${share >= 0 ? '+' : '−'}${Math.abs(share * 100).toFixed(2)} %`;

/** How far the second length agrees with the first. */
function Judgement({ found, underlay }: { readonly found: ScaleJudgement; readonly underlay: Underlay }) {
  return (
    <div className={found.warn ? 'finding look' : 'finding fine'} role="status">
      <p>
        <b>{text(found.warn ? 'survey.scaleOff' : 'survey.scaleFits', { percent: percent(found.disagreement) })}</b>
      </p>
      {found.perAxis && (
        <p>
          {text('survey.scaleAxes', {
            across: percent(found.perAxis.metresPerPixelX / underlay.metresPerPixel - 1),
            up: percent(found.perAxis.metresPerPixelY / underlay.metresPerPixelY - 1),
          })}
        </p>
      )}
    </div>
  );
}

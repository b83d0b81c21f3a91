import { useState } from 'react';
import { Input, Modal } from 'antd';
import { distance2, type Point2 } from '@dusky-spool/core/geometry';
import { formatLength, parseLength, type UnitSystem } from '@dusky-spool/core/units';
import { problemSentence } from '@dusky-spool/texts';
import { text } from '../../app/text.ts';

interface Props {
  readonly points: readonly [Point2, Point2];
  readonly units: UnitSystem;
  readonly onScale: (lengthM: number) => void;
  readonly onCancel: () => void;
}

/** Asks how long the clicked distance really is. */
export function ScaleDialog({ points, units, onScale, onCancel }: Props) {
  const [typed, setTyped] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const take = () => {
    const parsed = parseLength(typed, units);
    if (!parsed.ok) return setProblem(problemSentence(parsed.problem, units));
    if (parsed.value <= 0 || distance2(...points) < 1e-6) return setProblem(problemSentence({ code: 'length-empty' }, units));
    onScale(parsed.value);
  };
  return (
    <Modal
      open
      title={text('plan.scaleTitle')}
      okText={text('plan.setScale')}
      cancelText={text('cancel')}
      onOk={take}
      onCancel={onCancel}
      width={400}
    >
      <p>{text('plan.scaleNow', { length: formatLength(distance2(...points), units) })}</p>
      <label className="field">
        <span>{text('plan.scaleField')}</span>
        <Input
          autoFocus
          value={typed}
          placeholder={units === 'metric' ? '4.20 m' : `13' 9"`}
          aria-label={text('plan.scaleField')}
          status={problem ? 'error' : undefined}
          onChange={(event) => setTyped(event.target.value)}
          onPressEnter={take}
        />
        {problem && (
          <em role="alert" className="field-problem">
            {problem}
          </em>
        )}
      </label>
    </Modal>
  );
}

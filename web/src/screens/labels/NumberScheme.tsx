import { numberScheme, type SchemePreview } from '@dusky-spool/core/runs';
import type { Outcome } from '@dusky-spool/core/math';
import { problemSentence } from '@dusky-spool/texts';
import { Button, Input } from 'antd';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { useProjectParts } from '../../state/project.ts';
import css from './labels.module.css';

interface Props {
  readonly pattern: string;
  /** Every run under the pattern; null until it is worked out. */
  readonly preview: Outcome<SchemePreview> | null;
  readonly onPattern: (pattern: string) => void;
}

/** The pattern of run numbers, tried on the whole project before it is applied. */
export function NumberScheme({ pattern, preview, onPattern }: Props) {
  const { numberPattern, units } = useProject().project;
  const { edit } = useProjectParts('edit');
  const scheme = preview?.ok ? preview.value : null;
  return (
    <>
      <h3>{text('labels.scheme')}</h3>
      <Input
        value={pattern}
        aria-label={text('labels.pattern')}
        maxLength={60}
        onChange={(event) => onPattern(event.target.value)}
        onKeyDown={(event) => event.stopPropagation()}
      />
      <p className={css.parts}>
        {numberScheme.map((part) => (
          <button key={part} type="button" className="plain link id" onClick={() => onPattern(`${pattern}{${part}}`)}>
            {`{${part}}`}
          </button>
        ))}
      </p>
      {preview && !preview.ok && (
        <p className="field-problem" role="alert">
          {problemSentence(preview.problem, units)}
        </p>
      )}
      {scheme && (
        <p>
          {scheme.changed === 0
            ? text('labels.schemeHolds')
            : text('labels.schemeChanges', { changed: scheme.changed, kept: scheme.kept })}
        </p>
      )}
      <Button
        type="primary"
        disabled={!scheme || (scheme.changed === 0 && pattern === numberPattern)}
        onClick={() => scheme && edit(text('labels.renumber'), scheme.operations)}
      >
        {text('labels.renumber')}
      </Button>
      <p className="faint">{text('labels.schemeHint')}</p>
    </>
  );
}

import { useRef, useState } from 'react';
import { Button, Slider } from 'antd';
import type { PictureInfo } from '@dusky-spool/core/contract';
import { projectBounds } from '@dusky-spool/core/building';
import { create, newUnderlay, remove, update, type ProjectDocument } from '@dusky-spool/core/project';
import { problemSentence } from '@dusky-spool/texts';
import { postForm, Refused } from '../../api/http.ts';
import { text } from '../../app/text.ts';
import { newRecordId, useProject } from '../../state/project.ts';

interface Props {
  readonly projectId: string;
  readonly document: ProjectDocument;
  readonly levelId: string;
  readonly onScale: () => void;
}

/** Width that a picture gets until its scale is set, m. */
const FIRST_WIDTH_M = 20;

/** Plan pictures of a level: bring one in, set its scale, fade or remove it. */
export function UnderlayPanel({ projectId, document, levelId, onScale }: Props) {
  const edit = useProject((state) => state.edit);
  const addPicture = useProject((state) => state.addPicture);
  const input = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const underlay = Object.values(document.underlays).find((u) => u.levelId === levelId);

  const bringIn = async (file: File) => {
    setBusy(true);
    setProblem(null);
    try {
      const form = new FormData();
      form.append('picture', file);
      const picture = await postForm<PictureInfo>(`/projects/${projectId}/pictures`, form);
      addPicture(picture);
      const bounds = projectBounds(document, levelId);
      const record = create(
        'underlays',
        newUnderlay({
          id: newRecordId('u'),
          levelId,
          pictureId: picture.id,
          name: file.name.slice(0, 200),
          originX: bounds?.minX ?? 0,
          originY: bounds?.minY ?? 0,
          metresPerPixel: FIRST_WIDTH_M / picture.widthPx,
          rotationRad: 0,
          opacity: 0.7,
          scaled: false,
        }),
      );
      edit(text('edit.addPicture'), [record]);
    } catch (error) {
      setProblem(problemSentence(error instanceof Refused ? error.problem : { code: 'database-away' }));
    } finally {
      setBusy(false);
    }
  };

  return (
    <div className="palette underlay-panel" role="group" aria-label={text('plan.picture')}>
      <div className="eyebrow">{text('plan.picture')}</div>
      <input
        ref={input}
        type="file"
        accept="image/png,image/jpeg"
        className="unseen"
        aria-label={text('plan.addPicture')}
        tabIndex={-1}
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) void bringIn(file);
          event.target.value = '';
        }}
      />
      {underlay ? (
        <>
          <b className="file-name">{underlay.name}</b>
          {underlay.scaled ? (
            <span className="faint">{text('plan.scaled', { perM: (1 / underlay.metresPerPixel).toFixed(0) })}</span>
          ) : (
            <p className="caution">{text('plan.scaleWait')}</p>
          )}
          <Button type={underlay.scaled ? 'default' : 'primary'} size="small" block onClick={onScale}>
            {text('plan.setScale')}
          </Button>
          <label className="field">
            <span>{text('plan.fade')}</span>
            <Slider
              min={0.1}
              max={1}
              step={0.05}
              defaultValue={underlay.opacity}
              ariaLabelForHandle={text('plan.fade')}
              onChangeComplete={(opacity: number) => {
                const operation = update('underlays', underlay, { opacity });
                if (operation) edit(text('plan.fade'), [operation]);
              }}
            />
          </label>
          <Button size="small" block danger onClick={() => edit(text('plan.removePicture'), [remove('underlays', underlay)])}>
            {text('plan.removePicture')}
          </Button>
        </>
      ) : (
        <>
          <Button size="small" type="primary" loading={busy} block onClick={() => input.current?.click()}>
            {text('plan.addPicture')}
          </Button>
          <span className="faint">{text('plan.pictureHint')}</span>
        </>
      )}
      {problem && (
        <p className="field-problem" role="alert">
          {problem}
        </p>
      )}
    </div>
  );
}

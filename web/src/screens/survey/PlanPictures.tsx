import { addPlanPicture } from '../../commands/add-plan-picture.ts';
import { removeRecords } from '../../commands/remove-records.ts';
import { changeRecord } from '../../commands/change-record.ts';
import { useProject } from '../../state/open-project.ts';
import type { PictureInfo, Underlay } from '@dusky-spool/core/model';
import { projectBounds } from '@dusky-spool/core/house';
import { sentenceOf } from '../../ground/api/error-sentence.ts';
import { postForm, postJson } from '../../ground/api/http.ts';
import { jobEnd } from '../../ground/api/jobs.ts';
import { text } from '../../ground/text.ts';
import { newRecordId, useProjectStore } from '../../state/project.ts';
import { useSurveyView } from './useSurveyView.ts';
import { useRef, useState } from 'react';
import { Button, Modal, Progress, Slider } from 'antd';
import { useBrokenPictures } from '../../state/broken-pictures.ts';
import { PictureSettings } from './PictureSettings.tsx';
import { underlayDrawing } from './underlay-drawing.ts';
import css from './survey.module.css';

interface Props {
  readonly projectId: string;
  readonly levelId: string;
  readonly onScale: (underlayId: string) => void;
  readonly onCrop: (underlayId: string) => void;
  /** Opens a drawing or a table; `isOnPlan` is the plan that lies here already, of which the walls are wanted. */
  readonly onDrawing: (file: File, isOnPlan: boolean) => void;
}

/** What the server has made of a PDF: its pages, one picture each when asked for. */
interface PdfPages {
  readonly id: string;
  readonly pages: readonly { readonly number: number; readonly widthPt: number; readonly heightPt: number }[];
}

/** Plan pictures of a level: bring one in, scale, turn, crop, fade, hold fast, replace by a newer issue, or remove. */
export function PlanPictures({ projectId, levelId, onScale, onCrop, onDrawing }: Props) {
  const project = useProject();
  const edit = useProjectStore((state) => state.edit);
  const addPicture = useProjectStore((state) => state.addPicture);
  const pictures = useProjectStore((state) => state.pictures);
  const { hidden, toggleHidden } = useSurveyView();
  const broken = useBrokenPictures((state) => state.ids);
  const input = useRef<HTMLInputElement>(null);
  const replacing = useRef<Underlay | null>(null);
  const [busy, setBusy] = useState(false);
  const [share, setShare] = useState<number | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [pdf, setPdf] = useState<{ file: File; pages: PdfPages } | null>(null);
  const all = Object.values(project.underlays).filter((one) => one.levelId === levelId);
  const underlay = all.find((one) => !one.retired);
  const retired = all.filter((one) => one.retired);

  const attempt = async (work: () => Promise<void>) => {
    setBusy(true);
    setProblem(null);
    try {
      await work();
    } catch (error) {
      setProblem(sentenceOf(error));
    } finally {
      setShare(null);
      setBusy(false);
    }
  };
  const lay = (picture: PictureInfo, name: string, metresPerPixel: number | null) => {
    addPicture(picture);
    const old = replacing.current;
    replacing.current = null;
    const bounds = projectBounds(project, levelId);
    const operations = addPlanPicture({
      id: newRecordId('u'),
      levelId,
      picture,
      name,
      at: [bounds?.minX ?? 0, bounds?.minY ?? 0],
      metresPerPixel,
      replaced: old && {
        underlay: old,
        picture: pictures.find(({ id }) => id === old.pictureId) ?? picture,
      },
    });
    edit(text(old ? 'survey.replacePicture' : 'edit.addPicture'), operations);
  };
  const bringIn = (file: File) => {
    if (/\.(dxf|csv|xlsx)$/i.test(file.name)) return onDrawing(file, false);
    void attempt(async () => {
      const form = new FormData();
      form.append('picture', file);
      if (/\.pdf$/i.test(file.name) || file.type === 'application/pdf') {
        const pages = await postForm<PdfPages>(`/projects/${projectId}/sheets`, form);
        if (pages.pages.length === 1) await takePage(pages, 1, file.name);
        else setPdf({ file, pages });
        return;
      }
      const { id } = await postForm<{ id: string }>(`/projects/${projectId}/pictures/job`, form);
      const job = await jobEnd(id, ({ progress }) => setShare(progress));
      if (job) lay(job.result as unknown as PictureInfo, file.name, null);
    });
  };
  const takePage = async (pages: PdfPages, number: number, name: string) => {
    const picture = await postJson<PictureInfo>(`/projects/${projectId}/sheets/${pages.id}/${number}`, {});
    lay(picture, pages.pages.length > 1 ? `${name} · ${number}` : name, null);
  };
  const pick = (old: Underlay | null) => {
    replacing.current = old;
    input.current?.click();
  };
  const change = (title: string, after: Partial<Underlay>) => {
    const operations = underlay ? changeRecord('underlays', underlay, after) : [];
    if (operations.length > 0) edit(title, operations);
  };
  const size = underlay && pictures.find(({ id }) => id === underlay.pictureId);
  return (
    <div className={`palette ${css.underlayPanel}`} role="group" aria-label={text('plan.picture')}>
      <div className="eyebrow">{text('plan.picture')}</div>
      <input
        ref={input}
        type="file"
        accept=".png,.jpg,.jpeg,.webp,.svg,.pdf,.dxf,.csv,.xlsx,image/png,image/jpeg,image/webp,image/svg+xml,application/pdf"
        className="unseen"
        aria-label={text('plan.addPicture')}
        tabIndex={-1}
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) bringIn(file);
          event.target.value = '';
        }}
      />
      {underlay ? (
        <>
          <b className={css.fileName}>{underlay.name}</b>
          {size && broken.has(size.id) && <p className="caution">{text('survey.pictureBroken')}</p>}
          {!underlay.scaled && <p className="caution">{text('plan.scaleWait')}</p>}
          <Button
            type={underlay.scaled ? 'default' : 'primary'}
            size="small"
            block
            disabled={underlay.locked}
            onClick={() => onScale(underlay.id)}
          >
            {text(underlay.scaled ? 'survey.checkScale' : 'plan.setScale')}
          </Button>
          {size?.mediaType === 'image/svg+xml' && underlay.scaled && (
            <Button
              size="small"
              block
              loading={busy}
              onClick={() => void attempt(async () => onDrawing(await underlayDrawing(projectId, underlay, size), true))}
            >
              {text('survey.findWalls')}
            </Button>
          )}
          {size && <PictureSettings underlay={underlay} picture={size} />}
          <label className="field">
            <span>{text('plan.fade')}</span>
            <Slider
              min={0.1}
              max={1}
              step={0.05}
              defaultValue={underlay.opacity}
              ariaLabelForHandle={text('plan.fade')}
              onChangeComplete={(opacity: number) => change(text('plan.fade'), { opacity })}
            />
          </label>
          <div className={css.pictureButtons}>
            <Button
              size="small"
              disabled={underlay.locked}
              onClick={() => (underlay.crop ? change(text('survey.crop'), { crop: null }) : onCrop(underlay.id))}
            >
              {text(underlay.crop ? 'survey.uncrop' : 'survey.crop')}
            </Button>
            <Button
              size="small"
              type={underlay.locked ? 'primary' : 'default'}
              aria-pressed={underlay.locked}
              onClick={() => change(text('survey.lockPicture'), { locked: !underlay.locked })}
            >
              {text(underlay.locked ? 'survey.unlock' : 'survey.lock')}
            </Button>
            <Button size="small" loading={busy} onClick={() => pick(underlay)}>
              {text('survey.replace')}
            </Button>
            <Button
              size="small"
              danger
              disabled={underlay.locked}
              onClick={() => edit(text('plan.removePicture'), removeRecords('underlays', [underlay]))}
            >
              {text('plan.remove')}
            </Button>
          </div>
          {retired.length > 0 && (
            <Button
              size="small"
              block
              type={hidden.has('retired') ? 'default' : 'primary'}
              aria-pressed={!hidden.has('retired')}
              onClick={() => toggleHidden(['retired'])}
            >
              {text(hidden.has('retired') ? 'survey.showOld' : 'survey.hideOld')}
            </Button>
          )}
        </>
      ) : (
        <>
          <Button size="small" type="primary" loading={busy} block onClick={() => pick(null)}>
            {text('plan.addPicture')}
          </Button>
          <span className="faint">{text('plan.pictureHint')}</span>
        </>
      )}
      {share !== null && <TakingPicture share={share} />}
      {problem && (
        <p className="field-problem" role="alert">
          {problem}
        </p>
      )}
      {pdf && (
        <Modal
          open
          title={text('survey.choosePage', { name: pdf.file.name })}
          footer={null}
          width={760}
          onCancel={() => setPdf(null)}
        >
          <ul className={css.pdfPages}>
            {pdf.pages.pages.map(({ number }) => (
              <li key={number}>
                <button
                  type="button"
                  className="plain"
                  disabled={busy}
                  onClick={() =>
                    void attempt(async () => {
                      await takePage(pdf.pages, number, pdf.file.name);
                      setPdf(null);
                    })
                  }
                >
                  <img src={`/api/projects/${projectId}/sheets/${pdf.pages.id}/${number}/thumbnail`} alt="" loading="lazy" />
                  <span>{text('survey.page', { number })}</span>
                </button>
              </li>
            ))}
          </ul>
        </Modal>
      )}
    </div>
  );
}

/** How far a picture is that the server looks at and cuts into tiles. */
function TakingPicture({ share }: { readonly share: number }) {
  const percent = Math.round(100 * share);
  return (
    <div role="status">
      <Progress percent={percent} showInfo={false} size="small" aria-label={text('survey.takingPicture', { percent })} />
      <span className="faint">{text('survey.takingPicture', { percent })}</span>
    </div>
  );
}

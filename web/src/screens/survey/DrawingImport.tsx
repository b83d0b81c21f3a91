import { addDrawingPicture, addTradeMarks } from '../../commands/add-drawing.ts';
import { useProject } from '../../state/open-project.ts';
import { edited } from '@dusky-spool/core/derive';
import type { Operation, PictureInfo } from '@dusky-spool/core/model';
import { formatLength, METRES_PER, type Point2 } from '@dusky-spool/core/math';
import { drawingPlace, wallsFromProposals } from '@dusky-spool/core/survey';
import type { Proposals } from '@dusky-spool/core/house';
import { sentenceOf } from '../../ground/api/error-sentence.ts';
import { postForm } from '../../ground/api/http.ts';
import { text } from '../../ground/text.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import type { DrawingAnswer, DrawingQuestion, ShownDrawing } from '../../workers/drawing-contract.ts';
import { DrawingPreview } from './DrawingPreview.tsx';
import { guessRole, type Role, ROLES } from './layer-roles.ts';
import { newSurveyId } from './ids.ts';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Button, Checkbox, Modal, Progress, Select } from 'antd';
import { problemSentence } from '@dusky-spool/texts';

interface Props {
  readonly projectId: string;
  readonly levelId: string;
  readonly file: File;
  readonly onClose: () => void;
}

/** A DXF drawing: read with progress, its layers given meaning, walls proposed and accepted one by one. */
export function DrawingImport({ projectId, levelId, file, onClose }: Props) {
  const document = useProject();
  const { edit, addPicture } = useProjectParts('edit', 'addPicture');
  const worker = useRef<Worker | null>(null);
  const [share, setShare] = useState(0);
  const [problem, setProblem] = useState<string | null>(null);
  const [drawing, setDrawing] = useState<ShownDrawing | null>(null);
  const [roles, setRoles] = useState<Readonly<Record<string, Role>>>({});
  const [unit, setUnit] = useState<number | null>(null);
  const [proposals, setProposals] = useState<Proposals | null>(null);
  const [refused, setRefused] = useState<ReadonlySet<number>>(new Set());
  const [shown, setShown] = useState<number | null>(null);
  const [missed, setMissed] = useState(-1);
  const [busy, setBusy] = useState(false);
  const waiting = useRef<((answer: DrawingAnswer) => void) | null>(null);

  useEffect(() => {
    const running = new Worker(new URL('../../workers/drawing.worker.ts', import.meta.url), { type: 'module' });
    worker.current = running;
    running.onmessage = ({ data }: MessageEvent<DrawingAnswer>) => {
      if (data.tell === 'progress') setShare(data.share);
      else if (data.tell === 'refused') setProblem(problemSentence(data.problem));
      else if (data.tell === 'drawing') {
        setDrawing(data.drawing);
        setUnit(data.drawing.metresPerUnit);
        setRoles(Object.fromEntries(data.drawing.layers.map(({ name }) => [name, guessRole(name)])));
      } else {
        waiting.current?.(data);
        waiting.current = null;
      }
    };
    running.onerror = () => setProblem(text('drawing.failed'));
    running.postMessage({ ask: 'read', file } satisfies DrawingQuestion);
    return () => running.terminate();
  }, [file]);

  const ask = (question: DrawingQuestion) =>
    new Promise<DrawingAnswer>((answer) => {
      waiting.current = answer;
      worker.current?.postMessage(question);
    });
  const named = (...wanted: Role[]) =>
    Object.entries(roles)
      .filter(([, role]) => wanted.includes(role))
      .map(([name]) => name);
  const propose = async () => {
    if (unit === null) return;
    setBusy(true);
    const answer = await ask({ ask: 'walls', metresPerUnit: unit, walls: named('walls'), openings: named('openings') });
    setBusy(false);
    if (answer.tell === 'proposals') {
      setProposals(answer.proposals);
      setRefused(new Set());
    }
  };
  const accepted = useMemo(() => proposals?.walls.filter((_, i) => !refused.has(i)) ?? [], [proposals, refused]);

  const finish = async () => {
    if (unit === null || !drawing) return;
    setBusy(true);
    try {
      const operations: Operation[] = [];
      const corner = [drawing.origin[0] * unit, drawing.origin[1] * unit] as const;
      const place = drawingPlace(document, levelId, corner);
      const moved = ([x, y]: Point2): Point2 => [x + place[0], y + place[1]];
      const trades = named('marks');
      if (trades.length > 0) {
        const answer = await ask({ ask: 'marks', metresPerUnit: unit, layers: trades });
        if (answer.tell === 'marks')
          operations.push(...addTradeMarks(document, { levelId, marks: answer.marks, moved, newId: () => newRecordId('f') }));
      }
      const layers = named('walls', 'openings', 'furniture', 'marks', 'text', 'underlay');
      if (layers.length > 0) {
        const picture = await ask({ ask: 'picture', metresPerUnit: unit, layers });
        if (picture.tell === 'picture') {
          const form = new FormData();
          form.append('picture', new File([picture.svg], `${file.name}.svg`, { type: 'image/svg+xml' }));
          const kept = await postForm<PictureInfo>(`/projects/${projectId}/pictures`, form);
          addPicture(kept);
          operations.push(
            ...addDrawingPicture({ id: newRecordId('u'), levelId, pictureId: kept.id, name: file.name, at: place, corner }),
          );
        }
      }
      const withPicture = edited(document, operations);
      const walls =
        accepted.length > 0 && withPicture.ok
          ? wallsFromProposals(
              withPicture.value,
              levelId,
              accepted.map((wall) => ({ ...wall, a: moved(wall.a), b: moved(wall.b) })),
              newSurveyId,
            )
          : null;
      if (walls && !walls.ok) return setProblem(problemSentence(walls.problem));
      if (edit(text('drawing.title', { name: file.name }), [...operations, ...(walls?.value ?? [])])) onClose();
    } catch (error) {
      setProblem(sentenceOf(error));
    } finally {
      setBusy(false);
    }
  };
  const toggle = (i: number) => {
    const next = new Set(refused);
    if (!next.delete(i)) next.add(i);
    setRefused(next);
  };
  const { units } = document.project;
  const markCount = drawing?.layers.reduce((sum, { name, marks }) => sum + (roles[name] === 'marks' ? marks : 0), 0) ?? 0;
  return (
    <Modal
      open
      width={1120}
      className="drawing-import"
      title={text('drawing.title', { name: file.name })}
      onCancel={onClose}
      footer={
        <>
          <Button onClick={onClose}>{text('cancel')}</Button>
          {drawing && (
            <Button disabled={unit === null || named('walls').length === 0} loading={busy} onClick={() => void propose()}>
              {text(proposals ? 'drawing.proposeAgain' : 'drawing.propose')}
            </Button>
          )}
          <Button type="primary" disabled={!drawing || unit === null} loading={busy} onClick={() => void finish()}>
            {text(accepted.length > 0 ? 'drawing.make' : 'drawing.layBelow', { count: accepted.length })}
          </Button>
        </>
      }
    >
      {!drawing && !problem && (
        <div className="centre">
          <Progress percent={Math.round(share * 100)} style={{ width: 320 }} />
          <span>{text('drawing.reading')}</span>
        </div>
      )}
      {problem && (
        <p className="field-problem" role="alert">
          {problem}
        </p>
      )}
      {drawing && (
        <div className="drawing-body">
          <DrawingPreview
            drawing={drawing}
            roles={roles}
            metresPerUnit={unit ?? drawing.guessMetresPerUnit}
            proposals={proposals}
            refused={refused}
            shown={shown}
            missed={missed}
            onToggle={toggle}
          />
          <div className="drawing-side">
            <label className="field">
              <span>{text('drawing.unit')}</span>
              <Select
                value={unit}
                aria-label={text('drawing.unit')}
                placeholder={text('drawing.unitMissing')}
                status={unit === null ? 'warning' : undefined}
                options={(['mm', 'cm', 'm', 'in', 'ft'] as const).map((name) => ({
                  value: METRES_PER[name],
                  label: `${name} · ${formatLength(drawing.bounds.maxX * METRES_PER[name], units)} × ${formatLength(drawing.bounds.maxY * METRES_PER[name], units)}${drawing.metresPerUnit === null && drawing.guessMetresPerUnit === METRES_PER[name] ? ` · ${text('drawing.likely')}` : ''}`,
                }))}
                onChange={setUnit}
              />
            </label>
            {markCount > 0 && <p className="faint">{text('drawing.marksNote', { count: markCount })}</p>}
            {drawing.problems.map((one, i) => (
              <p key={i} className="caution">
                {problemSentence(one)}
              </p>
            ))}
            {!proposals ? (
              <table className="layer-table">
                <thead>
                  <tr>
                    <th>{text('drawing.layer')}</th>
                    <th>{text('drawing.lines')}</th>
                    <th>{text('drawing.means')}</th>
                  </tr>
                </thead>
                <tbody>
                  {drawing.layers.map(({ name, lines }) => (
                    <tr key={name}>
                      <th scope="row">{name}</th>
                      <td>{(lines.length / 4).toLocaleString('en')}</td>
                      <td>
                        <Select
                          size="small"
                          value={roles[name]}
                          aria-label={text('drawing.meansOf', { name })}
                          options={ROLES.map((value) => ({ value, label: text(`drawing.roles.${value}`) }))}
                          onChange={(role) => setRoles({ ...roles, [name]: role })}
                          popupMatchSelectWidth={false}
                        />
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            ) : (
              <>
                <p>
                  <b>
                    {text('drawing.found', {
                      walls: proposals.walls.length,
                      openings: proposals.walls.reduce((sum, wall) => sum + wall.openings.length, 0),
                    })}
                  </b>{' '}
                  {proposals.singleLines && text('drawing.single')}
                </p>
                {proposals.unclaimed.length > 0 && (
                  <Button size="small" onClick={() => setMissed((missed + 1) % proposals.unclaimed.length)}>
                    {text('drawing.missed', { count: proposals.unclaimed.length })}
                  </Button>
                )}
                <div className="panel-buttons">
                  <Button size="small" onClick={() => setRefused(new Set())}>
                    {text('drawing.all')}
                  </Button>
                  <Button size="small" onClick={() => setRefused(new Set(proposals.walls.map((_, i) => i)))}>
                    {text('drawing.noneOf')}
                  </Button>
                  <Button size="small" onClick={() => setProposals(null)}>
                    {text('drawing.layers')}
                  </Button>
                </div>
                <ul className="proposal-list">
                  {proposals.walls.map((wall, i) => (
                    <li key={i} onMouseEnter={() => setShown(i)} onMouseLeave={() => setShown(null)}>
                      <Checkbox checked={!refused.has(i)} onChange={() => toggle(i)}>
                        {text('drawing.wall', {
                          length: formatLength(Math.hypot(wall.a[0] - wall.b[0], wall.a[1] - wall.b[1]), units),
                          thickness: formatLength(wall.thicknessM, units),
                        })}
                        {wall.openings.length > 0 && ` · ${text('drawing.openings', { count: wall.openings.length })}`}
                        {wall.certainty < 0.8 && <em> {text('drawing.unsure')}</em>}
                      </Checkbox>
                    </li>
                  ))}
                </ul>
              </>
            )}
          </div>
        </div>
      )}
    </Modal>
  );
}

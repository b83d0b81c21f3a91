import { type DimensionCheck, dimensionCheck, type Proposals } from '@dusky-spool/core/house';
import { formatLength, METRES_PER, type UnitSystem } from '@dusky-spool/core/math';
import { type AcceptedRevision, USUAL_RATIOS } from '@dusky-spool/core/survey';
import { problemSentence } from '@dusky-spool/texts';
import { Button, Modal, Progress, Select } from 'antd';
import { useMemo, useState } from 'react';
import { sentenceOf } from '../../ground/api/error-sentence.ts';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { useProjectParts } from '../../state/project.ts';
import type { ShownDrawing } from '../../workers/drawing-jobs.ts';
import { JobCancelled } from '../../workers/jobs.ts';
import { DrawingLayers } from './DrawingLayers.tsx';
import { DrawingPreview } from './DrawingPreview.tsx';
import { DrawingProposals } from './DrawingProposals.tsx';
import { DrawingRevision } from './DrawingRevision.tsx';
import { LengthField } from '../../ui/LengthField.tsx';
import { guessRoles, type Role } from './layer-roles.ts';
import { RatioField } from './RatioField.tsx';
import { useDrawing } from './useDrawing.ts';
import { useDrawingImport } from './useDrawingImport.ts';
import { useRevision } from './useRevision.ts';
import css from './survey.module.css';

interface Props {
  readonly projectId: string;
  readonly levelId: string;
  readonly file: File;
  /** Whether it is the plan that lies below the level already, in coordinates of the plan. */
  readonly isOnPlan?: boolean;
  readonly onClose: () => void;
}

/** A DXF drawing: read with progress, its layers given meaning, walls proposed and accepted one by one. */
export function DrawingImport({ projectId, levelId, file, isOnPlan = false, onClose }: Props) {
  const { units } = useProject().project;
  const { edit } = useProjectParts('edit');
  const [failure, setFailure] = useState<string | null>(null);
  const [roles, setRoles] = useState<Readonly<Record<string, Role>>>({});
  const [unit, setUnit] = useState<number | null>(null);
  const [proposals, setProposals] = useState<Proposals | null>(null);
  const [refused, setRefused] = useState<ReadonlySet<number>>(new Set());
  const [pointed, setPointed] = useState<number | null>(null);
  const [missed, setMissed] = useState(-1);
  const [busy, setBusy] = useState(false);
  const [found, setFound] = useState<number | null>(null);
  const {
    share,
    drawing,
    problem: notRead,
    jobs,
  } = useDrawing(file, (read) => {
    setUnit(read.metresPerUnit);
    setRoles(guessRoles(read.layers));
  });
  const importDrawing = useDrawingImport(jobs);
  const [isAllNew, setAllNew] = useState(false);
  const [pointedPiece, setPointedPiece] = useState<string | null>(null);
  const corner = drawing && unit !== null ? ([drawing.origin[0] * unit, drawing.origin[1] * unit] as const) : null;
  const revision = useRevision({ levelId, proposals: isAllNew ? null : proposals, cornerM: corner, isOnPlan });

  const named = (...wanted: Role[]) =>
    Object.entries(roles)
      .filter(([, role]) => wanted.includes(role))
      .map(([name]) => name);
  const accepted = useMemo(() => proposals?.walls.filter((_, i) => !refused.has(i)) ?? [], [proposals, refused]);
  /** Does what takes a while; a failure is shown and everything stays as it was. */
  const whileBusy = async (work: () => Promise<void>) => {
    setBusy(true);
    setFailure(null);
    try {
      await work();
    } catch (error) {
      if (!(error instanceof JobCancelled)) setFailure(sentenceOf(error));
    } finally {
      setBusy(false);
    }
  };
  const propose = (metresPerUnit: number) =>
    whileBusy(async () => {
      const layers = { walls: named('walls'), openings: named('openings') };
      setProposals(await jobs().run('proposeWalls', { metresPerUnit, ...layers }, { report: setFound }));
      setFound(null);
      setRefused(new Set());
    });
  const finish = (metresPerUnit: number, opened: ShownDrawing) =>
    whileBusy(async () => {
      const operations = await importDrawing({
        projectId,
        levelId,
        fileName: file.name,
        drawing: opened,
        metresPerUnit,
        named,
        accepted: revision ? [] : accepted,
        place: revision?.place ?? (isOnPlan ? corner : null),
        isOnPlan,
      });
      if (operations.ok && revision) takeRevision(revision.take(operations.value));
      else if (!operations.ok) setFailure(problemSentence(operations.problem));
      else if (edit(text('drawing.title', { name: file.name }), operations)) onClose();
    });
  const takeRevision = ({ operations, refused: left }: AcceptedRevision) => {
    if (operations.length === 0 || edit(text('revision.title', { name: file.name }), operations)) {
      if (left.length === 0) return onClose();
      // What was taken is part of the plan now: the dialog shows what is left.
      setFailure(text('revision.notTaken', { reasons: left.map(({ problem: one }) => problemSentence(one)).join(' ') }));
    }
  };
  const toggle = (i: number) => {
    const next = new Set(refused);
    if (!next.delete(i)) next.add(i);
    setRefused(next);
  };
  const problem = notRead ?? failure;
  const isReady = drawing !== null && unit !== null;
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
            <Button
              disabled={!isReady || named('walls').length === 0}
              loading={busy}
              onClick={() => unit !== null && void propose(unit)}
            >
              {text(proposals ? 'drawing.proposeAgain' : 'drawing.propose')}
            </Button>
          )}
          <Button type="primary" disabled={!isReady} loading={busy} onClick={() => isReady && void finish(unit, drawing)}>
            {text(
              revision && revision.takenCount > 0
                ? 'revision.take'
                : !revision && accepted.length > 0
                  ? 'drawing.make'
                  : 'drawing.layBelow',
              {
                count: revision ? revision.takenCount : accepted.length,
              },
            )}
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
        <div className={css.drawingBody}>
          <DrawingPreview
            drawing={drawing}
            roles={roles}
            metresPerUnit={unit ?? drawing.guess.metresPerUnit}
            proposals={proposals}
            refused={refused}
            shown={pointed}
            missed={missed}
            onToggle={toggle}
            revision={revision}
            pointedPiece={pointedPiece}
          />
          <div className={css.drawingSide}>
            <DrawingUnit drawing={drawing} units={units} unit={unit} onUnit={setUnit} />
            {found !== null && <Progress percent={Math.round(100 * found)} size="small" aria-label={text('drawing.searching')} />}
            <DrawingNotes drawing={drawing} roles={roles} />
            {proposals && revision ? (
              <DrawingRevision
                revision={revision}
                onPoint={setPointedPiece}
                onLayers={() => setProposals(null)}
                onAsNew={() => setAllNew(true)}
              />
            ) : proposals ? (
              <DrawingProposals
                proposals={proposals}
                units={units}
                refused={refused}
                onRefused={setRefused}
                onToggle={toggle}
                onPoint={setPointed}
                onLayers={() => setProposals(null)}
                onNextMissed={() => setMissed((missed + 1) % proposals.unclaimed.length)}
              />
            ) : (
              <DrawingLayers layers={drawing.layers} roles={roles} onRoles={setRoles} />
            )}
          </div>
        </div>
      )}
    </Modal>
  );
}

/** A unit that is none of the usual ones. */
const OTHER = -1;

/** What one unit of the drawing is; each choice shows how large the drawing would be. */
function DrawingUnit({
  drawing: { bounds, metresPerUnit, guess, dimensions },
  units,
  unit,
  onUnit,
}: {
  readonly drawing: ShownDrawing;
  readonly units: UnitSystem;
  readonly unit: number | null;
  readonly onUnit: (metresPerUnit: number) => void;
}) {
  const [isOdd, setOther] = useState(false);
  const [ratio, setRatio] = useState(1);
  const options = (['mm', 'cm', 'm', 'in', 'ft'] as const).map((name) => {
    const value = METRES_PER[name];
    const [width, depth] = [bounds.maxX, bounds.maxY].map((side) => formatLength(side * value * ratio, units));
    const size = `${width} × ${depth}`;
    const isLikely = metresPerUnit === null && guess.evidence.length > 0 && guess.metresPerUnit === value;
    const likely = isLikely ? ` · ${text('drawing.likely')}` : '';
    return { value, label: `${name} · ${size}${likely}` };
  });
  /** The unit on the sheet: what a unit of the drawing is, before it is as much larger as its scale says. */
  const sheetUnit = unit === null ? null : unit / ratio;
  const isUsual = (value: number) => sheetUnit !== null && Math.abs(sheetUnit / value - 1) < 1e-9;
  const usual = options.find(({ value }) => isUsual(value))?.value ?? null;
  const isOther = isOdd || (unit !== null && usual === null);
  return (
    <>
      <div className={css.drawingScale}>
        <label className="field">
          <span>{text('drawing.unit')}</span>
          <Select
            value={isOther ? OTHER : usual}
            aria-label={text('drawing.unit')}
            placeholder={text('drawing.unitMissing')}
            status={unit === null ? 'warning' : undefined}
            options={[...options, { value: OTHER, label: text('drawing.unitOther') }]}
            onChange={(value) => {
              setOther(value === OTHER);
              if (value !== OTHER && value !== null) onUnit(value * ratio);
            }}
          />
        </label>
        <RatioField
          label={text('drawing.drawnAt')}
          shown={`1:${Number(ratio.toPrecision(6))}`}
          ratios={[1, ...USUAL_RATIOS[units]]}
          onRatio={(next) => {
            setRatio(next);
            if (sheetUnit !== null) onUnit(sheetUnit * next);
          }}
        />
      </div>
      {isOther && (
        <label className="field">
          <span>{text('drawing.unitMeasures')}</span>
          <LengthField
            label={text('drawing.unitMeasures')}
            valueM={unit}
            units={units}
            minM={1e-6}
            maxM={1e5}
            onChange={(m) => m && onUnit(m)}
          />
        </label>
      )}
      {unit !== null && <DimensionsAgree check={dimensionCheck(dimensions, unit)} units={units} unit={unit} onUnit={onUnit} />}
      {metresPerUnit === null && guess.evidence.length > 0 && (
        <p className="faint">
          {text('drawing.evidence', {
            unit: options.find(({ value }) => value === guess.metresPerUnit)?.label.split(' ')[0] ?? '',
            reasons: guess.evidence
              .map(({ kind, metres }) => text(`drawing.evidenceOf.${kind}`, { length: formatLength(metres, units) }))
              .join(', '),
          })}
        </p>
      )}
    </>
  );
}

/** The lengths that the drawing itself says, held to the unit that was chosen, as a second measurement. */
function DimensionsAgree({
  check,
  units,
  unit,
  onUnit,
}: {
  readonly check: DimensionCheck | null;
  readonly units: UnitSystem;
  readonly unit: number;
  readonly onUnit: (metresPerUnit: number) => void;
}) {
  if (!check) return null;
  const { count, agreeing, farthest, saidMetresPerUnit: said } = check;
  const isFine = agreeing === count;
  return (
    <div className={isFine ? 'finding fine' : 'finding look'} role="status">
      <p>
        {isFine
          ? text('drawing.dimensionsAgree', { count })
          : text('drawing.dimensionsDiffer', {
              count,
              agreeing,
              said: farthest.text,
              measured: formatLength(farthest.measuredM, units),
            })}
      </p>
      {said !== null && Math.abs(said / unit - 1) > SAME_SCALE && (
        <Button size="small" onClick={() => onUnit(said)}>
          {text('drawing.byDimensions', {
            length: `${said >= 0.01 ? Number(said.toPrecision(6)) + ' m' : Number((1000 * said).toPrecision(6)) + ' mm'}`,
          })}
        </Button>
      )}
    </div>
  );
}
/** By less than this two scales are one. */
const SAME_SCALE = 0.002;

/** What is to be known of the drawing: marks of trades, and what could not be read. */
function DrawingNotes({
  drawing: { layers, problems, ignored },
  roles,
}: {
  readonly drawing: ShownDrawing;
  readonly roles: Readonly<Record<string, Role>>;
}) {
  const count = layers.reduce((sum, { name, marks }) => sum + (roles[name] === 'marks' ? marks : 0), 0);
  return (
    <>
      {count > 0 && <p className="faint">{text('drawing.marksNote', { count })}</p>}
      {Object.keys(ignored).length > 0 && (
        <p className="faint">
          {text('drawing.leftOut', {
            kinds: Object.entries(ignored)
              .map(([kind, number]) => `${number} ${kind}`)
              .join(', '),
          })}
        </p>
      )}
      {problems.map((one, i) => (
        <p key={i} className="caution">
          {problemSentence(one)}
        </p>
      ))}
    </>
  );
}

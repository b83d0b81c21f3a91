import { onLevel } from '@dusky-spool/core/derive';
import { projectBounds } from '@dusky-spool/core/house';
import type { GroupKind } from '@dusky-spool/core/model';
import { Button } from 'antd';
import { useMemo } from 'react';
import { CursorPlace } from '../../canvas/PlanCursor.tsx';
import type { Tool } from '../../canvas/tools/plan-tool.ts';
import type { CameraControl } from '../../canvas/useCamera.ts';
import { ZoomButtons } from '../../canvas/ZoomButtons.tsx';
import { term, text } from '../../ground/text.ts';
import { useByHand } from '../../state/by-hand.ts';
import { useProject } from '../../state/open-project.ts';
import { useSettings } from '../../state/settings.ts';
import { SmallButton } from '../../ui/SmallButton.tsx';
import { SYSTEM_STYLE } from '../../ui/systems.ts';
import { systemsOnLevel, zoneKindsOf } from './on-level.ts';
import css from './plan.module.css';

interface Props {
  readonly levelId: string;
  readonly tool: Tool;
  readonly control: CameraControl;
  readonly leftPx: number;
  readonly hasSelection: boolean;
}

/** What lies over the plan: zoom and layers, the hint of the tool, the legend of systems, and how to begin where nothing is drawn. */
export function SheetTools({ levelId, tool, control, leftPx, hasSelection }: Props) {
  return (
    <>
      <SheetButtons levelId={levelId} control={control} leftPx={leftPx} />
      <ToolHint tool={tool} />
      <CursorPlace levelId={levelId} />
      {tool.kind === 'select' && <EmptyLevel levelId={levelId} />}
      <Legend levelId={levelId} hasSelection={hasSelection} />
    </>
  );
}

function SheetButtons({ levelId, control, leftPx }: Pick<Props, 'levelId' | 'control' | 'leftPx'>) {
  const project = useProject();
  const settings = useSettings();
  const zoneKinds = useMemo(() => zoneKindsOf(project), [project]);
  return (
    <div className="zoom-buttons">
      {zoneKinds.length > 0 && (
        <select
          className="small-button zone-choice"
          value={settings.zones ?? ''}
          aria-label={text('plan.zones')}
          onChange={(event) => settings.set({ zones: (event.target.value || null) as GroupKind | null })}
        >
          <option value="">{text('plan.noZones')}</option>
          {zoneKinds.map((kind) => (
            <option key={kind} value={kind}>
              {text('plan.zonesOf', { kind: term(`groupKinds.${kind}`) })}
            </option>
          ))}
        </select>
      )}
      <SmallButton aria-pressed={settings.findings} onClick={() => settings.set({ findings: !settings.findings })}>
        {text('plan.findings')}
      </SmallButton>
      <ZoomButtons control={control} onFit={() => control.fit(projectBounds(project, levelId), leftPx)} />
    </div>
  );
}

/** What a click does next. */
function ToolHint({ tool }: Pick<Props, 'tool'>) {
  const isEditingRoute = useByHand(({ runId }) => runId !== null);
  const hint = isEditingRoute ? text('way.byHandHint') : hintOf(tool);
  return (
    hint && (
      <div className="sheet-hint" role="status">
        {hint}
      </div>
    )
  );
}

function hintOf(tool: Tool): string | null {
  if (tool.kind === 'select') return null;
  if (tool.kind === 'copies')
    return text(tool.isRoom ? 'plan.placingRoomCopies' : 'plan.placingCopies', { count: tool.clip.devices.length });
  if (tool.kind === 'template') return text('plan.placingTemplate', { name: tool.template.name });
  if (tool.kind === 'rack' || tool.kind === 'riser')
    return text(tool.kind === 'rack' ? 'plan.placingShaft' : 'hints.riser', { name: text(`survey.${tool.kind}`).toLowerCase() });
  return text(tool.field ? 'plan.placingField' : 'plan.placing', { name: tool.type.name.toLowerCase() });
}

function EmptyLevel({ levelId }: Pick<Props, 'levelId'>) {
  const project = useProject();
  const isEmpty =
    !Object.values(project.underlays).some((underlay) => underlay.levelId === levelId) &&
    onLevel(project, 'rooms', levelId).length === 0 &&
    onLevel(project, 'devices', levelId).length === 0;
  if (!isEmpty) return null;
  return (
    <div className="sheet-empty">
      <b>{text('plan.empty')}</b>
      <span>{text('plan.emptySurvey')}</span>
      <Button href={`../survey?level=${levelId}`}>{text('plan.toSurvey')}</Button>
    </div>
  );
}

function Legend({ levelId, hasSelection }: Pick<Props, 'levelId' | 'hasSelection'>) {
  const project = useProject();
  const systems = useMemo(() => systemsOnLevel(project, levelId), [project, levelId]);
  return (
    <div className={css.legend} aria-hidden="true">
      {systems.map((system) => (
        <span key={system}>
          <svg width={30} height={6}>
            <path d="M0 3H30" stroke={SYSTEM_STYLE[system].colour} strokeWidth={2} strokeDasharray={SYSTEM_STYLE[system].dash} />
          </svg>
          {term(`systems.${system}`)}
        </span>
      ))}
      {hasSelection && (
        <span>
          <svg width={12} height={12} viewBox="-7 -7 14 14">
            <path className="hole" d="M0-6 6 0 0 6-6 0Z" />
          </svg>
          {text('plan.hole')}
        </span>
      )}
    </div>
  );
}

import { tapePlace } from '@dusky-spool/core/devices';
import { buildingOf, roomAt } from '@dusky-spool/core/house';
import { placeText } from '@dusky-spool/core/sheets';
import { placeWords } from '@dusky-spool/texts';
import { useProject } from '../state/open-project.ts';
import { usePlanCursor } from '../state/plan-cursor.ts';
import css from './canvas.module.css';

/** The cursor that keys move over the plan. */
export function PlanCursor() {
  const at = usePlanCursor((state) => state.at);
  if (!at) return null;
  return (
    <g className={css.planCursor} transform={`translate(${at[0]},${at[1]})`} aria-hidden="true">
      <g className="upright">
        <path d="M-16 0H-5M5 0H16M0-16V-5M0 5V16" />
        <circle r={9} />
      </g>
    </g>
  );
}

/** Where that cursor is, as a tape finds it: shown, and spoken as it moves. */
export function CursorPlace({ levelId }: { readonly levelId: string }) {
  const project = useProject();
  const at = usePlanCursor((state) => state.at);
  const room = at && roomAt(buildingOf(project), levelId, at);
  return (
    <div className={css.cursorPlace} aria-live="polite">
      {at && placeText(project, tapePlace(project, { levelId, roomId: room?.id ?? null, wallId: null, at }), placeWords)}
    </div>
  );
}

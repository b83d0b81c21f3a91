import { coverRoom } from '@dusky-spool/core/devices';
import { buildingOf, roomAt } from '@dusky-spool/core/house';
import type { Point2 } from '@dusky-spool/core/math';
import type { DeviceType } from '@dusky-spool/core/model';
import { useProject } from '../state/open-project.ts';
import { BeadShape } from '../ui/Bead.tsx';
import { guidedPlace, type Tool } from './tools/plan-tool.ts';
import css from './canvas.module.css';

interface Props {
  readonly tool: Tool;
  readonly levelId: string;
  readonly at: Point2;
  readonly isFree: boolean;
  readonly guideM: number;
}

/** What the tool would place where the pointer is. */
export function PlanDraft({ tool, levelId, at, isFree, guideM }: Props) {
  const project = useProject();
  if (tool.kind === 'select') return null;
  if (tool.kind === 'place' && !tool.field) {
    const guided = guidedPlace(project, tool.type, { levelId, at, isFree, guideM });
    return (
      <>
        {guided.guides.map(({ axis, kind, a, b }) => (
          <path key={axis} className={`guide ${kind}`} d={`M${a[0]} ${a[1]}L${b[0]} ${b[1]}`} />
        ))}
        <Ghost type={tool.type} at={guided.at} />
      </>
    );
  }
  const room = roomAt(buildingOf(project), levelId, at);
  if (!room) return null;
  if (tool.kind === 'template')
    return <path className={css.templateRoom} d={`M${room.polygon.map((p) => p.join(' ')).join('L')}Z`} />;
  const { type, field } = tool;
  const covered = coverRoom(project, room.id, type.id, field!.overlap, field!.ear);
  if (!covered.ok) return null;
  const radiusM = covered.value.discM / 2;
  return covered.value.at.map((place) => <Ghost key={place.join()} type={type} at={place} radiusM={radiusM} />);
}

function Ghost({ type, at, radiusM }: { readonly type: DeviceType; readonly at: Point2; readonly radiusM?: number }) {
  return (
    <g transform={`translate(${at[0]},${at[1]})`} className="ghost">
      {radiusM !== undefined && <circle className="coverage" r={radiusM} />}
      <g className="upright">
        <BeadShape code={type.code} system={type.system} facingRad={null} />
      </g>
    </g>
  );
}

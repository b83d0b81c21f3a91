import { copyPlaces, coverRoom, rackPlace, snapDevice } from '@dusky-spool/core/devices';
import { buildingOf, roomAt } from '@dusky-spool/core/house';
import { formatLengthFine, type Point2 } from '@dusky-spool/core/math';
import type { DeviceType } from '@dusky-spool/core/model';
import { text } from '../ground/text.ts';
import { findingSentence } from '@dusky-spool/texts';
import { useProject } from '../state/open-project.ts';
import { BeadShape } from '../ui/Bead.tsx';
import { RackGhost } from './RackGhost.tsx';
import { copiesGoTo, type DevicePlace, guidedPlace, type Tool } from './tools/plan-tool.ts';
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
        {guided.reason && <Reason place={guided} type={tool.type} />}
      </>
    );
  }
  if (tool.kind === 'copies') {
    const to = copiesGoTo(project, tool, { levelId, at, isFree, guideM });
    if (!to) return null;
    const building = buildingOf(project);
    return copyPlaces(project, tool.clip, to).map((place, index) => {
      const { id, typeId } = tool.clip.devices[index];
      const type = project.deviceTypes[typeId];
      const { x, y } = snapDevice(building, levelId, type, place);
      return <Ghost key={id} type={type} at={[x, y]} />;
    });
  }
  if (tool.kind === 'rack') return <RackGhost place={rackPlace(project, levelId, at)} />;
  if (tool.kind === 'riser') return <circle className="coverage" cx={at[0]} cy={at[1]} r={0.15} />;
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

const REASON_PX = [260, 120] as const;

/** Why a device does not go where the pointer is, and how far aside it goes instead. */
function Reason({ place: { at, reason, movedM }, type }: { readonly place: DevicePlace; readonly type: DeviceType }) {
  const { units } = useProject().project;
  const figures = { device: type.name, number: type.code, ...reason!.figures };
  return (
    <g transform={`translate(${at[0]},${at[1]})`}>
      <g className="upright">
        <foreignObject x={16} y={12} width={REASON_PX[0]} height={REASON_PX[1]}>
          <p className={`${css.draftReason} ${movedM > 0 ? 'fine' : reason!.rank}`} role="status">
            {movedM > 0 && <b>{text('plan.movedAside', { by: formatLengthFine(movedM, units) })} </b>}
            {findingSentence({ code: reason!.code, figures }, units)}
          </p>
        </foreignObject>
      </g>
    </g>
  );
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

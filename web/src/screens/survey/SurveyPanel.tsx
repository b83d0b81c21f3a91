import { useProject } from '../../state/open-project.ts';
import { text } from '../../ground/text.ts';
import { ceilingView, wallView } from '../../state/views.ts';
import { noSelection, type Selection } from '../../state/selection-kinds.ts';
import { FeaturePanel } from './FeaturePanel.tsx';
import { LevelPanel } from './LevelPanel.tsx';
import { RoomsPanel } from './RoomsPanel.tsx';
import { RoomPanel } from './RoomPanel.tsx';
import { OpeningPanel, RackPanel, RiserPanel } from './ThingPanels.tsx';
import { WallPanel } from './WallPanel.tsx';

/** The panel of what is selected; the level's own where nothing is. */
export function SurveyPanel({
  selection,
  levelId,
  onView,
  onLevel,
  onSelect,
}: {
  readonly selection: Selection;
  readonly levelId: string;
  readonly onView: (view: string) => void;
  readonly onLevel: (id: string) => void;
  readonly onSelect: (selection: Selection) => void;
}) {
  const project = useProject();
  const [id] = selection.ids;
  const key = selection.ids.join();
  switch (selection.kind) {
    case 'wall':
      return (
        <WallPanel
          key={key}
          walls={selection.ids.map((wallId) => project.walls[wallId])}
          onElevation={(wallId) => onView(wallView(wallId, 'right'))}
        />
      );
    case 'room':
      return selection.ids.length > 1 ? (
        <RoomsPanel key={key} rooms={selection.ids.map((roomId) => project.rooms[roomId])} />
      ) : (
        <RoomPanel
          key={key}
          room={project.rooms[id]}
          onCeiling={(roomId) => onView(ceilingView(roomId))}
          onRemoved={() => onSelect(noSelection)}
        />
      );
    case 'opening':
      return <OpeningPanel key={key} opening={project.openings[id]} />;
    case 'feature':
      return selection.ids.length === 1 ? (
        <FeaturePanel key={key} feature={project.features[id]} />
      ) : (
        <h2>{text('plan.selectedCount', { count: selection.ids.length })}</h2>
      );
    case 'rack':
      return <RackPanel key={key} rack={project.racks[id]} />;
    case 'riser':
      return <RiserPanel key={key} riser={project.risers[id]} />;
    case 'dimension':
    case 'reference':
      return <h2>{selection.kind === 'reference' ? project.referencePoints[id].name : text('survey.dimension')}</h2>;
    default:
      return <LevelPanel key={levelId} levelId={levelId} onLevel={onLevel} />;
  }
}

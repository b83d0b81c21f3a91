import { Button } from 'antd';
import { useNavigate } from 'react-router';
import { text } from '../ground/text.ts';
import { useProjectStore } from '../state/project.ts';

/** Goes to the plan with the rack in hand: where something needs a rack and there is none. */
export function PlaceRackLink() {
  const navigate = useNavigate();
  const projectId = useProjectStore((state) => state.projectId);
  return (
    <Button size="small" type="primary" onClick={() => void navigate(`/p/${projectId ?? ''}/devices?place=rack`)}>
      {text('plan.placeRack')}
    </Button>
  );
}

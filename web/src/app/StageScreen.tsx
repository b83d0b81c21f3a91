import type { Stage } from '../state/progress.ts';
import { HandoverStage } from '../screens/stages/HandoverStage.tsx';
import { HeadEndScreen } from '../screens/head-end/HeadEndScreen.tsx';
import { InspectScreen } from '../screens/inspection/InspectScreen.tsx';
import { OrderScreen } from '../screens/order/OrderScreen.tsx';
import { PreWireScreen } from '../screens/field/PreWireScreen.tsx';
import { TrimOutStage } from '../screens/stages/TrimOutStage.tsx';

interface Props {
  readonly projectId: string;
  readonly stage: Stage;
}

/** The stages that are lists and forms rather than the plan. */
export function StageScreen({ projectId, stage }: Props) {
  switch (stage) {
    case 'head-end':
      return <HeadEndScreen projectId={projectId} />;
    case 'order':
      return <OrderScreen />;
    case 'pre-wire':
      return <PreWireScreen />;
    case 'inspect':
      return <InspectScreen projectId={projectId} />;
    case 'trim-out':
      return <TrimOutStage />;
    default:
      return <HandoverStage projectId={projectId} />;
  }
}

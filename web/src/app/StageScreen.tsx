import type { ProjectDocument } from '@dusky-spool/core/model';
import type { Stage } from '../state/progress.ts';
import { HandoverStage } from '../screens/stages/HandoverStage.tsx';
import { HeadEndStage } from '../screens/stages/HeadEndStage.tsx';
import { ChecksScreen } from '../screens/checks/ChecksScreen.tsx';
import { OrderStage } from '../screens/stages/OrderStage.tsx';
import { PreWireStage } from '../screens/stages/PreWireStage.tsx';
import { TrimOutStage } from '../screens/stages/TrimOutStage.tsx';

interface Props {
  readonly projectId: string;
  readonly document: ProjectDocument;
  readonly stage: Stage;
}

/** The stages that are lists and forms rather than the plan. */
export function StageScreen({ projectId, document, stage }: Props) {
  switch (stage) {
    case 'head-end':
      return <HeadEndStage projectId={projectId} document={document} />;
    case 'order':
      return <OrderStage document={document} />;
    case 'pre-wire':
      return <PreWireStage document={document} />;
    case 'inspect':
      return <ChecksScreen projectId={projectId} document={document} />;
    case 'trim-out':
      return <TrimOutStage document={document} />;
    default:
      return <HandoverStage projectId={projectId} document={document} />;
  }
}

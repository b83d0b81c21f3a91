import { term, text } from '../../ground/text.ts';
import type { SurveyTool } from '../../canvas/tools/survey-tool.ts';

/** What the pointer waits for, in words; null where it only selects. */
export function hintFor(tool: SurveyTool): string | null {
  switch (tool.kind) {
    case 'select':
      return null;
    case 'walls':
      return text(tool.draw.chain.length === 0 ? 'hints.wallsFirst' : tool.draw.angleLock ? 'hints.wallsLocked' : 'hints.walls');
    case 'feature':
      return text(`hints.${tool.make.shape}`, { name: term(`features.${tool.make.kind}`).toLowerCase() });
    case 'scale':
      return text(tool.points.length === 0 ? 'plan.scaleFirst' : 'plan.scaleSecond');
    default:
      return text(`hints.${tool.kind}`);
  }
}

import { term, text } from '../../ground/text.ts';
import type { DrawWalls } from '../../canvas/tools/draw-walls.ts';
import type { SurveyTool } from '../../canvas/tools/survey-tool.ts';

/** What the pointer and Enter do next, in words; null where the tool only selects. */
export function hintFor(tool: SurveyTool): string | null {
  switch (tool.kind) {
    case 'select':
      return null;
    case 'walls':
      return wallsHint(tool.draw);
    case 'opening':
      return text(tool.typed === '' ? 'hints.opening' : 'hints.openingTyped');
    case 'measure':
      return text(tool.typed === '' ? 'hints.measure' : 'hints.wallsTyped');
    case 'feature':
      if (tool.typed !== '') return text('hints.wallsTyped');
      return text(`hints.${tool.make.shape}`, { name: term(`features.${tool.make.kind}`).toLowerCase() });
    case 'scale':
      return text(tool.points.length === 0 ? 'plan.scaleFirst' : 'plan.scaleSecond');
    default:
      return text(`hints.${tool.kind}`);
  }
}

function wallsHint({ chain, typed, angleLock }: DrawWalls): string {
  if (typed !== '') return text(chain.length === 0 ? 'hints.wallsStartTyped' : 'hints.wallsTyped');
  if (chain.length === 0) return text('hints.wallsFirst');
  const angles = text(angleLock ? 'hints.anglesLocked' : 'hints.anglesFree');
  return `${text(chain.length === 1 ? 'hints.wallsSecond' : chain.length === 2 ? 'hints.walls' : 'hints.wallsClose')} ${angles}`;
}

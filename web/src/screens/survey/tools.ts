import type { Point2 } from '@dusky-spool/core/math';
import type { FeatureMake } from '@dusky-spool/core/house';
import type { WallBuild } from '@dusky-spool/core/survey';
import type { Opening } from '@dusky-spool/core/model';
import { type DrawWalls, startWalls } from '../../canvas/tools/draw-walls.ts';

/** What the pointer does on the survey sheet. */
export type SurveyTool =
  | { readonly kind: 'select' }
  | { readonly kind: 'walls'; readonly make: WallBuild; readonly draw: DrawWalls }
  | { readonly kind: 'opening'; readonly opening: Opening['kind'] }
  | { readonly kind: 'feature'; readonly make: FeatureMake; readonly points: readonly Point2[] }
  | { readonly kind: 'rack' }
  | { readonly kind: 'riser' }
  | { readonly kind: 'measure'; readonly first: Point2 | null }
  | { readonly kind: 'scale'; readonly underlayId: string; readonly points: readonly Point2[] }
  | { readonly kind: 'crop'; readonly underlayId: string; readonly first: Point2 | null }
  | { readonly kind: 'reference' };

export const SELECT: SurveyTool = { kind: 'select' };
export const wallsTool = (make: WallBuild): SurveyTool => ({ kind: 'walls', make, draw: startWalls });

/** Usual sizes of openings with which placing begins, m. */
export const OPENING_SIZES: Readonly<Record<Opening['kind'], Pick<Opening, 'widthM' | 'sillM' | 'headM'>>> = {
  door: { widthM: 0.9, sillM: 0, headM: 2.04 },
  window: { widthM: 1.2, sillM: 0.9, headM: 2.1 },
  arch: { widthM: 1.2, sillM: 0, headM: 2.1 },
};

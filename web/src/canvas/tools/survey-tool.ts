import { buildingOf, type FeatureMake, nearestWall } from '@dusky-spool/core/house';
import { distance2, type Outcome, parseLength, type Point2, tidyM } from '@dusky-spool/core/math';
import { newOpening, type Opening, type Operation, type ProjectDocument } from '@dusky-spool/core/model';
import { drawWalls, type NewId, placeOpening, type WallBuild } from '@dusky-spool/core/survey';
import { addDimension } from '../../commands/add-dimension.ts';
import { placeFeature } from '../../commands/place-feature.ts';
import { freeRackCode, placeRack } from '../../commands/place-rack.ts';
import { placeRiser } from '../../commands/place-riser.ts';
import { term, text } from '../../ground/text.ts';
import type { Selection } from '../../state/selection-kinds.ts';
import {
  backCorner,
  type DrawStep,
  type DrawWalls,
  endChain,
  leaveWalls,
  setCorner,
  startWalls,
  typedCorner,
  typeWalls,
} from './draw-walls.ts';

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
const OPENING_SIZES: Readonly<Record<Opening['kind'], Pick<Opening, 'widthM' | 'sillM' | 'headM'>>> = {
  door: { widthM: 0.9, sillM: 0, headM: 2.04 },
  window: { widthM: 1.2, sillM: 0.9, headM: 2.1 },
  arch: { widthM: 1.2, sillM: 0, headM: 2.1 },
};
/** An opening goes into a wall this near, m. */
const OPENING_REACH_M = 0.6;
/** An area closes on its first point within this, m. */
const CLOSE_M = 0.02;
/** Points nearer than this are one, m. */
const SAME_POINT_M = 0.005;

/** The project under a tool. */
export interface ToolContext {
  readonly project: ProjectDocument;
  readonly levelId: string;
  readonly newSurveyId: NewId;
  readonly newId: (prefix: string) => string;
}

/** Two points on a plan picture, or a place to be named: the screen asks on. */
export type ToolQuestion =
  | { readonly kind: 'scale' | 'crop'; readonly underlayId: string; readonly first: Point2; readonly second: Point2 }
  | { readonly kind: 'reference'; readonly at: Point2 };

/** What a tool comes to: an edit, and where that is made the next state of the tool and the selection. */
export interface ToolStep {
  readonly edit?: { readonly title: string; readonly operations: Outcome<readonly Operation[]> | readonly Operation[] };
  readonly tool?: SurveyTool;
  readonly select?: Selection;
  readonly question?: ToolQuestion;
  /** Why nothing happened. */
  readonly hint?: string;
}

/** A click of a tool at a point, m. */
export function clickTool(tool: SurveyTool, point: Point2, context: ToolContext): ToolStep {
  const at: Point2 = [tidyM(point[0]), tidyM(point[1])];
  switch (tool.kind) {
    case 'select':
      return {};
    case 'walls':
      return afterDrawing(tool, setCorner(tool.draw, at), context);
    case 'opening':
      return placeOpeningAt(tool.opening, at, context);
    case 'feature':
      return addFeaturePoint(tool, at, context);
    case 'rack':
    case 'riser':
      return placeShaft(tool.kind, at, context);
    case 'measure': {
      if (!tool.first) return { tool: { ...tool, first: at } };
      const { levelId, newId } = context;
      const operations = addDimension({ id: newId('m'), levelId, from: tool.first, to: at });
      return { edit: { title: text('survey.measured'), operations }, tool: { kind: 'measure', first: null } };
    }
    case 'scale': {
      const { underlayId, points } = tool;
      if (points.length === 0) return { tool: { ...tool, points: [point] } };
      return { question: { kind: 'scale', underlayId, first: points[0], second: point }, tool: SELECT };
    }
    case 'crop':
      if (!tool.first) return { tool: { ...tool, first: point } };
      return { question: { kind: 'crop', underlayId: tool.underlayId, first: tool.first, second: point }, tool: SELECT };
    case 'reference':
      return { question: { kind: 'reference', at }, tool: SELECT };
  }
}

/** Ends what is being drawn: a chain of walls, or a line or area with points enough. */
export function finishTool(tool: SurveyTool, context: ToolContext): ToolStep {
  if (tool.kind === 'walls') return afterDrawing(tool, endChain(tool.draw), context);
  if (tool.kind !== 'feature' || tool.points.length < (tool.make.shape === 'area' ? 3 : 2)) return {};
  return createFeature(tool, tool.points, context);
}

/** Escape: first what is being drawn goes, then the tool, then the selection. */
export function leaveTool(tool: SurveyTool): ToolStep {
  if (tool.kind === 'walls' && tool.draw.chain.length > 0) return { tool: { ...tool, draw: leaveWalls(tool.draw).state } };
  if (tool.kind === 'feature' && tool.points.length > 0) return { tool: { ...tool, points: [] } };
  return tool.kind === 'select' ? { select: { kind: 'none', ids: [] } } : { tool: SELECT };
}

/**
 * A key while walls or things are drawn: a length with its angle, Enter, Backspace, L; null where it is no key of the tool. Enter
 * after a typed length sets the corner at `target`, the one that the preview shows.
 */
export function typeInTool(tool: SurveyTool, key: string, target: Point2 | null, context: ToolContext): ToolStep | null {
  if (tool.kind === 'feature') return key === 'Enter' && tool.points.length >= 2 ? finishTool(tool, context) : null;
  if (tool.kind !== 'walls') return null;
  const { draw } = tool;
  if (key === 'Enter') {
    if (draw.typed === '') return finishTool(tool, context);
    return target ? clickTool(tool, target, context) : { hint: text('survey.typeHint') };
  }
  if (key === 'Backspace')
    return { tool: { ...tool, draw: (draw.typed !== '' ? typeWalls(draw, draw.typed.slice(0, -1)) : backCorner(draw)).state } };
  if (draw.chain.length > 0 && /^[0-9.,'"<\-/ ]$/.test(key))
    return { tool: { ...tool, draw: typeWalls(draw, draw.typed + key).state } };
  return key.toLowerCase() === 'l' ? { tool: { ...tool, draw: { ...draw, angleLock: !draw.angleLock } } } : null;
}

/** The corner that a typed length asks for, towards a point; null where none is typed. */
export function typedTarget(tool: SurveyTool, towards: Point2, { project, levelId }: ToolContext): Point2 | null {
  if (tool.kind !== 'walls') return null;
  const { units } = project.project;
  return typedCorner(tool.draw, towards, project.levels[levelId]?.gridAngleRad ?? 0, (typed) => {
    const parsed = parseLength(typed, units);
    return parsed.ok ? parsed.value : null;
  });
}

/** The points of what is being drawn. */
export function drawnPoints(tool: SurveyTool): readonly Point2[] {
  if (tool.kind === 'walls') return tool.draw.chain;
  if (tool.kind === 'feature' || tool.kind === 'scale') return tool.points;
  return (tool.kind === 'measure' || tool.kind === 'crop') && tool.first ? [tool.first] : [];
}

function afterDrawing(
  tool: Extract<SurveyTool, { kind: 'walls' }>,
  { state, build }: DrawStep,
  { project, levelId, newSurveyId }: ToolContext,
): ToolStep {
  const next = { ...tool, draw: state };
  if (!build) return { tool: next };
  const operations = drawWalls(project, levelId, build, tool.make, newSurveyId);
  return { edit: { title: text('survey.drawWalls'), operations }, tool: next };
}

function placeOpeningAt(kind: Opening['kind'], at: Point2, { project, levelId, newId }: ToolContext): ToolStep {
  const place = nearestWall(buildingOf(project), levelId, at, OPENING_REACH_M);
  if (!place) return { hint: text('survey.clickWall') };
  const size = OPENING_SIZES[kind];
  const lengthM = distance2(place.wall.a, place.wall.b);
  const halfM = Math.min(size.widthM, lengthM) / 2;
  const isDoor = kind === 'door';
  const opening = newOpening({
    id: newId('o'),
    wallId: place.wall.id,
    kind,
    offsetM: tidyM(Math.min(lengthM - halfM, Math.max(halfM, place.offsetM))),
    ...size,
    hinge: isDoor ? 'start' : null,
    swing: isDoor ? 'left' : null,
  });
  return {
    edit: {
      title: text('survey.placeOpening', { kind: term(`openings.${kind}`) }),
      operations: placeOpening(project, opening),
    },
    select: { kind: 'opening', ids: [opening.id] },
  };
}

type FeatureTool = Extract<SurveyTool, { kind: 'feature' }>;

function addFeaturePoint(tool: FeatureTool, at: Point2, context: ToolContext): ToolStep {
  const { make, points } = tool;
  if (make.shape === 'point') return createFeature(tool, [at], context);
  if (make.shape === 'area' && points.length >= 3 && distance2(points[0], at) < CLOSE_M)
    return createFeature(tool, points, context);
  const last = points.at(-1);
  // The second click of a double click is where the first one was.
  if (last && distance2(last, at) < SAME_POINT_M) return {};
  const next = [...points, at];
  if (make.kind === 'beam' && next.length === 2) return createFeature(tool, next, context);
  return { tool: { ...tool, points: next } };
}

function createFeature(tool: FeatureTool, points: readonly Point2[], { project, levelId, newId }: ToolContext): ToolStep {
  const { make } = tool;
  const id = newId('f');
  return {
    edit: {
      title: text('edit.place', { name: term(`features.${make.kind}`).toLowerCase() }),
      operations: placeFeature(project, { id, levelId, make, points }),
    },
    select: { kind: 'feature', ids: [id] },
    tool: { ...tool, points: [] },
  };
}

function placeShaft(kind: 'rack' | 'riser', at: Point2, { project, levelId, newId }: ToolContext): ToolStep {
  const isRack = kind === 'rack';
  const id = newId(isRack ? 'k' : 'z');
  const name = isRack ? `${text('survey.rack')} ${freeRackCode(project)}` : text('survey.riser');
  return {
    edit: {
      title: text('edit.place', { name }),
      operations: (isRack ? placeRack : placeRiser)(project, { id, levelId, at, name }),
    },
    select: { kind, ids: [id] },
    tool: SELECT,
  };
}

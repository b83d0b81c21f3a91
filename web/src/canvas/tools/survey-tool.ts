import { type RackPlace, rackPlace } from '@dusky-spool/core/devices';
import { buildingOf, type FeatureMake, nearestWall } from '@dusky-spool/core/house';
import { distance2, type Outcome, parseLength, type Point2, tidyM, type UnitSystem } from '@dusky-spool/core/math';
import { newOpening, type Opening, type Operation, type ProjectDocument } from '@dusky-spool/core/model';
import { onLevel } from '@dusky-spool/core/derive';
import {
  chainPoints,
  drawWalls,
  type LengthsBetween,
  type NewId,
  placeOnWall,
  placeOpening,
  type PlaceOnWall,
  type WallBuild,
} from '@dusky-spool/core/survey';
import { addDimension } from '../../commands/add-dimension.ts';
import { placeFeature } from '../../commands/place-feature.ts';
import { placeShaft } from '../../commands/place-shaft.ts';
import { term, text } from '../../ground/text.ts';
import type { Selection } from '../../state/selection-kinds.ts';
import {
  backCorner,
  closeTarget,
  type DrawSetting,
  type DrawStep,
  type DrawWalls,
  endChain,
  joinsWalls,
  leaveWalls,
  type Pointer,
  setCorner,
  startWalls,
  typedSide,
  typeWalls,
  type WallTarget,
  wallTarget,
} from './draw-walls.ts';

/** What the pointer does on the survey sheet. */
export type SurveyTool =
  | { readonly kind: 'select' }
  | { readonly kind: 'walls'; readonly make: WallBuild; readonly draw: DrawWalls }
  | { readonly kind: 'opening'; readonly opening: Opening['kind']; readonly typed: string }
  | { readonly kind: 'feature'; readonly make: FeatureMake; readonly points: readonly Point2[]; readonly typed: string }
  | { readonly kind: 'rack' }
  | { readonly kind: 'riser' }
  | { readonly kind: 'measure'; readonly first: Point2 | null; readonly typed: string }
  | { readonly kind: 'scale'; readonly underlayId: string; readonly points: readonly Point2[] }
  | { readonly kind: 'crop'; readonly underlayId: string; readonly first: Point2 | null }
  | { readonly kind: 'reference' };

export const SELECT: SurveyTool = { kind: 'select' };
export const wallsTool = (make: WallBuild): SurveyTool => ({ kind: 'walls', make, draw: startWalls });
export const openingTool = (opening: Opening['kind']): SurveyTool => ({ kind: 'opening', opening, typed: '' });

export const featureTool = (make: FeatureMake): SurveyTool => ({ kind: 'feature', make, points: [], typed: '' });
export const MEASURE: SurveyTool = { kind: 'measure', first: null, typed: '' };

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
  /** What lengths of walls are taken between. */
  readonly between: LengthsBetween;
  /** Lengths on walls are rounded to this, m; 0 leaves them. */
  readonly gridM: number;
  /** A chain closes where the pointer is this near to its first corner, m. */
  readonly closeReachM: number;
}

/** What a click, or Enter, does next; the preview shows it and it is done as it is shown. Points in m. */
export type ToolTarget =
  | { readonly kind: 'walls'; readonly point: Point2; readonly walls: WallTarget }
  | { readonly kind: 'opening'; readonly point: Point2; readonly opening: Opening; readonly place: PlaceOnWall }
  | { readonly kind: 'rack'; readonly point: Point2; readonly rack: RackPlace }
  | { readonly kind: 'point'; readonly point: Point2 };

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
  /** What is built, m: the sheet shows all of it. */
  readonly built?: readonly Point2[];
  /** Why nothing happened. */
  readonly hint?: string;
}

/** What the tool would do where the pointer is, with what was typed for it; null where it needs a pointer, or a length that is one. */
export function targetOf(tool: SurveyTool, pointer: Pointer | null, context: ToolContext): ToolTarget | null {
  if (tool.kind === 'walls') {
    const walls = wallTarget(tool.draw, pointer, drawSetting(tool.make, context));
    return walls && { kind: 'walls', point: walls.point, walls };
  }
  if (tool.kind === 'opening' && pointer) {
    const target = openingTarget(tool, pointer.at, context);
    if (target || tool.typed !== '') return target;
  }
  if (tool.kind === 'rack' && pointer) {
    const rack = rackPlace(context.project, context.levelId, pointer.at);
    return { kind: 'rack', point: [rack.x, rack.y], rack };
  }
  const from = lineStart(tool);
  if (from && typedText(tool) !== '') {
    const side = typedSide(typedText(tool), from, pointer, { ...lengthReading(context), isLocked: true });
    return (
      side && {
        kind: 'point',
        point: [from[0] + Math.cos(side.directionRad) * side.lengthM, from[1] + Math.sin(side.directionRad) * side.lengthM],
      }
    );
  }
  return pointer && { kind: 'point', point: pointer.snap.point };
}

/** The point from which the next length of a line is measured; null where no line is being drawn. */
function lineStart(tool: SurveyTool): Point2 | null {
  if (tool.kind === 'feature') return tool.points.at(-1) ?? null;
  return tool.kind === 'measure' ? tool.first : null;
}

/** Whether a length can be typed for what the tool does next. */
export const takesLength = (tool: SurveyTool): boolean =>
  tool.kind === 'walls' || tool.kind === 'opening' || lineStart(tool) !== null;

/** Does what the target shows. */
export function clickTool(tool: SurveyTool, target: ToolTarget, context: ToolContext): ToolStep {
  const { point } = target;
  const at: Point2 = [tidyM(point[0]), tidyM(point[1])];
  switch (tool.kind) {
    case 'select':
      return {};
    case 'walls':
      return target.kind === 'walls' ? afterDrawing(tool, setCorner(tool.draw, target.walls), context) : {};
    case 'opening':
      return target.kind === 'opening'
        ? placeOpeningAt(tool, target.opening, context)
        : { hint: text(tool.typed === '' ? 'survey.clickWall' : 'survey.typeHint') };
    case 'feature':
      return addFeaturePoint(tool, at, context);
    case 'rack':
    case 'riser':
      return shaftStep(tool.kind, at, context);
    case 'measure': {
      if (!tool.first) return { tool: { ...tool, first: at } };
      const { levelId, newId } = context;
      const operations = addDimension({ id: newId('m'), levelId, from: tool.first, to: at });
      return { edit: { title: text('survey.measured'), operations }, tool: MEASURE };
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
  if (tool.kind === 'walls') return afterDrawing(tool, endChain(tool.draw, drawSetting(tool.make, context)), context);
  if (tool.kind !== 'feature' || tool.points.length < (tool.make.shape === 'area' ? 3 : 2)) return {};
  return createFeature(tool, tool.points, context);
}

/** Escape: first what is being drawn goes, then the tool, then the selection. */
export function leaveTool(tool: SurveyTool): ToolStep {
  if (tool.kind === 'walls' && tool.draw.chain.length > 0) return { tool: { ...tool, draw: leaveWalls(tool.draw).state } };
  if (tool.kind === 'feature' && tool.points.length > 0) return { tool: { ...tool, points: [], typed: '' } };
  return tool.kind === 'select' ? { select: { kind: 'none', ids: [] } } : { tool: SELECT };
}

const ARROW_DEGREES: Readonly<Record<string, number>> = { ArrowRight: 0, ArrowUp: 90, ArrowLeft: 180, ArrowDown: 270 };
const LENGTH_KEY = /^[0-9.,'"<x×*\-/ ]$/i;

/**
 * A key of the tool: text for a length, Enter to do what the preview shows, an arrow to do it in that direction, Backspace, and for
 * walls C to close and L to lock angles. Null where it is no key of the tool.
 */
export function typeInTool(tool: SurveyTool, key: string, pointer: Pointer | null, context: ToolContext): ToolStep | null {
  const typed = typedText(tool);
  if (tool.kind === 'feature' && key === 'Enter' && typed === '')
    return tool.points.length >= 2 ? finishTool(tool, context) : null;
  if (!takesLength(tool)) return null;
  if (key === 'Enter' && typed !== '') return doTarget(tool, pointer, context);
  if (key === 'Backspace' && typed !== '') return { tool: withTyped(tool, typed.slice(0, -1)) };
  if (LENGTH_KEY.test(key) && (typed !== '' || /^[0-9.]$/.test(key))) return { tool: withTyped(tool, typed + key) };
  if (key in ARROW_DEGREES && typed !== '' && tool.kind !== 'opening') {
    const [length] = typed.split('<');
    return doTarget(withTyped(tool, `${length}<${ARROW_DEGREES[key]}`), pointer, context);
  }
  return tool.kind === 'walls' ? drawingKey(tool, key, context) : null;
}

/** What has been typed for the next length. */
export const typedText = (tool: SurveyTool): string =>
  tool.kind === 'walls' ? tool.draw.typed : 'typed' in tool ? tool.typed : '';

/** The tool with another text for its next length. */
export function withTyped(tool: SurveyTool, typed: string): SurveyTool {
  if (tool.kind === 'walls') return { ...tool, draw: typeWalls(tool.draw, typed).state };
  return 'typed' in tool ? { ...tool, typed } : tool;
}

function doTarget(tool: SurveyTool, pointer: Pointer | null, context: ToolContext): ToolStep {
  const target = targetOf(tool, pointer, context);
  return target ? clickTool(tool, target, context) : { hint: text('survey.typeHint') };
}

type WallsTool = Extract<SurveyTool, { kind: 'walls' }>;

function drawingKey(tool: WallsTool, key: string, context: ToolContext): ToolStep | null {
  const { draw } = tool;
  switch (key.toLowerCase()) {
    case 'enter':
      return draw.chain.length === 0 ? null : finishTool(tool, context);
    case 'backspace':
      return draw.chain.length === 0 ? null : { tool: { ...tool, draw: backCorner(draw).state } };
    case 'c':
      return draw.chain.length === 0 ? null : closeChain(tool, context);
    case 'l':
      return { tool: { ...tool, draw: { ...draw, angleLock: !draw.angleLock } } };
    default:
      return null;
  }
}

/** Closes the walls being drawn from their last corner to the first. */
export function closeChain(tool: WallsTool, context: ToolContext): ToolStep {
  const target = closeTarget(tool.draw, drawSetting(tool.make, context));
  return target ? afterDrawing(tool, setCorner(tool.draw, target), context) : { hint: text('survey.closeHint') };
}

/** How a typed length is read, and from where angles count. */
const lengthReading = ({ project, levelId }: ToolContext) => ({
  gridAngleRad: project.levels[levelId]?.gridAngleRad ?? 0,
  readLength: (typed: string) => readLength(typed, project.project.units),
});

function drawSetting(make: WallBuild, context: ToolContext): DrawSetting {
  const { project, levelId, between, gridM, closeReachM } = context;
  return {
    ...lengthReading(context),
    walls: onLevel(project, 'walls', levelId),
    thicknessM: make.thicknessM,
    between,
    gridM,
    closeReachM,
  };
}

function readLength(typed: string, units: UnitSystem): number | null {
  const parsed = parseLength(typed, units);
  return parsed.ok ? parsed.value : null;
}

/** The points of what is being drawn. */
export function drawnPoints(tool: SurveyTool, context: ToolContext): readonly Point2[] {
  if (tool.kind === 'walls') return chainPoints(tool.draw.chain, drawSetting(tool.make, context));
  if (tool.kind === 'feature' || tool.kind === 'scale') return tool.points;
  return (tool.kind === 'measure' || tool.kind === 'crop') && tool.first ? [tool.first] : [];
}

function afterDrawing(tool: WallsTool, { state, build }: DrawStep, context: ToolContext): ToolStep {
  const { project, levelId, newSurveyId } = context;
  const next = { ...tool, draw: state };
  const setting = drawSetting(tool.make, context);
  // A partition that comes from a wall and has reached another one is done.
  if (!build && joinsWalls(state, setting)) return afterDrawing(tool, endChain(state, setting), context);
  if (!build) return { tool: next };
  const operations = drawWalls(project, levelId, build, tool.make, newSurveyId);
  return { edit: { title: text('survey.drawWalls'), operations }, tool: next, built: build };
}

type OpeningTool = Extract<SurveyTool, { kind: 'opening' }>;

/** The opening that the tool puts into the wall near a point: at the typed distance from the nearest corner, else on the grid. */
function openingTarget(tool: OpeningTool, at: Point2, context: ToolContext): ToolTarget | null {
  const { project, levelId, newId, between, gridM } = context;
  const near = nearestWall(buildingOf(project), levelId, at, OPENING_REACH_M);
  if (!near) return null;
  const lengthM = tool.typed === '' ? undefined : readLength(tool.typed, project.project.units);
  if (lengthM === null) return null;
  const { wall } = near;
  const size = OPENING_SIZES[tool.opening];
  const wallLengthM = distance2(wall.a, wall.b);
  const halfM = Math.min(size.widthM, wallLengthM) / 2;
  const walls = onLevel(project, 'walls', levelId);
  const place = placeOnWall(at, wall, { walls, between }, { halfM, gridM, lengthM });
  // A typed distance is kept, and refused where it does not fit; a pointer beside the wall means its end.
  const placeM = distance2(wall.a, place.at);
  const offsetM = tidyM(lengthM === undefined ? Math.min(wallLengthM - halfM, Math.max(halfM, placeM)) : placeM);
  const isDoor = tool.opening === 'door';
  const opening = newOpening({
    id: newId('o'),
    wallId: wall.id,
    kind: tool.opening,
    offsetM,
    ...size,
    hinge: isDoor ? 'start' : null,
    swing: isDoor ? 'left' : null,
  });
  return { kind: 'opening', point: place.at, opening, place };
}

function placeOpeningAt(tool: OpeningTool, opening: Opening, { project }: ToolContext): ToolStep {
  return {
    edit: {
      title: text('survey.placeOpening', { kind: term(`openings.${opening.kind}`) }),
      operations: placeOpening(project, opening),
    },
    select: { kind: 'opening', ids: [opening.id] },
    tool: { ...tool, typed: '' },
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
  return { tool: { ...tool, points: next, typed: '' } };
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
    tool: { ...tool, points: [], typed: '' },
  };
}

function shaftStep(kind: 'rack' | 'riser', at: Point2, { project, levelId, newId }: ToolContext): ToolStep {
  const { name, id, operations } = placeShaft(project, { kind, levelId, at, newId });
  return { edit: { title: text('edit.place', { name }), operations }, select: { kind, ids: [id] }, tool: SELECT };
}

import { deviceTitle, faceOf, mountTypeOf } from '../../devices/index.ts';
import { err, ok, type Outcome, PAPER_MM } from '../../math/index.ts';
import type { ProjectDocument } from '../../model/index.ts';

/** Papers of a template, portrait, mm; the smallest on which the hole fits is taken. */
const { A4, Letter, A3, Tabloid } = PAPER_MM;
const PAPERS = { A4, Letter, A3, Tabloid };
export type TemplatePaper = keyof typeof PAPERS;
const MARGIN_MM = 10;
/** Below the drawing: what it is for, and the ruler by which the print is checked. */
const FOOT_MM = 34;
/** A hole larger than the largest paper is drawn at a fifth, with its measures. */
const REDUCED = 5;

/** A template of the hole that a device wants, for the one who cuts it; millimetres on paper, from the upper left corner. */
export interface CutOutTemplate {
  readonly title: string;
  readonly room: string;
  readonly paper: TemplatePaper;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly landscape: boolean;
  /** 1 is full size. */
  readonly scale: number;
  /** Middle of the hole on the paper. */
  readonly middle: readonly [number, number];
  readonly shape: 'round' | 'rectangle' | 'none';
  /** True size of the hole, of the face that covers it, and of the hole pattern. */
  readonly holeMm: readonly [number, number] | null;
  readonly faceMm: readonly [number, number];
  readonly patternMm: readonly [number, number] | null;
  /** Free edge around the hole that clamps need, and depth behind the finished face. */
  readonly clampMm: number;
  readonly depthMm: number;
  readonly marginMm: number;
  readonly footMm: number;
}

/**
 * The cut-out template of a device. Problems: `record-gone`; `no-cut-out` where there is neither a hole nor a pattern of fixings.
 */
export function cutOutTemplate(
  project: ProjectDocument,
  deviceId: string,
  region: 'metric' | 'imperial',
): Outcome<CutOutTemplate> {
  const device = Object.hasOwn(project.devices, deviceId) ? project.devices[deviceId] : undefined;
  if (!device) return err('record-gone', { in: 'devices', id: deviceId });
  const type = project.deviceTypes[device.typeId];
  const face = faceOf(type, mountTypeOf(project, device));
  const title = deviceTitle(device, type);
  if (!face.cutOut && !face.holePatternM) return err('no-cut-out', { kind: 'incomplete', field: 'device', name: title });
  const mm = (pair: readonly [number, number]): readonly [number, number] => [pair[0] * 1000, pair[1] * 1000];
  const holeMm = face.cutOut && mm([face.cutOut.widthM, face.cutOut.heightM]);
  const patternMm = face.holePatternM && mm(face.holePatternM);
  const reach = [holeMm, patternMm].filter((pair) => pair !== null);
  const need = [0, 1].map((i) => Math.max(...reach.map((pair) => pair[i])) + 2 * face.clampM * 1000 + 12);
  const papers: TemplatePaper[] = region === 'imperial' ? ['Letter', 'Tabloid'] : ['A4', 'A3'];
  const tries = papers.flatMap((paper) => [false, true].map((landscape) => ({ paper, landscape })));
  const room = ({ paper, landscape }: (typeof tries)[number]) => {
    const [w, h] = landscape ? [PAPERS[paper][1], PAPERS[paper][0]] : PAPERS[paper];
    return { w, h, across: w - 2 * MARGIN_MM, down: h - 2 * MARGIN_MM - FOOT_MM };
  };
  const fits = tries.find((one) => need[0] <= room(one).across && need[1] <= room(one).down);
  const chosen = fits ?? tries[0];
  const { w, h, down } = room(chosen);
  return ok({
    title: `${type.code} ${title}`,
    room: device.roomId === null ? '' : project.rooms[device.roomId].name,
    paper: chosen.paper,
    landscape: chosen.landscape,
    widthMm: w,
    heightMm: h,
    scale: fits ? 1 : 1 / REDUCED,
    middle: [w / 2, MARGIN_MM + down / 2],
    shape: face.cutOut?.shape ?? 'none',
    holeMm,
    faceMm: mm([face.widthM, face.heightM]),
    patternMm,
    clampMm: face.clampM * 1000,
    depthMm: type.depthM * 1000,
    marginMm: MARGIN_MM,
    footMm: FOOT_MM,
  });
}

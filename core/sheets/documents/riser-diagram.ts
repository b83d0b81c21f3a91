import { groupedBy, type Point2 } from '../../math/index.ts';
import type { ProjectDocument } from '../../model/index.ts';
import { levelsFromBelow } from '../../house/index.ts';
import { listOf } from '../../derive/index.ts';
import type { PlannedRun } from '../../runs/index.ts';
import type { SheetPaper } from './plan-sheet.ts';
import { emptyView, viewBox, viewLine, type ViewMark, type ViewSheet, viewText } from './view-sheet.ts';

/** Cables between a level and a head end, by their type. */
interface Trunk {
  readonly levelId: string;
  readonly rackId: string;
  readonly lines: readonly string[];
}

const BOX_MM = { width: 46, height: 16 } as const;

/** Levels over each other with their head ends, and the cables that go from each level to each head end. Not to scale. */
export function riserDiagram(
  project: ProjectDocument,
  runs: readonly PlannedRun[],
  paper: SheetPaper,
  words: { readonly devices: (count: number) => string; readonly outdoors: string },
): ViewSheet | null {
  const levels = levelsFromBelow(project);
  const racks = listOf(project, 'racks').filter(({ id }) => runs.some(({ run }) => run.rackId === id));
  if (levels.length === 0 || racks.length === 0) return null;
  const { sheet, field } = emptyView(paper, null);
  const bandMm = (field.top - field.bottom) / levels.length;
  const bandOf = new Map(levels.map(({ id }, n) => [id, field.bottom + n * bandMm]));
  const columnMm = (field.right - field.left - BOX_MM.width - 20) / racks.length;
  const marks: ViewMark[] = levels.flatMap(({ id, name }) => {
    const y = bandOf.get(id)!;
    const devices = listOf(project, 'devices').filter(({ levelId }) => levelId === id).length;
    return [
      viewLine(
        [
          [field.left, y],
          [field.right, y],
        ],
        'dashed',
      ),
      viewText(name, [field.left + 2, y + bandMm - 5], { sizeMm: 3.4, isBold: true }),
      ...(devices > 0
        ? [
            viewBox([field.left + 4, y + bandMm / 2 - BOX_MM.height / 2], BOX_MM.width, BOX_MM.height, 'outline'),
            viewText(words.devices(devices), [field.left + 4 + BOX_MM.width / 2, y + bandMm / 2], { sizeMm: 3, isMiddle: true }),
          ]
        : []),
    ];
  });
  const rackAt = new Map(
    racks.map(({ id, levelId }, n): [string, Point2] => [
      id,
      [field.left + BOX_MM.width + 20 + n * columnMm + columnMm / 2 - 10, bandOf.get(levelId)! + bandMm / 2],
    ]),
  );
  for (const { id, name, code } of racks) {
    const [x, y] = rackAt.get(id)!;
    marks.push(
      viewBox([x, y - BOX_MM.height / 2], Math.min(BOX_MM.width, columnMm - 6), BOX_MM.height, 'outline'),
      viewText(name || code, [x + 2, y + 1.5], { sizeMm: 2.8, isBold: true }),
    );
  }
  const trunks = trunksOf(project, runs);
  trunks.forEach(({ levelId, rackId, lines }, n) => {
    const fromY = bandOf.get(levelId)! + bandMm / 2;
    const [toX, toY] = rackAt.get(rackId)!;
    const own = trunks.filter((one) => one.levelId === levelId);
    const at = own.findIndex((one) => one.rackId === rackId);
    const startY = fromY + BOX_MM.height / 2 - ((at + 1) * BOX_MM.height) / (own.length + 1);
    const bendX = toX - 4 - (n % 5) * 2.2;
    marks.push(
      viewLine(
        [
          [field.left + 4 + BOX_MM.width, startY],
          [bendX, startY],
          [bendX, toY],
          [toX, toY],
        ],
        'thin',
      ),
      ...lines.map((line, k) =>
        viewText(line, [field.left + BOX_MM.width + 8 + at * 42, startY + 1.5 + k * 2.8], { sizeMm: 2.1 }),
      ),
    );
  });
  return { ...sheet, marks };
}

function trunksOf(project: ProjectDocument, runs: readonly PlannedRun[]): Trunk[] {
  const groups = groupedBy(runs, ({ run, device }) => `${device.levelId}\n${run.rackId}`);
  return [...groups]
    .map(([key, own]) => {
      const [levelId, rackId] = key.split('\n');
      const byCable = groupedBy(own, ({ run }) => run.cableTypeId);
      const lines = [...byCable]
        .map(([cableTypeId, cables]) => `${cables.length} × ${project.cableTypes[cableTypeId].name}`)
        .sort();
      return { levelId, rackId, lines };
    })
    .sort((a, b) => (a.levelId + a.rackId < b.levelId + b.rackId ? -1 : 1));
}

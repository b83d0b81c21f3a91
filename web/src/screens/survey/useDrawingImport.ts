import type { Proposals } from '@dusky-spool/core/house';
import { edited } from '@dusky-spool/core/derive';
import { ok, type Outcome, type Point2 } from '@dusky-spool/core/math';
import type { Operation, PictureInfo } from '@dusky-spool/core/model';
import { drawingPlace, namedByWords, wallsFromProposals } from '@dusky-spool/core/survey';
import { addDrawingPicture, addTradeMarks } from '../../commands/add-drawing.ts';
import { postForm } from '../../ground/api/http.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import type { ShownDrawing } from '../../workers/drawing-jobs.ts';
import { newSurveyId } from './ids.ts';
import type { Role } from './layer-roles.ts';
import type { OpenDrawing } from './useDrawing.ts';

interface Import {
  readonly projectId: string;
  readonly levelId: string;
  readonly fileName: string;
  readonly drawing: ShownDrawing;
  readonly metresPerUnit: number;
  /** Layers by what they mean. */
  readonly named: (...roles: Role[]) => string[];
  readonly accepted: Proposals['walls'];
  /** Whether it is the plan that lies there already: then only its walls are taken. */
  readonly isOnPlan: boolean;
  /** Where its lower left corner goes on the plan, m; null is where drawings of this house share their origin. */
  readonly place: Point2 | null;
}

/** Makes the operations that bring a drawing into the project: its picture, the marks of trades, and the accepted walls. */
export function useDrawingImport(jobs: OpenDrawing['jobs']): (wanted: Import) => Promise<Outcome<Operation[]>> {
  const project = useProject();
  const { addPicture } = useProjectParts('addPicture');
  return async ({ projectId, levelId, fileName, drawing, metresPerUnit, named, accepted, place: given, isOnPlan }) => {
    const operations: Operation[] = [];
    const corner = [drawing.origin[0] * metresPerUnit, drawing.origin[1] * metresPerUnit] as const;
    const place = given ?? drawingPlace(project, levelId, corner);
    const moved = ([x, y]: Point2): Point2 => [x + place[0], y + place[1]];
    const trades = named('marks');
    if (trades.length > 0) {
      const marks = await jobs().run('marks', { metresPerUnit, layers: trades });
      operations.push(...addTradeMarks(project, { levelId, marks, moved, newId: () => newRecordId('f') }));
    }
    const layers = named('walls', 'openings', 'furniture', 'marks', 'text', 'underlay');
    if (layers.length > 0 && !isOnPlan) {
      const { svg, widthPx } = await jobs().run('picture', { metresPerUnit, layers });
      const form = new FormData();
      form.append('picture', new File([svg], `${fileName}.svg`, { type: 'image/svg+xml' }));
      const stored = await postForm<PictureInfo>(`/projects/${projectId}/pictures`, form);
      addPicture(stored);
      operations.push(
        ...addDrawingPicture({
          id: newRecordId('u'),
          levelId,
          pictureId: stored.id,
          name: fileName,
          at: place,
          corner,
          shrunk: widthPx / stored.widthPx,
        }),
      );
    }
    const withPicture = edited(project, operations);
    if (accepted.length === 0 || !withPicture.ok) return ok(operations);
    const words = await jobs().run('words', { metresPerUnit, layers: named('text', 'walls', 'underlay', 'furniture') });
    const walls = wallsFromProposals(
      withPicture.value,
      levelId,
      accepted.map((wall) => ({ ...wall, a: moved(wall.a), b: moved(wall.b) })),
      newSurveyId,
      namedByWords(words.map((one) => ({ ...one, at: moved(one.at) }))),
    );
    return walls.ok ? ok([...operations, ...walls.value]) : walls;
  };
}

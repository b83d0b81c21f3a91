import { type ProjectDocument, type RecordOf, tableFrom } from '../project/index.ts';

const LISTS = ['briefCells', 'roomBriefs', 'walkResults'] as const;
/** Kinds of features that came with outdoor areas. */
const NEW_KINDS: ReadonlySet<string> = new Set(['porch', 'garden', 'eaves', 'facade', 'coffer']);

/** A project for an app that knows no outdoor areas: they, their answers, signatures and walks are left out, and stay stored. */
export function withoutAreas(project: ProjectDocument): ProjectDocument {
  const inRooms = LISTS.map((list) => {
    const rows = Object.values(project[list]) as RecordOf<(typeof LISTS)[number]>[];
    return [list, tableFrom(rows.filter(({ roomId }) => roomId !== null))];
  });
  const features = tableFrom(Object.values(project.features).filter(({ kind }) => !NEW_KINDS.has(kind)));
  return { ...project, ...Object.fromEntries(inRooms), features };
}

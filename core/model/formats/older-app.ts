import { type ProjectDocument, type RecordOf, tableFrom } from '../project/index.ts';

const LISTS = ['briefCells', 'roomBriefs', 'walkResults'] as const;

/** A project for an app that knows no outdoor areas in the brief: their answers, signatures and walks are left out, and stay stored. */
export function withoutAreas(project: ProjectDocument): ProjectDocument {
  const inRooms = LISTS.map((list) => {
    const rows = Object.values(project[list]) as RecordOf<(typeof LISTS)[number]>[];
    return [list, tableFrom(rows.filter(({ roomId }) => roomId !== null))];
  });
  return { ...project, ...Object.fromEntries(inRooms) };
}

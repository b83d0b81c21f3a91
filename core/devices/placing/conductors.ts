import { err, ok, type Outcome } from '../../math/index.ts';
import { type ConductorMap, type Operation, type ProjectDocument, update } from '../../model/index.ts';

/** Copper conductors that one line of a map takes: a pair is two, "any two" as well. */
const conductorsOfLine = (conductor: string): number => (/\bpair\b|\btwo\b/i.test(conductor) ? 2 : 1);

/** How many conductors of a cable a map uses. */
export const conductorsUsed = ({ lines }: Pick<ConductorMap, 'lines'>): number =>
  lines.reduce((sum, { conductor }) => sum + conductorsOfLine(conductor), 0);

/** Whether a map can be followed: every conductor once. Problems: `map-empty`, `map-twice`, with the field. */
export function checkMap(map: ConductorMap): Outcome<ConductorMap> {
  if (map.lines.length === 0) return err('map-empty', { kind: 'incomplete', field: `${map.name}: lines` });
  const seen = new Set<string>();
  for (const [index, { conductor }] of map.lines.entries()) {
    const name = conductor.trim().toLowerCase();
    if (seen.has(name))
      return err('map-twice', { kind: 'invalid', field: `${map.name}: lines[${index}].conductor`, value: conductor });
    seen.add(name);
  }
  return ok(map);
}

/** Changes a map everywhere it is used. Problems: those of `checkMap`, `record-gone`. */
export function changeMap(
  project: ProjectDocument,
  mapId: string,
  after: Partial<Omit<ConductorMap, 'id'>>,
): Outcome<Operation[]> {
  const map = project.conductorMaps[mapId];
  if (!map) return err('record-gone', { in: 'conductorMaps', id: mapId });
  const sound = checkMap({ ...map, ...after });
  if (!sound.ok) return sound;
  const operation = update('conductorMaps', map, after);
  return ok(operation ? [operation] : []);
}

/** A map on one line: `red + / black −`. */
export const conductorsOf = ({ lines }: Pick<ConductorMap, 'lines'>): string =>
  lines.map(({ conductor, use }) => `${conductor} ${use}`).join(' / ');

/** A conductor map that the project has; null for one that it has not. */
export const knownMap = (project: Pick<ProjectDocument, 'conductorMaps'>, mapId: string | null): string | null =>
  mapId !== null && Object.hasOwn(project.conductorMaps, mapId) ? mapId : null;

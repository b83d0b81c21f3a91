import type { ProjectDocument } from '../model/index.ts';
import { derivationsOf, listOf, whole } from '../derive/index.ts';
import { defineCheck, type RuleFinding, say } from './check.ts';

type Place = Map<string, Map<string, string>>;

interface Alike {
  readonly id: string;
  readonly colour: string;
  readonly cables: readonly string[];
}
/** Families by colour at each place, with the name of one of their types. */
function familiesAt(project: ProjectDocument, placesOf: (run: ProjectDocument['runs'][string]) => readonly string[]) {
  const at = new Map<string, Place>();
  for (const run of listOf(project, 'runs')) {
    const cable = project.cableTypes[run.cableTypeId];
    if (cable.jacketColour === '') continue;
    for (const id of placesOf(run)) {
      const place: Place = at.get(id) ?? new Map();
      const families = place.get(cable.jacketColour) ?? new Map<string, string>();
      // Speaker cables of one line are told apart by their conductors.
      families.set(cable.system === 'sound' ? cable.system : cable.family, cable.name);
      at.set(id, place.set(cable.jacketColour, families));
    }
  }
  return at;
}

const alike = (at: ReadonlyMap<string, Place>): Alike[] =>
  [...at].flatMap(([id, place]) =>
    [...place].flatMap(([colour, families]) =>
      families.size > 1 ? [{ id, colour, cables: [...families.values()].sort() }] : [],
    ),
  );

/** Places at which one colour serves several families. */
const ALIKE_AT = whole<{ readonly devices: readonly Alike[]; readonly racks: readonly Alike[] }>({
  name: 'jackets alike',
  tables: ['runs', 'cableTypes'],
  make: ({ project }) => ({
    devices: alike(
      familiesAt(project, ({ deviceId, toDeviceId }) => (toDeviceId === null ? [deviceId] : [deviceId, toDeviceId])),
    ),
    racks: alike(familiesAt(project, ({ rackId, toDeviceId }) => (toDeviceId === null ? [rackId] : []))),
  }),
});

const atDevices = (project: ProjectDocument): RuleFinding[] =>
  derivationsOf(project)
    .get(ALIKE_AT)
    .devices.map(({ id, colour, cables }): RuleFinding =>
      say(
        'look',
        'jackets-alike',
        [{ in: 'devices', id }],
        { device: project.deviceTypes[project.devices[id].typeId].name, colour, cables },
        { measured: cables.length, allowed: 1 },
      ),
    );

const atRacks = (project: ProjectDocument): RuleFinding[] =>
  derivationsOf(project)
    .get(ALIKE_AT)
    .racks.map(({ id, colour, cables }): RuleFinding =>
      say(
        'fine',
        'jackets-alike-at-rack',
        [{ in: 'racks', id }],
        { rack: project.racks[id].name, colour, cables },
        { measured: cables.length },
      ),
    );

/** Where one jacket colour serves several families of cable at one place, only the label tells them apart (practice A43, B12). */
export const jacketsToldApart = defineCheck({
  id: 'jackets-told-apart',
  stage: 'labels',
  title: 'Cables of one colour at one place are told apart by their labels',
  source: 'Trade practice',
  severity: 'look',
  appliesTo: 'devices',
  reads: ['devices', 'racks', 'deviceTypes'],
  nodes: [ALIKE_AT],
  run: ({ project }) => [...atDevices(project), ...atRacks(project)],
});

import { deviceNumber, deviceTitle } from '../../devices/index.ts';
import { openingFor } from '../../head-end/index.ts';
import { formatCableLength, formatLength } from '../../math/index.ts';
import { CHECKS } from '../../rules/index.ts';
import { CALCULATORS } from '../../calculators/index.ts';
import type { ProjectDocument } from '../../model/index.ts';
import { listOf } from '../../derive/index.ts';
import { type BoredPlace } from '../../pathways/index.ts';
import { spoolName, type SpoolPlanOfHouse } from '../../order/index.ts';
import { compareNumbers, type PlannedRun } from '../../runs/index.ts';

/** A table of the drawing set; titles of section and columns are in the texts. */
export interface SetTable {
  readonly section: string;
  readonly columns: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

const lengthOf = (project: ProjectDocument) => (metres: number) => formatCableLength(metres, project.project.units);

/** The cable schedule in the order of numbers, with both ends and the length to cut. */
export function cableTable(project: ProjectDocument, runs: readonly PlannedRun[]): SetTable {
  const length = lengthOf(project);
  const rows = [...runs]
    .sort((a, b) => compareNumbers(a.run.number, b.run.number))
    .map(({ run, device, length: cut }) => [
      run.number,
      project.cableTypes[run.cableTypeId].name,
      `${project.rooms[device.roomId ?? '']?.name ?? ''} ${deviceTitle(device, project.deviceTypes[device.typeId])}`.trim(),
      project.racks[run.rackId]?.name ?? '',
      cut ? length(cut.cutLengthM) : '–',
      run.bundle,
      `${run.deviceConnector} / ${run.farConnector}`.replace(/^ \/ $/, ''),
    ]);
  return { section: 'cables', columns: ['number', 'cable', 'from', 'to', 'length', 'bundle', 'ends'], rows };
}

/** Labels for both ends, in the order in which they are pulled on. */
export function labelTable(
  labels: readonly { readonly number: string; readonly end: string; readonly here: string; readonly there: string }[],
): SetTable {
  const rows = labels.map(({ number, end, here, there }) => [number, end, here, there, '']);
  return { section: 'labels', columns: ['number', 'end', 'here', 'there', 'done'], rows };
}

/** The pulls in their order: one person calls the number and the length, the other answers when it is through. */
export function pullTable(project: ProjectDocument, { pulls }: SpoolPlanOfHouse): SetTable {
  const length = lengthOf(project);
  const rows = pulls.flatMap(({ bundle, cuts }, n) =>
    cuts.map(({ number, cableTypeId, key, lengthM }, k) => [
      k === 0 ? `${n + 1}${bundle ? ` · ${bundle}` : ''}` : '',
      number,
      project.cableTypes[cableTypeId].name,
      spoolName(key),
      length(lengthM),
      '',
      '',
    ]),
  );
  return { section: 'pulls', columns: ['pull', 'number', 'cable', 'spool', 'length', 'called', 'through'], rows };
}

/** Openings for racks and enclosures, for the framer. */
export function rackOpeningTable(project: ProjectDocument): SetTable {
  const length = (metres: number) => formatLength(metres, project.project.units);
  const rows = listOf(project, 'racks')
    .filter((rack) => openingFor(rack).kind !== 'none')
    .map((rack) => {
      const { widthM, heightM, depthM, sillM } = openingFor(rack);
      const level = project.levels[rack.levelId].name;
      return [rack.name || rack.code, level, length(widthM), length(heightM), length(depthM), length(sillM)];
    });
  return { section: 'rackOpenings', columns: ['what', 'level', 'width', 'height', 'depth', 'bottom'], rows };
}

/** Cables that come out of finished surfaces: outdoors through stucco, and wherever a device waits for its wall. */
export function tailTable(project: ProjectDocument, runs: readonly PlannedRun[], words: { readonly outdoors: string }): SetTable {
  const rows = [...runs]
    .filter(({ device }) => device.roomId === null || project.deviceTypes[device.typeId].boxKind === 'none')
    .sort((a, b) => compareNumbers(a.run.number, b.run.number))
    .map(({ run, device, length }) => [
      run.number,
      `${deviceNumber(project, device)} ${deviceTitle(device, project.deviceTypes[device.typeId])}`,
      project.rooms[device.roomId ?? '']?.name ?? words.outdoors,
      device.heightM === null ? '–' : formatLength(device.heightM, project.project.units),
      length ? formatLength(length.deviceSlackM, project.project.units) : '–',
    ]);
  return { section: 'tails', columns: ['number', 'what', 'place', 'height', 'tail'], rows };
}

/** How each length came about, part by part. */
export function lengthTable(project: ProjectDocument, runs: readonly PlannedRun[]): SetTable {
  const length = lengthOf(project);
  const rows = [...runs]
    .sort((a, b) => compareNumbers(a.run.number, b.run.number))
    .flatMap(({ run, length: cut }) =>
      cut
        ? [
            [
              run.number,
              ...[cut.riseM, cut.runM, cut.dropM, cut.deviceSlackM, cut.rackSlackM].map((metres) => metres.toFixed(2)),
              length(cut.cutLengthM),
            ],
          ]
        : [],
    );
  return { section: 'lengths', columns: ['number', 'rise', 'run', 'drop', 'deviceSlack', 'rackSlack', 'length'], rows };
}

/** Every rule and calculation that the drawings rest on, with its source. */
export function sourceTable(): SetTable {
  const rows = [
    ...CHECKS.map(({ title, source }) => [title, source]),
    ...CALCULATORS.map(({ title, source, formulas }) => [`${title}: ${formulas[0] ?? ''}`, source]),
  ];
  return { section: 'sources', columns: ['rule', 'source'], rows };
}

/** Numbers of bored places as the plan of holes shows them. */
export const holeNumbers = (places: readonly BoredPlace[]): ReadonlyMap<BoredPlace, string> =>
  new Map(places.map((place, n) => [place, String(n + 1)]));

/** The places that are bored on the plan of holes, by their numbers. */
export function holeNumberTable(
  project: ProjectDocument,
  places: readonly BoredPlace[],
  words: { readonly members: Readonly<Record<string, string>>; readonly bits: (place: BoredPlace) => string },
): SetTable {
  const rows = places.map((place, n) => [
    String(n + 1),
    project.levels[place.levelId].name,
    words.members[place.member] ?? place.member,
    words.bits(place),
    place.runs.join(' '),
  ]);
  return { section: 'holes', columns: ['number', 'level', 'member', 'bit', 'runs'], rows };
}

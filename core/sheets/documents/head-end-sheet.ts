import { derivationsOf } from '../../derive/index.ts';
import { cordCounts, fromTop, type HeadEnd, HEAD_ENDS, patchRows } from '../../head-end/index.ts';
import { formatLength } from '../../math/index.ts';
import type { Equipment, EquipmentKind, PortKind, ProjectDocument } from '../../model/index.ts';

export type HeadEndColumn =
  | 'headEnd'
  | 'place'
  | 'what'
  | 'kind'
  | 'power'
  | 'heat'
  | 'weight'
  | 'fed'
  | 'port'
  | 'run'
  | 'device'
  | 'to'
  | 'cord'
  | 'needed'
  | 'there'
  | 'wanted'
  | 'count'
  | 'used'
  | 'most';

export interface HeadEndTable {
  readonly section: 'equipment' | 'budgets' | 'patches' | 'cords' | 'power' | 'open';
  readonly columns: readonly HeadEndColumn[];
  readonly rows: readonly (readonly string[])[];
}

export interface HeadEndSheetWords {
  readonly kinds: Readonly<Record<EquipmentKind, string>>;
  readonly ports: Readonly<Record<PortKind, string>>;
  readonly outdoors: string;
  readonly rear: string;
  readonly onWall: string;
  readonly waits: string;
  readonly poe: (name: string) => string;
  readonly circuit: (name: string) => string;
  readonly outlets: (name: string) => string;
  readonly holds: (name: string, minutes: number) => string;
  readonly air: (litres: number, cfm: number) => string;
  readonly days: (days: number) => string;
}

/** What an installer needs at head ends: equipment with its place, ports with runs and cords, what it draws and gives off. */
export function headEndSheet(project: ProjectDocument, words: HeadEndSheetWords): HeadEndTable[] {
  const headEnds = derivationsOf(project)
    .get(HEAD_ENDS)
    .filter(({ equipment }) => equipment.length > 0);
  const each = (rows: (headEnd: HeadEnd) => string[][]) =>
    headEnds.flatMap((one) => rows(one).map((row) => [one.rack.name, ...row]));
  const tables: HeadEndTable[] = [
    {
      section: 'equipment',
      columns: ['headEnd', 'place', 'what', 'kind', 'power', 'heat', 'weight', 'fed'],
      rows: each((one) => equipmentRows(one, words)),
    },
    {
      section: 'budgets',
      columns: ['headEnd', 'port', 'needed', 'there', 'wanted'],
      rows: each(({ ports }) =>
        ports.map(({ kind, needed, there, wanted }) => [words.ports[kind], String(needed), String(there), String(wanted)]),
      ),
    },
    {
      section: 'patches',
      columns: ['headEnd', 'what', 'port', 'run', 'device', 'to', 'cord'],
      rows: each((one) => scheduleRows(project, one, words)),
    },
    {
      section: 'cords',
      columns: ['headEnd', 'cord', 'count'],
      rows: each((one) =>
        cordCounts(one).map(({ color, lengthM, count }) => [
          `${color} ${formatLength(lengthM, project.project.units)}`,
          String(count),
        ]),
      ),
    },
    { section: 'power', columns: ['headEnd', 'what', 'used', 'most'], rows: each((one) => powerRows(one, words)) },
    {
      section: 'open',
      columns: ['headEnd', 'run', 'port'],
      rows: each(({ open }) => open.map(({ number, kind }) => [number, words.ports[kind]])),
    },
  ];
  return tables.filter(({ rows }) => rows.length > 0);
}

const watts = (value: number): string => (value === 0 ? '' : `${Math.round(value)} W`);

function placeOf({ atUnit, units, face, xM, yM }: Equipment, { rear, onWall }: HeadEndSheetWords): string {
  if (atUnit !== null) return `U${atUnit}${units > 1 ? `–${atUnit + units - 1}` : ''}${face === 'rear' ? ` ${rear}` : ''}`;
  return xM === null ? onWall : `${xM.toFixed(2)} / ${(yM ?? 0).toFixed(2)} m`;
}

function equipmentRows({ equipment }: HeadEnd, words: HeadEndSheetWords): string[][] {
  const nameOf = new Map(equipment.map(({ id, name }) => [id, name]));
  return [...equipment]
    .sort((a, b) => fromTop(a, b) || (a.name < b.name ? -1 : 1))
    .map((one) => [
      ...[placeOf(one, words), one.name, words.kinds[one.kind], watts(one.powerW), watts(one.heatW)],
      ...[`${one.weightKg.toFixed(1)} kg`, nameOf.get(one.feedId ?? '') ?? ''],
    ]);
}

function scheduleRows(project: ProjectDocument, headEnd: HeadEnd, words: HeadEndSheetWords): string[][] {
  const { units } = project.project;
  return patchRows(project, headEnd).map((row) => [
    ...[row.equipment, row.port, row.number, `${row.room || words.outdoors} · ${row.device}`],
    row.waits ? words.waits : `${row.to} ${row.toPort}`.trim(),
    row.lengthM === null ? '' : `${row.color} ${formatLength(row.lengthM, units)}`,
  ]);
}

function powerRows({ power, poe, recorder, equipment }: HeadEnd, words: HeadEndSheetWords): string[][] {
  const nameOf = (id: string) => equipment.find((one) => one.id === id)?.name ?? '';
  return [
    ...poe.map(({ equipmentId, needW, budgetW }) => [words.poe(nameOf(equipmentId)), watts(needW), watts(budgetW)]),
    ...power.circuits.map(({ circuit, va, mostVa }) => [
      words.circuit(circuit.name),
      `${Math.round(va)} VA`,
      `${Math.round(mostVa)} VA`,
    ]),
    ...power.feeds.map(({ equipmentId, plugs, outlets }) => [words.outlets(nameOf(equipmentId)), String(plugs), String(outlets)]),
    ...power.ups.map(({ equipmentId, loadW, ratedW, minutes }) => [
      words.holds(nameOf(equipmentId), minutes === null || !Number.isFinite(minutes) ? 0 : Math.floor(minutes)),
      watts(loadW),
      watts(ratedW),
    ]),
    [
      words.air(Math.ceil(1000 * power.airM3PerS), Math.ceil(power.cfm)),
      watts(power.heatW),
      `${Math.round(power.btuPerH)} BTU/h`,
    ],
    ...(recorder && recorder.days !== null
      ? [[words.days(Math.floor(recorder.days)), String(recorder.cameras), String(recorder.channels)]]
      : []),
  ];
}

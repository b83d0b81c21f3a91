import { derivationsOf, listOf } from '../../derive/index.ts';
import { deviceTitle } from '../../devices/index.ts';
import {
  alarmPlans,
  bondPaths,
  type ControlBy,
  controlPathsOf,
  cordCounts,
  equipmentRoom,
  fromTop,
  HEAD_END_PARTS,
  type HeadEnd,
  HEAD_ENDS,
  patchRows,
  pathGbps,
  type PathLack,
  type PathMethod,
  restartOrder,
  RF_LEVELS,
  type RfEnd,
  rfTree,
  SIGNAL_TABLE,
  zoneRows,
} from '../../head-end/index.ts';
import { formatLength } from '../../math/index.ts';
import type { Equipment, EquipmentKind, PortKind, ProjectDocument, SceneTrigger } from '../../model/index.ts';

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
  | 'most'
  | 'room'
  | 'load'
  | 'watts'
  | 'loss'
  | 'input'
  | 'source'
  | 'sink'
  | 'way'
  | 'by'
  | 'scene'
  | 'trigger'
  | 'acts'
  | 'terminals'
  | 'loop'
  | 'length'
  | 'rest'
  | 'trip'
  | 'cut'
  | 'lowest'
  | 'highest'
  | 'verdict'
  | 'step';

export interface HeadEndTable {
  readonly section:
    | 'equipment'
    | 'budgets'
    | 'patches'
    | 'cords'
    | 'power'
    | 'open'
    | 'zones'
    | 'signals'
    | 'coax'
    | 'bond'
    | 'alarm'
    | 'control'
    | 'scenes'
    | 'restart'
    | 'sleeves';
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
  readonly by: Readonly<Record<ControlBy, string>>;
  readonly lacks: Readonly<Record<PathLack, string>>;
  readonly methods: Readonly<Record<PathMethod, string>>;
  readonly sound: string;
  readonly verdicts: Readonly<Record<RfEnd['verdict'], string>>;
  readonly triggers: Readonly<Record<SceneTrigger, string>>;
  readonly means: Readonly<Record<string, string>>;
  readonly openLoop: string;
  readonly notBonded: string;
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
    ...houseTables(project, words),
    {
      section: 'sleeves',
      columns: ['headEnd', 'what', 'count', 'port', 'used', 'most'],
      rows: each(({ rack }) =>
        (equipmentRoom(project, rack.id)?.entries ?? []).map(({ names, cables, sleeves, size, fill, limit }) => [
          ...[names.join(', '), String(cables), `${sleeves} × ${size}`],
          ...[`${Math.round(fill * 100)} %`, `${Math.round(limit * 100)} %`],
        ]),
      ),
    },
  ];
  return tables.filter(({ rows }) => rows.length > 0);
}

/** What goes over several head ends: zones, signals, coax, alarm, control. */
function houseTables(project: ProjectDocument, words: HeadEndSheetWords): HeadEndTable[] {
  const parts = derivationsOf(project).get(HEAD_END_PARTS);
  if (parts.equipment.length === 0) return [];
  const steps = restartOrder(parts).map(({ step, names }) => [String(step), names.join(', ')]);
  return [
    {
      section: 'zones',
      columns: ['room', 'run', 'device', 'port', 'load', 'watts', 'loss', 'input'],
      rows: zoneLines(project, words),
    },
    { section: 'signals', columns: ['sink', 'source', 'way'], rows: signalLines(project, words) },
    { section: 'coax', columns: ['source', 'way', 'run', 'lowest', 'highest', 'verdict'], rows: coaxLines(project, words) },
    { section: 'bond', columns: ['device', 'way', 'length'], rows: bondLines(project, words) },
    {
      section: 'alarm',
      columns: ['terminals', 'run', 'device', 'loop', 'rest', 'trip', 'cut'],
      rows: alarmLines(project, words),
    },
    { section: 'control', columns: ['room', 'device', 'by', 'run', 'port'], rows: controlLines(project, words) },
    { section: 'scenes', columns: ['scene', 'room', 'trigger', 'acts'], rows: sceneLines(project, words) },
    { section: 'restart', columns: ['step', 'what'], rows: steps },
  ];
}

const nameOfDevice = (project: ProjectDocument, deviceId: string): string => {
  const device = project.devices[deviceId];
  return device ? deviceTitle(device, project.deviceTypes[device.typeId]) : '';
};
const nameOfRoom = (project: ProjectDocument, deviceId: string, { outdoors }: HeadEndSheetWords): string =>
  project.rooms[project.devices[deviceId]?.roomId ?? '']?.name ?? outdoors;
const portOf = (
  { equipment }: ProjectDocument,
  at: { readonly equipmentId: string | null; readonly port: string | null } | null,
): string => (at?.equipmentId ? `${equipment[at.equipmentId]?.name ?? ''} ${at.port ?? ''}` : '');

function zoneLines(project: ProjectDocument, words: HeadEndSheetWords): string[][] {
  return zoneRows(project).flatMap(({ name, channels }) =>
    channels.map((one) => [
      ...[name || words.outdoors, one.number, nameOfDevice(project, one.deviceId), portOf(project, one)],
      one.loadOhm === null ? '' : `${Number(one.loadOhm.toFixed(1))} Ω`,
      one.watts === null ? '' : `${Math.round(one.watts)} W`,
      one.lossDb === null ? '' : `${one.lossDb.toFixed(2)} dB`,
      portOf(project, one.input),
    ]),
  );
}

function signalLines(project: ProjectDocument, words: HeadEndSheetWords): string[][] {
  const { cells, sources, sinks } = derivationsOf(project).get(SIGNAL_TABLE);
  const sourceOf = new Map(sources.map(({ id, name }) => [id, name]));
  return sinks.flatMap((sink) =>
    cells
      .filter(({ sinkId }) => sinkId === sink.id)
      .map((cell) => {
        const gbps = cell.method === null ? null : pathGbps(project, cell);
        const ports = cell.path.map((at) => portOf(project, at)).join(' → ');
        const how =
          cell.method === null ? words.sound : `${words.methods[cell.method]}${gbps === null ? '' : `, ${gbps} Gbit/s`}`;
        const way = cell.isReached ? `${how}: ${ports}` : `${words.lacks[cell.lack ?? 'no-way']} (${portOf(project, cell.at)})`;
        return [sink.name || words.outdoors, sourceOf.get(cell.sourceId) ?? '', way];
      }),
  );
}

/** The tree of each signal, a step a line, indented below the one that it comes from; what is used has its level at the outlet. */
function coaxLines(project: ProjectDocument, words: HeadEndSheetWords): string[][] {
  return derivationsOf(project)
    .get(RF_LEVELS)
    .reaches.flatMap((reach) =>
      rfTree(reach).map((step) => {
        const { end } = step;
        const [low, high] = end ? [end.lowDbuv, end.highDbuv] : [step.lowDbuv, step.highDbuv];
        return [
          reach.source.name,
          `${'· '.repeat(step.depth)}${portOf(project, step)}`,
          end?.runId ? project.runs[end.runId].number : '',
          ...[`${low.toFixed(1)} dBµV`, `${high.toFixed(1)} dBµV`, end ? words.verdicts[end.verdict] : ''],
        ];
      }),
    );
}

/** The conductors from each antenna to the electrode; where they end before it, that is said. */
function bondLines(project: ProjectDocument, words: HeadEndSheetWords): string[][] {
  const { units } = project.project;
  return bondPaths(project).map(({ deviceId, name, steps, isWhole, lengthM }) => [
    `${nameOfRoom(project, deviceId, words)} · ${name}`,
    [...steps.map(({ number, cable, to }) => `${number} (${cable}) → ${to}`), ...(isWhole ? [] : [words.notBonded])].join('; '),
    lengthM === null || steps.length === 0 ? '' : formatLength(lengthM, units),
  ]);
}

function alarmLines(project: ProjectDocument, words: HeadEndSheetWords): string[][] {
  const ohm = (value: number | null): string => (value === null ? words.openLoop : `${Math.round(value)} Ω`);
  return alarmPlans(project).flatMap(({ zones }) =>
    zones.map(({ terminals, sensors, loopOhm, reads, means }) => [
      ...[terminals, sensors.map(({ number }) => number).join('\n')],
      sensors.map(({ deviceId }) => `${nameOfRoom(project, deviceId, words)} · ${nameOfDevice(project, deviceId)}`).join('\n'),
      loopOhm === null ? '' : `${loopOhm.toFixed(1)} Ω`,
      ...(['rest', 'trip', 'cut'] as const).map((test) => `${ohm(reads[test])}: ${words.means[means[test]]}`),
    ]),
  );
}

function controlLines(project: ProjectDocument, words: HeadEndSheetWords): string[][] {
  return controlPathsOf(project).map((one) => [
    ...[nameOfRoom(project, one.deviceId, words), nameOfDevice(project, one.deviceId), words.by[one.by], one.number],
    portOf(project, one),
  ]);
}

function sceneLines(project: ProjectDocument, words: HeadEndSheetWords): string[][] {
  return listOf(project, 'scenes').map(({ name, roomId, trigger, deviceId, at, actions }) => [
    ...[name, project.rooms[roomId ?? '']?.name ?? ''],
    [words.triggers[trigger], deviceId ? nameOfDevice(project, deviceId) : '', at].filter(Boolean).join(', '),
    actions
      .map((one) => `${nameOfRoom(project, one.deviceId, words)} · ${nameOfDevice(project, one.deviceId)}: ${one.does}`)
      .join('; '),
  ]);
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

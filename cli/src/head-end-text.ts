import { WINDOWS } from '@dusky-spool/core/calculators';
import { edited, derivationsOf } from '@dusky-spool/core/derive';
import {
  alarmPlans,
  bondPaths,
  busUses,
  chooseEnclosure,
  controlPathsOf,
  equipmentRoom,
  HEAD_END_PARTS,
  restartOrder,
  RF_LEVELS,
  sceneLacks,
  shortfalls,
  SIGNAL_TABLE,
  zoneRows,
  cordCounts,
  designHeadEnd,
  fromTop,
  type HeadEnd,
  HEAD_ENDS,
  patchRows,
  type Removed,
  rfOutlets,
  type RfService,
  type RfSource,
  solveRf,
  whatStops,
} from '@dusky-spool/core/head-end';
import { err } from '@dusky-spool/core/math';
import type { ProjectDocument } from '@dusky-spool/core/model';
import { problemSentence } from '@dusky-spool/texts';
import { bad, type CommandResult, good, json } from './result.ts';

interface Flags {
  readonly design: boolean;
  readonly json: boolean;
  /** A service whose levels are worked out: `cable-modem:55:1000:70:68` with both ends of the band, MHz, and levels there, dBuV. */
  readonly rf: string | null;
  /** A run number, or the name of equipment or of a circuit, whose loss is looked at. */
  readonly without: string | null;
}

/** Every head end: equipment, ports, patching, power and heat; designed where asked for; and what one loss would stop. */
export function headEndText(project: ProjectDocument, flags: Flags): CommandResult {
  const designed = flags.design ? designAll(project) : { project, refused: [] };
  const house = designed.project;
  if (flags.without !== null) return withoutText(house, flags.without, flags.json);
  if (flags.rf !== null) return rfText(house, flags.rf, flags.json);
  const headEnds = derivationsOf(house).get(HEAD_ENDS);
  if (flags.json)
    return good(
      json({
        units: 'm',
        refused: designed.refused,
        headEnds: headEnds.map((one) => ({
          ...plain(one),
          ...{ schedule: patchRows(house, one), cords: cordCounts(one), short: shortfalls(one) },
          room: equipmentRoom(house, one.rack.id),
        })),
        ...wholeHouse(house),
      }),
    );
  return good(
    [
      ...designed.refused.map(({ headEnd, why }) => `${headEnd}: ${why}`),
      ...headEnds.flatMap((one) => lines(house, one)),
      ...houseLines(house),
    ].join('\n'),
  );
}

/** What goes over all head ends. */
function wholeHouse(project: ProjectDocument) {
  const derived = derivationsOf(project);
  return {
    ...{ zones: zoneRows(project), signals: derived.get(SIGNAL_TABLE), coax: derived.get(RF_LEVELS) },
    bonds: bondPaths(project),
    ...{ alarms: alarmPlans(project), control: controlPathsOf(project), buses: busUses(project), scenes: sceneLacks(project) },
    restart: restartOrder(derived.get(HEAD_END_PARTS)),
  };
}

function houseLines(project: ProjectDocument): string[] {
  const { zones, signals, coax, bonds, alarms, control, scenes } = wholeHouse(project);
  const nameOf = (id: string) => project.equipment[id]?.name ?? '';
  const sinkOf = new Map(signals.sinks.map(({ id, name }) => [id, name]));
  return [
    ...zones.map(
      ({ name, channels, watts }) =>
        `zone ${name || 'outdoors'}: ${channels.map(({ number }) => number).join(' ')}, ${fixed(watts)} W`,
    ),
    ...signals.cells.map(
      ({ sourceId, sinkId, isReached, method, lack }) =>
        `signal ${nameOf(sourceId)} -> ${sinkOf.get(sinkId) || 'outdoors'}: ${isReached ? (method ?? 'sound') : `missing, ${lack}`}`,
    ),
    ...coax.reaches.flatMap(({ source, ends }) =>
      ends.map(
        ({ runId, equipmentId, lowDbuv, highDbuv, verdict }) =>
          `coax ${source.name} -> ${runId ? project.runs[runId].number : nameOf(equipmentId)}: ${fixed(lowDbuv, 1)} to ${fixed(highDbuv, 1)} dBuV, ${verdict}`,
      ),
    ),
    ...bonds.map(
      ({ name, steps, isWhole, lengthM }) =>
        `bond ${name}: ${steps.map(({ number, to }) => `${number} -> ${to}`).join(', ') || '-'}, ${lengthM === null ? '-' : fixed(lengthM, 1)} m, ${isWhole ? 'to the electrode' : 'not to the electrode'}`,
    ),
    ...coax.loops.map((id) => `coax loop: ${nameOf(id)}`),
    ...alarms.map(
      ({ panel, zones: own, neededAh, hours }) =>
        `alarm ${panel.name}: ${own.length} zones, ${neededAh === null ? '-' : fixed(neededAh, 1)} Ah for ${hours} h`,
    ),
    ...control
      .filter(({ isWhole }) => !isWhole)
      .map(({ number, deviceId, by }) => `control ${number || deviceId}: ${by}, not whole`),
    ...scenes.map(
      ({ sceneId, reason, deviceId }) => `scene ${project.scenes[sceneId].name}: ${reason}${deviceId ? ` ${deviceId}` : ''}`,
    ),
  ];
}

const plain = ({ terminations, ...rest }: HeadEnd) => ({ ...rest, terminations: [...terminations.values()] });

function designAll(project: ProjectDocument): { project: ProjectDocument; refused: { headEnd: string; why: string }[] } {
  let [house, count] = [project, 0];
  const refused: { headEnd: string; why: string }[] = [];
  for (const rack of Object.values(project.racks)) {
    const found = designHeadEnd(house, rack.id, (kind) => `${kind}-new${++count}`);
    const after = found.ok ? edited(house, found.value.operations) : found;
    if (after.ok) house = after.value as ProjectDocument;
    else refused.push({ headEnd: rack.name, why: problemSentence(after.problem, house.project.units) });
  }
  return { project: house, refused };
}

function withoutText(project: ProjectDocument, name: string, asJson: boolean): CommandResult {
  const removed = thingOf(project, name);
  if (!removed) {
    const none = err('head-end-unknown', { kind: 'invalid', field: '--without', value: name });
    return bad(none.ok ? { code: 'head-end-unknown' } : none.problem, asJson);
  }
  const { runs, equipment } = whatStops(project, removed);
  if (asJson)
    return good(
      json({
        removed,
        runs: runs.map(({ number }) => number),
        equipment: equipment.map(({ id, name: own }) => ({ id, name: own })),
      }),
    );
  return good(
    [
      `without ${name}: ${runs.length} runs and ${equipment.length} pieces of equipment stop`,
      ...equipment.map(({ name: own }) => `  ${own}`),
      ...runs.map(({ number }) => `  ${number}`),
    ].join('\n'),
  );
}

/** The tree of splitters that brings every coax outlet of each head end into its window. */
function rfText(project: ProjectDocument, asked: string, asJson: boolean): CommandResult {
  const [service, ...figures] = asked.split(':');
  const [lowestMhz, highestMhz, atLowestDbuv, atHighestDbuv] = figures.map(Number);
  if (
    !Object.hasOwn(WINDOWS, service) ||
    figures.length !== 4 ||
    figures.some((one) => one === '' || !Number.isFinite(Number(one)))
  ) {
    const wrong = err('rf-source-unread', {
      kind: 'invalid',
      field: '--rf',
      value: asked,
      services: Object.keys(WINDOWS).join(', '),
    });
    return bad(wrong.ok ? { code: 'rf-source-unread' } : wrong.problem, asJson);
  }
  const source: RfSource = { service: service as RfService, lowestMhz, highestMhz, atLowestDbuv, atHighestDbuv };
  const trees = derivationsOf(project)
    .get(HEAD_ENDS)
    .map((headEnd) => ({ headEnd, outlets: rfOutlets(project, headEnd, source) }))
    .filter(({ outlets }) => outlets.length > 0)
    .map(({ headEnd, outlets }) => ({ name: headEnd.rack.name, outlets, found: solveRf(source, outlets) }));
  if (asJson)
    return good(
      json({
        source,
        headEnds: trees.map(({ name, outlets, found }) => ({
          name,
          outlets,
          ...(found.ok ? { plan: found.value } : { problem: found.problem }),
        })),
      }),
    );
  return good(
    trees
      .flatMap(({ name, outlets, found }) => {
        if (!found.ok) return [`${name}: ${problemSentence(found.problem)}`];
        const numberOf = new Map(outlets.map(({ id, number }) => [id, number]));
        const { gainDb, levels, terminators, price } = found.value;
        return [
          `${name}: ${gainDb === 0 ? 'no amplifier' : `amplifier of ${gainDb} dB`}, ${terminators} terminators, parts ${price}`,
          ...levels.map(
            (one) =>
              `  ${(numberOf.get(one.id) ?? '').padEnd(14)} ${fixed(one.atLowestDbuv, 1)} to ${fixed(one.atHighestDbuv, 1)} dBuV${one.padDb > 0 ? `, pad ${one.padDb} dB` : ''}${one.onTarget ? '' : ', in the window but off its target'}`,
          ),
        ];
      })
      .join('\n'),
  );
}

function thingOf(project: ProjectDocument, name: string): Removed | null {
  const run = Object.values(project.runs).find(({ number }) => number === name);
  if (run) return { kind: 'run', id: run.id };
  const equipment = Object.values(project.equipment).find((one) => one.name === name || one.id === name);
  if (equipment) return { kind: 'equipment', id: equipment.id };
  const circuit = Object.values(project.circuits).find((one) => one.name === name);
  return circuit ? { kind: 'circuit', id: circuit.id } : null;
}

const fixed = (value: number, digits = 0): string => value.toFixed(digits);

function lines(project: ProjectDocument, headEnd: HeadEnd): string[] {
  const { rack, equipment, open, ports, units, poe, recorder, power, weightKg } = headEnd;
  const nameOf = new Map(equipment.map(({ id, name }) => [id, name]));
  const choice = rack.kind === 'enclosure' ? chooseEnclosure(headEnd.needs, rack) : null;
  return [
    `${rack.name}: ${equipment.length} pieces of equipment, ${units.used} of ${units.total} U, ${fixed(weightKg, 1)} kg, ${fixed(power.watts)} W, ${fixed(power.btuPerH)} BTU/h`,
    ...(choice
      ? [
          `  enclosure${choice.isRackAdvised ? ', a rack advised' : ''}: ${choice.size ? `${choice.size.name}, ${fixed(choice.price ?? 0)}` : 'none holds it'}${choice.reasons.length > 0 ? ` (${choice.reasons.join(', ')})` : ''}; a rack of ${choice.rack.units} U: ${fixed(choice.rack.price)}`,
        ]
      : []),
    ...ports.map(
      ({ kind, needed, wanted, there, used }) =>
        `  ${kind}: ${used} of ${needed} on ports, ${there} there, ${wanted} wanted with spare`,
    ),
    ...poe.map(
      ({ equipmentId, needW, budgetW, ports: all, portsUsed }) =>
        `  ${nameOf.get(equipmentId)}: PoE ${fixed(needW, 1)} of ${fixed(budgetW)} W, ${portsUsed} of ${all} ports`,
    ),
    ...(recorder
      ? [
          `  recorder: ${recorder.cameras} cameras on ${recorder.channels} channels, ${recorder.days === null ? '-' : fixed(recorder.days)} days`,
        ]
      : []),
    ...power.circuits.map(({ circuit, va, mostVa }) => `  circuit ${circuit.name}: ${fixed(va)} of ${fixed(mostVa)} VA`),
    ...power.ups.map(
      ({ equipmentId, loadW, minutes }) =>
        `  ${nameOf.get(equipmentId)}: ${fixed(loadW)} W, ${minutes === null ? '-' : fixed(minutes)} min`,
    ),
    ...[...equipment]
      .sort(fromTop)
      .map(
        ({ name, atUnit, units: own, face, xM, yM }) =>
          `  ${atUnit === null ? (xM === null ? '-' : `${fixed(xM, 2)}/${fixed(yM ?? 0, 2)}`) : `U${atUnit}${own > 1 ? `-${atUnit + own - 1}` : ''}`} ${name}${face === 'rear' ? ' (rear)' : ''}`,
      ),
    ...patchRows(project, headEnd).map(
      ({ number, equipment: at, port, to, toPort, color, lengthM, waits }) =>
        `  ${number.padEnd(14)} ${at} ${port}${to ? ` -> ${to} ${toPort}, ${color} ${lengthM} m` : waits ? ' -> waits' : ''}`,
    ),
    ...open.map(({ number, kind }) => `  ${number.padEnd(14)} on no ${kind} port`),
  ];
}

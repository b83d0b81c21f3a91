import { endOfLine, routedLength, standbyBattery, wireResistance } from '../calculators/index.ts';
import { derivationsOf } from '../derive/index.ts';
import { groupedBy } from '../math/index.ts';
import type { CableType, Equipment, ProjectDocument } from '../model/index.ts';
import { plannedRun } from '../runs/index.ts';
import { HEAD_END_PARTS } from './parts.ts';
import { portAt } from './ports.ts';

/** What a step of the test of a zone does at its device, and what the panel must then say. */
export type ZoneTest = 'rest' | 'trip' | 'short' | 'cut';

/** A sensor on a zone with its cable. */
export interface ZoneSensor {
  readonly runId: string;
  readonly number: string;
  readonly deviceId: string;
  /** Resistance of its cable there and back, ohm; null without a route. */
  readonly loopOhm: number | null;
  /** Current that it takes, A. */
  readonly currentA: number;
}

/** A zone of an alarm panel: its terminals, what is on its loop and how it reads. */
export interface SecurityZone {
  readonly equipmentId: string;
  readonly port: string;
  /** Screws of the panel: zone n has 2n - 1 and 2n. */
  readonly terminals: string;
  /** One sensor, or contacts in series; the resistor is at the last. */
  readonly sensors: readonly ZoneSensor[];
  /** A contact that opens, or one that closes, when it reports. */
  readonly contact: 'closed' | 'open';
  readonly endOfLineOhm: number;
  /** Across each contact with double end-of-line, ohm; 0 is single. */
  readonly acrossOhm: number;
  /** Resistance of all of its cables there and back, ohm; null where one has no route. */
  readonly loopOhm: number | null;
  readonly isLoopOver: boolean;
  /** What a meter at the panel reads at rest, tripped, shorted and cut, ohm; null is open. */
  readonly reads: Readonly<Record<ZoneTest, number | null>>;
  /** What it means at the panel. */
  readonly means: Readonly<Record<ZoneTest, ZoneMeaning>>;
}
export type ZoneMeaning = 'normal' | 'alarm' | 'fault' | 'tamper';

/** Keypads and sirens on their terminals. */
export interface SecurityOutput {
  readonly equipmentId: string;
  readonly port: string;
  readonly runId: string;
  readonly number: string;
  readonly deviceId: string;
  readonly currentA: number;
}

export interface AlarmPlan {
  readonly panel: Equipment;
  readonly zones: readonly SecurityZone[];
  readonly keypads: readonly SecurityOutput[];
  readonly sirens: readonly SecurityOutput[];
  readonly standbyA: number;
  readonly alarmA: number;
  /** Battery that holds it as long as the region asks; null where none of those sold does. */
  readonly neededAh: number | null;
  readonly batteryAh: number | null;
  readonly hours: number;
}

/** Contacts that close when they report: leak sensors, buttons. The others open. */
const CLOSES = /leak|bell|button/;
/** A panel takes so much for itself, A. */
const PANEL_A = 0.08;
/** Hours on battery: residential in North America, and elsewhere (ENGINEERING 17.4). */
const HOURS = { NA: 4, other: 12 } as const;
const ALARM_MINUTES = 5;

/** Every alarm panel with its zones in the order of their terminals. */
export function alarmPlans(project: ProjectDocument): AlarmPlan[] {
  const parts = derivationsOf(project).get(HEAD_END_PARTS);
  return parts.equipment
    .filter(({ kind }) => kind === 'alarm-panel')
    .map((panel) => {
      const ended = (parts.terminationsOn.get(panel.id) ?? [])
        .flatMap(({ port, runId }) => {
          const at = portAt(panel, port);
          const need = parts.needByRun.get(runId);
          return at && need ? [{ at, need }] : [];
        })
        .sort((a, b) => a.at.n - b.at.n);
      const of = (kind: string) => ended.filter(({ at }) => at.group.kind === kind);
      const outputs = (kind: string) =>
        of(kind).map(({ at, need }) => ({
          ...{ equipmentId: panel.id, port: at.name, runId: need.runId, number: need.number, deviceId: need.deviceId },
          currentA: ampsOf(need),
        }));
      const onZone = groupedBy(of('zone'), ({ at }) => at.n);
      const placeAt = new Map((parts.terminationsOn.get(panel.id) ?? []).map(({ runId, place }) => [runId, place]));
      const zones = [...onZone].map(([n, own]) =>
        zoneOf(
          project,
          panel,
          n,
          own.map(({ need }) => need),
          placeAt,
        ),
      );
      const [keypads, sirens] = [outputs('bus'), outputs('relay')];
      const sum = (list: readonly { readonly currentA: number }[]) => list.reduce((total, { currentA }) => total + currentA, 0);
      const standbyA = PANEL_A + sum(zones.flatMap(({ sensors }) => sensors)) + sum(keypads);
      const alarmA = standbyA + sum(sirens);
      const hours = project.project.jurisdiction === 'NA' ? HOURS.NA : HOURS.other;
      const battery = standbyBattery.run({
        ...{ standbyA, standbyHours: hours, alarmA, alarmMinutes: ALARM_MINUTES },
        ...{ temperatureC: 20, chargeA: null },
      });
      return {
        ...{ panel, zones, keypads, sirens, standbyA, alarmA, hours },
        neededAh: battery.ok ? battery.value.neededAh : null,
        batteryAh: battery.ok ? battery.value.batteryAh : null,
      };
    });
}

const ampsOf = ({ dcW, dcV }: { readonly dcW: number; readonly dcV: number | null }): number => (dcV ? dcW / dcV : 0);

type Need = {
  readonly runId: string;
  readonly number: string;
  readonly deviceId: string;
  readonly dcW: number;
  readonly dcV: number | null;
};

function zoneOf(
  project: ProjectDocument,
  panel: Equipment,
  n: number,
  needs: readonly Need[],
  placeAt: ReadonlyMap<string, number>,
): SecurityZone {
  const { endOfLineOhm = 0, acrossOhm = 0, mostLoopOhm = Infinity } = panel.alarm ?? {};
  const placeOf = ({ runId }: Need) => placeAt.get(runId) ?? 1;
  const sensors = [...needs]
    .sort((a, b) => placeOf(a) - placeOf(b))
    .map((need): ZoneSensor => {
      const { run, length } = plannedRun(project, need.runId);
      const loopOhm = length ? loopOf(project.cableTypes[run.cableTypeId], routedLength(length), project.project.ambientC) : null;
      return { runId: need.runId, number: need.number, deviceId: need.deviceId, loopOhm, currentA: ampsOf(need) };
    });
  const loopOhm = sensors.some((one) => one.loopOhm === null) ? null : sensors.reduce((sum, one) => sum + one.loopOhm!, 0);
  const contact = needs.some(({ deviceId }) => CLOSES.test(project.devices[deviceId].typeId)) ? 'open' : 'closed';
  const isDouble = contact === 'closed' && endOfLineOhm > 0 && acrossOhm > 0;
  return {
    ...{ equipmentId: panel.id, port: `zone ${n}`, terminals: `${2 * n - 1}, ${2 * n}`, sensors, contact, endOfLineOhm, loopOhm },
    acrossOhm: isDouble ? acrossOhm : 0,
    isLoopOver: loopOhm !== null && loopOhm > mostLoopOhm * (1 + 1e-9),
    reads: readsOf(contact, { endOfLineOhm, acrossOhm: isDouble ? acrossOhm : 0, loopOhm: loopOhm ?? 0 }),
    means:
      contact === 'open'
        ? { rest: 'normal', trip: 'alarm', short: 'alarm', cut: 'fault' }
        : isDouble
          ? { rest: 'normal', trip: 'alarm', short: 'tamper', cut: 'tamper' }
          : { rest: 'normal', trip: 'alarm', short: 'fault', cut: 'alarm' },
  };
}

/** Resistance of a pair there and back, ohm (ENGINEERING 17.2); null where its gauge is not known. */
function loopOf(cable: CableType | undefined, lengthM: number, temperatureC: number): number | null {
  if (!cable || cable.gaugeAwg === null) return null;
  const wire = wireResistance({ gaugeAwg: cable.gaugeAwg, stranded: cable.stranded, material: 'copper', temperatureC });
  return wire.ok ? (2 * lengthM * wire.value.ohmPerKm) / 1000 : null;
}

interface Loop {
  readonly endOfLineOhm: number;
  readonly acrossOhm: number;
  readonly loopOhm: number;
}

/** Readings of a loop (ENGINEERING 17.3): closed contacts have the resistor in series, open ones across. */
function readsOf(contact: SecurityZone['contact'], { endOfLineOhm, acrossOhm, loopOhm }: Loop): SecurityZone['reads'] {
  if (contact === 'open') {
    // Without a resistor at rest the loop is open.
    const rest = endOfLineOhm === 0 ? null : endOfLineOhm + loopOhm;
    return { rest, trip: loopOhm, short: loopOhm, cut: null };
  }
  if (endOfLineOhm === 0) return { rest: loopOhm, trip: null, short: loopOhm, cut: null };
  const read = (state: 'normal' | 'alarm' | 'short' | 'open') => {
    const found = endOfLine.run({
      kind: acrossOhm > 0 ? 'double' : 'single',
      endOhm: endOfLineOhm,
      acrossOhm: acrossOhm || 1,
      loopOhm,
      state,
      supplyV: null,
      pullUpOhm: null,
    });
    return found.ok ? found.value.ohm : null;
  };
  return { rest: read('normal'), trip: read('alarm'), short: read('short'), cut: read('open') };
}

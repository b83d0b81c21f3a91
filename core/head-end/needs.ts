import { POE_CLASSES } from '../calculators/index.ts';
import { each } from '../derive/index.ts';
import { wallSide } from '../devices/index.ts';
import {
  DATA_CATEGORIES,
  type CableType,
  type DataCategory,
  type DeviceType,
  type PortKind,
  type ProjectDocument,
  type Run,
  sameValue,
} from '../model/index.ts';

/** What the head end of a run needs: a port of a kind, and what it must carry. */
export interface RunNeed {
  readonly runId: string;
  readonly number: string;
  readonly rackId: string;
  readonly deviceId: string;
  /** Which of the cables of its device it is, from 1. */
  readonly leg: number;
  readonly kind: PortKind;
  /** Ports that it takes side by side: a speaker cable of four conductors has two channels. */
  readonly ports: number;
  /** Least category of the panel: that of the cable. */
  readonly category: DataCategory | null;
  /** Class that feeds its device, and watts at the source; null where it is not fed. */
  readonly poeClass: number | null;
  readonly poeW: number;
  /** A camera or door station whose pictures are kept. */
  readonly isRecorded: boolean;
  /** The device belongs to the client or comes later: it is not patched until it is there. */
  readonly waits: boolean;
  /** What feeds it: a supply for shades, for strips, the siren output of an alarm panel, or any. */
  readonly feeds: 'shade' | 'strip' | 'siren' | null;
  /** Its signal comes in here: from an antenna, a dish or the line of the provider. */
  readonly isSignalIn: boolean;
  /** A speaker with a transformer on a constant-voltage line. */
  readonly isLine: boolean;
  /** A channel of a theatre, which a receiver drives. */
  readonly isTheatre: boolean;
  /** Supplies: watts and volts of the device. */
  readonly dcW: number;
  readonly dcV: number | null;
  /** Nominal load of a channel, ohm; null where it is not stated. */
  readonly impedanceOhm: number | null;
  /** Contacts at openings of one side of a level may share a zone; null may not. */
  readonly facade: string | null;
  readonly system: DeviceType['system'];
  readonly roomId: string | null;
  /** Its room, or the outdoor area that it stands in. */
  readonly placeId: string | null;
}

/** Cables that end in no port: conduits, and conductors of the bonding. */
const NO_PORT: ReadonlySet<string> = new Set(['conduit', 'bond']);
const CATEGORY = /^cat(\d)(a|e)?/;
const RECORDED = /camera|door-station|gate-station/;
const OWN_DEVICE = /^(network-drop|desk-drop|floor-box|phone|game-point|outdoor-stub|coax-outlet)$/;
/** What brings a signal on coax in. */
const SIGNAL_IN = /aerial|antenna|dish|line-entry|modem-place/;
/** Speakers of more than this have a transformer for a line, ohm. */
const LINE_OHM = 100;
/** Guard devices that a contact switches. */
const SWITCHED = /siren|lock|chime|gate/;
const SIREN = /siren/;
const CONTACT = /^opening-contact/;
const BUS = /keypad|touch-panel|push-button|reader/;
/** A shade motor or a strip whose watts nobody stated, W. */
const USUAL_FEED_W = 24;

/** The category of a data cable by its name in the library; 6 where nothing else is said. */
export function categoryOf({ id, name }: Pick<CableType, 'id' | 'name'>): DataCategory {
  const found = CATEGORY.exec(id) ?? /category (\d)(a|e)?/i.exec(name);
  const said = found ? `${found[1]}${(found[2] ?? '').toLowerCase()}` : '6';
  return DATA_CATEGORIES.find((one) => one === said) ?? '6';
}

/** Whether a category is at least as good as another. */
export const isAtLeast = (category: DataCategory, least: DataCategory): boolean =>
  DATA_CATEGORIES.indexOf(category) >= DATA_CATEGORIES.indexOf(least);

function kindOf({ family }: CableType, type: DeviceType): PortKind {
  if (family === 'cat') return 'data';
  if (family === 'coax') return type.system === 'sound' ? 'line' : 'coax';
  if (family.startsWith('spk')) return 'speaker';
  if (family === 'hdmi') return 'video';
  if (family === 'fibre') return 'fibre';
  if (family === 'shade' || family === 'led') return 'power';
  if (type.system === 'guard' && SWITCHED.test(type.id)) return 'relay';
  if (family.startsWith('sec') || type.system === 'guard') return BUS.test(type.id) ? 'bus' : 'zone';
  if (BUS.test(type.id)) return 'bus';
  return 'relay';
}

/** An output of a strip driver gives no more than this (class 2 at 24 V, ENGINEERING 3.3), W. */
const OUTPUT_W = 96;

/** Ports side by side: two channels of a speaker cable with four conductors, as many outputs as a strip needs. */
function portsFor(kind: PortKind, { conductors, family }: CableType, { dcW }: DeviceType): number {
  if (kind === 'speaker') return conductors >= 4 ? 2 : 1;
  return family === 'led' && dcW !== null ? Math.max(1, Math.ceil(dcW / OUTPUT_W - 1e-9)) : 1;
}

/** What a home run needs at its head end; null where it ends in no port, or at another device. */
export function needOf(project: ProjectDocument, run: Run): RunNeed | null {
  if (run.toDeviceId !== null) return null;
  const cable = project.cableTypes[run.cableTypeId];
  const device = project.devices[run.deviceId];
  const type = device && project.deviceTypes[device.typeId];
  if (!cable || !type || NO_PORT.has(cable.family)) return null;
  const kind = kindOf(cable, type);
  // One cable feeds the device: the first of its data cables.
  const poeClass = kind === 'data' && run.leg === 1 ? type.poeClass : null;
  const isFitted = device.fitting === 'fitted';
  return {
    ...{ runId: run.id, number: run.number, rackId: run.rackId, deviceId: device.id, leg: run.leg, kind },
    ports: portsFor(kind, cable, type),
    category: kind === 'data' ? categoryOf(cable) : null,
    poeClass,
    poeW: poeClass === null ? 0 : POE_CLASSES[poeClass].sourceW,
    isRecorded: kind === 'data' && run.leg === 1 && RECORDED.test(type.id),
    waits: kind === 'data' && poeClass === null && (OWN_DEVICE.test(type.id) || !isFitted || run.leg > 1),
    feeds: SIREN.test(type.id) ? 'siren' : cable.family === 'shade' ? 'shade' : cable.family === 'led' ? 'strip' : null,
    isSignalIn: kind === 'coax' && SIGNAL_IN.test(type.id),
    isLine: kind === 'speaker' && type.impedanceOhm !== null && type.impedanceOhm >= LINE_OHM,
    isTheatre: kind === 'line' || device.channel !== null || type.soundUse === 'theatre',
    dcW: type.dcW ?? (kind === 'power' ? USUAL_FEED_W : 0),
    facade:
      kind === 'zone' && CONTACT.test(type.id)
        ? `${device.levelId} ${wallSide([Math.cos(device.facingRad), Math.sin(device.facingRad)])}`
        : null,
    ...{ dcV: type.dcV, impedanceOhm: type.impedanceOhm, system: type.system, roomId: device.roomId },
    placeId: device.roomId ?? device.areaId,
  };
}

/** The need of each run; null where it ends in no port. */
export const NEED_OF_RUN = each<'runs', RunNeed | null>({
  name: 'what a run needs at its head end',
  over: 'runs',
  records: ({ deviceId, cableTypeId }, { devices }) => [
    ['devices', deviceId],
    ['deviceTypes', devices[deviceId]?.typeId ?? null],
    ['cableTypes', cableTypeId],
  ],
  make: (run, { project }) => needOf(project, run),
  alike: sameValue,
});

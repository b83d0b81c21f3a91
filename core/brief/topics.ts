import {
  BRIEF_TOPICS,
  type BriefTopic,
  type DeviceType,
  OUTDOOR_KINDS,
  type ProjectDocument,
  SITE_TOPICS,
} from '../model/index.ts';
import { type BriefPlace, isOutdoors } from './places.ts';

/** Unit in which the least value of an answer is given; null where a count says all. */
export type ThresholdUnit = 'dB' | 'channels' | 'm' | 'Gbit/s' | 'Mbit/s' | 'px/m' | 'W' | 'dBuV';

export interface TopicRule {
  readonly unit: ThresholdUnit | null;
  /** What a later check asks for unless somebody says otherwise. */
  readonly usual: number | null;
  /** Where the value comes from. */
  readonly source: string;
  /** Type of the generic library that answers it first. */
  readonly typeId: string;
}

/** Each topic's requirement: ENGINEERING 8.3 (level), 9.1 (image), 3.1 (rate), 12 (bands), 5.3 (outlet level); the rest is practice. */
export const TOPIC_RULES: Readonly<Record<BriefTopic, TopicRule>> = {
  sound: { unit: 'dB', usual: 70, source: 'background music 70 to 75 dB', typeId: 'ceiling-speaker' },
  surround: { unit: 'channels', usual: 5, source: 'channels of the layout; practice', typeId: 'wall-speaker' },
  display: { unit: 'm', usual: 1.2, source: 'diagonal; practice', typeId: 'display' },
  network: { unit: 'Gbit/s', usual: 1, source: 'rate of the link; ANSI/TIA-568', typeId: 'network-drop' },
  wifi: { unit: 'Mbit/s', usual: 100, source: 'practice', typeId: 'access-point' },
  keypad: { unit: null, usual: null, source: 'practice', typeId: 'keypad' },
  camera: { unit: 'px/m', usual: 125, source: 'recognise, IEC 62676-4', typeId: 'camera' },
  shade: { unit: null, usual: null, source: 'practice', typeId: 'shade' },
  light: { unit: null, usual: null, source: 'practice', typeId: 'strip-light' },
  climate: { unit: null, usual: null, source: 'practice', typeId: 'thermostat' },
  security: { unit: null, usual: null, source: 'one contact an opening', typeId: 'opening-contact' },
  door: { unit: null, usual: null, source: 'practice', typeId: 'door-station' },
  charging: { unit: 'W', usual: 60, source: 'practice', typeId: 'charging-point' },
  coax: { unit: 'dBuV', usual: 60, source: 'level at the outlet', typeId: 'coax-outlet' },
  heating: { unit: null, usual: null, source: 'practice', typeId: 'outdoor-heater' },
  vehicle: { unit: null, usual: null, source: 'practice', typeId: 'car-charger' },
  generator: { unit: null, usual: null, source: 'practice', typeId: 'generator' },
  solar: { unit: null, usual: null, source: 'practice', typeId: 'solar-inverter' },
};

/** The types of a project's library that can answer a topic, the usual one first. */
export function typesFor(project: Pick<ProjectDocument, 'deviceTypes'>, topic: BriefTopic): DeviceType[] {
  const usual = TOPIC_RULES[topic].typeId;
  return Object.values(project.deviceTypes)
    .filter((type) => type.answers === topic && type.part === 'device')
    .sort((a, b) => Number(b.id === usual) - Number(a.id === usual) || (a.name < b.name ? -1 : 1));
}

/** What a room of a use is asked about first: a question that nobody asked is a place without a cable (practice B04). */
const ASKED: Readonly<Record<string, readonly BriefTopic[]>> = {
  living: ['display', 'sound', 'surround', 'wifi', 'network', 'keypad', 'shade', 'light', 'climate', 'charging'],
  theatre: ['surround', 'display', 'network', 'wifi', 'keypad', 'light', 'shade', 'climate', 'charging'],
  kitchen: ['sound', 'display', 'wifi', 'network', 'keypad', 'light', 'charging', 'security'],
  dining: ['sound', 'keypad', 'light', 'shade', 'charging'],
  bedroom: ['display', 'sound', 'network', 'wifi', 'keypad', 'shade', 'climate', 'charging'],
  study: ['network', 'wifi', 'display', 'sound', 'keypad', 'shade', 'charging'],
  music: ['sound', 'surround', 'network', 'climate', 'keypad'],
  bath: ['sound', 'keypad', 'light', 'climate'],
  gym: ['display', 'sound', 'wifi', 'keypad', 'climate'],
  circulation: ['wifi', 'sound', 'keypad', 'security', 'camera', 'door', 'climate'],
  garage: ['security', 'camera', 'network', 'vehicle', 'charging', 'door'],
  utility: ['network', 'security', 'sound', 'charging'],
  plant: ['network', 'climate', 'security', 'generator', 'solar'],
  workshop: ['sound', 'network', 'charging', 'security'],
  store: ['security', 'network'],
  dressing: ['light', 'sound', 'shade'],
  terrace: ['sound', 'light', 'wifi', 'heating', 'display', 'shade', 'camera', 'keypad', 'network'],
  porch: ['door', 'camera', 'light', 'sound', 'security', 'heating'],
  drive: ['camera', 'vehicle', 'light', 'door', 'security', 'wifi'],
  gate: ['door', 'camera', 'light', 'network', 'security'],
  garden: ['sound', 'light', 'wifi', 'camera', 'generator', 'network'],
  pool: ['sound', 'light', 'camera', 'heating', 'climate', 'wifi', 'security'],
  eaves: ['camera', 'wifi', 'light', 'shade', 'sound'],
  facade: ['camera', 'light', 'shade', 'network', 'generator', 'solar', 'coax'],
};
const ASKED_EVERYWHERE: readonly BriefTopic[] = ['display', 'wifi', 'keypad', 'sound', 'camera', 'charging'];

const OUTDOORS: ReadonlySet<string> = new Set(OUTDOOR_KINDS);

/** Uses of rooms that the brief knows questions for. */
export const ROOM_USES = Object.keys(ASKED).filter((use) => !OUTDOORS.has(use));

const ROOM_TOPICS = BRIEF_TOPICS.filter((topic) => !SITE_TOPICS.includes(topic));

/** The topics that a place is to be asked about before it is signed: a room those of a house, an outdoor area also those of the site. */
export const topicsOf = (place: BriefPlace): readonly BriefTopic[] => (isOutdoors(place) ? BRIEF_TOPICS : ROOM_TOPICS);

export const topicsAsked = (use: string): readonly BriefTopic[] => ASKED[use] ?? ASKED_EVERYWHERE;

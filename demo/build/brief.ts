import {
  addOutdoorAreas,
  answerCell,
  devicesIn,
  fillRest,
  isOutdoors,
  notDiscussed,
  placeFields,
  placesOf,
  prepareDecision,
  signRoom,
  tellRoom,
  topicsAsked,
} from '../../core/brief/index.ts';
import {
  BRIEF_TOPICS,
  create,
  type OpenDecision,
  type OutdoorKind,
  type RoomBrief,
  SURROUND_CHANNELS,
  type TradeGate,
  update,
} from '../../core/model/index.ts';
import { type HouseBuilder, must, sayWhyNoConduit } from './house-builder.ts';

/** What is told of a house beyond what stands in it. Rooms are named by their codes. */
export interface BriefPlan {
  /** Rooms that nobody has talked through to the end: only what is placed is answered. */
  readonly open: readonly string[];
  readonly signed: readonly string[];
  /** Outdoor areas that the survey does not show. */
  readonly areas: readonly { readonly kind: OutdoorKind; readonly name: string }[];
  readonly habits: Readonly<Record<string, Partial<Pick<RoomBrief, 'who' | 'used' | 'noise' | 'overflowSeats' | 'useGroups'>>>>;
  readonly dates: Partial<Record<TradeGate, string>>;
  readonly decisions: readonly (Pick<OpenDecision, 'subject' | 'options' | 'gate' | 'leadDays' | 'owner'> & {
    readonly room: string | null;
    readonly chosen?: string;
  })[];
  readonly compromises: readonly {
    readonly room: string;
    readonly what: string;
    readonly reason: string;
    readonly effect: string;
  }[];
  readonly packageLines: string;
}

/** Parts of a speaker's name by the channel that it is. */
const CHANNEL_NAMES: readonly (readonly [RegExp, string])[] = [
  [/^cent/, 'center'],
  [/^front (left|right)/, 'front'],
  [/^side (left|right)/, 'surround'],
  [/^back (left|right)/, 'rear'],
  [/^top (front|rear) (left|right)/, 'top'],
];

/** Speakers of a theatre are the channels that their names say. */
function nameChannels(house: HouseBuilder): void {
  for (const device of Object.values(house.project.devices)) {
    if (house.project.deviceTypes[device.typeId].answers !== 'surround') continue;
    const named = CHANNEL_NAMES.find(([pattern]) => pattern.test(device.name));
    if (!named) continue;
    const [, ...words] = named[0].exec(device.name)!;
    const channel = SURROUND_CHANNELS.find((one) => one === [named[1], ...words].join('-'));
    if (channel) house.apply([update('devices', device, { channel })].filter((operation) => operation !== null));
  }
}

/** Writes the brief of a house so that it agrees with the devices that stand in it. */
export function addBrief(house: HouseBuilder, plan: BriefPlan): void {
  const idOf = (code: string) => Object.values(house.project.rooms).find((room) => room.code === code)!.id;
  house.apply([create('phases', { id: house.id('phase'), order: 0, name: 'Garden and outbuildings', on: '2027-09-01' })]);
  const open = new Set(plan.open.map(idOf));
  house.apply(
    addOutdoorAreas(
      house.project,
      plan.areas.map((area) => ({ ...area, id: house.id('area') })),
    ),
  );
  nameChannels(house);
  for (const place of placesOf(house.project)) {
    for (const topic of BRIEF_TOPICS) {
      const { deviceTypes } = house.project;
      const count = devicesIn(house.project, place.id).filter(({ typeId }) => deviceTypes[typeId].answers === topic).length;
      // What the plan holds is what was asked for; surround is asked for by layout.
      const given =
        topic !== 'surround' ? { count } : place.use === 'theatre' ? { layout: '7.2.4' } : { count, threshold: count };
      if (count > 0) house.apply(answerCell(house.project, place.id, topic, 'wanted', () => house.id('cell'), given));
    }
    if (open.has(place.id)) continue;
    house.apply(fillRest(house.project, place.id, () => house.id('cell')));
    const asked = topicsAsked(place.use);
    notDiscussed(house.project, place.id).forEach((topic, i) => {
      // Outdoors is settled: what is not there is not required.
      const isLater = !isOutdoors(place) && (topic === 'climate' || topic === 'charging' || i % 3 === 2);
      const answer = isLater ? 'later' : 'nothing';
      if (asked.includes(topic)) house.apply(answerCell(house.project, place.id, topic, answer, () => house.id('cell')));
    });
  }
  for (const [code, habit] of Object.entries(plan.habits))
    house.apply(tellRoom(house.project, idOf(code), habit, () => house.id('habit')));
  for (const code of plan.signed) {
    const by = house.project.project.client || 'The client';
    house.apply(must(signRoom(house.project, idOf(code), by, '2026-11-18', () => house.id('habit'))));
  }
  for (const [gate, on] of Object.entries(plan.dates))
    house.apply([create('tradeDates', { id: house.id('date'), gate: gate as TradeGate, on, from: '' })]);
  for (const { room, chosen = '', ...decision } of plan.decisions) {
    house.apply([
      create('decisions', {
        id: house.id('decision'),
        ...placeFields(house.project, room === null ? null : idOf(room)),
        ...decision,
        chosen,
        decidedOn: chosen === '' ? '' : '2026-11-12',
        note: '',
      }),
    ]);
  }
  // What is still open keeps its options by prepared cables.
  for (const { id, chosen } of Object.values(house.project.decisions)) {
    if (chosen !== '') continue;
    house.apply(must(prepareDecision(house.project, id, { device: () => house.id('device'), run: () => house.id('run') })));
  }
  sayWhyNoConduit(house);
  for (const { room, ...words } of plan.compromises) {
    const acceptedBy = house.project.project.client.slice(0, 60);
    const signed = { on: '2026-11-16', acceptedBy, signedOn: '2026-11-18' };
    house.apply([
      create('compromises', {
        id: house.id('compromise'),
        ...placeFields(house.project, idOf(room)),
        deviceId: null,
        ...words,
        ...signed,
      }),
    ]);
  }
  house.packageText(plan.packageLines);
}

import {
  type BlockingNeed,
  blockingNeeds,
  deviceTitle,
  heightOf,
  holesToFill,
  mountTypeOf,
  tapePlace,
} from '../../devices/index.ts';
import type { Device, ProjectDocument } from '../../model/index.ts';
import { listOf } from '../../derive/index.ts';
import { type PlannedRun, planRuns } from '../../runs/index.ts';
import { formatCableLength, formatLength, formatLengthFine } from '../../math/index.ts';
import { devicePlaceText, placeText, type PlaceWords } from './place-text.ts';

export const TRADES_SECTIONS = ['blocking', 'joinery', 'outlets', 'looks', 'links', 'leads'] as const;
export type TradesSection = (typeof TRADES_SECTIONS)[number];
export type TradesColumn =
  | 'what'
  | 'place'
  | 'between'
  | 'bottom'
  | 'top'
  | 'holes'
  | 'weight'
  | 'bears'
  | 'state'
  | 'height'
  | 'tail'
  | 'cutOut'
  | 'depth'
  | 'power'
  | 'finish'
  | 'wishes'
  | 'seenFrom'
  | 'toFill'
  | 'link'
  | 'note'
  | 'number'
  | 'toWhat'
  | 'cable'
  | 'length'
  | 'connectors';

export interface TradesTable {
  readonly section: TradesSection;
  readonly columns: readonly TradesColumn[];
  readonly rows: readonly (readonly string[])[];
}

/** The words that the sheet needs, from the texts. */
export interface TradesWords {
  readonly place: PlaceWords;
  readonly outdoors: string;
  readonly atCeiling: string;
  readonly set: string;
  readonly notSet: string;
  readonly wishes: Readonly<Record<string, string>>;
  readonly links: Readonly<Record<string, string>>;
  readonly outlet: Readonly<Record<'switched' | 'surge' | 'dedicated', string>>;
}

/** From where to where blocking goes, measured from the walls of its room. */
function blockingPlace(project: ProjectDocument, { device, wall, ends }: BlockingNeed, words: PlaceWords): string {
  const [at, last] = ends;
  const place = { levelId: device.levelId, roomId: device.roomId, wallId: wall?.id ?? null, at };
  return placeText(project, { ...tapePlace(project, place, last), room: null, inWall: null }, words);
}

/**
 * What other trades do for our devices: blocking for the framer with hole pattern and load, leads and heights for joiner and
 * electrician on one sheet, outlets to add, how things are to look, what is linked without a cable, and leads from device to device
 * with the length to order. Empty tables are left out.
 */
export function tradesSheet(
  project: ProjectDocument,
  words: TradesWords,
  runs: readonly PlannedRun[] = planRuns(project),
): TradesTable[] {
  const { units } = project.project;
  const fine = (valueM: number | null) => (valueM === null ? '' : formatLengthFine(valueM, units));
  const typeOf = (device: Device) => project.deviceTypes[device.typeId];
  const what = (device: Device) => `${typeOf(device).code} ${deviceTitle(device, typeOf(device))}`;
  const place = (device: Device) => `${project.levels[device.levelId].name}, ${devicePlaceText(project, device, words)}`;
  const height = (device: Device) => (device.heightM === null ? words.atCeiling : formatLength(heightOf(project, device), units));
  const devices = listOf(project, 'devices');

  const blocking = blockingNeeds(project).map((need) => [
    what(need.device),
    place(need.device),
    blockingPlace(project, need, words.place),
    need.bottomM === null ? words.atCeiling : formatLength(need.bottomM, units),
    need.topM === null ? '' : formatLength(need.topM, units),
    `${fine(need.holePatternM[0])} × ${fine(need.holePatternM[1])}`,
    `${need.massKg.toFixed(1)} kg`,
    `${Math.ceil(need.requiredN)} N`,
    need.there ? words.set : words.notSet,
  ]);
  const joinery = devices
    .filter((device) => typeOf(device).mount === 'joinery' || device.tailM !== null)
    .map((device) => {
      const { cutOut, depthM, sizeM, frameM } = typeOf(device);
      const size = cutOut ? [cutOut.widthM, cutOut.heightM] : (frameM ?? sizeM);
      return [
        what(device),
        place(device),
        height(device),
        fine(device.tailM),
        `${fine(size[0])} × ${fine(size[1])}`,
        depthM > 0 ? fine(depthM) : '',
        device.note,
      ];
    });
  const outletText = ({ outlet }: Device) =>
    outlet
      ? [
          `${outlet.amperageA} A, ${outlet.voltageV} V`,
          ...(['switched', 'surge', 'dedicated'] as const).filter((what) => outlet[what]).map((what) => words.outlet[what]),
        ].join(', ')
      : '';
  const powerOf = (device: Device) => {
    const { mainsW } = typeOf(device);
    return [mainsW ? `${mainsW} W` : '', outletText(device)].filter(Boolean).join(', ');
  };
  const outlets = devices
    .filter((device) => typeOf(device).mainsW !== null)
    .map((device) => [what(device), place(device), height(device), powerOf(device), device.note]);
  const looks = devices
    .filter((device) => device.wishes.length > 0 || device.finish !== '' || device.seenFrom !== '')
    .map((device) => {
      const type = typeOf(device);
      return [
        what(device),
        place(device),
        device.finish,
        device.wishes.map((wish) => words.wishes[wish]).join(', '),
        device.seenFrom,
        device.wishes.includes('removable') ? String(holesToFill(type, mountTypeOf(project, device))) : '',
      ];
    });
  const links = devices
    .filter((device) => typeOf(device).link !== 'cable')
    .map((device) => [what(device), place(device), words.links[typeOf(device).link], device.note]);
  const leads = runs
    .filter(({ run }) => run.toDeviceId !== null && project.devices[run.toDeviceId])
    .map(({ run, device, length }) => [
      run.number,
      what(device),
      what(project.devices[run.toDeviceId!]),
      project.cableTypes[run.cableTypeId].name,
      length ? formatCableLength(length.cutLengthM, units) : '',
      [run.deviceConnector, run.farConnector].filter(Boolean).join(' → '),
    ]);
  const tables: TradesTable[] = [
    {
      section: 'blocking',
      columns: ['what', 'place', 'between', 'bottom', 'top', 'holes', 'weight', 'bears', 'state'],
      rows: blocking,
    },
    { section: 'joinery', columns: ['what', 'place', 'height', 'tail', 'cutOut', 'depth', 'note'], rows: joinery },
    { section: 'outlets', columns: ['what', 'place', 'height', 'power', 'note'], rows: outlets },
    { section: 'looks', columns: ['what', 'place', 'finish', 'wishes', 'seenFrom', 'toFill'], rows: looks },
    { section: 'links', columns: ['what', 'place', 'link', 'note'], rows: links },
    { section: 'leads', columns: ['number', 'what', 'toWhat', 'cable', 'length', 'connectors'], rows: leads },
  ];
  return tables.filter(({ rows }) => rows.length > 0);
}

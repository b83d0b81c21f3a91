import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { z } from 'zod';
import {
  COLLECTION_NAMES,
  COLLECTIONS,
  FARTHEST_M,
  FORMAT_NAME,
  FORMAT_VERSION,
  HIGHEST_M,
  LEVEL_SPAN_M,
  MAX_DEPTH,
  MAX_FLOOR_AREA_M2,
  MAX_RECORDS,
  MAX_ROOM_AREA_M2,
  projectFileSchema,
} from '../core/model/index.ts';
import { tokensCss } from '../design/index.ts';
import { guideMarkdown } from './guide-markdown.ts';
import { referenceMarkdown } from './reference-markdown.ts';

/** Writes docs/format.md from the schemas that the program itself reads with, the engineering reference, and the design tokens as CSS. `--check` only says whether they are current. */
const schema = z.toJSONSchema(projectFileSchema, { io: 'input' });
const about: Record<string, string> = {
  levels: 'Storeys. `order` counts from the ground floor; `cavityDepthM` is the depth of the structure above the ceiling.',
  rooms: 'Rooms as outlines on the wall centre lines, so that rooms and walls together tile the level.',
  walls: 'Walls by their centre lines. A cable may climb only in a wall with `cableMayRun`.',
  openings: 'Doors, windows and arches in walls.',
  risers: 'Upright shafts that join the cavities of several levels.',
  racks:
    'Head ends, where home runs end. One entered from a wall stands within 1 m of it; others from floor, ceiling or a sleeve.',
  headEndRules: 'Which head end takes the runs of a cable family or a system.',
  underlays: 'Plan pictures under a level, with their scale.',
  cableTypes: 'The cables of this project.',
  deviceTypes: 'The device library as this project uses it, with the cables that each kind gets.',
  devices: 'Devices. A wall device lies within 0.35 m of a wall’s centre line.',
  runs: 'Cable runs, each from a device to a head end, or on to another device.',
  conductorMaps: 'What each conductor of a cable is used for.',
  phases: 'Parts of the job with their own time.',
  briefCells: 'What one room gets of one system. A topic without a record is not discussed.',
  roomBriefs: 'Who uses a room and how; who has signed what it gets.',
  decisions: 'What is undecided, its options and the gate of the job that closes it.',
  tradeDates: 'When each gate of the job is reached.',
  compromises: 'Less than good, and accepted.',
  packageLines: 'The builder’s package, line by line.',
  walkResults: 'What the first and the last walk found of each answer.',
  deviceWalks: 'What the first and the last walk found of each device.',
  roomTemplates: 'Answers and devices of a kind of room.',
  groups: 'Named sets of devices.',
  groupMembers: 'Which device belongs to which set.',
  plates: 'Boxes with their plates.',
  trunks: 'Ways that runs of a rack share; kept until somebody looks for better ones.',
  routeRules: 'What a person has decided of ways.',
  seals: 'What was done about places where runs pierce a separation.',
  spentNumbers: 'Numbers of printed labels that are not given again.',
  numberBlocks: 'Device numbers that somebody took along without a connection.',
  circuits: 'Mains circuits that feed head ends.',
  equipment: 'Equipment in head ends, with its place, ports, power and heat.',
  terminations: 'At which port the head end of a run is terminated.',
  patches: 'Cords from port to port.',
  zones: 'Rooms that hear and see the same, and the sources that they may play.',
  rfSources: 'Signals that come in on coax: providers, antennas, dishes, with their levels and where they are aimed.',
  scenes: 'What one button, sensor or time of day sets off.',
  theatres: 'What a room is designed for as a theatre.',
  waySigns: 'Ways in screed or slab, signed as built before the pour.',
  ruleSettings: 'How rules are set in this project: off, at another rank, with other limits.',
  findingMarks: 'What was decided of single findings: accepted until a day, given to somebody, noted.',
  spools: 'Spools and boxes of cable that are there.',
  spoolCuts: 'What was cut from a spool.',
  spoolOffers: 'Sizes in which a cable can be bought.',
  roomDates: 'When a gate of the job is reached in one room, where that is another day than in the rest of the house.',
  prices: 'Lines of price lists of suppliers.',
  deliveries: 'What was ordered, and where it is.',
  baselines: 'The scope at one moment, which nobody changes afterwards.',
  changeOrders: 'Changes of the scope: differences of two baselines.',
  offerOptions: 'What a client may choose of an offer.',
  rateCards: 'Rates agreed with a builder or trade, or usual with clients.',
  permits: 'Permits with their inspections, and the work that waits for them.',
  packageSignatures: 'What somebody signed as missing from the builder’s package; nobody changes it.',
  siteTasks: 'Work beside the cables, what is allowed for it, and who does it.',
  photos: 'Photos and films from the site, with where they were taken; their files are uploaded apart and are not in this file.',
  inspectionItems: 'What the site inspection found of devices, runs and bored places.',
  inspectionSignOffs: 'That an inspection ended, with what was open; nobody changes it afterwards.',
  cableTests: 'Tests of runs, as the tester read them; never changed.',
  taskTimes: 'Hours that tasks took.',
  crewHandovers: 'Tasks handed to a colleague before they are done.',
  stepCards: 'Steps of a kind of work as the firm does it.',
  cableFinds: 'Where leads were found after the walls closed.',
  siteChanges: 'What the site changed of the plan.',
  adjustments: 'The commissioning log.',
  nameplates: 'Model, rating and serial number as read from nameplates.',
  packedItems: 'What is packed for the site.',
  keptCalculations: 'Calculations that were kept, with a run or for the project.',
  routes: 'Kept routes: written when a run is issued. A drafted run has none; its route follows from the plan.',
};
const lines = [
  '# The project file',
  '',
  'Written by `npm run docs` from the schemas in `core/`; do not edit by hand.',
  '',
  `A project is one JSON document, \`"format": "${FORMAT_NAME}"\`, \`"version": ${FORMAT_VERSION}\`, UTF-8, usual name ending \`.spool.json\`.`,
  'Lengths are metres, angles radians counter-clockwise from +x, x to the right, y up the page, z up. Unknown fields are refused.',
  'A file written by the program is canonical: records sorted by id, fields in schema order. Export, import and export again give the same file to the letter.',
  'Pictures travel inside the file in base64; the id of a picture is the SHA-256 of its bytes. At most 120 MB.',
  '',
  '## Bounds',
  '',
  'A project has bounds that a real house never meets; a file or an edit beyond them is refused with the field and the limit.',
  '',
  `- Coordinates lie within ${FARTHEST_M} m of the origin: a site of ${(2 * FARTHEST_M) / 1000} km. Heights of levels lie within ${HIGHEST_M} m of the datum.`,
  `- Walls, rooms and racks of one level reach over at most ${LEVEL_SPAN_M} m along either axis.`,
  `- A room has at most ${MAX_ROOM_AREA_M2} m² of floor, all rooms together ${MAX_FLOOR_AREA_M2} m².`,
  `- Lists hold at most: ${listLimits()}.`,
  `- Texts hold no control characters but tab and line breaks, no half surrogate pairs, and nothing invisible that turns or hides letters. Lists and objects are nested at most ${MAX_DEPTH} deep.`,
  '',
  '## Lists',
  '',
  '| list | what it holds | unique | refers to |',
  '|---|---|---|---|',
  ...COLLECTION_NAMES.map((name) => {
    const { unique, refers } = COLLECTIONS[name];
    const uniqueText = (unique as readonly (readonly string[])[])
      .map((fields) => fields.map((f) => `\`${f}\``).join(' + '))
      .join(', ');
    const refersText = Object.entries(refers as Record<string, string>)
      .map(([field, target]) => `\`${field}\` → ${target}`)
      .join(', ');
    return `| \`${name}\` | ${about[name]} | ${uniqueText} | ${refersText} |`;
  }),
  '| `pictures` | Plan pictures, PNG or JPEG. | | |',
  '',
  '## JSON Schema',
  '',
  '```json',
  JSON.stringify(schema, null, 2),
  '```',
  '',
];
const DOCS = join(import.meta.dirname, '../docs');
const TOKENS_CSS = '../web/src/styles/tokens.css';
const pages: Record<string, string> = {
  'format.md': lines.join('\n'),
  [TOKENS_CSS]: tokensCss(),
  ...referenceMarkdown(),
  ...guideMarkdown(),
};
for (const [name, text] of Object.entries(pages)) {
  const path = join(DOCS, name);
  if (!process.argv.includes('--check')) {
    mkdirSync(dirname(path), { recursive: true });
    writeFileSync(path, text);
  } else if (!existsSync(path) || readFileSync(path, 'utf8') !== text) {
    console.error(`docs/${name} is not current: run npm run docs`);
    process.exitCode = 1;
  }
}

function listLimits(): string {
  const usual = MAX_RECORDS.groups;
  const named = COLLECTION_NAMES.filter((name) => MAX_RECORDS[name] !== usual).map((name) => `\`${name}\` ${MAX_RECORDS[name]}`);
  return `${named.join(', ')}, every other list ${usual}`;
}

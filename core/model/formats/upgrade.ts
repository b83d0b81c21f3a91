/** Fields that version 2 added, in literal terms: later defaults never change what an old file means. */
const STUDLESS = ['masonry', 'concrete', 'glazed'];
const ADDED_IN_2: Readonly<Record<string, (record: Record<string, unknown>) => object>> = {
  levels: () => ({ floorBuildUpM: 0, benchmarkM: null }),
  rooms: () => ({ joistDepthM: 0.235, joistOffsetM: 0, floorM: 0, ceilingKind: 'flat', slope: null }),
  walls: ({ kind }) => ({
    heightM: null,
    ...(STUDLESS.includes(String(kind))
      ? { studMaterial: 'none', studSpacingM: 0, studOffsetM: 0, studWidthM: 0, topPlates: 0 }
      : { studMaterial: 'wood', studSpacingM: 0.4, studOffsetM: 0, studWidthM: 0.045, topPlates: 2 }),
    finishLeft: '',
    finishLeftM: 0.0125,
    finishRight: '',
    finishRightM: 0.0125,
  }),
  openings: () => ({ casingWidthM: 0.07, casingDepthM: 0, pocket: false, hardware: '' }),
  risers: () => ({ contents: '' }),
  racks: () => ({ kind: 'rack' }),
  underlays: ({ metresPerPixel }) => ({ metresPerPixelY: metresPerPixel, crop: null, locked: false, retired: false }),
};
const LISTS_OF_2 = ['features', 'framingMembers', 'facts', 'dimensions', 'referencePoints'];

/** Fields that version 3 added. */
const ADDED_IN_3: typeof ADDED_IN_2 = {
  features: () => ({ markedAt: null, substrate: null, condition: null, neutral: null, partners: '' }),
  devices: () => ({ belongsTo: null }),
  underlays: () => ({ drawingCorner: null }),
};

/** Fields that version 4 added: the library in full, and what the brief says of devices and runs. */
const LEG_OF_4 = { to: 'rack', toTypeId: null, deviceConnector: '', farConnector: '', mapId: null, optional: false };
const ADDED_IN_4: typeof ADDED_IN_2 = {
  cableTypes: () => ({ pricePerM: 0 }),
  deviceTypes: () => ({
    version: 1,
    part: 'device',
    answers: null,
    cutOut: null,
    frameM: null,
    depthM: 0,
    clampM: 0,
    weightKg: 0,
    holePatternM: null,
    ports: [],
    poeClass: null,
    dcV: null,
    dcW: null,
    mainsW: null,
    heatW: 0,
    coverageRad: null,
    sensitivityDb: null,
    boxKind: 'none',
    keepClearM: 0,
    link: 'cable',
    accepts: null,
    holds: null,
    tools: '',
    premade: '',
    price: 0,
    hours: 0,
  }),
  devices: () => ({
    fitting: 'fitted',
    phaseId: null,
    mountTypeId: null,
    finish: '',
    wishes: [],
    seenFrom: '',
    tailM: null,
  }),
  runs: () => ({ toDeviceId: null, deviceConnector: '', farConnector: '', mapId: null }),
};
const LISTS_OF_4 = [
  'conductorMaps',
  'phases',
  'briefCells',
  'roomBriefs',
  'decisions',
  'tradeDates',
  'compromises',
  'packageLines',
  'walkResults',
  'roomTemplates',
  'groups',
  'groupMembers',
  'plates',
];

/** Recipes of version 4 say where each cable goes and how it ends. */
function withLegs(file: Lists): Lists {
  if (!Array.isArray(file.deviceTypes)) return file;
  const deviceTypes = file.deviceTypes.map((type: unknown) => {
    const { cables } = (type ?? {}) as { cables?: unknown };
    if (!Array.isArray(cables)) return type;
    return { ...(type as object), cables: cables.map((leg: unknown) => ({ ...LEG_OF_4, ...(leg as object) })) };
  });
  return { ...file, deviceTypes };
}

const HEADER_OF_4 = (units: unknown) => ({
  currency: units === 'imperial' ? 'USD' : 'EUR',
  labourRate: 65,
  speakerColours: 'white-black-first',
});

const HEADER_OF_5 = { construction: 'new-framing', routeWeights: {} };

/** Fields that version 6 added. */
const ADDED_IN_6: typeof ADDED_IN_2 = {
  racks: () => ({ slackStyle: 'to-unit' }),
  cableTypes: () => ({ jacketColour: '', rating: 'general' }),
  features: () => ({ reserved: false }),
  runs: () => ({ slackStyle: null, printedOn: '' }),
};
const LISTS_OF_6 = ['seals', 'spentNumbers', 'numberBlocks', 'waySigns'];
const HEADER_OF_6 = {
  tracedFactor: 1.03,
  reserveM: 0,
  slackStyle: 'figure-eight',
  siteRates: { channelPerM: 18, openingPerM2: 140, paintPerM2: 22 },
};

/** What version 7 added: what was decided of findings, how rules are set, calculations that were kept. */
const LISTS_OF_7 = ['ruleSettings', 'findingMarks', 'keptCalculations'];
const HEADER_OF_7 = { channelColour: 'white, painted as the wall' };

/** Fields that version 8 added. */
const ADDED_IN_8: typeof ADDED_IN_2 = { features: () => ({ circuits: 1 }) };

/** What version 9 added: how new rooms and walls of a level are made, as most of its rooms are; and what printed labels say. */
const JOISTS_OF_9 = { framing: 'solid', joistAngleRad: 0, joistSpacingM: 0.4, joistDepthM: 0.235 };

function withDefaultsOf9(file: Lists): Lists {
  const rooms = (Array.isArray(file.rooms) ? file.rooms : []) as Record<string, unknown>[];
  const most = (levelId: unknown, field: string): unknown => {
    const counts = new Map<unknown, number>();
    for (const room of rooms) if (room?.levelId === levelId) counts.set(room[field], (counts.get(room[field]) ?? 0) + 1);
    return [...counts].reduce<[unknown, number] | null>((best, one) => (best && best[1] >= one[1] ? best : one), null)?.[0];
  };
  const joistsOf = (levelId: unknown) =>
    Object.fromEntries(Object.entries(JOISTS_OF_9).map(([field, usual]) => [field, most(levelId, field) ?? usual]));
  return withFields(file, {
    levels: ({ id }) => ({ defaults: { ...joistsOf(id), wall: null } }),
    runs: () => ({ printedAs: '' }),
  });
}

/** What version 10 added: signatures of the past and a second signer; what stands in the title block of a plan. */
const ADDED_IN_10: typeof ADDED_IN_2 = { roomBriefs: () => ({ asksToSign: '', alsoSignedOn: '', pastSignatures: [] }) };
const HEADER_OF_10 = { firm: '', firmContact: '', northRad: null };

/** What version 11 added: head ends by system and how they are entered; runs that are no leg of a recipe, with reason and price. */
const HEADER_OF_11 = { speakerPairs: 'home-runs' };
const LISTS_OF_11 = ['headEndRules', 'deviceWalks'];
const ADDED_IN_11: typeof ADDED_IN_2 = {
  cableTypes: () => ({ alsoRated: [], spoolM: 305 }),
  racks: () => ({ entry: 'wall' }),
  devices: () => ({ leftOut: [] }),
  walkResults: () => ({ walk: 'first' }),
  runs: ({ leg }) => ({ recipeLeg: leg, reason: '', price: null }),
};

/** What version 12 added: outdoor areas in the brief, prepared runs of a decision, existing wiring as runs, layouts, packages by part. */
const HEADER_OF_12 = { dataCable: 'cat6', roomDataCables: 1, deskDataCables: 2, outletPrice: null, windowPrice: null };
const ADDED_IN_12: typeof ADDED_IN_2 = {
  walls: () => ({ substrate: null }),
  features: () => ({ routeKnown: true, boreLeave: '' }),
  devices: () => ({ areaId: null, decisionId: null, foundId: null, channel: null, outlet: null }),
  runs: () => ({ foundId: null, stored: false }),
  briefCells: () => ({ areaId: null, layout: '', preWired: true }),
  roomBriefs: () => ({ areaId: null }),
  decisions: () => ({ areaId: null }),
  compromises: () => ({ areaId: null }),
  packageLines: () => ({ areaId: null, part: 'all', suppliedBy: 'builder', fittedBy: 'builder', programmedBy: 'nobody' }),
  walkResults: () => ({ areaId: null }),
};

/** What version 13 added: routes shared from the first device, labels and tests beside the state, how devices may be turned. */
const HEADER_OF_13 = { sharedRoutes: false, labour: {}, labelling: 'before-pull', fixingFactors: { wall: 5, overhead: 10 } };
const LABELLED = new Set<unknown>(['labelled', 'pulled', 'terminated', 'tested']);
const ADDED_IN_13: typeof ADDED_IN_2 = {
  deviceTypes: () => ({ attitudes: [], controlFamily: '' }),
  devices: () => ({ protects: [], attitude: 'upright' }),
  runs: ({ state, printedOn }) => ({
    labelledEnds: LABELLED.has(state) && printedOn !== '' ? 'both' : 'none',
    rawTestedOn: '',
    endTestedOn: '',
    testedBy: '',
  }),
  trunks: () => ({ setUp: 0 }),
};

type Lists = Record<string, unknown>;

function withFields(file: Lists, added: typeof ADDED_IN_2): Lists {
  const upgraded = { ...file };
  for (const [list, fields] of Object.entries(added)) {
    const records = upgraded[list];
    if (!Array.isArray(records)) continue;
    upgraded[list] = records.map((record: unknown) =>
      typeof record === 'object' && record !== null
        ? { ...fields(record as Record<string, unknown>), ...(record as object) }
        : record,
    );
  }
  return upgraded;
}

/** Pictures may be mirrored, and know the size of their sheet. */
const ADDED_IN_14: typeof ADDED_IN_2 = {
  underlays: () => ({ mirrored: false }),
  pictures: () => ({ paperMetresPerPixel: null }),
};

/** What version 15 added: rooms as theatres; lenses of projectors and pictures of screens. */
const LISTS_OF_15 = ['theatres'];
const ADDED_IN_15: typeof ADDED_IN_2 = { deviceTypes: () => ({ lens: null, screen: null }) };

/** What version 16 added: who uses a room together; modes, front wall, columns, drapes and kind of surrounds of a theatre. */
const ADDED_IN_16: typeof ADDED_IN_2 = {
  roomBriefs: () => ({ useGroups: [] }),
  theatres: () => ({
    modes: [],
    frontWall: 'open',
    standOffM: 0.35,
    panelKgM2: 6,
    columnDepthM: 0,
    surroundKind: 'direct',
    surroundReason: '',
    drapedOpeningIds: [],
  }),
};

/** What version 17 added: all of head ends, from mains circuits and equipment to zones, signals on coax and scenes; closets of racks. */
const LISTS_OF_17 = ['circuits', 'equipment', 'terminations', 'patches', 'zones', 'rfSources', 'scenes'];
const ADDED_IN_17: typeof ADDED_IN_2 = { racks: () => ({ closet: null }) };

/** What version 18 added: spools, what is cut from them and sizes on offer; places of contacts on a zone. */
const LISTS_OF_18 = ['spools', 'spoolCuts', 'spoolOffers'];
const HEADER_OF_18 = { spoolSettings: { confidence: 0.95, aim: 'cost', keepM: 10 } };
const ADDED_IN_18: typeof ADDED_IN_2 = { terminations: () => ({ place: 1 }) };

/** What version 19 added: prices, goods, baselines, changes, options, tasks, rate cards, permits, signed lists, and dates by room. */
const LISTS_OF_19 = [
  'roomDates',
  'prices',
  'deliveries',
  'baselines',
  'changeOrders',
  'offerOptions',
  'siteTasks',
  'rateCards',
  'permits',
  'packageSignatures',
];
const HEADER_OF_19 = {
  priceSettings: {
    ...{ marginPercent: 30, taxPercent: 0, depositPercent: 40, cleanupPercent: 12, contingencyPercent: 10, validDays: 30 },
  },
};
const ADDED_IN_19: typeof ADDED_IN_2 = { tradeDates: () => ({ from: '' }) };

const LISTS_OF_20 = [
  'photos',
  'inspectionItems',
  'inspectionSignOffs',
  'cableTests',
  'taskTimes',
  'crewHandovers',
  'stepCards',
  'cableFinds',
  'siteChanges',
  'adjustments',
  'nameplates',
  'packedItems',
];
const ADDED_IN_20: typeof ADDED_IN_2 = {
  runs: () => ({ endsBaggedOn: '', wrappedOn: '', floorMark: '' }),
  spoolCuts: () => ({ firstMark: '', lastMark: '' }),
};

/** Until version 19 a run could have several cuts; the newest stays its own, the others are cuts for something else. */
function withOneCutPerRun(file: Lists): Lists {
  if (!Array.isArray(file.spoolCuts)) return file;
  const cuts = file.spoolCuts as { readonly runId?: unknown; readonly on?: unknown }[];
  const newest = new Map<unknown, unknown>();
  for (const cut of cuts) {
    const other = newest.get(cut?.runId) as { readonly on?: unknown } | undefined;
    if (!other || String(cut.on) >= String(other.on)) newest.set(cut?.runId, cut);
  }
  return {
    ...file,
    spoolCuts: cuts.map((cut) => (!cut?.runId || newest.get(cut.runId) === cut ? cut : { ...cut, runId: null })),
  };
}

/** Until version 16 what is no alternative of anything stood whatever `chosen` said; now a mode may take it away. */
function withStanding(file: Lists): Lists {
  if (!Array.isArray(file.features)) return file;
  const features = file.features.map((record: unknown) =>
    typeof record === 'object' && record !== null && (record as { choiceOf?: unknown }).choiceOf === ''
      ? { ...record, chosen: true }
      : record,
  );
  return { ...file, features };
}

/** A file whose header has these settings where it does not say otherwise. */
function withHeader(file: Lists, settings: (header: Record<string, unknown>) => object): Lists {
  const { project } = file;
  if (typeof project !== 'object' || project === null) return file;
  return { ...file, project: { ...settings(project as Record<string, unknown>), ...project } };
}

/** Each step takes a file one version on. */
const STEPS: Readonly<Record<number, (file: Lists) => Lists>> = {
  1: (file) => ({ ...Object.fromEntries(LISTS_OF_2.map((list) => [list, []])), ...withFields(file, ADDED_IN_2), version: 2 }),
  2: (file) => ({ ...withFields(file, ADDED_IN_3), version: 3 }),
  3: (file) => ({
    ...Object.fromEntries(LISTS_OF_4.map((list) => [list, []])),
    ...withHeader(withLegs(withFields(file, ADDED_IN_4)), ({ units }) => HEADER_OF_4(units)),
    version: 4,
  }),
  4: (file) => ({ ...withHeader(file, () => HEADER_OF_5), trunks: [], routeRules: [], version: 5 }),
  5: (file) => ({
    ...Object.fromEntries(LISTS_OF_6.map((list) => [list, []])),
    ...withHeader(withFields(file, ADDED_IN_6), () => HEADER_OF_6),
    version: 6,
  }),
  6: (file) => ({
    ...Object.fromEntries(LISTS_OF_7.map((list) => [list, []])),
    ...withHeader(file, () => HEADER_OF_7),
    version: 7,
  }),
  7: (file) => ({ ...withFields(file, ADDED_IN_8), version: 8 }),
  8: (file) => ({ ...withDefaultsOf9(file), version: 9 }),
  9: (file) => ({ ...withHeader(withFields(file, ADDED_IN_10), () => HEADER_OF_10), version: 10 }),
  10: (file) => ({
    ...Object.fromEntries(LISTS_OF_11.map((list) => [list, []])),
    ...withHeader(withFields(file, ADDED_IN_11), () => HEADER_OF_11),
    version: 11,
  }),
  11: (file) => ({ ...withHeader(withFields(file, ADDED_IN_12), () => HEADER_OF_12), version: 12 }),
  12: (file) => ({ ...withHeader(withFields(file, ADDED_IN_13), () => HEADER_OF_13), version: 13 }),
  13: (file) => ({ ...withFields(file, ADDED_IN_14), version: 14 }),
  14: (file) => ({
    ...Object.fromEntries(LISTS_OF_15.map((list) => [list, []])),
    ...withFields(file, ADDED_IN_15),
    version: 15,
  }),
  15: (file) => ({ ...withStanding(withFields(file, ADDED_IN_16)), version: 16 }),
  16: (file) => ({
    ...Object.fromEntries(LISTS_OF_17.map((list) => [list, []])),
    ...withFields(file, ADDED_IN_17),
    version: 17,
  }),
  17: (file) => ({
    ...Object.fromEntries(LISTS_OF_18.map((list) => [list, []])),
    ...withHeader(withFields(file, ADDED_IN_18), () => HEADER_OF_18),
    version: 18,
  }),
  18: (file) => ({
    ...Object.fromEntries(LISTS_OF_19.map((list) => [list, []])),
    ...withHeader(withFields(file, ADDED_IN_19), () => HEADER_OF_19),
    version: 19,
  }),
  19: (file) => ({
    ...Object.fromEntries(LISTS_OF_20.map((list) => [list, []])),
    ...withOneCutPerRun(withFields(file, ADDED_IN_20)),
    version: 20,
  }),
};

/** A file as it was written, in the terms of today; anything unexpected is left for the schema to judge. */
export function upgradeFile(file: object): object {
  let upgraded = file as Lists;
  for (let step = STEPS[Number(upgraded.version)]; step; step = STEPS[Number(upgraded.version)]) upgraded = step(upgraded);
  return upgraded;
}

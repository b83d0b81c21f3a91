import { USUAL_PRICE_SETTINGS, USUAL_SPOOL_SETTINGS } from './order-records.ts';
import { COLLECTION_NAMES, type CollectionName, type RecordOf } from './collections.ts';
import type { ProjectHeader } from './records.ts';

export type TableOf<C extends CollectionName> = Readonly<Record<string, RecordOf<C>>>;

/** A whole project in memory: its header and each list as a table by id. Never changed in place. */
export type ProjectDocument = { readonly project: ProjectHeader } & { readonly [C in CollectionName]: TableOf<C> };

/** Records as the table that a project holds them in. */
export const tableFrom = <T extends { readonly id: string }>(records: readonly T[]): Record<string, T> =>
  Object.fromEntries(records.map((record) => [record.id, record]));

/** A project with nothing in it but its header. */
export function emptyProject(project: ProjectHeader): ProjectDocument {
  const tables = Object.fromEntries(COLLECTION_NAMES.map((name) => [name, {}]));
  return { project, ...tables } as unknown as ProjectDocument;
}

const CURRENCIES: Readonly<Record<ProjectHeader['jurisdiction'], string>> = { NA: 'USD', EU: 'EUR', UK: 'GBP', other: 'EUR' };

/** Header of a new project with the usual settings; ids come in from outside. Its region follows its units where it is not given. */
export function newHeader(
  shortId: string,
  name: string,
  units: ProjectHeader['units'],
  jurisdiction: ProjectHeader['jurisdiction'] = units === 'imperial' ? 'NA' : 'EU',
): ProjectHeader {
  return {
    id: 'project',
    shortId,
    name,
    description: '',
    client: '',
    address: '',
    units,
    jurisdiction,
    numberPattern: '{level}-{room}-{device}.{leg}',
    wasteFactor: 1.1,
    tracedFactor: 1.03,
    reserveM: 0,
    slackStyle: 'figure-eight',
    rackSlackM: 3,
    ambientC: 20,
    currency: CURRENCIES[jurisdiction],
    labourRate: 65,
    speakerColours: 'white-black-first',
    speakerPairs: 'home-runs',
    dataCable: 'cat6',
    roomDataCables: 1,
    deskDataCables: 2,
    outletPrice: null,
    windowPrice: null,
    construction: 'new-framing',
    routeWeights: {},
    sharedRoutes: true,
    labour: {},
    labelling: 'before-pull',
    fixingFactors: { wall: 5, overhead: 10 },
    spoolSettings: USUAL_SPOOL_SETTINGS,
    priceSettings: USUAL_PRICE_SETTINGS,
    siteRates: { channelPerM: 18, openingPerM2: 140, paintPerM2: 22 },
    channelColour: 'white, painted as the wall',
    firm: '',
    firmContact: '',
    northRad: null,
  };
}

import { tapePlaceOf } from '../../devices/index.ts';
import { type CsvColumn, type ProjectDocument, writeCsv } from '../../model/index.ts';
import { FOOT_M } from '../../math/index.ts';
import { placeText, type PlaceWords } from './place-text.ts';
import type { ScheduleRow } from './schedule.ts';

const tidy = (value: number) => Math.round(value * 1000) / 1000;

/** Column titles, from the texts. */
export interface ColumnTitles {
  readonly run: string;
  readonly level: string;
  readonly room: string;
  readonly device: string;
  readonly place: string;
  readonly purpose: string;
  readonly to: string;
  readonly cable: string;
  readonly rise: string;
  readonly levelRun: string;
  readonly drop: string;
  readonly deviceSlack: string;
  readonly rackSlack: string;
  readonly cutLength: string;
  readonly supply: string;
  readonly least: string;
  readonly most: string;
  readonly way: string;
  readonly holes: string;
  readonly slackStyle: string;
  readonly printedOn: string;
  readonly reason: string;
  readonly price: string;
  readonly deviceConnector: string;
  readonly farConnector: string;
  readonly conductors: string;
  readonly bundle: string;
  readonly state: string;
  readonly check: string;
}

/** The columns of the schedule as a file: the same in CSV and XLSX. Lengths are numbers, the unit is in the title; the place is measured from walls. */
export function scheduleColumns(project: ProjectDocument, titles: ColumnTitles, words: PlaceWords): CsvColumn<ScheduleRow>[] {
  const { units } = project.project;
  const place = ({ deviceId }: ScheduleRow) =>
    placeText(project, { ...tapePlaceOf(project, project.devices[deviceId]), room: null, inWall: null }, words);
  const unit = units === 'metric' ? 'm' : 'ft';
  const length = (value: number | null) => (value === null ? '' : tidy(units === 'metric' ? value : value / FOOT_M));
  return [
    { title: titles.run, value: (row) => row.number },
    { title: titles.level, value: (row) => row.level },
    { title: titles.room, value: (row) => row.room },
    { title: titles.device, value: (row) => row.device },
    { title: titles.place, value: place },
    { title: titles.purpose, value: (row) => row.purpose },
    { title: titles.to, value: (row) => row.to },
    { title: titles.cable, value: (row) => row.cable },
    { title: `${titles.rise} (${unit})`, value: (row) => length(row.riseM) },
    { title: `${titles.levelRun} (${unit})`, value: (row) => length(row.runM) },
    { title: `${titles.drop} (${unit})`, value: (row) => length(row.dropM) },
    { title: `${titles.deviceSlack} (${unit})`, value: (row) => length(row.deviceSlackM) },
    { title: `${titles.rackSlack} (${unit})`, value: (row) => length(row.rackSlackM) },
    { title: `${titles.cutLength} (${unit})`, value: (row) => length(row.cutLengthM) },
    { title: titles.supply, value: (row) => row.supply },
    { title: `${titles.least} (${unit})`, value: (row) => length(row.leastM) },
    { title: `${titles.most} (${unit})`, value: (row) => length(row.mostM) },
    { title: titles.way, value: (row) => row.way.replaceAll('+', ', ') },
    { title: titles.holes, value: (row) => row.holes ?? '' },
    { title: titles.slackStyle, value: (row) => row.slackStyle },
    { title: titles.deviceConnector, value: (row) => row.deviceConnector },
    { title: titles.farConnector, value: (row) => row.farConnector },
    { title: titles.conductors, value: (row) => row.conductors },
    { title: titles.bundle, value: (row) => row.bundle },
    { title: titles.printedOn, value: (row) => row.printedOn },
    { title: titles.reason, value: (row) => row.reason },
    { title: `${titles.price} (${project.project.currency})`, value: (row) => row.price ?? '' },
    { title: titles.state, value: (row) => row.state },
    { title: titles.check, value: (row) => row.rank },
  ];
}

export const scheduleCsv = (
  project: ProjectDocument,
  rows: readonly ScheduleRow[],
  titles: ColumnTitles,
  words: PlaceWords,
): string => writeCsv(scheduleColumns(project, titles, words), rows);

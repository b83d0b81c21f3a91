import { channelCode } from '@dusky-spool/core/brief';
import type { TheatreSheetWords } from '@dusky-spool/core/sheets';
import { en, sheetPlaceWords, words } from '@dusky-spool/texts';

/** Words of the sheet of a theatre. */
export const THEATRE_WORDS: TheatreSheetWords = {
  ...{ place: sheetPlaceWords, channels: en.terms.channels, codeOf: channelCode, ...en.documents.theatre.words },
  trades: en.documents.theatre.trades,
  riser: (row, rise) => words.t('documents.theatre.riser', { row, rise }),
  steps: (count, rise, run) => words.t('documents.theatre.steps', { count, rise, run }),
  stepLights: (row) => words.t('documents.theatre.stepLights', { row }),
  rowOutlet: (row) => words.t('documents.theatre.rowOutlet', { row }),
  rowChannel: en.documents.theatre.rowChannel,
  lights: en.documents.theatre.lights,
  screenLights: en.documents.theatre.screenLights,
  hang: (kg, newtons, isOverhead) => words.t(`documents.theatre.${isOverhead ? 'hangOver' : 'hangWall'}`, { kg, newtons }),
  outlet: (watts) => words.t('documents.theatre.outlet', { watts }),
  frontWall: en.documents.theatre.frontWall,
  panels: (count, width, height, kg, standOff) => words.t('documents.theatre.panels', { count, width, height, kg, standOff }),
  panelOpening: en.documents.theatre.panelOpening,
  columns: (depth) => words.t('documents.theatre.surroundColumns', { depth }),
  projectorPlate: (count, newtons) => words.t('documents.theatre.projectorPlate', { count, newtons }),
  drapes: (count) => words.t('documents.theatre.drapes', { count }),
  reference: (seat) => words.t('documents.theatre.reference', { seat }),
  turned: (turn, tilt) => words.t('documents.theatre.turned', { turn, tilt }),
  lead: (beside, within) => words.t('documents.theatre.lead', { beside, within }),
};

import {
  cablingReport,
  cablingSheet,
  checkSheet,
  headEndSheet,
  holeSheet,
  loweredRules,
  plateSchedule,
  siteSheet,
  tradesSheet,
} from '@dusky-spool/core/sheets';
import { runChecks } from '@dusky-spool/core/rules';
import { holeSchedule } from '@dusky-spool/core/pathways';
import type { ProjectDocument } from '@dusky-spool/core/model';
import { planRuns } from '@dusky-spool/core/runs';
import type { SheetTable, TablesSheet } from './tables-pdf.ts';
import { cablingWords, checkWords, en, sheetPlaceWords, words } from '@dusky-spool/texts';

interface Sheet {
  readonly sheet: TablesSheet;
  /** The tables for a project on a day, YYYY-MM-DD. */
  readonly tablesOf: (project: ProjectDocument, today: string) => readonly SheetTable[];
}

/** Every sheet of tables that is handed out of a project, by the name of its file. */
export const SHEETS = {
  'cabling-sheet': {
    sheet: 'cabling',
    tablesOf: (project) => {
      const runs = planRuns(project);
      return cablingSheet(project, cablingReport(project), runs, { ...cablingWords(), place: sheetPlaceWords });
    },
  },
  checks: {
    sheet: 'checks',
    tablesOf: (project, today) => checkSheet(project, runChecks(project, today), today, checkWords(project.project.units)),
  },
  'site-sheet': {
    sheet: 'site',
    tablesOf: (project) =>
      siteSheet(project, {
        ...en.terms,
        place: sheetPlaceWords,
        corner: (name) => words.t('documents.site.corner', { name }),
        below: (depth) => words.t('documents.site.below', { depth }),
      }),
  },
  'trades-sheet': {
    sheet: 'trades',
    tablesOf: (project) => {
      const { wishes, outdoors } = en.terms;
      const { atCeiling, set, notSet, links, outlet } = en.documents.trades.words;
      return tradesSheet(project, { place: sheetPlaceWords, wishes, outdoors, atCeiling, set, notSet, links, outlet });
    },
  },
  'plate-schedule': {
    sheet: 'plates',
    tablesOf: (project) => {
      const { boxes: boxKinds, plateOpenings: openings, inserts, outdoors } = en.terms;
      const { yes, left, right } = en.documents.plates.words;
      return plateSchedule(project, {
        boxKinds,
        openings,
        inserts,
        outdoors,
        yes,
        left,
        right,
        place: sheetPlaceWords,
        gang: (gang) => words.t('documents.plates.words.gang', { gang }),
        plate: (number) => words.t('documents.plates.words.plate', { number }),
      });
    },
  },
  'head-end': {
    sheet: 'headEnd',
    tablesOf: (project) => {
      const { rear, onWall, waits } = en.documents.headEnd.words;
      return headEndSheet(project, {
        ...{ kinds: en.terms.equipment, ports: en.terms.ports, outdoors: en.terms.outdoors, rear, onWall, waits },
        poe: (name) => words.t('documents.headEnd.words.poe', { name }),
        circuit: (name) => words.t('documents.headEnd.words.circuit', { name }),
        outlets: (name) => words.t('documents.headEnd.words.outlets', { name }),
        holds: (name, minutes) => words.t('documents.headEnd.words.holds', { name, minutes }),
        air: (litres, cfm) => words.t('documents.headEnd.words.air', { litres, cfm }),
        days: (days) => words.t('documents.headEnd.words.days', { days }),
        ...{ by: en.ui.headEnd.control.by, lacks: en.ui.headEnd.paths.lacks, methods: en.ui.headEnd.paths.methods },
        ...{ sound: en.ui.headEnd.paths.sound, verdicts: en.ui.headEnd.rf.verdicts, triggers: en.ui.headEnd.control.triggers },
        ...{ means: en.ui.headEnd.alarm.means, openLoop: en.ui.headEnd.alarm.openLoop },
        notBonded: en.ui.headEnd.rf.notBonded,
      });
    },
  },
  'hole-list': {
    sheet: 'holes',
    tablesOf: (project) => {
      const { members, asks } = en.terms;
      const { crew, bothFaces, none, open } = en.documents.holes.words;
      return holeSheet(project, holeSchedule(project, planRuns(project)), {
        members,
        asks,
        crew,
        bothFaces,
        none,
        open,
        place: sheetPlaceWords,
        more: (count) => words.t('documents.holes.words.more', { count }),
      });
    },
  },
} as const satisfies Readonly<Record<string, Sheet>>;

/** The tables with those rules at their end that keep people safe and were lowered: whoever works by the sheet has to know. */
export function withLowered(project: ProjectDocument, tables: readonly SheetTable[]): readonly SheetTable[] {
  if (tables.some(({ section }) => section === 'lowered')) return tables;
  const lowered = loweredRules(project, checkWords(project.project.units));
  return lowered.rows.length > 0 ? [...tables, { ...lowered, wordsOf: 'checks' }] : tables;
}

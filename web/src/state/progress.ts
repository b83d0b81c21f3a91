import { openDecisions, wantedDevices } from '@dusky-spool/core/brief';
import { surveyQuestions } from '@dusky-spool/core/house';
import { BRIEF_TOPICS, type ProjectDocument, RUN_STATES, type RunState } from '@dusky-spool/core/model';
import { openOf } from '@dusky-spool/core/rules';
import type { Derived, DerivedFinding } from '@dusky-spool/core/deltas';
import { today } from './today.ts';

export const STAGES = [
  'brief',
  'survey',
  'devices',
  'cabling',
  'head-end',
  'order',
  'pre-wire',
  'inspect',
  'trim-out',
  'handover',
] as const;
export type Stage = (typeof STAGES)[number];

export const isStage = (word: string | undefined): word is Stage => STAGES.includes(word as Stage);

/** The bead that a rule belongs to, by the part of the job in which it is looked at. */
const BEAD_OF: Readonly<Record<DerivedFinding['stage'], Stage>> = {
  brief: 'brief',
  survey: 'survey',
  devices: 'devices',
  cabling: 'cabling',
  labels: 'pre-wire',
  closing: 'inspect',
};

/** How far a stage is (0 to 1), what is still open in it, and how many findings of rank stop belong to it. */
export interface StageProgress {
  readonly stage: Stage;
  /** Never 1 while something is open. */
  readonly share: number;
  /** Questions, answers and places that are missing, and findings that nobody has settled. */
  readonly open: number;
  readonly stops: number;
}

/** A stage with open questions is not done, however much of it is there. */
const MOST_WHILE_OPEN = 0.95;

/** The thread's beads from real counts of the project. */
export function progressOf(project: ProjectDocument, { runs, findings }: Pick<Derived, 'runs' | 'findings'>): StageProgress[] {
  const share = (done: number, all: number) => (all === 0 ? 0 : done / all);
  const atLeast = (state: RunState) =>
    runs.filter(({ run }) => RUN_STATES.indexOf(run.state) >= RUN_STATES.indexOf(state)).length;
  const rooms = Object.values(project.rooms);
  const devices = Object.values(project.devices);
  const { name, client, address, description } = project.project;
  const unsettled = openOf(project, findings, today()).filter(({ rank }) => rank !== 'fine');
  const questioned = new Set(findings.filter(({ rank }) => rank !== 'fine').flatMap((f) => f.subjects.map(({ id }) => id)));
  const settled = runs.filter(({ run, differs }) => !differs && !questioned.has(run.id)).length;
  const walled = new Set(Object.values(project.walls).map((wall) => wall.levelId));
  const withDevices = new Set(devices.map((device) => device.roomId));
  const shares: Record<Stage, number> = {
    // Every topic of every room talked about; without rooms, the facts of the job.
    brief:
      rooms.length > 0
        ? share(Object.keys(project.briefCells).length, rooms.length * BRIEF_TOPICS.length)
        : share([name, client, address, description].filter((fact) => fact.trim() !== '').length, 4),
    survey: share(rooms.filter((room) => walled.has(room.levelId)).length, Math.max(1, rooms.length)),
    devices: share(rooms.filter((room) => withDevices.has(room.id)).length, rooms.length),
    cabling: share(runs.filter((planned) => planned.length !== null).length, runs.length),
    'head-end': share(
      Object.keys(project.racks).length > 0 ? runs.filter((planned) => planned.length !== null).length : 0,
      Math.max(1, runs.length),
    ),
    order: share(atLeast('issued'), runs.length),
    'pre-wire': share(atLeast('pulled'), runs.length),
    inspect: atLeast('pulled') === 0 ? 0 : share(Math.min(settled, atLeast('pulled')), runs.length),
    'trim-out': share(atLeast('terminated') + atLeast('tested'), 2 * runs.length),
    handover: runs.length > 0 && atLeast('tested') === runs.length ? 1 : 0,
  };
  const missing: Partial<Record<Stage, number>> = {
    brief: openDecisions(project, today()).length,
    survey: surveyQuestions(project).length,
    devices: wantedDevices(project).reduce((sum, one) => sum + one.missing, 0),
  };
  return STAGES.map((name) => {
    const own = unsettled.filter((finding) => BEAD_OF[finding.stage] === name);
    const open = (missing[name] ?? 0) + own.length;
    return {
      stage: name,
      share: open > 0 ? Math.min(shares[name], MOST_WHILE_OPEN) : shares[name],
      open,
      stops: own.filter(({ rank }) => rank === 'stop').length,
    };
  });
}

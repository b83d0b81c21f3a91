import { CHECKS, type CheckStage, type Finding, findingKey, FINDINGS } from '../rules/index.ts';
import { each, whole } from '../derive/index.ts';
import { scheduleNodes, type ScheduleWords } from '../sheets/index.ts';
import { inNumberOrder, NUMBER_ORDER, PLANNED_RUN } from '../runs/index.ts';
import type { DerivedFinding, DerivedLists, DerivedRun } from './delta.ts';

const STAGE_OF: ReadonlyMap<string, CheckStage> = new Map(CHECKS.map(({ id, stage }) => [id, stage]));

/** A planned run as it is sent. */
export const RUN_DELTA = each<'runs', DerivedRun>({
  name: 'published run',
  over: 'runs',
  beside: [PLANNED_RUN],
  make: ({ id }, read) => {
    const { proposedRoute, differs, length, points, media } = read.one(PLANNED_RUN, id)!;
    return { runId: id, proposedRoute, differs, length, points, media };
  },
});

interface PublishedFindings {
  readonly list: readonly DerivedFinding[];
  readonly of: ReadonlyMap<Finding, DerivedFinding>;
}

/** Findings as they are sent; a finding that stayed the same value keeps its object. */
const PUBLISHED_FINDINGS = whole<PublishedFindings>({
  name: 'published findings',
  nodes: [FINDINGS],
  day: true,
  make: (read, last) => {
    const of = new Map(read.get(FINDINGS).map((finding) => [finding, last?.value.of.get(finding) ?? asPublished(finding)]));
    return { list: [...of.values()], of };
  },
});

function asPublished(finding: Finding): DerivedFinding {
  const { check, rank, code, subjects, measured, allowed, unit, figures } = finding;
  const stage = STAGE_OF.get(check) ?? 'cabling';
  return { check, rank, code, subjects, measured, allowed, unit, figures, stage, ref: findingKey(finding) };
}

/** What is published of a project: routes and schedule first, then all with its findings. `words` name things without a name. */
export function deltaNodes(words: ScheduleWords) {
  const { plainRow, row } = scheduleNodes(words);
  const routed = whole<DerivedLists>({
    name: 'published before the checks',
    nodes: [RUN_DELTA, NUMBER_ORDER, plainRow],
    make: (read) => ({ runs: inNumberOrder(read, RUN_DELTA), findings: [], rows: inNumberOrder(read, plainRow) }),
  });
  const all = whole<DerivedLists>({
    name: 'all that is published',
    nodes: [RUN_DELTA, NUMBER_ORDER, PUBLISHED_FINDINGS, row],
    day: true,
    make: (read) => ({
      runs: inNumberOrder(read, RUN_DELTA),
      findings: read.get(PUBLISHED_FINDINGS).list,
      rows: inNumberOrder(read, row),
    }),
  });
  return { routed, all };
}

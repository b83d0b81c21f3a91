import { type Device, type Feature, type ProjectDocument, type Run, update } from '../model/index.ts';
import { partOf, pickedFrom } from '../derive/index.ts';
import { defineCheck, type RuleFinding, say } from './check.ts';

/** Things that were found in the house. */
const FOUND = partOf('existing things', 'features', ({ kind }) => kind.startsWith('existing-'));
const RUNS_IN_FOUND = partOf('runs in existing wiring', 'runs', ({ foundId }) => foundId !== null);
const DEVICES_ON_FOUND = partOf('devices on existing things', 'devices', ({ foundId }) => foundId !== null);

interface Users {
  readonly runs: readonly Run[];
  readonly devices: readonly Device[];
}

/** What is found and used again was tested, or judged by whoever hangs something on it (practice C23). */
export const existingReused = defineCheck({
  id: 'existing-reused',
  title: 'What is found and re-used was tested and is sound',
  source: 'Trade practice',
  severity: 'stop',
  stage: 'survey',
  appliesTo: 'features',
  reads: ['levels'],
  nodes: [FOUND, RUNS_IN_FOUND, DEVICES_ON_FOUND],
  safety: true,
  run: ({ project }) => {
    const runs = pickedFrom(project, RUNS_IN_FOUND);
    const devices = pickedFrom(project, DEVICES_ON_FOUND);
    return pickedFrom(project, FOUND).flatMap((feature): RuleFinding[] => {
      const users = {
        runs: runs.filter(({ foundId }) => foundId === feature.id),
        devices: devices.filter(({ foundId }) => foundId === feature.id),
      };
      const isUsed = users.runs.length + users.devices.length > 0;
      if (!isUsed && feature.decision !== 'reuse') return [];
      return [...decided(project, feature, users), ...judged(project, feature, users)];
    });
  },
});

const about = (project: ProjectDocument, feature: Feature, { runs, devices }: Users) => ({
  subjects: [
    { in: 'features' as const, id: feature.id },
    ...runs.map(({ id }) => ({ in: 'runs' as const, id })),
    ...devices.map(({ id }) => ({ in: 'devices' as const, id })),
  ],
  figures: {
    number: project.levels[feature.levelId].code,
    thing: feature.kind,
    place: feature.name || project.levels[feature.levelId].name,
    runs: runs.map(({ number }) => number).join(', '),
  },
});

/** What runs or devices use is to be re-used, not abandoned. */
function decided(project: ProjectDocument, feature: Feature, users: Users): RuleFinding[] {
  if (users.runs.length + users.devices.length === 0 || feature.decision === 'reuse' || feature.decision === 'keep') return [];
  const { subjects, figures } = about(project, feature, users);
  const cures = ({ features }: ProjectDocument) => {
    const operation = features[feature.id] && update('features', features[feature.id], { decision: 'reuse' });
    return operation ? [{ code: 'decide-reuse', figures: { place: figures.place }, operations: [operation] }] : [];
  };
  return feature.decision === 'abandon'
    ? [say('stop', 'reused-abandoned', subjects, figures, { cures })]
    : [say('look', 'reused-undecided', subjects, figures, { cures })];
}

/** Cable is tested and its route known; a bracket or a box is sound. */
function judged(project: ProjectDocument, feature: Feature, users: Users): RuleFinding[] {
  const { subjects, figures } = about(project, feature, users);
  if (feature.kind === 'existing-wiring')
    return [
      ...(feature.tested === 'measured' ? [] : [say('look', 'reused-untested', subjects, figures)]),
      ...(feature.routeKnown || users.runs.length === 0 ? [] : [say('look', 'reused-route-unknown', subjects, figures)]),
    ];
  if (feature.kind !== 'existing-bracket' && feature.kind !== 'existing-box') return [];
  if (feature.condition === 'sound' || (feature.kind === 'existing-box' && users.devices.length === 0)) return [];
  return feature.condition === 'weak'
    ? [say('stop', 'reused-weak', subjects, figures)]
    : [say('look', 'reused-unjudged', subjects, figures)];
}

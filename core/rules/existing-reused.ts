import { partOf, pickedFrom } from '../derive/index.ts';
import { defineCheck, type RuleFinding, say } from './check.ts';

/** Found things that are to be used again. */
const REUSED = partOf(
  'found things to be re-used',
  'features',
  ({ kind, decision }) => decision === 'reuse' && kind.startsWith('existing-'),
);

/** What is found and used again was tested, or judged by whoever hangs something on it (practice C23). */
export const existingReused = defineCheck({
  id: 'existing-reused',
  title: 'What is found and re-used was tested and is sound',
  source: 'Trade practice',
  severity: 'stop',
  stage: 'survey',
  appliesTo: 'features',
  reads: ['levels'],
  nodes: [REUSED],
  safety: true,
  run: ({ project }) =>
    pickedFrom(project, REUSED).flatMap((feature): RuleFinding[] => {
      const subjects = [{ in: 'features' as const, id: feature.id }];
      const figures = {
        number: project.levels[feature.levelId].code,
        thing: feature.kind,
        place: feature.name || project.levels[feature.levelId].name,
      };
      if (feature.kind === 'existing-wiring' && feature.tested !== 'measured')
        return [say('look', 'reused-untested', subjects, figures)];
      if (feature.kind !== 'existing-bracket' || feature.condition === 'sound') return [];
      return feature.condition === 'weak'
        ? [say('stop', 'reused-weak', subjects, figures)]
        : [say('look', 'reused-unjudged', subjects, figures)];
    }),
});

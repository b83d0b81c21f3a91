import { linePlateUp, type PlateProblem, plateProblems, recompose } from '../devices/index.ts';
import { type Plate, type ProjectDocument, update } from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import { type Cure, defineCheck, type RuleFinding, say } from './check.ts';

/** Every box keeps mains and low voltage apart, holds what its devices need, fits its wall and lines up with its neighbour. */
export const platesSound = defineCheck({
  id: 'plates-sound',
  stage: 'devices',
  title: 'Every plate keeps mains apart, holds what its devices need and lines up',
  source: 'NEC 725, 800: mains and low voltage apart or behind a barrier; trade practice',
  severity: 'stop',
  appliesTo: 'plates',
  reads: [
    'deviceTypes',
    'devices',
    'features',
    'framingMembers',
    'levels',
    'openings',
    'plates',
    'racks',
    'risers',
    'rooms',
    'runs',
    'walls',
  ],
  run: ({ project }) =>
    listOf(project, 'plates').flatMap((plate) =>
      plateProblems(project, plate).map((problem) => findingOf(project, plate, problem)),
    ),
});

function findingOf(
  project: ProjectDocument,
  plate: Plate,
  { code, rank, measured, allowed, figures }: PlateProblem,
): RuleFinding {
  const room = plate.roomId === null ? project.levels[plate.levelId].code : project.rooms[plate.roomId].code;
  return say(
    rank,
    code,
    [{ in: 'plates', id: plate.id }],
    { number: room, plate: plate.name, ...figures },
    {
      measured,
      allowed,
      unit: code === 'plate-apart' || code === 'plate-not-lined-up' || code === 'plate-too-wide-for-bay' ? 'm' : '',
      cures: (house) => (house.plates[plate.id] ? curesOf(house, house.plates[plate.id], code) : []),
    },
  );
}

function curesOf(project: ProjectDocument, plate: Plate, code: PlateProblem['code']): Cure[] {
  const change = (cure: string, after: Partial<Plate>): Cure[] => {
    const operation = update('plates', plate, after);
    return operation ? [{ code: cure, figures: {}, operations: [operation] }] : [];
  };
  if (code === 'plate-no-divider') return change('plate-divide', { divider: true });
  if (code === 'plate-open-box')
    return change('plate-close-box', { boxKind: plate.gangs === 1 ? 'one-gang' : plate.gangs === 2 ? 'two-gang' : 'back-box' });
  if (code === 'plate-box-shallow')
    return change('plate-deeper-box', { boxKind: plate.gangs === 1 ? 'one-gang-deep' : 'back-box' });
  if (code === 'plate-box-misfit') return change('plate-larger-box', { boxKind: plate.gangs === 2 ? 'two-gang' : 'back-box' });
  if (code === 'plate-device-gone')
    return change('plate-clear', {
      inserts: plate.inserts.filter(({ deviceId }) => deviceId === null || project.devices[deviceId]),
    });
  const operations =
    code === 'plate-insert-missing'
      ? recompose(project, plate)
      : code === 'plate-not-lined-up'
        ? linePlateUp(project, plate)
        : [];
  const name = code === 'plate-insert-missing' ? 'plate-fill' : 'plate-line-up';
  return operations.length > 0 ? [{ code: name, figures: {}, operations }] : [];
}

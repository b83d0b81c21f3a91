import { buildingOf, roomAt } from '../house/index.ts';
import { type CollectionName, type ProjectDocument, remove, update } from '../model/index.ts';
import { listOf } from '../derive/index.ts';
import { defineCheck, type Rank, type RuleFinding, say } from './check.ts';

/** What would keep many runs from a route at once: no rack, risers that end nowhere, cavities without height. */
export const pathwaysOpen = defineCheck({
  id: 'ways-open',
  stage: 'cabling',
  title: 'Racks, risers and cavities lead somewhere',
  source: 'Home run topology; geometry of the survey',
  severity: 'stop',
  appliesTo: 'levels',
  reads: [
    'deviceTypes',
    'devices',
    'features',
    'framingMembers',
    'levels',
    'openings',
    'racks',
    'risers',
    'rooms',
    'runs',
    'walls',
  ],
  run: ({ project }) => [...racks(project), ...risers(project), ...cavities(project)],
});

const finding = (
  code: string,
  rank: Rank,
  subject: { in: CollectionName; id: string },
  figures: RuleFinding['figures'],
  cures?: RuleFinding['cures'],
): RuleFinding => say(rank, code, [subject], figures, { cures });

function racks(project: ProjectDocument): RuleFinding[] {
  const all = listOf(project, 'racks');
  if (all.length === 1) return [];
  const waiting =
    all.length > 0 ? [] : listOf(project, 'devices').filter(({ typeId }) => project.deviceTypes[typeId].cables.length > 0);
  if (all.length === 0)
    return waiting.length === 0
      ? []
      : [finding('no-rack', 'stop', { in: 'devices', id: waiting[0].id }, { count: waiting.length })];
  const runs = listOf(project, 'runs').filter(({ toDeviceId }) => toDeviceId === null);
  return all.map((rack) =>
    finding(
      'rack-of-several',
      'fine',
      { in: 'racks', id: rack.id },
      {
        rack: rack.name,
        count: runs.filter(({ rackId }) => rackId === rack.id).length,
        racks: all.length,
      },
    ),
  );
}

const away =
  (id: string): RuleFinding['cures'] =>
  ({ risers }) =>
    risers[id] ? [{ code: 'remove-riser', figures: {}, operations: [remove('risers', risers[id])] }] : [];

function risers(project: ProjectDocument): RuleFinding[] {
  const building = buildingOf(project);
  return listOf(project, 'risers').flatMap((riser) => {
    const subject = { in: 'risers' as const, id: riser.id };
    if (riser.bottomLevelId === riser.topLevelId)
      return [finding('riser-one-level', 'look', subject, { riser: riser.name }, away(riser.id))];
    const ends = [riser.bottomLevelId, riser.topLevelId];
    const shut = ends.find((levelId) => {
      const room = roomAt(building, levelId, [riser.x, riser.y]);
      return !room || room.framing === 'none' || room.framing === 'slab' || building.levelById[levelId].cavityDepthM <= 0;
    });
    if (!shut) return [];
    const figures = { riser: riser.name, level: building.levelById[shut].name };
    return [finding('riser-ends-nowhere', 'look', subject, figures)];
  });
}

function cavities(project: ProjectDocument): RuleFinding[] {
  return listOf(project, 'levels').flatMap((level) => {
    if (level.cavityDepthM > 0) return [];
    const framed = listOf(project, 'rooms').filter(
      ({ levelId, framing }) => levelId === level.id && framing !== 'none' && framing !== 'slab',
    );
    if (framed.length === 0) return [];
    return [
      finding(
        'cavity-no-height',
        'look',
        { in: 'levels', id: level.id },
        { level: level.name, count: framed.length },
        ({ levels }) => {
          const operation = levels[level.id] && update('levels', levels[level.id], { cavityDepthM: 0.25 });
          return operation ? [{ code: 'give-cavity', figures: { depthM: 0.25 }, operations: [operation] }] : [];
        },
      ),
    ];
  });
}

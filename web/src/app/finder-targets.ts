import { listOf } from '@dusky-spool/core/derive';
import { deviceNumber, deviceTitle } from '@dusky-spool/core/devices';
import { FEATURE_MAKES } from '@dusky-spool/core/house';
import type { ProjectDocument } from '@dusky-spool/core/model';
import { compareNumbers } from '@dusky-spool/core/runs';
import type { ScheduleRow } from '@dusky-spool/core/sheets';
import { term, text } from '../ground/text.ts';
import { STAGES } from '../state/progress.ts';

/** What can be done from the find box at once, without going anywhere. */
export type FinderAct = 'undo' | 'redo' | 'theme' | 'findings' | 'tour';

export interface FinderTarget {
  /** As it is read and heard; no two are the same. */
  readonly label: string;
  readonly go: { readonly to: string } | { readonly act: FinderAct };
}

interface Place {
  readonly projectId: string;
  readonly stage: string;
  /** The level that is shown. */
  readonly levelId: string | null;
  readonly mayPlan: boolean;
}

/** Everything that the find box finds: acts, runs, devices, rooms, things, places to go. */
export function finderTargets(project: ProjectDocument, rows: readonly ScheduleRow[], place: Place): FinderTarget[] {
  const { projectId, stage, levelId } = place;
  const at = (path: string): FinderTarget['go'] => ({ to: `/p/${projectId}/${path}` });
  const planStage = stage === 'devices' || stage === 'cabling' ? stage : 'cabling';
  const level = levelId === null ? '' : `level=${levelId}&`;
  const found: FinderTarget[] = [
    ...[...rows]
      .sort((a, b) => compareNumbers(a.number, b.number))
      .map((row) => ({
        label: `${row.number} · ${row.from}`,
        go: at(`${planStage}?level=${row.levelId}&sel=run:${row.runId}`),
      })),
    ...listOf(project, 'devices').map((device) => {
      const where = device.roomId === null ? term('outdoors') : project.rooms[device.roomId].name;
      const name = deviceTitle(device, project.deviceTypes[device.typeId]);
      return {
        label: `${name} · ${where}, ${deviceNumber(project, device)}`,
        go: at(`${planStage}?level=${device.levelId}&sel=device:${device.id}`),
      };
    }),
    ...listOf(project, 'racks').map((rack) => ({
      label: text('plan.rack', { name: rack.name }),
      go: at(`survey?level=${rack.levelId}&sel=rack:${rack.id}`),
    })),
    ...listOf(project, 'rooms').map((room) => ({
      label: `${room.code} · ${room.name} (${project.levels[room.levelId].name})`,
      go: at(`survey?level=${room.levelId}&sel=room:${room.id}`),
    })),
    ...listOf(project, 'features').map((feature) => ({
      label: `${feature.name || term(`features.${feature.kind}`)} (${project.levels[feature.levelId].name})`,
      go: at(`survey?level=${feature.levelId}&sel=feature:${feature.id}`),
    })),
    ...listOf(project, 'levels').map((one) => ({
      label: text('header.toLevel', { level: one.name }),
      go: at(`${stage}?level=${one.id}`),
    })),
    ...STAGES.map((one) => ({ label: text('header.goTo', { stage: text(`stages.${one}`) }), go: at(one) })),
    { label: text('planList.title'), go: at('devices?view=list') },
    { label: text('library.title'), go: at('devices?view=library') },
    { label: text('theatre.title'), go: at('devices?view=theatre') },
    ...listOf(project, 'theatres').map(({ roomId }) => ({
      label: text('theatre.of', { name: project.rooms[roomId].name }),
      go: at(`devices?view=theatre:${roomId}`),
    })),
    { label: text('brief.findWalk'), go: at('brief?view=walk') },
    { label: text('brief.views.decisions'), go: at('brief?view=decisions') },
    { label: text('survey.walk'), go: at('survey?view=walk') },
    { label: text('survey.threeD'), go: at('survey?view=3d') },
    { label: text('schedule.title'), go: at('cabling?view=schedule') },
    { label: text('labels.title'), go: at('cabling?view=labels') },
    { label: text('ways.title'), go: at('cabling?view=ways') },
    { label: text('checks.views.rules'), go: at('inspect?view=rules') },
    { label: text('checks.views.calculators'), go: at('inspect?view=calculators') },
    { label: text('guide.title'), go: { to: '/guide' } },
    { label: text('header.toProjects'), go: { to: '/projects' } },
    { label: text('header.undo'), go: { act: 'undo' } },
    { label: text('header.redo'), go: { act: 'redo' } },
    { label: text('header.otherTheme'), go: { act: 'theme' } },
    { label: text('header.showFindings'), go: { act: 'findings' } },
    { label: text('tour.start'), go: { act: 'tour' } },
    { label: text('header.exportLabels'), go: at(`cabling?${level}view=schedule&export=labels`) },
    { label: text('header.exportPlan'), go: at(`cabling?${level}view=schedule&export=plan`) },
    { label: text('header.exportAll'), go: at(`cabling?${level}view=schedule&export=all`) },
    ...(place.mayPlan ? placingTargets(project, at, level) : []),
  ];
  return withoutTwins(found);
}

function placingTargets(project: ProjectDocument, at: (path: string) => FinderTarget['go'], level: string): FinderTarget[] {
  const placed = (name: string) => text('header.placeA', { name: name.toLowerCase() });
  return [
    ...(['rack', 'riser'] as const).map((kind) => ({
      label: placed(text(`survey.${kind}`)),
      go: at(`devices?${level}place=${kind}`),
    })),
    ...listOf(project, 'deviceTypes')
      .filter((type) => type.part === 'device')
      .map((type) => ({ label: placed(type.name), go: at(`devices?${level}place=${type.id}`) })),
    { label: text('header.drawWalls'), go: at(`survey?${level}tool=walls`) },
    ...(['door', 'window', 'arch'] as const).map((kind) => ({
      label: placed(term(`openings.${kind}`)),
      go: at(`survey?${level}tool=${kind}`),
    })),
    { label: text('header.measure'), go: at(`survey?${level}tool=measure`) },
    ...FEATURE_MAKES.map(({ kind }) => ({
      label: placed(term(`features.${kind}`)),
      go: at(`survey?${level}tool=thing-${kind}`),
    })),
  ];
}

/** Labels that are alike are told apart by a count. */
function withoutTwins(targets: readonly FinderTarget[]): FinderTarget[] {
  const seen = new Map<string, number>();
  return targets.map((target) => {
    const count = (seen.get(target.label) ?? 0) + 1;
    seen.set(target.label, count);
    return count === 1 ? target : { ...target, label: `${target.label} (${count})` };
  });
}

import { runChecks } from '../../core/rules/index.ts';
import { type CableType, create, type ProjectDocument, type RunState, update } from '../../core/model/index.ts';
import { planRuns, runState, proposedRoutes } from '../../core/runs/index.ts';
import { buildGranary } from './granary.ts';
import { DRAWN_ON, must } from './house-builder.ts';

/** How far each level's bundles have come on the pre-wire day. */
const STATES: Readonly<Record<string, RunState>> = { L: 'pulled', M: 'labelled', U: 'issued' };

/**
 * The same kind of house in the midst of its pre-wire: the lower level is pulled, the main level labelled, half the upper
 * issued; a pulled speaker and a labelled keypad were moved since, one late speaker is still too thin, and one drop has copper-clad aluminum.
 */
export function buildMerrowfen(): ProjectDocument {
  const { builder } = buildGranary({
    shortId: '9H2QY',
    name: 'Merrowfen Landing',
    description: 'New build at a fen landing, in its pre-wire week. Lower level pulled, main level labelled.',
    client: 'The landing household',
    address: '2 Landing Row',
  });
  planRuns(builder.project).forEach(({ run }, index) => {
    const state = STATES[run.number[0]];
    if (run.number[0] === 'U' && index % 2 === 0) return;
    builder.apply(must(runState(builder.project, [run.id], state, proposedRoutes(builder.project))));
    const labelled =
      state === 'issued' ? null : update('runs', builder.project.runs[run.id], { printedOn: '2026-11-16', labelledEnds: 'both' });
    if (labelled) builder.apply([labelled]);
  });
  const find = (typeId: string, roomCode: string) =>
    Object.values(builder.project.devices).find(
      (d) => d.typeId === typeId && d.roomId !== null && builder.project.rooms[d.roomId].code === roomCode,
    )!;
  const speaker = find('ceiling-speaker', 'GY');
  builder.move(speaker.id, [speaker.x + 0.4, speaker.y + 0.8]);
  const keypad = find('keypad', 'KI');
  builder.move(keypad.id, [keypad.x + 0.7, keypad.y]);
  const late = builder.device('level_u', 'ceiling-speaker', [1.7, 1], 'late addition');
  const run = Object.values(builder.project.runs).find((r) => r.deviceId === late)!;
  const thin = update('runs', run, { cableTypeId: 'spk_16_2' });
  if (thin) builder.apply([thin]);
  // A box of clad cable from the builder's store got into the plan.
  const drop = planRuns(builder.project).find(
    ({ run }) => run.state === 'drafted' && builder.project.cableTypes[run.cableTypeId].family === 'cat',
  )!;
  const solid = builder.project.cableTypes[drop.run.cableTypeId];
  const clad: CableType = { ...solid, id: 'cat_clad', name: `${solid.name}, copper-clad`, material: 'cca' };
  builder.apply([create('cableTypes', clad), update('runs', drop.run, { cableTypeId: clad.id })!]);
  if (!runChecks(builder.project, DRAWN_ON).some((finding) => finding.rank === 'stop'))
    throw new Error('Merrowfen Landing is meant to show a stop');
  builder.designHeadEnds();
  return builder.finish();
}

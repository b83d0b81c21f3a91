import { edited, listOf } from '../derive/index.ts';
import { exchangeType, removeDevices } from '../devices/index.ts';
import { ok, type Outcome } from '../math/index.ts';
import type { Device, OfferOption, ProjectDocument } from '../model/index.ts';
import type { BillLine } from './bill.ts';
import { type Offer, offerOf, offerSourceOf } from './offer.ts';

const isLeftOut = (project: ProjectDocument, option: OfferOption, { typeId, roomId, phaseId }: Device): boolean =>
  option.withoutSystems.includes(project.deviceTypes[typeId].system) ||
  (roomId !== null && option.withoutRoomIds.includes(roomId)) ||
  (phaseId !== null && option.withoutPhaseIds.includes(phaseId));

/**
 * The house as an option has it: without what it leaves out, and with the devices that it takes instead. Runs and tasks of what is left
 * out go with it. Problems: those of `removeDevices` and `exchangeType`.
 */
export function projectOfOption(project: ProjectDocument, option: OfferOption): Outcome<ProjectDocument> {
  const gone = listOf(project, 'devices').filter((device) => isLeftOut(project, option, device));
  let working = project;
  if (gone.length > 0) {
    const removed = removeDevices(
      working,
      gone.map(({ id }) => id),
    );
    if (!removed.ok) return removed;
    const after = edited(working, removed.value);
    if (!after.ok) return after;
    working = after.value;
  }
  let count = 0;
  for (const { fromTypeId, toTypeId } of option.swaps) {
    const ids = listOf(working, 'devices').flatMap(({ id, typeId }) => (typeId === fromTypeId ? [id] : []));
    const exchange = exchangeType(working, ids, toTypeId, () => `option-run-${++count}`);
    if (!exchange.ok) return exchange;
    const after = edited(working, exchange.value.operations);
    if (!after.ok) return after;
    working = after.value;
  }
  return ok({ ...working, siteTasks: tasksOfOption(working, option) });
}

/** The tasks that an option has: those of rooms that it leaves out go. */
export const tasksOfOption = (project: ProjectDocument, option: OfferOption): ProjectDocument['siteTasks'] =>
  Object.fromEntries(
    Object.entries(project.siteTasks).filter(([, { roomId }]) => roomId === null || !option.withoutRoomIds.includes(roomId)),
  );

/** The offer of an option, for whoever has no worker. Problems: those of `projectOfOption`. */
export function offerOfOption(
  project: ProjectDocument,
  option: OfferOption,
  namesOf: (line: BillLine) => readonly string[],
  day: string,
): Outcome<Offer> {
  const own = projectOfOption(project, option);
  return own.ok ? ok(offerOf(own.value, offerSourceOf(own.value), namesOf, day)) : own;
}

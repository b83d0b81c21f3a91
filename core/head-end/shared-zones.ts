import { derivationsOf } from '../derive/index.ts';
import { err, groupedBy, ok, type Outcome } from '../math/index.ts';
import { create, type Operation, type ProjectDocument, type Termination, update } from '../model/index.ts';
import type { RunNeed } from './needs.ts';
import { HEAD_END_PARTS } from './parts.ts';
import { portAt, portKey } from './ports.ts';

/** Contacts that may share a zone (ENGINEERING 17.1). */
export const CONTACTS_PER_ZONE = 4;

type End = Pick<Termination, 'runId' | 'equipmentId' | 'port' | 'place'>;

/** The first place on a zone that none of these has. */
function freePlace(own: readonly End[]): number {
  let place = 1;
  while (own.some((one) => one.place === place)) place++;
  return place;
}

/** The place on a zone where a contact joins those of its side of the house; null where none has room. */
export function zoneToShare(
  need: RunNeed,
  terminations: readonly End[],
  needByRun: ReadonlyMap<string, RunNeed>,
  isOwn: (equipmentId: string) => boolean,
): Pick<End, 'equipmentId' | 'port' | 'place'> | null {
  if (need.facade === null) return null;
  const onZone = groupedBy(
    terminations.filter(({ runId, equipmentId }) => isOwn(equipmentId) && needByRun.get(runId)?.kind === 'zone'),
    ({ equipmentId, port }) => portKey(equipmentId, port),
  );
  // The emptiest first, so that they spread evenly.
  const [zone] = [...onZone.values()]
    .filter((own) => own.length < CONTACTS_PER_ZONE && own.every(({ runId }) => needByRun.get(runId)?.facade === need.facade))
    .sort((a, b) => a.length - b.length);
  return zone ? { equipmentId: zone[0].equipmentId, port: zone[0].port, place: freePlace(zone) } : null;
}

/**
 * Puts a contact on a zone, also beside other contacts, in series with them. Problems: `port-unknown`, `zone-not-shared` where the sensor
 * there is none, or the zone has as many as it may.
 */
export function putOnZone(
  project: ProjectDocument,
  runId: string,
  to: { readonly equipmentId: string; readonly port: string },
  newId: string,
): Outcome<Operation[]> {
  const parts = derivationsOf(project).get(HEAD_END_PARTS);
  const equipment = parts.equipmentById.get(to.equipmentId);
  const at = equipment && portAt(equipment, to.port);
  if (at?.group.kind !== 'zone') return err('port-unknown', { kind: 'invalid', field: 'port', value: to.port });
  const others = parts.terminations.filter(
    (one) => one.equipmentId === to.equipmentId && one.port === to.port && one.runId !== runId,
  );
  const isContact = (id: string) => typeof parts.needByRun.get(id)?.facade === 'string';
  if (others.length > 0 && (others.length >= CONTACTS_PER_ZONE || ![runId, ...others.map((one) => one.runId)].every(isContact)))
    return err('zone-not-shared', { kind: 'infeasible', field: 'port', port: to.port, most: CONTACTS_PER_ZONE });
  const own = parts.terminationOfRun.get(runId);
  const place = freePlace(others);
  if (!own) return ok([create('terminations', { id: newId, runId, ...to, padDb: 0, place, isLocked: true })]);
  return ok([update('terminations', own, { ...to, place, isLocked: true }) ?? []].flat());
}

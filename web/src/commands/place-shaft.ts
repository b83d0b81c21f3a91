import { freeRackCode, placeRack } from '@dusky-spool/core/devices';
import type { Point2 } from '@dusky-spool/core/math';
import type { Operation, ProjectDocument } from '@dusky-spool/core/model';
import { text } from '../ground/text.ts';
import { placeRiser } from './place-riser.ts';

interface Wanted {
  readonly kind: 'rack' | 'riser';
  readonly levelId: string;
  readonly at: Point2;
  readonly newId: (prefix: string) => string;
}

/** A rack, with the runs of devices that waited for one, or a riser; with its name and its id. */
export function placeShaft(
  project: ProjectDocument,
  { kind, levelId, at, newId }: Wanted,
): { readonly name: string; readonly id: string; readonly operations: Operation[] } {
  const isRack = kind === 'rack';
  const id = newId(isRack ? 'k' : 'z');
  const name = isRack ? `${text('survey.rack')} ${freeRackCode(project)}` : text('survey.riser');
  const operations = isRack
    ? placeRack(project, { id, levelId, at, name }, () => newId('r'))
    : placeRiser(project, { id, levelId, at, name });
  return { name, id, operations };
}

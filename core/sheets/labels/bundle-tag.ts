import { buildingOf, placeName } from '../../house/index.ts';
import type { ProjectDocument } from '../../model/index.ts';
import { bundlesOf } from '../../runs/index.ts';
import { labelFit, type LabelFit } from './fit.ts';

/** The tag of a bundle, for its head and its end at the rack. */
export interface BundleTag {
  readonly code: string;
  readonly rack: string;
  readonly count: number;
  /** The room over which it parts; empty where it parts nowhere. */
  readonly head: string;
  /** Numbers in the order in which they leave, from the rack. */
  readonly numbers: readonly string[];
  readonly diameterM: number;
  readonly fit: LabelFit;
}

/** A tag for each bundle of two and more. */
export function bundleTags(project: ProjectDocument): BundleTag[] {
  const building = buildingOf(project);
  return bundlesOf(project)
    .filter(({ members }) => members.length > 1)
    .map(({ code, rackId, members, head, diameterM }) => ({
      code,
      rack: project.racks[rackId].name,
      count: members.length,
      head: head ? placeName(building, head) : '',
      numbers: members.map(({ run }) => run.number),
      diameterM,
      fit: labelFit(diameterM),
    }));
}

import type { Substrate } from '../../model/index.ts';

export const ANCHORS = [
  'wood-screw',
  'toggle',
  'sleeve',
  'undercut',
  'adhesive',
  'mesh-sleeve-adhesive',
  'through-bolt',
  'solid-spacer',
] as const;
export type Anchor = (typeof ANCHORS)[number];
export const ANCHOR_CAUTIONS = [
  'find-the-stud',
  'scan',
  'edge-and-spacing',
  'not-structure',
  'prove-by-load',
  'needs-backing',
  'open-and-look',
] as const;
export type AnchorCaution = (typeof ANCHOR_CAUTIONS)[number];

/** What may be fastened into, and what to heed. Load figures are those of the anchor's own report, never ours. */
export interface Anchoring {
  /** Whether it may carry a load as it is. */
  readonly bears: boolean;
  readonly anchors: readonly Anchor[];
  readonly cautions: readonly AnchorCaution[];
}

/** ENGINEERING 11, masonry and stud fixings: solid takes expansion and adhesive, hollow takes neither without a mesh or a bolt through. */
const BY_SUBSTRATE: Readonly<Record<Substrate, Anchoring>> = {
  stud: { bears: true, anchors: ['wood-screw'], cautions: ['find-the-stud'] },
  'steel-stud': { bears: false, anchors: ['toggle'], cautions: ['find-the-stud', 'needs-backing'] },
  'solid-concrete': { bears: true, anchors: ['sleeve', 'undercut', 'adhesive'], cautions: ['scan', 'edge-and-spacing'] },
  'solid-block': { bears: true, anchors: ['sleeve', 'adhesive'], cautions: ['scan', 'edge-and-spacing'] },
  'solid-brick': { bears: true, anchors: ['sleeve', 'adhesive'], cautions: ['scan', 'edge-and-spacing'] },
  'soft-brick': {
    bears: true,
    anchors: ['adhesive', 'mesh-sleeve-adhesive'],
    cautions: ['scan', 'edge-and-spacing', 'prove-by-load'],
  },
  'hollow-block': { bears: true, anchors: ['through-bolt', 'mesh-sleeve-adhesive'], cautions: ['scan', 'prove-by-load'] },
  furring: { bears: false, anchors: ['solid-spacer'], cautions: ['not-structure', 'scan'] },
  channel: { bears: false, anchors: ['solid-spacer'], cautions: ['not-structure', 'find-the-stud'] },
  unknown: { bears: false, anchors: [], cautions: ['open-and-look'] },
};

export const anchoringIn = (substrate: Substrate): Anchoring => BY_SUBSTRATE[substrate];

import type { ProjectDocument } from '../project/index.ts';
import { ORDER, type Cure, type Finding, type FindingDraft, type Rank } from './check.ts';

const NO_CURES: readonly Cure[] = [];
const boundOf = new WeakMap<Finding, Bound>();
const boundFrom = new WeakMap<Finding | FindingDraft, Bound>();
const isFinding = (one: Finding | FindingDraft): one is Finding => Array.isArray(one.cures);

/** The project that was looked at last: cures of what was found there are made for it. */
let looked: ProjectDocument | null = null;

/** From now on findings are those of another state; tells which it was before. */
export function lookAt(document: ProjectDocument): ProjectDocument | null {
  const before = looked;
  looked = document;
  return before;
}

/** A finding of a draft; its cures are made where somebody asks for them, for the project in which it was found last. */
export class Bound {
  /** The project in which it was found last, once it is not found any more. */
  private left: ProjectDocument | null = null;
  private made: { readonly document: ProjectDocument; readonly cures: readonly Cure[] } | null = null;
  private readonly finding: Finding;
  /** As it is told: at the rank that the firm wants it to have. */
  shown: Finding;

  constructor(private readonly draft: FindingDraft | Finding) {
    if (isFinding(draft)) this.finding = draft;
    else if (draft.cures) {
      const cures = () => this.cures();
      this.finding = {
        ...draft,
        get cures() {
          return cures();
        },
      };
    } else this.finding = { ...draft, cures: NO_CURES };
    this.shown = this.finding;
    boundOf.set(this.finding, this);
  }

  /** It is found in the project that is looked at now. Gives the finding as it is told: at the firm's rank where there is one. */
  found(rank: Rank | null): Finding {
    this.left = null;
    const { finding } = this;
    const wanted = rank === null || finding.rank === 'fine' ? finding.rank : rank;
    if (this.shown.rank !== wanted) {
      this.shown = wanted === finding.rank ? finding : withRank(finding, wanted);
      boundOf.set(this.shown, this);
    }
    return this.shown;
  }

  /** It is not found any more; `document` is where it was. */
  lost(document: ProjectDocument | null): void {
    this.left ??= document;
  }

  curesIn(document: ProjectDocument): readonly Cure[] {
    return isFinding(this.draft) ? this.draft.cures : (this.draft.cures?.(document) ?? NO_CURES);
  }

  private cures(): readonly Cure[] {
    const document = this.left ?? looked!;
    if (this.made?.document !== document) this.made = { document, cures: this.curesIn(document) };
    return this.made.cures;
  }
}

/** What is bound of a draft: one draft is one finding, however often it is looked at. */
export function boundTo(draft: FindingDraft | Finding): Bound {
  let known = boundFrom.get(draft);
  if (!known) boundFrom.set(draft, (known = new Bound(draft)));
  return known;
}

/** The cures of a finding for this state of the project, whatever was looked at since. */
export const curesFor = (finding: Finding, document: ProjectDocument): readonly Cure[] =>
  boundOf.get(finding)?.curesIn(document) ?? finding.cures;

/** A finding at another rank; its cures are looked up where they are asked for. */
function withRank(finding: Finding, rank: Rank): Finding {
  const { check, code, subjects, measured, allowed, unit, figures } = finding;
  return {
    check,
    rank,
    code,
    subjects,
    measured,
    allowed,
    unit,
    figures,
    get cures() {
      return finding.cures;
    },
  };
}

/** Where a finding stands among all that are told: by rank, then by the place of its rule, of which there are `rules`. */
export const slotOf = ({ rank }: Finding, place: number, rules: number): number => ORDER[rank] * rules + place;

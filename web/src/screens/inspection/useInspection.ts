import type { SiteInspection } from '@dusky-spool/core/field';
import { type Inspection, INSPECTIONS } from '@dusky-spool/core/model';
import { useSearchParams } from 'react-router';
import { askSiteInspection } from '../../state/derived.ts';
import { useAsked } from '../../state/useAsked.ts';

/** The inspection that is looked at, and what stands in it; null while it is worked out. */
export function useInspection(): { readonly inspection: Inspection; readonly state: SiteInspection | null } {
  const [query] = useSearchParams();
  const inspection = INSPECTIONS.find((one) => one === query.get('inspection')) ?? 'boards';
  // Bored places of a large house take a second: the worker has them.
  return { inspection, state: useAsked(askSiteInspection, inspection) };
}

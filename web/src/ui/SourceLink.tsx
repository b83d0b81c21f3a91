import { Link, useParams } from 'react-router';
import { referenceOfRule } from '@dusky-spool/core/sheets';
import { words } from '@dusky-spool/texts';

/** Leads from a rule or finding to the page of the reference that explains it. */
export function SourceLink({ ruleId }: { readonly ruleId: string }) {
  const { projectId } = useParams();
  const { page, at } = referenceOfRule(ruleId);
  return (
    <Link className="plain link" to={`/p/${projectId}/inspect?view=reference&page=${page}&at=${at}`}>
      {words.t('reference.open')}
    </Link>
  );
}

import { type Inspection, INSPECTIONS } from '@dusky-spool/core/model';
import { Segmented } from 'antd';
import { useSearchParams } from 'react-router';
import { term, text } from '../../ground/text.ts';

/** Before the walls close, or before a pour. */
export function InspectionChoice({ value }: { readonly value: Inspection }) {
  const [query, setQuery] = useSearchParams();
  return (
    <Segmented<Inspection>
      value={value}
      aria-label={text('site.which')}
      options={INSPECTIONS.map((one) => ({ value: one, label: term(`inspections.${one}`) }))}
      onChange={(next) => setQuery({ ...Object.fromEntries(query), inspection: next }, { replace: true })}
    />
  );
}

import type { DrawingPack, MadeDocumentsReply } from '@dusky-spool/core/model';
import { useServer } from '../../ground/api/server-state.ts';
import { term, text } from '../../ground/text.ts';

/** So many documents are listed. */
const SHOWN = 6;

/** What was made lately of a project, and from which revision. */
export function MadeBefore({ projectId }: { readonly projectId: string }) {
  const { data } = useServer<MadeDocumentsReply>(`/projects/${projectId}/documents`);
  if (!data || data.documents.length === 0) return null;
  return (
    <>
      <div className="eyebrow">{text('schedule.made')}</div>
      <ul>
        {data.documents.slice(0, SHOWN).map(({ id, name, query, revision, madeAt }) => (
          <li key={id}>
            {text('schedule.madeLine', {
              ...{ name, revision, day: madeAt.slice(0, 16).replace('T', ' ') },
              pack: query.pack ? ` (${term(`packs.${query.pack as DrawingPack}`)})` : '',
            })}
          </li>
        ))}
      </ul>
    </>
  );
}

import { Button } from 'antd';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { countUnsent, type KeptHouse, keptHouses } from '../../ground/api/device-store.ts';
import { text } from '../../ground/text.ts';
import css from './projects.module.css';

type Kept = Pick<KeptHouse, 'projectId' | 'name' | 'shortId'> & { readonly counts: readonly [number, number] };

/** The houses that this device holds: what can be worked on without a connection. Nothing until the store has been read. */
function useKeptHouses(): { readonly houses: readonly Kept[]; readonly unsent: number } | null {
  const [kept, setKept] = useState<{ readonly houses: readonly Kept[]; readonly unsent: number } | null>(null);
  useEffect(() => {
    let isOver = false;
    const read = async () => {
      const houses = (await keptHouses()).map(({ projectId, name, shortId, document }): Kept => {
        return { projectId, name, shortId, counts: [Object.keys(document.devices).length, Object.keys(document.runs).length] };
      });
      const unsent = await countUnsent();
      if (!isOver) setKept({ houses: houses.sort((a, b) => (a.name < b.name ? -1 : 1)), unsent });
    };
    // A store that cannot be read (private browsing) holds nothing.
    read().catch(() => setKept({ houses: [], unsent: 0 }));
    return () => {
      isOver = true;
    };
  }, []);
  return kept;
}

/** In place of the list of projects while the server cannot be reached. */
export function KeptHouses({ onRetry }: { readonly onRetry: () => void }) {
  const kept = useKeptHouses();
  if (!kept) return null;
  return (
    <section aria-labelledby="kept-houses">
      <h2 id="kept-houses" className="eyebrow">
        {text('kept.title')}
      </h2>
      <p>{text(kept.houses.length > 0 ? 'kept.text' : 'kept.none')}</p>
      {kept.unsent > 0 && <p role="status">{text('kept.unsent', { count: kept.unsent })}</p>}
      <ul className={css.projectList}>
        {kept.houses.map(({ projectId, name, shortId, counts: [devices, runs] }) => (
          <li key={projectId} className={css.projectCard}>
            <div className={css.projectBody}>
              <div>
                <h2>
                  <Link to={`/p/${projectId}/devices`} aria-label={text('projects.open', { name })}>
                    {name}
                  </Link>
                </h2>
                <p className="figures-line">
                  <span>{text('projects.devices', { count: devices })}</span>
                  <span>{text('projects.runs', { count: runs })}</span>
                </p>
              </div>
            </div>
            <div className={css.projectFoot}>
              <span className="id">{shortId}</span>
              <span>{text('kept.here')}</span>
            </div>
          </li>
        ))}
      </ul>
      <Button onClick={onRetry}>{text('tryAgain')}</Button>
    </section>
  );
}

/** The whole page, where not even the session can be read. */
export function AwayPage({ onRetry }: { readonly onRetry: () => void }) {
  return (
    <main className="projects">
      <h1>{text('projects.title')}</h1>
      <div className="finding look" role="alert">
        <p>{text('kept.away')}</p>
      </div>
      <KeptHouses onRetry={onRetry} />
      <p className="faint">{text('aid')}</p>
    </main>
  );
}

import { CAUTIONS } from '@dusky-spool/texts/cautions';
import css from './ui.module.css';

/** What can hurt somebody, said where the decision is made. Defers to local code and licensed trades. */
export function Cautions({ ids }: { readonly ids: readonly string[] }) {
  if (ids.length === 0) return null;
  return (
    <ul className={css.cautions}>
      {ids.map((id) => (
        <li key={id}>{CAUTIONS[id]}</li>
      ))}
    </ul>
  );
}

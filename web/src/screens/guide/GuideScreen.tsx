import { type GuidePage, guidePages } from '@dusky-spool/texts';
import { Button } from 'antd';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { text } from '../../ground/text.ts';
import { FirmHeader } from '../../ui/FirmHeader.tsx';
import { pictureOf } from './guide-pictures.ts';
import { FindField } from '../../ui/FindField.tsx';
import css from './guide.module.css';

/** Everything that a page says, for the search. */
const wordsOf = ({ title, lead, sections }: GuidePage): string =>
  [title, lead, ...sections.flatMap((section) => [section.title, section.text ?? '', ...(section.steps ?? [])])]
    .join(' ')
    .toLowerCase();

/** The guide: the job stage by stage, and the keys. It is part of the app and needs no connection. */
export function GuideScreen() {
  const { page: id } = useParams();
  const navigate = useNavigate();
  const [find, setFind] = useState('');
  const wanted = find.trim().toLowerCase();
  const found = guidePages.filter((page) => wordsOf(page).includes(wanted));
  const page = guidePages.find((one) => one.id === id) ?? guidePages[0];
  const picture = page.picture === undefined ? undefined : pictureOf(page.picture);
  return (
    <div className="projects-page">
      <FirmHeader />
      <main className={css.guide}>
        <nav aria-label={text('guide.title')}>
          <Button size="small" onClick={() => void navigate(-1)}>
            {text('guide.back')}
          </Button>
          <FindField label={text('guide.find')} value={find} onChange={setFind} />
          <ul>
            {found.map((one) => (
              <li key={one.id}>
                <Link to={`/guide/${one.id}`} replace aria-current={one === page ? 'page' : undefined}>
                  {one.title}
                </Link>
              </li>
            ))}
          </ul>
          {found.length === 0 && <p role="status">{text('guide.nothing', { find })}</p>}
        </nav>
        <article aria-label={page.title}>
          <h1>{page.title}</h1>
          <p className="lead">{page.lead}</p>
          {picture && <img className={css.picture} src={picture} alt={text('guide.picture', { title: page.title })} />}
          {page.sections.map((section) => (
            <section key={section.title}>
              <h2>{section.title}</h2>
              {section.text && <p>{section.text}</p>}
              {section.steps && (
                <ol>
                  {section.steps.map((step) => (
                    <li key={step}>{step}</li>
                  ))}
                </ol>
              )}
            </section>
          ))}
          <p className="faint">{text('aid')}</p>
        </article>
      </main>
    </div>
  );
}

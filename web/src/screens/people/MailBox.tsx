import type { MailsReply } from '@dusky-spool/core/model';
import { useServer } from '../../ground/api/server-state.ts';
import { text } from '../../ground/text.ts';
import { whenText } from '../../ui/when.ts';
import css from './people.module.css';

/** Mails that were not sent because no mail server is set. */
export function MailBox() {
  const { data, problem } = useServer<MailsReply>('/people/mails');
  return (
    <section className="stage-sheet">
      <div className="stage-head">
        <div>
          <h2>{text('people.views.mail')}</h2>
          <p>{text('people.mailSimulated')}</p>
        </div>
      </div>
      {problem && <p role="alert">{problem}</p>}
      {data?.mails.length === 0 && <p>{text('people.mailEmpty')}</p>}
      <ul className={css.mailList}>
        {data?.mails.map(({ id, recipient, subject, body, at }) => (
          <li key={id}>
            <h3>{subject}</h3>
            <p className="faint">{text('people.mailTo', { recipient, when: whenText(at) })}</p>
            <pre>{body}</pre>
          </li>
        ))}
      </ul>
    </section>
  );
}

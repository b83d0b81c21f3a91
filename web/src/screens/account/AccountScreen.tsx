import { useState } from 'react';
import { Button } from 'antd';
import type { SessionsReply } from '@dusky-spool/core/model';
import { putJson, remove } from '../../ground/api/http.ts';
import { useSend, useServer } from '../../ground/api/server-state.ts';
import { text, textNamed } from '../../ground/text.ts';
import { FirmHeader } from '../../ui/FirmHeader.tsx';
import { TextForm } from '../../ui/TextForm.tsx';
import { whenText } from '../../ui/when.ts';
import css from './account.module.css';

/** One's own account: the password, and where one is signed in. */
export function AccountScreen() {
  const { data, problem: notRead } = useServer<SessionsReply>('/session/list');
  const [changed, setChanged] = useState(0);
  const { send: end, sentence: notEnded } = useSend((path: string) => remove(path), ['/session/list']);
  const { sendAsync: change } = useSend(
    (words: { current: string; password: string }) => putJson('/session/password', words),
    ['/session/list'],
  );
  const sessions = data?.sessions ?? [];
  const problem = notRead ?? notEnded;
  return (
    <div className="projects-page">
      <FirmHeader />
      <main className={`projects ${css.account}`}>
        <h1>{text('account.title')}</h1>
        {problem && (
          <p className="finding stop" role="alert">
            {problem}
          </p>
        )}
        <section className="stage-sheet">
          <h2>{text('account.sessions')}</h2>
          <ul className={css.sessionList}>
            {sessions.map(({ id, device, startedAt, usedAt, isThis }) => (
              <li key={id}>
                <b>{textNamed('account.devices', device)}</b>
                <span>{text('account.started', { when: whenText(startedAt) })}</span>
                <span>{text('account.used', { when: whenText(usedAt) })}</span>
                <span className="grow" />
                {isThis ? (
                  <span className="chip quiet">{text('account.thisOne')}</span>
                ) : (
                  <Button
                    size="small"
                    onClick={() => end(`/session/list/${id}`)}
                    aria-label={text('account.endOf', { when: whenText(startedAt) })}
                  >
                    {text('account.end')}
                  </Button>
                )}
              </li>
            ))}
          </ul>
          {sessions.length > 1 && <Button onClick={() => end('/session/list')}>{text('account.endOthers')}</Button>}
        </section>
        <section className={`stage-sheet ${css.narrowForm}`}>
          <TextForm
            key={changed}
            title={text('account.password')}
            fields={[
              { name: 'current', label: text('account.current'), type: 'password', autoComplete: 'current-password' },
              {
                name: 'password',
                label: text('account.next'),
                type: 'password',
                autoComplete: 'new-password',
                hint: text('signIn.passwordHint'),
                isNew: true,
              },
            ]}
            submitLabel={text('account.change')}
            onSubmit={async ({ current, password }) => {
              await change({ current, password });
              setChanged((n) => n + 1);
            }}
          />
          {changed > 0 && <p role="status">{text('account.changed')}</p>}
        </section>
      </main>
    </div>
  );
}

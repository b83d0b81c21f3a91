import { useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import { Button } from 'antd';
import type { InvitationReply } from '@dusky-spool/core/model';
import { postJson, Refused } from '../../ground/api/http.ts';
import { useSession } from '../../ground/api/session.ts';
import { text } from '../../ground/text.ts';
import { TextForm } from '../../ui/TextForm.tsx';
import { Door } from './Door.tsx';
import { problemSentence } from '@dusky-spool/texts';

/** The code of a link in a mail. It is taken out of the address at once, so that it stays in no history. */
function useCode(): string {
  const [code] = useState(() => new URLSearchParams(window.location.search).get('code') ?? '');
  useEffect(() => window.history.replaceState(null, '', window.location.pathname), []);
  return code;
}

/** Where an invitation leads: a name and a password make the person a member. */
export function Join() {
  const code = useCode();
  const { join, read, session } = useSession();
  const [invitation, setInvitation] = useState<InvitationReply | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const navigate = useNavigate();
  const ready = session !== null;
  useEffect(() => {
    if (!ready) return void read();
    postJson<InvitationReply>('/session/invitation', { token: code }).then(setInvitation, (error: unknown) =>
      setProblem(
        problemSentence(error instanceof Refused && error.status !== 503 ? { code: 'link-expired' } : { code: 'database-away' }),
      ),
    );
  }, [code, read, ready]);
  return (
    <Door>
      {problem && (
        <>
          <p className="lead" role="alert">
            {problem}
          </p>
          <Button href="/projects">{text('reset.back')}</Button>
        </>
      )}
      {invitation && (
        <TextForm
          title={text('joining.title', { firm: invitation.firm })}
          lead={text('joining.lead', { role: text(`people.roles.${invitation.role}`), email: invitation.email })}
          fields={[
            { name: 'name', label: text('joining.name'), autoComplete: 'name' },
            {
              name: 'password',
              label: text('joining.password'),
              type: 'password',
              autoComplete: 'new-password',
              hint: text('signIn.passwordHint'),
              isNew: true,
            },
          ]}
          submitLabel={text('joining.join')}
          onSubmit={async ({ name, password }) => {
            await join(code, name, password);
            void navigate('/projects');
          }}
        />
      )}
    </Door>
  );
}

/** Where the mail of a forgotten password leads. */
export function Reset() {
  const code = useCode();
  const { read, session } = useSession();
  const [done, setDone] = useState(false);
  useEffect(() => void (session ?? read()), [session, read]);
  return (
    <Door>
      {done ? (
        <>
          <p className="lead" role="status">
            {text('reset.done')}
          </p>
          <Button type="primary" href="/projects">
            {text('signIn.enter')}
          </Button>
        </>
      ) : (
        <TextForm
          title={text('reset.title')}
          fields={[
            {
              name: 'password',
              label: text('reset.password'),
              type: 'password',
              autoComplete: 'new-password',
              hint: text('signIn.passwordHint'),
              isNew: true,
            },
          ]}
          submitLabel={text('reset.set')}
          onSubmit={async ({ password }) => {
            await postJson('/session/reset/finish', { token: code, password });
            setDone(true);
          }}
        />
      )}
    </Door>
  );
}

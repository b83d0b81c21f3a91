import { useState } from 'react';
import { Button } from 'antd';
import { sentenceOf } from '../../ground/api/error-sentence.ts';
import { postJson } from '../../ground/api/http.ts';
import { useSession } from '../../ground/api/session.ts';
import { text } from '../../ground/text.ts';
import { TextForm, type TextFormField } from '../../ui/TextForm.tsx';
import { Door } from './Door.tsx';
import css from './sign-in.module.css';

const EMAIL: TextFormField = { name: 'email', label: text('signIn.email'), type: 'email', autoComplete: 'email' };
const PASSWORD: TextFormField = {
  name: 'password',
  label: text('signIn.password'),
  type: 'password',
  autoComplete: 'current-password',
};
const FIRM_FIELDS: readonly TextFormField[] = [
  { name: 'firm', label: text('signIn.firm'), autoComplete: 'organization' },
  { name: 'name', label: text('signIn.name'), autoComplete: 'name' },
  EMAIL,
  { ...PASSWORD, autoComplete: 'new-password', hint: text('signIn.passwordHint'), isNew: true },
];
const TOKEN: TextFormField = {
  name: 'setupToken',
  label: text('signIn.setupToken'),
  hint: text('signIn.setupTokenHint'),
  autoComplete: 'off',
};

/** The door: one click into the demo firm, an account, a firm of one's own, or the first account of a new server. */
export function SignIn() {
  const { session, enterDemo, signIn, makeFirm } = useSession();
  const [mode, setMode] = useState<'sign-in' | 'firm' | 'forgot' | 'sent'>('sign-in');
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const demo = session?.demo === true;
  const openDemo = () => {
    setBusy(true);
    enterDemo()
      .catch((error: unknown) => setProblem(sentenceOf(error)))
      .finally(() => setBusy(false));
  };
  const firm = (title: string, lead: string, needsToken: boolean) => (
    <TextForm
      title={title}
      lead={lead}
      fields={needsToken ? [...FIRM_FIELDS, TOKEN] : FIRM_FIELDS}
      submitLabel={title}
      onSubmit={({ firm: name, ...rest }) => makeFirm({ setupToken: '', ...rest, firm: name } as Parameters<typeof makeFirm>[0])}
    />
  );
  return (
    <Door>
      <p className="lead">{text('signIn.line')}</p>
      {demo && mode === 'sign-in' && (
        <div className={css.doorDemo}>
          <Button type="primary" size="large" block loading={busy} onClick={openDemo}>
            {text('signIn.demo')}
          </Button>
          <p>{text('signIn.demoHint')}</p>
          {problem && (
            <p className="field-problem" role="alert">
              {problem}
            </p>
          )}
          <Button block onClick={() => setMode('firm')}>
            {text('signIn.newFirm')}
          </Button>
        </div>
      )}
      {session?.firstStart ? (
        firm(text('signIn.first'), text('signIn.firstHint'), session.needsSetupToken)
      ) : mode === 'firm' ? (
        firm(text('signIn.newFirm'), text('signIn.newFirmHint'), false)
      ) : mode === 'forgot' ? (
        <TextForm
          title={text('reset.title')}
          lead={text('reset.lead')}
          fields={[EMAIL]}
          submitLabel={text('reset.ask')}
          onSubmit={async ({ email }) => {
            await postJson('/session/reset', { email });
            setMode('sent');
          }}
        />
      ) : mode === 'sent' ? (
        <p role="status">{text('reset.sent')}</p>
      ) : (
        <TextForm
          title={text('signIn.title')}
          fields={[EMAIL, PASSWORD]}
          submitLabel={text('signIn.enter')}
          isPrimary={!demo}
          onSubmit={({ email, password }) => signIn(email, password)}
        />
      )}
      {!session?.firstStart && (
        <p>
          <Button type="link" className={css.doorLink} onClick={() => setMode(mode === 'sign-in' ? 'forgot' : 'sign-in')}>
            {text(mode === 'sign-in' ? 'reset.forgot' : mode === 'firm' ? 'signIn.haveAccount' : 'reset.back')}
          </Button>
        </p>
      )}
    </Door>
  );
}

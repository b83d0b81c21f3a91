import { useState } from 'react';
import { Button, Input } from 'antd';
import { problemSentence } from '@dusky-spool/texts';
import { Refused } from '../../api/http.ts';
import { useSession } from '../../api/session.ts';
import { text } from '../../app/text.ts';

/** The door: one click into the demo firm, an account, or the first account of a new server. */
export function SignIn() {
  const { session, enterDemo, signIn, makeFirst } = useSession();
  const [form, setForm] = useState({ firm: '', name: '', email: '', password: '' });
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const attempt = (work: () => Promise<void>) => {
    setBusy(true);
    setProblem(null);
    work()
      .catch((error: unknown) =>
        setProblem(problemSentence(error instanceof Refused ? error.problem : { code: 'database-away' })),
      )
      .finally(() => setBusy(false));
  };
  const first = session?.firstStart === true;
  const field = (name: keyof typeof form, label: string, type = 'text', hint = '') => (
    <label className="field" key={name}>
      <span>{label}</span>
      <Input
        type={type}
        value={form[name]}
        aria-label={label}
        placeholder={hint}
        autoComplete={name === 'password' ? (first ? 'new-password' : 'current-password') : name}
        onChange={(event) => setForm({ ...form, [name]: event.target.value })}
      />
    </label>
  );
  return (
    <main className="door">
      <div className="door-picture" aria-hidden="true">
        <svg viewBox="0 0 420 520" preserveAspectRatio="xMidYMid slice">
          <g fill="none" strokeWidth={2.4}>
            {[0, 1, 2, 3, 4].map((i) => (
              <path
                key={i}
                className={`door-strand s${i}`}
                d={`M-20 ${110 + i * 26}H${196 - i * 18}V${292 + i * 9}H${290 - Math.abs(i - 2) * 3}`}
              />
            ))}
            {[0, 1, 2, 3, 4, 5, 6].map((i) => (
              <circle key={i} cx={300} cy={310} r={24 + i * 10} className={i % 2 ? 'door-turn soft' : 'door-turn'} />
            ))}
            <circle cx={300} cy={310} r={12} className="door-core" />
          </g>
        </svg>
      </div>
      <div className="door-card">
        <h1>{text('product')}</h1>
        <p className="lead">{text('signIn.line')}</p>
        {session?.demo && (
          <div className="door-demo">
            <Button type="primary" size="large" block loading={busy} onClick={() => attempt(enterDemo)}>
              {text('signIn.demo')}
            </Button>
            <p>{text('signIn.demoHint')}</p>
          </div>
        )}
        <form
          onSubmit={(event) => {
            event.preventDefault();
            attempt(() => (first ? makeFirst(form) : signIn(form.email, form.password)));
          }}
        >
          <h2>{text(first ? 'signIn.first' : 'signIn.title')}</h2>
          {first && <p>{text('signIn.firstHint')}</p>}
          {first && field('firm', text('signIn.firm'))}
          {first && field('name', text('signIn.name'))}
          {field('email', text('signIn.email'), 'email')}
          {field('password', text('signIn.password'), 'password', first ? text('signIn.passwordHint') : '')}
          {problem && (
            <p className="field-problem" role="alert">
              {problem}
            </p>
          )}
          <Button htmlType="submit" block loading={busy} type={session?.demo ? 'default' : 'primary'}>
            {text(first ? 'signIn.first' : 'signIn.enter')}
          </Button>
        </form>
        <p className="faint">{text('aid')}</p>
      </div>
    </main>
  );
}

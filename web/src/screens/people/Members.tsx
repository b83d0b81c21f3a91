import { useState } from 'react';
import { App as AntApp, Button, Switch } from 'antd';
import type { Invitation, Member, PeopleReply } from '@dusky-spool/core/model';
import { putJson, remove } from '../../ground/api/http.ts';
import { useSend, useServer } from '../../ground/api/server-state.ts';
import { useSession } from '../../ground/api/session.ts';
import { text } from '../../ground/text.ts';
import { dayText } from '../../ui/when.ts';
import { PersonDialog } from './PersonDialog.tsx';
import css from './people.module.css';

/** Members with their roles, open invitations, and who may delete projects. */
export function Members() {
  const { data, problem, refresh } = useServer<PeopleReply>('/people');
  const ownId = useSession((state) => state.session?.member?.id);
  const readSession = useSession((state) => state.read);
  const [asking, setAsking] = useState<'invite' | Member | null>(null);
  const { modal } = AntApp.useApp();
  const { send: act, sentence: failed } = useSend((work: () => Promise<unknown>) => work(), ['/people']);
  const askRemove = (member: Member) =>
    modal.confirm({
      title: text('people.removeOf', { name: member.name }),
      content: text('people.removeAsk', { name: member.name }),
      okText: text('people.remove'),
      okButtonProps: { danger: true },
      cancelText: text('cancel'),
      autoFocusButton: 'cancel',
      onOk: () => act(() => remove(`/people/members/${member.id}`)),
    });
  if (!data) return problem ? <p role="alert">{problem}</p> : <p>{text('loading')}</p>;
  return (
    <section className="stage-sheet">
      <div className="stage-head">
        <div>
          <h2>{text('people.views.members')}</h2>
          {data.mailIsSimulated && <p>{text('people.mailSimulated')}</p>}
        </div>
        <Button type="primary" onClick={() => setAsking('invite')}>
          {text('people.invite')}
        </Button>
      </div>
      {failed && (
        <p className="field-problem" role="alert">
          {failed}
        </p>
      )}
      <table className={css.plainTable}>
        <thead>
          <tr>
            {(['name', 'email', 'role', 'since'] as const).map((column) => (
              <th key={column} scope="col">
                {text(`people.columns.${column}`)}
              </th>
            ))}
            <td />
          </tr>
        </thead>
        <tbody>
          {data.members.map((member) => (
            <tr key={member.id}>
              <th scope="row">
                {member.name} {member.id === ownId && <span className="chip quiet">{text('people.you')}</span>}
              </th>
              <td>{member.email}</td>
              <td>
                {text(`people.roles.${member.role}`)}
                {member.role === 'client' && ` (${member.projectIds.length})`}
              </td>
              <td>{dayText(member.createdAt)}</td>
              <td className={css.acts}>
                <Button
                  size="small"
                  aria-label={`${text('people.changeRole')}: ${member.name}`}
                  onClick={() => setAsking(member)}
                >
                  {text('people.changeRole')}
                </Button>
                <Button
                  size="small"
                  danger
                  aria-label={text('people.removeOf', { name: member.name })}
                  onClick={() => askRemove(member)}
                >
                  {text('people.remove')}
                </Button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {data.invitations.length > 0 && (
        <Invitations invitations={data.invitations} onWithdraw={(id) => act(() => remove(`/people/invitations/${id}`))} />
      )}
      <h3 className="eyebrow">{text('people.deleting')}</h3>
      <label className={css.switchLine}>
        <Switch
          checked={data.plannersMayDelete}
          onChange={(plannersMayDelete) => act(() => putJson('/people/settings', { plannersMayDelete }))}
        />
        {text('people.plannersMayDelete')}
      </label>
      {asking && (
        <PersonDialog
          member={asking === 'invite' ? null : asking}
          onDone={() => {
            setAsking(null);
            refresh();
            void readSession();
          }}
          onCancel={() => setAsking(null)}
        />
      )}
    </section>
  );
}

function Invitations({
  invitations,
  onWithdraw,
}: {
  readonly invitations: readonly Invitation[];
  readonly onWithdraw: (id: string) => void;
}) {
  return (
    <>
      <h3 className="eyebrow">{text('people.invitations')}</h3>
      <table className={css.plainTable}>
        <thead>
          <tr>
            {(['email', 'role', 'expires'] as const).map((column) => (
              <th key={column} scope="col">
                {text(`people.columns.${column}`)}
              </th>
            ))}
            <td />
          </tr>
        </thead>
        <tbody>
          {invitations.map(({ id, email, role, expiresAt }) => (
            <tr key={id}>
              <th scope="row">{email}</th>
              <td>{text(`people.roles.${role}`)}</td>
              <td>{dayText(expiresAt)}</td>
              <td className={css.acts}>
                <Button size="small" aria-label={text('people.withdrawOf', { email })} onClick={() => onWithdraw(id)}>
                  {text('people.withdraw')}
                </Button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

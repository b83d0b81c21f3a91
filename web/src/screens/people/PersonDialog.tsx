import { useState } from 'react';
import { Input, Modal, Radio, Select } from 'antd';
import { type Member, type ProjectsReply, type Role, ROLES } from '@dusky-spool/core/model';
import { postJson, putJson } from '../../ground/api/http.ts';
import { sentenceOf } from '../../ground/api/error-sentence.ts';
import { useServer } from '../../ground/api/server-state.ts';
import { text } from '../../ground/text.ts';

interface Props {
  /** Whose role changes; null invites somebody. */
  readonly member: Member | null;
  readonly onDone: () => void;
  readonly onCancel: () => void;
}

/** Invites a person, or changes a member's role; a client is given projects. */
export function PersonDialog({ member, onDone, onCancel }: Props) {
  const [email, setEmail] = useState('');
  const [role, setRole] = useState<Role>(member?.role ?? 'planner');
  const [projectIds, setProjectIds] = useState<string[]>([...(member?.projectIds ?? [])]);
  const [wrong, setWrong] = useState<{ readonly field: 'email' | 'projects' | ''; readonly sentence: string } | null>(null);
  const [busy, setBusy] = useState(false);
  const { data } = useServer<ProjectsReply>('/projects');
  const send = () => {
    if (!member && !/^[^\s@]+@[^\s@]+\.[^\s@]+$/.test(email.trim()))
      return setWrong({ field: 'email', sentence: text('form.email') });
    if (role === 'client' && projectIds.length === 0)
      return setWrong({ field: 'projects', sentence: text('people.projectsMissing') });
    const seen = role === 'client' ? projectIds : [];
    setBusy(true);
    (member
      ? putJson(`/people/members/${member.id}`, { role, projectIds: seen })
      : postJson('/people/invitations', { email: email.trim(), role, projectIds: seen })
    )
      .then(onDone, (error: unknown) => setWrong({ field: '', sentence: sentenceOf(error) }))
      .finally(() => setBusy(false));
  };
  const problem = (field: 'email' | 'projects' | '') =>
    wrong?.field === field && (
      <p className="field-problem" role="alert">
        {wrong.sentence}
      </p>
    );
  return (
    <Modal
      open
      title={member ? text('people.changeRoleOf', { name: member.name }) : text('people.inviteTitle')}
      okText={text(member ? 'people.save' : 'people.send')}
      okButtonProps={{ loading: busy }}
      cancelText={text('cancel')}
      onOk={send}
      onCancel={onCancel}
      width={480}
    >
      <div className="ask">
        {!member && (
          <>
            <p>{text('people.inviteHint')}</p>
            <div className="field">
              <label htmlFor="invite-email">{text('people.columns.email')}</label>
              <Input
                id="invite-email"
                autoFocus
                type="email"
                value={email}
                status={wrong?.field === 'email' ? 'error' : undefined}
                onChange={(event) => setEmail(event.target.value)}
                onPressEnter={send}
              />
              {problem('email')}
            </div>
          </>
        )}
        <Radio.Group
          className="choices"
          value={role}
          onChange={(event) => setRole(event.target.value as Role)}
          aria-label={text('people.columns.role')}
        >
          {ROLES.map((value) => (
            <Radio key={value} value={value}>
              {text(`people.roles.${value}`)}
              <small>{text(`people.roleHints.${value}`)}</small>
            </Radio>
          ))}
        </Radio.Group>
        {role === 'client' && (
          <div className="field">
            <label htmlFor="client-projects">{text('people.projects')}</label>
            <Select
              id="client-projects"
              mode="multiple"
              value={projectIds}
              placeholder={text('people.chooseProjects')}
              onChange={setProjectIds}
              options={(data?.projects ?? []).map(({ id, name }) => ({ value: id, label: name }))}
            />
            {problem('projects')}
          </div>
        )}
        {problem('')}
      </div>
    </Modal>
  );
}

import { useState, type ReactNode } from 'react';
import { Button, Input } from 'antd';
import { MIN_PASSWORD_LENGTH } from '@dusky-spool/core/model';
import { problemOf } from '../ground/api/error-sentence.ts';
import { text } from '../ground/text.ts';
import { problemSentence } from '@dusky-spool/texts';

export interface TextFormField {
  readonly name: string;
  readonly label: string;
  readonly type?: 'text' | 'email' | 'password';
  readonly hint?: string;
  readonly autoComplete?: string;
  /** A password that is chosen here, which has a least length. */
  readonly isNew?: boolean;
}

interface Props {
  readonly title?: string;
  readonly lead?: ReactNode;
  readonly fields: readonly TextFormField[];
  readonly submitLabel: string;
  readonly isPrimary?: boolean;
  readonly onSubmit: (values: Readonly<Record<string, string>>) => Promise<void>;
}

/** A short form of text fields. What is wrong stands beside its field, and what was typed stays. */
export function TextForm({ title, lead, fields, submitLabel, isPrimary = true, onSubmit }: Props) {
  const [values, setValues] = useState<Readonly<Record<string, string>>>({});
  const [wrong, setWrong] = useState<Readonly<Record<string, string>>>({});
  const [busy, setBusy] = useState(false);
  const submit = () => {
    const found = wrongFields(fields, values);
    setWrong(found);
    if (Object.keys(found).length > 0) return;
    setBusy(true);
    onSubmit(Object.fromEntries(fields.map(({ name }) => [name, (values[name] ?? '').trim()])))
      .catch((error: unknown) => setWrong(wrongOf(fields, error)))
      .finally(() => setBusy(false));
  };
  return (
    <form
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      {title && <h2>{title}</h2>}
      {lead && <p>{lead}</p>}
      {fields.map(({ name, label, type = 'text', hint, autoComplete }) => (
        <div className="field" key={name}>
          <label htmlFor={`form-${name}`}>{label}</label>
          <Input
            id={`form-${name}`}
            type={type}
            value={values[name] ?? ''}
            placeholder={hint}
            autoComplete={autoComplete}
            status={wrong[name] ? 'error' : undefined}
            aria-invalid={wrong[name] !== undefined}
            aria-describedby={wrong[name] ? `wrong-${name}` : undefined}
            onChange={(event) => setValues({ ...values, [name]: event.target.value })}
          />
          {wrong[name] && (
            <p className="field-problem" id={`wrong-${name}`} role="alert">
              {wrong[name]}
            </p>
          )}
        </div>
      ))}
      {wrong[''] && (
        <p className="field-problem" role="alert">
          {wrong['']}
        </p>
      )}
      <Button htmlType="submit" block loading={busy} type={isPrimary ? 'primary' : 'default'}>
        {submitLabel}
      </Button>
    </form>
  );
}

/** Problems that are known before anything is sent. */
function wrongFields(fields: readonly TextFormField[], values: Readonly<Record<string, string>>): Record<string, string> {
  const wrong: Record<string, string> = {};
  for (const { name, label, type, isNew } of fields) {
    const value = (values[name] ?? '').trim();
    if (value === '') wrong[name] = text('form.missing', { label });
    else if (type === 'email' && !/^[^\s@]+@[^\s@]+\.[^\s@]+$/.test(value)) wrong[name] = text('form.email');
    else if (isNew && value.length < MIN_PASSWORD_LENGTH) wrong[name] = text('form.short', { count: MIN_PASSWORD_LENGTH });
  }
  return wrong;
}

/** What the server said, at the field that it is about; under the empty name where it is about none. */
function wrongOf(fields: readonly TextFormField[], error: unknown): Record<string, string> {
  const problem = problemOf(error);
  const field = fields.find(({ name }) => name === problem.field);
  return { [field?.name ?? '']: problemSentence({ ...problem, ...(field ? { field: field.label } : {}) }) };
}

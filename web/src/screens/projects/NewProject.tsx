import { Input, Modal, Segmented } from 'antd';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { postJson } from '../../ground/api/http.ts';
import { useSend } from '../../ground/api/server-state.ts';
import { term, text } from '../../ground/text.ts';

/** Asks for the name and units of a new project, and opens it. */
export function NewProject({ onCancel }: { readonly onCancel: () => void }) {
  const [name, setName] = useState('');
  const [units, setUnits] = useState<'metric' | 'imperial'>('metric');
  const [missing, setMissing] = useState<string | null>(null);
  const navigate = useNavigate();
  const { send, sentence } = useSend(async () => {
    const { id } = await postJson<{ id: string }>('/projects', { name, units });
    void navigate(`/p/${id}/survey`);
  }, ['/projects']);
  const problem = missing ?? sentence;
  const make = () => {
    if (name.trim() === '') return setMissing(text('projects.nameMissing'));
    setMissing(null);
    send(undefined);
  };
  return (
    <Modal
      open
      title={text('projects.new')}
      okText={text('create')}
      cancelText={text('cancel')}
      onOk={make}
      onCancel={onCancel}
      width={420}
    >
      <div className="ask">
        <label className="field">
          <span>{text('projects.nameLabel')}</span>
          <Input
            autoFocus
            value={name}
            maxLength={120}
            aria-label={text('projects.nameLabel')}
            status={problem ? 'error' : undefined}
            onChange={(event) => setName(event.target.value)}
            onPressEnter={make}
          />
        </label>
        {problem && (
          <p className="field-problem" role="alert">
            {problem}
          </p>
        )}
        <div className="field">
          <span>{text('projects.unitsLabel')}</span>
          <Segmented
            value={units}
            onChange={setUnits}
            options={(['metric', 'imperial'] as const).map((value) => ({ value, label: term(`units.${value}`) }))}
          />
        </div>
      </div>
    </Modal>
  );
}

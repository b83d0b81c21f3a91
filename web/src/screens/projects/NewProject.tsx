import { JURISDICTIONS, type ProjectHeader } from '@dusky-spool/core/model';
import { Input, type InputRef, Modal, Segmented } from 'antd';
import { useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { postJson } from '../../ground/api/http.ts';
import { useSend } from '../../ground/api/server-state.ts';
import { term, text } from '../../ground/text.ts';

/** Asks for the name and units of a new project, and opens it. */
export function NewProject({ onCancel }: { readonly onCancel: () => void }) {
  const [name, setName] = useState('');
  const [region, setRegion] = useState<ProjectHeader['jurisdiction'] | null>(null);
  const [unitsChosen, setUnits] = useState<ProjectHeader['units'] | null>(null);
  // Where a region builds in feet and inches, so does a new project, unless somebody says otherwise.
  const units = unitsChosen ?? (region === 'NA' ? 'imperial' : 'metric');
  const [missing, setMissing] = useState<'name' | 'region' | null>(null);
  const nameField = useRef<InputRef>(null);
  const navigate = useNavigate();
  const { send, sentence } = useSend(async () => {
    const { id } = await postJson<{ id: string }>('/projects', { name, units, jurisdiction: region });
    void navigate(`/p/${id}/survey`);
  }, ['/projects']);
  const problem = missing === 'name' ? text('projects.nameMissing') : sentence;
  const make = () => {
    const wanted = name.trim() === '' ? 'name' : region === null ? 'region' : null;
    setMissing(wanted);
    if (wanted) return;
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
      width={500}
      // The dialog takes the focus for itself while it opens.
      afterOpenChange={(isOpen) => isOpen && nameField.current?.focus()}
    >
      <div className="ask">
        <label className="field">
          <span>{text('projects.nameLabel')}</span>
          <Input
            ref={nameField}
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
          <span>{text('projects.regionLabel')}</span>
          <Segmented<ProjectHeader['jurisdiction'] | ''>
            aria-label={text('projects.regionLabel')}
            // Without a value the first one would look chosen.
            value={region ?? ''}
            onChange={(value) => value !== '' && setRegion(value)}
            options={JURISDICTIONS.map((value) => ({ value, label: text(`projects.regions.${value}`) }))}
          />
          {missing === 'region' && (
            <p className="field-problem" role="alert">
              {text('projects.regionMissing')}
            </p>
          )}
          <p className="faint">{text('projects.regionNote')}</p>
        </div>
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

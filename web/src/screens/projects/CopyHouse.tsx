import { houseOptions } from '@dusky-spool/core/devices';
import { listOf } from '@dusky-spool/core/derive';
import type { DocumentReply, OfferTablesReply, ProjectSummary } from '@dusky-spool/core/model';
import { postJson } from '../../ground/api/http.ts';
import { useServer } from '../../ground/api/server-state.ts';
import { sentenceOf } from '../../ground/api/error-sentence.ts';
import { text } from '../../ground/text.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { WordsField } from '../../ui/fields.tsx';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { Button, Checkbox, Modal } from 'antd';

interface Props {
  readonly project: ProjectSummary;
  readonly onClose: () => void;
}

/** A new house on the plan of one that is there: its name, and the options that it takes. */
export function CopyHouse({ project, onClose }: Props) {
  const navigate = useNavigate();
  const [name, setName] = useState('');
  const [without, setWithout] = useState<readonly string[]>([]);
  const [problem, setProblem] = useState<string | null>(null);
  const [isSending, setSending] = useState(false);
  const { data } = useServer<DocumentReply>(`/projects/${project.id}`);
  const options = data ? houseOptions(data.document) : [];
  const offerOptions = data ? listOf(data.document, 'offerOptions').toSorted((a, b) => a.order - b.order) : [];
  const [optionId, setOptionId] = useState('');
  const isPriced = data !== null && Object.keys(data.document.devices).length > 0;
  const { data: offer, problem: notPriced } = useServer<OfferTablesReply>(`/projects/${project.id}/documents/offer.json`, {
    isOn: isPriced,
  });
  const copy = async () => {
    setSending(true);
    setProblem(null);
    try {
      const { id } = await postJson<{ id: string }>(`/projects/${project.id}/copy`, {
        ...{ name: name.trim(), without, optionId: optionId || null },
      });
      void navigate(`/p/${id}/brief`);
    } catch (error) {
      setProblem(sentenceOf(error));
      setSending(false);
    }
  };
  return (
    <Modal
      open
      title={text('projects.copyTitle', { name: project.name })}
      onCancel={onClose}
      footer={
        <>
          <Button onClick={onClose}>{text('cancel')}</Button>
          <Button type="primary" disabled={name.trim() === ''} loading={isSending} onClick={() => void copy()}>
            {text('projects.create')}
          </Button>
        </>
      }
    >
      <p className="faint">{text('projects.copyNote')}</p>
      <WordsField label={text('projects.copyName')} value={name} max={120} onChange={setName} />
      {offerOptions.length > 0 && (
        <ChoiceField
          label={text('projects.copyOption')}
          value={optionId}
          options={[
            { value: '', label: text('projects.copyWhole') },
            ...offerOptions.map((option) => ({ value: option.id, label: option.name })),
          ]}
          onChange={setOptionId}
        />
      )}
      {!offer && isPriced && !notPriced && <p className="faint">{text('projects.copyPricing')}</p>}
      {offer && (
        <p>{text('projects.copyPrice', { price: totalIn(offer, offerOptions.find(({ id }) => id === optionId)?.name) })}</p>
      )}
      {options.length > 0 && <h3 className="eyebrow">{text('projects.options')}</h3>}
      {options.map((option) => (
        <div key={option.id}>
          <Checkbox
            checked={!without.includes(option.id)}
            onChange={(event) =>
              setWithout(event.target.checked ? without.filter((id) => id !== option.id) : [...without, option.id])
            }
          >
            {option.name}
          </Checkbox>
        </div>
      ))}
      {problem && (
        <p className="field-problem" role="alert">
          {problem}
        </p>
      )}
    </Modal>
  );
}

/** The total with tax of an offer as it is printed, or of one of its options. */
function totalIn({ tables }: OfferTablesReply, option?: string): string {
  const rowsOf = (section: string) => tables.find((table) => table.section === section)?.rows ?? [];
  if (option === undefined) return rowsOf('systems').at(-1)?.at(-1) ?? '';
  return rowsOf('options').find(([name]) => name === option)?.[2] ?? '';
}

import { type ComparedPort, comparePorts, type HeadEnd, plannedPorts, readAsPlanned } from '@dusky-spool/core/head-end';
import type { SwitchReply, SwitchScriptsReply } from '@dusky-spool/core/model';
import { useState } from 'react';
import { sentenceOf } from '../../ground/api/error-sentence.ts';
import { getJson, postJson } from '../../ground/api/http.ts';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { ChoiceField } from '../../ui/ChoiceField.tsx';
import { SmallButton } from '../../ui/SmallButton.tsx';

import css from './head-end.module.css';

/** A switch read over the instrument bridge, each port beside the plan. */
export function Commissioning({ headEnd }: { readonly headEnd: HeadEnd }) {
  const project = useProject();
  const switches = headEnd.equipment.filter(({ kind }) => kind === 'switch');
  const [asked, setAsked] = useState<string | null>(null);
  const [scripts, setScripts] = useState<SwitchScriptsReply | null>(null);
  const [script, setScript] = useState('as-planned');
  const [compared, setCompared] = useState<readonly ComparedPort[] | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const chosen = switches.find(({ id }) => id === asked) ?? switches[0];
  if (!chosen) return null;
  const read = async () => {
    setProblem(null);
    try {
      const planned = plannedPorts(project, chosen);
      const { ports } = await postJson<SwitchReply>('/bridge/switch/ports', { plugged: readAsPlanned(planned), script });
      setCompared(comparePorts(planned, ports));
    } catch (error) {
      setProblem(sentenceOf(error));
    }
  };
  const open = async () => {
    if (scripts) return;
    try {
      setScripts(await getJson<SwitchScriptsReply>('/bridge/switch/scripts'));
    } catch (error) {
      setProblem(sentenceOf(error));
    }
  };
  return (
    <details className={css.card} onToggle={() => void open()}>
      <summary>{text('headEnd.commission.title')}</summary>
      <div className={css.fields}>
        {switches.length > 1 && (
          <ChoiceField
            label={text('headEnd.commission.which')}
            value={chosen.id}
            options={switches.map(({ id, name }) => ({ value: id, label: name }))}
            onChange={(id) => {
              setAsked(id);
              setCompared(null);
            }}
          />
        )}
        {scripts?.simulated && (
          <ChoiceField
            label={text('headEnd.commission.script')}
            value={script}
            options={scripts.scripts.map(({ name, title }) => ({ value: name, label: title }))}
            onChange={setScript}
          />
        )}
        <SmallButton onClick={() => void read()}>{text('headEnd.commission.read')}</SmallButton>
      </div>
      {scripts?.simulated && <p className="faint">{text('headEnd.commission.simulated')}</p>}
      {problem && (
        <p role="alert" className={css.badLine}>
          {problem}
        </p>
      )}
      {compared && <Compared ports={compared} />}
    </details>
  );
}

function Compared({ ports }: { readonly ports: readonly ComparedPort[] }) {
  const bad = ports.filter(({ faults }) => faults.length > 0).length;
  return (
    <>
      <p role="status" className={bad > 0 ? css.badLine : ''}>
        {bad > 0 ? text('headEnd.commission.bad', { count: bad }) : text('headEnd.commission.good', { count: ports.length })}
      </p>
      <table className={css.table}>
        <thead>
          <tr>
            {(['port', 'planned', 'link', 'power', 'serial', 'fault'] as const).map((one) => (
              <th key={one} scope="col">
                {text(`headEnd.commission.columns.${one}`)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {ports
            .filter(({ isUp, faults }) => isUp || faults.length > 0)
            .map(({ port, number, read, faults }) => (
              <tr key={port}>
                <th scope="row">{port}</th>
                <td>{number || text('headEnd.commission.nothing')}</td>
                <td className={css.tight}>
                  {read?.isUp ? text('headEnd.commission.up', { mbps: read.mbps }) : text('headEnd.commission.down')}
                </td>
                <td className={css.tight}>{read && read.watts > 0 ? text('headEnd.watts', { watts: read.watts }) : '–'}</td>
                <td>{read?.serial || '–'}</td>
                <td className={faults.length > 0 ? css.badLine : ''}>
                  {faults.length === 0 ? '✓' : faults.map((one) => text(`headEnd.commission.faults.${one}`)).join('; ')}
                </td>
              </tr>
            ))}
        </tbody>
      </table>
    </>
  );
}

import { derivationsOf, listOf } from '@dusky-spool/core/derive';
import { bondPaths, type HeadEnd, planRf, RF_LEVELS, type RfReach, rfTree } from '@dusky-spool/core/head-end';
import { WINDOWS } from '@dusky-spool/core/calculators';
import { formatLength } from '@dusky-spool/core/math';
import type { ProjectDocument } from '@dusky-spool/core/model';
import { useMemo, useState } from 'react';
import { createRecords } from '../../commands/create-records.ts';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { Cautions } from '../../ui/Cautions.tsx';
import { SmallButton } from '../../ui/SmallButton.tsx';
import { BANDS } from './bands.ts';
import { deviceName } from './device-name.ts';
import { SignalFields } from './SignalFields.tsx';

import css from './head-end.module.css';

/** Every signal on coax with where it goes and its level there; a press brings every outlet into its window. */
export function CoaxPanel({ headEnd, mayPlan }: { readonly headEnd: HeadEnd; readonly mayPlan: boolean }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const levels = useMemo(() => derivationsOf(project).get(RF_LEVELS), [project]);
  const sources = listOf(project, 'rfSources');
  const [lowestMhz, highestMhz] = BANDS['cable-modem'];
  const names = new Set(sources.map(({ name }) => name));
  const add = () => {
    const services = text('headEnd.rf.services.cable-modem');
    let name = services;
    for (let n = 2; names.has(name); n++) name = `${services} ${n}`;
    edit(
      text('headEnd.rf.addSignal'),
      createRecords('rfSources', [
        {
          ...{ id: newRecordId('rf'), name, service: 'cable-modem', deviceId: null, lowestMhz, highestMhz },
          ...{ atLowestDbuv: 68, atHighestDbuv: 66, reading: null, latitudeDeg: null, longitudeDeg: null },
          ...{ transmitterLatitudeDeg: null, transmitterLongitudeDeg: null, slotDeg: null, declinationDeg: 0, horizon: [] },
        },
      ]),
    );
  };
  if (sources.length === 0 && !headEnd.needs.some(({ kind }) => kind === 'coax'))
    return <p className={css.empty}>{text('headEnd.rf.none')}</p>;
  return (
    <div className={css.panel}>
      {sources.length === 0 && <p className="faint">{text('headEnd.rf.noSignal')}</p>}
      {levels.reaches.map((reach) => (
        <section key={reach.source.id} className={css.card} aria-label={reach.source.name}>
          <SignalFields source={reach.source} mayPlan={mayPlan} />
          {mayPlan && <Solve headEnd={headEnd} sourceId={reach.source.id} />}
          <Tree reach={reach} />
        </section>
      ))}
      {mayPlan && <SmallButton onClick={add}>{text('headEnd.rf.addSignal')}</SmallButton>}
      <Faults project={project} levels={levels} />
      <BondPaths project={project} />
      <Cautions ids={['C5', 'C6']} />
    </div>
  );
}

function Solve({ headEnd, sourceId }: { readonly headEnd: HeadEnd; readonly sourceId: string }) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const [said, setSaid] = useState<string | null>(null);
  const solve = () => {
    const found = planRf(project, headEnd.rack.id, sourceId, (kind) => newRecordId(kind.slice(0, 2)));
    const title = text('headEnd.rf.solve');
    if (!found.ok) {
      edit(title, found);
      return;
    }
    const { gainDb, terminators } = found.value.plan;
    if (!edit(title, found.value.operations)) return;
    const amplifier = gainDb === 0 ? text('headEnd.rf.noAmplifier') : text('headEnd.rf.amplifier', { gain: gainDb });
    setSaid(text('headEnd.rf.solved', { amplifier, terminators: text('headEnd.rf.terminators', { count: terminators }) }));
  };
  return (
    <>
      <p className={css.buttons}>
        <SmallButton onClick={solve}>{text('headEnd.rf.solve')}</SmallButton>
        {said && <span className="faint">{said}</span>}
      </p>
    </>
  );
}

const level = (dbuv: number): string => dbuv.toFixed(1);

/** The signal port by port, each step below the one that it comes from; used outlets with their verdict. */
function Tree({ reach }: { readonly reach: RfReach }) {
  const project = useProject();
  const { least, most } = WINDOWS[reach.source.service];
  if (reach.entry === null) return <p className={css.badLine}>{text('headEnd.rf.noEntry')}</p>;
  return (
    <>
      <h2 className={css.part}>{text('headEnd.rf.tree')}</h2>
      <p className="faint">{text('headEnd.rf.window', { least, most })}</p>
      <ul className={css.tree}>
        {rfTree(reach).map((step) => {
          const { end } = step;
          const isBad = end?.verdict === 'hot' || end?.verdict === 'cold';
          return (
            <li key={`${step.equipmentId} ${step.port}`} style={{ marginLeft: `${step.depth}rem` }}>
              {text('headEnd.rf.step', {
                ...{ name: project.equipment[step.equipmentId]?.name, port: step.port },
                ...{ low: level(step.lowDbuv), high: level(step.highDbuv) },
              })}
              {end && (
                <b className={isBad ? css.badLine : ''}>
                  {' → '}
                  {text('headEnd.rf.end', {
                    name: end.runId ? project.runs[end.runId]?.number : project.equipment[end.equipmentId]?.name,
                    ...{ low: level(end.lowDbuv), high: level(end.highDbuv) },
                    verdict: text(`headEnd.rf.verdicts.${end.verdict}`),
                  })}
                </b>
              )}
            </li>
          );
        })}
      </ul>
    </>
  );
}

interface FaultProps {
  readonly project: ProjectDocument;
  readonly levels: {
    readonly loops: readonly string[];
    readonly dark: readonly string[];
    readonly unterminated: readonly { readonly equipmentId: string; readonly port: string }[];
  };
}

function Faults({ project, levels: { loops, dark, unterminated } }: FaultProps) {
  const nameOf = (id: string) => project.equipment[id]?.name ?? '';
  return (
    <>
      {loops.length > 0 && <p className={css.badLine}>{text('headEnd.rf.loop', { names: loops.map(nameOf).join(', ') })}</p>}
      {dark.length > 0 && (
        <p className={css.badLine}>
          {text('headEnd.rf.dark', { numbers: dark.map((id) => project.runs[id]?.number).join(', ') })}
        </p>
      )}
      {unterminated.length > 0 && (
        <p className={css.badLine}>
          {text('headEnd.rf.open', {
            names: unterminated.map(({ equipmentId, port }) => `${nameOf(equipmentId)} ${port}`).join(', '),
          })}
        </p>
      )}
    </>
  );
}

/** The way of each antenna to the electrode of the building, conductor by conductor. */
function BondPaths({ project }: { readonly project: ProjectDocument }) {
  const paths = useMemo(() => bondPaths(project), [project]);
  if (paths.length === 0) return null;
  const { units } = project.project;
  return (
    <section className={css.card} aria-label={text('headEnd.rf.bonds')}>
      <h2 className={css.part}>{text('headEnd.rf.bonds')}</h2>
      {paths.map(({ deviceId, name, steps, isWhole, lengthM }) => (
        <ul key={deviceId} className={css.tree} aria-label={name}>
          <li>
            <b>{deviceName(project, deviceId)}</b>{' '}
            {isWhole && lengthM !== null && (
              <span className="faint">{text('headEnd.rf.bondLength', { length: formatLength(lengthM, units) })}</span>
            )}
          </li>
          {steps.map((step, n) => (
            <li key={step.runId} style={{ marginLeft: `${n + 1}rem` }}>
              {step.to}{' '}
              <span className="faint">
                {step.number}, {step.cable}
                {step.lengthM !== null && `, ${formatLength(step.lengthM, units)}`}
              </span>
            </li>
          ))}
          {!isWhole && (
            <li className={css.badLine} style={{ marginLeft: `${steps.length + 1}rem` }}>
              {text('headEnd.rf.notBonded')}
            </li>
          )}
        </ul>
      ))}
    </section>
  );
}

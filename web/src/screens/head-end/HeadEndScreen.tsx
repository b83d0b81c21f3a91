import { derivationsOf } from '@dusky-spool/core/derive';
import {
  chooseEnclosure,
  type HeadEnd,
  HEAD_ENDS,
  type HeadEndPlanHow,
  isRackMounted,
  shortfalls,
} from '@dusky-spool/core/head-end';
import { Button, Dropdown, Segmented } from 'antd';
import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { useRight } from '../../ground/api/session.ts';
import { term, text } from '../../ground/text.ts';
import { askHeadEndPlan } from '../../state/derived.ts';
import { useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { Cautions } from '../../ui/Cautions.tsx';
import { useKeys } from '../../canvas/useKeys.ts';
import { HeadEndStage } from '../stages/HeadEndStage.tsx';
import { AlarmPanel } from './AlarmPanel.tsx';
import { CoaxPanel } from './CoaxPanel.tsx';
import { Commissioning } from './Commissioning.tsx';
import { ControlPanel } from './ControlPanel.tsx';
import { Elevation } from './Elevation.tsx';
import { EquipmentTable } from './EquipmentTable.tsx';
import { LossPanel } from './LossPanel.tsx';
import { PathsPanel } from './PathsPanel.tsx';
import { PortMap } from './PortMap.tsx';
import { PortTable } from './PortTable.tsx';
import { PowerPanel } from './PowerPanel.tsx';
import { RoomPanel } from './RoomPanel.tsx';
import { ZonesPanel } from './ZonesPanel.tsx';

import css from './head-end.module.css';

const TABS = [
  'equipment',
  'ports',
  'map',
  'zones',
  'paths',
  'control',
  'alarm',
  'coax',
  'power',
  'room',
  'loss',
  'runs',
] as const;
type Tab = (typeof TABS)[number];

/** A head end: what stands in it, what ends on which port, power and heat; every part as a list too. */
export function HeadEndScreen({ projectId }: { readonly projectId: string }) {
  const project = useProject();
  const { undo, redo } = useProjectParts('undo', 'redo');
  useKeys({ undo, redo });
  const mayPlan = useRight('plan');
  const [params, setParams] = useSearchParams();
  const headEnds = useMemo(() => derivationsOf(project).get(HEAD_ENDS), [project]);
  const rackId = params.get('rack') ?? headEnds[0]?.rack.id ?? null;
  const headEnd = headEnds.find(({ rack }) => rack.id === rackId) ?? headEnds[0];
  const [chosenId, setChosen] = useState<string | null>(null);
  const tab: Tab = TABS.find((one) => one === params.get('tab')) ?? 'equipment';
  const go = (next: Record<string, string>) => setParams({ ...Object.fromEntries(params), ...next }, { replace: true });
  if (!headEnd) return <HeadEndStage projectId={projectId} />;
  const common = { headEnd, chosenId, mayPlan, onChoose: setChosen };
  return (
    <div className={css.headEnd}>
      <Header {...{ projectId, headEnd, headEnds, mayPlan }} onRack={(id) => go({ rack: id })} />
      <section className={css.drawing} aria-label={text('headEnd.elevation')}>
        <Elevation {...common} />
      </section>
      <section className={css.lists}>
        <Segmented
          size="small"
          className={css.tabs}
          value={tab}
          aria-label={text('headEnd.parts')}
          onChange={(key) => go({ tab: key })}
          options={TABS.map((value) => ({ value, label: text(`headEnd.tabs.${value}`) }))}
        />
        <div className={css.tabBody}>
          {tab === 'equipment' && <EquipmentTable {...common} />}
          {tab === 'ports' && (
            <>
              <Commissioning headEnd={headEnd} />
              <PortTable {...{ headEnd, mayPlan, projectId }} />
            </>
          )}
          {tab === 'map' && <PortMap {...{ headEnd, mayPlan }} />}
          {tab === 'power' && <PowerPanel {...{ headEnd, mayPlan }} />}
          {tab === 'coax' && <CoaxPanel {...{ headEnd, mayPlan }} />}
          {tab === 'zones' && <ZonesPanel mayPlan={mayPlan} />}
          {tab === 'paths' && <PathsPanel mayPlan={mayPlan} />}
          {tab === 'control' && <ControlPanel mayPlan={mayPlan} />}
          {tab === 'alarm' && <AlarmPanel {...{ headEnd, mayPlan }} />}
          {tab === 'room' && <RoomPanel {...{ headEnd, mayPlan }} />}
          {tab === 'loss' && <LossPanel {...{ headEnd, chosenId }} />}
          {tab === 'runs' && <HeadEndStage projectId={projectId} />}
          {tab !== 'runs' && <Cautions ids={['C13', 'C1']} />}
        </div>
      </section>
    </div>
  );
}

interface HeaderProps {
  readonly projectId: string;
  readonly headEnd: HeadEnd;
  readonly headEnds: readonly HeadEnd[];
  readonly mayPlan: boolean;
  readonly onRack: (id: string) => void;
}

function Header({ projectId, headEnd, headEnds, mayPlan, onRack }: HeaderProps) {
  const { rack, units, power, weightKg, equipment, open } = headEnd;
  const { isBusy, said, plan } = usePlan(headEnd);
  const paper = useProject().project.units === 'imperial' ? 'Letter' : 'A4';
  return (
    <header className={`surface-header ${css.header}`}>
      {headEnds.length > 1 && (
        <Segmented
          size="small"
          value={rack.id}
          aria-label={text('headEnd.which')}
          options={headEnds.map((one) => ({ value: one.rack.id, label: one.rack.name }))}
          onChange={onRack}
        />
      )}
      {headEnds.length === 1 && <b>{rack.name}</b>}
      <span className="faint">{term(`racks.${rack.kind}`)}</span>
      {mayPlan && (
        <>
          <Button size="small" type="primary" disabled={isBusy} onClick={() => void plan('design')}>
            {text('headEnd.design')}
          </Button>
          <Dropdown
            disabled={isBusy || equipment.length === 0}
            menu={{
              items: (['connect', 'arrange', 'afresh'] as const).map((key) => ({ key, label: text(`headEnd.plans.${key}`) })),
              onClick: ({ key }) => void plan(key as HeadEndPlanHow),
            }}
          >
            <Button size="small">{text('headEnd.more')}</Button>
          </Dropdown>
        </>
      )}
      <span className="grow" />
      {isRackMounted(rack) && <span className="chip">{text('headEnd.unitsUsed', { used: units.used, total: units.total })}</span>}
      <span className="chip">{text('headEnd.watts', { watts: Math.round(power.watts) })}</span>
      <span className="chip">{text('headEnd.kg', { kg: weightKg.toFixed(0) })}</span>
      {open.length > 0 && <span className={`chip ${css.bad}`}>{text('headEnd.open', { count: open.length })}</span>}
      <Button size="small" href={`/api/projects/${projectId}/documents/head-end.pdf?paper=${paper}`}>
        {text('headEnd.pack')}
      </Button>
      {said && <p className={css.said}>{said}</p>}
      <ShortLine headEnd={headEnd} />
      {rack.kind === 'enclosure' && <EnclosureLine headEnd={headEnd} />}
    </header>
  );
}

/** Asks the worker what the head end would become, and makes it so: one edit, which is undone as one. */
function usePlan(headEnd: HeadEnd) {
  const { edit } = useProjectParts('edit');
  const [isBusy, setBusy] = useState(false);
  const [said, setSaid] = useState<string | null>(null);
  const plan = async (how: HeadEndPlanHow) => {
    setBusy(true);
    const found = await askHeadEndPlan({ rackId: headEnd.rack.id, how, prefix: newRecordId('he') });
    setBusy(false);
    if (!found) return;
    const title = text(how === 'design' ? 'headEnd.design' : `headEnd.plans.${how}`);
    if (!found.ok) {
      edit(title, found);
      return;
    }
    const { operations, short, waiting } = found.value;
    if (operations.length > 0) edit(title, operations);
    const parts = [
      operations.length === 0 ? text('headEnd.nothingToDo') : text('headEnd.done', { count: operations.length }),
      ...(short.length > 0 ? [text('headEnd.short', { count: short.length, numbers: short.slice(0, 6).join(', ') })] : []),
      ...(waiting > 0 ? [text('headEnd.waiting', { count: waiting })] : []),
    ];
    setSaid(parts.join(' '));
  };
  return { isBusy, said, plan };
}

/** What the head end is short of, as the next size with its price. */
function ShortLine({ headEnd }: { readonly headEnd: HeadEnd }) {
  const { currency } = useProject().project;
  const short = shortfalls(headEnd);
  if (short.length === 0) return null;
  const list = short
    .map(({ name, count, price }) => text('headEnd.shortItem', { name, count, price: Math.round(price), currency }))
    .join(', ');
  return <p className={`${css.said} ${css.badLine}`}>{text('headEnd.shortOf', { list })}</p>;
}

/** The size of an enclosure with its reason, and what a rack would cost in its place. */
function EnclosureLine({ headEnd }: { readonly headEnd: HeadEnd }) {
  const { currency } = useProject().project;
  const choice = chooseEnclosure(headEnd.needs, headEnd.rack);
  const reasons = choice.reasons.map((one) => text(`headEnd.reasons.${one}`)).join(', ');
  return (
    <p className={css.said}>
      {choice.size
        ? text('headEnd.enclosure', { size: choice.size.name, price: Math.round(choice.price ?? 0), currency })
        : text('headEnd.noEnclosure')}{' '}
      {reasons !== '' && text(choice.isRackAdvised ? 'headEnd.rackAdvised' : 'headEnd.because', { reasons })}{' '}
      {text('headEnd.rackCost', { units: choice.rack.units, price: Math.round(choice.rack.price), currency })}
    </p>
  );
}

import { useProject } from '../../state/open-project.ts';
import {
  type Check,
  CHECK_STAGES,
  CHECKS,
  type CheckStage,
  costAfterClosing,
  findingKey,
  isAccepted,
  markOf,
} from '@dusky-spool/core/rules';
import { listOf } from '@dusky-spool/core/derive';
import { termNamed, text } from '../../ground/text.ts';
import { placeOf } from '../../state/finding-place.ts';
import { useDerived } from '../../state/derived.ts';
import { today } from '../../state/today.ts';
import { FindingCard } from '../../ui/FindingCard.tsx';
import { RankMark } from '../../ui/RankMark.tsx';
import { roomOf, systemOf } from './finding-facts.ts';
import { FindingFoot } from './FindingFoot.tsx';
import { Select } from 'antd';
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import css from './checks.module.css';

const RANKS = ['open', 'stop', 'look', 'accepted', 'assigned', 'fine'] as const;
type Show = (typeof RANKS)[number];
const RULE = new Map<string, Check>(CHECKS.map((check) => [check.id, check]));

/** Every finding by the part of the job, stops first, with what was decided of it and what it would cost later. */
export function FindingList({ projectId }: { readonly projectId: string }) {
  const project = useProject();
  const { findings, runById } = useDerived(project);
  const navigate = useNavigate();
  const [show, setShow] = useState<Show>('open');
  const [stage, setStage] = useState<CheckStage | 'all'>('all');
  const [room, setRoom] = useState('all');
  const [system, setSystem] = useState('all');
  const on = today();
  const judged = useMemo(
    () => findings.map((finding) => ({ finding, accepted: isAccepted(project, finding, on), mark: markOf(project, finding) })),
    [findings, project, on],
  );
  const isAmong = (which: Show, { finding, accepted, mark }: (typeof judged)[number]) =>
    which === 'accepted'
      ? accepted
      : which === 'assigned'
        ? (mark?.assignedTo ?? '') !== '' && !accepted
        : !accepted && (which === 'open' ? finding.rank !== 'fine' : finding.rank === which);
  const shown = judged.filter(
    (one) =>
      isAmong(show, one) &&
      (stage === 'all' || one.finding.stage === stage) &&
      (room === 'all' || roomOf(project, one.finding) === room) &&
      (system === 'all' || systemOf(project, one.finding) === system),
  );
  const hasStop = new Set(shown.filter(({ finding }) => finding.rank === 'stop').map(({ finding }) => finding.stage));
  const parts = [...CHECK_STAGES].sort((a, b) => Number(hasStop.has(b)) - Number(hasStop.has(a)));
  const systems = [...new Set(findings.map((finding) => systemOf(project, finding)))].filter((one) => one !== '').sort();
  return (
    <>
      <div className={css.checkFilters}>
        <Select<Show>
          value={show}
          aria-label={text('checks.showing')}
          onChange={setShow}
          popupMatchSelectWidth={false}
          options={RANKS.map((value) => ({
            value,
            label: `${text(`checks.show.${value}`)} · ${judged.filter((one) => isAmong(value, one)).length}`,
          }))}
        />
        <Select
          value={stage}
          aria-label={text('checks.stage')}
          onChange={setStage}
          popupMatchSelectWidth={false}
          options={[
            { value: 'all' as const, label: text('checks.everyStage') },
            ...CHECK_STAGES.map((value) => ({ value, label: text(`checks.stages.${value}`) })),
          ]}
        />
        <Select
          value={room}
          aria-label={text('checks.room')}
          onChange={setRoom}
          showSearch={{ optionFilterProp: 'label' }}
          popupMatchSelectWidth={false}
          options={[
            { value: 'all', label: text('checks.everyRoom') },
            ...listOf(project, 'rooms').map(({ id, code, name }) => ({ value: id, label: `${code} · ${name}` })),
          ]}
        />
        <Select
          value={system}
          aria-label={text('checks.system')}
          onChange={setSystem}
          popupMatchSelectWidth={false}
          options={[
            { value: 'all', label: text('checks.everySystem') },
            ...systems.map((value) => ({ value, label: termNamed('systems', value) })),
          ]}
        />
        <span className="grow" />
        <a
          href={`/api/projects/${projectId}/documents/checks.pdf?paper=${project.project.units === 'imperial' ? 'Letter' : 'A4'}`}
          download
        >
          {text('checks.print')}
        </a>
      </div>
      {shown.length === 0 && (
        <p className={css.checkNone}>
          <RankMark rank="fine" /> {show === 'open' ? text('stage.inspect.none') : text('checks.noneSuch')}
        </p>
      )}
      {parts.map((part) => {
        const own = shown.filter(({ finding }) => finding.stage === part);
        if (own.length === 0) return null;
        return (
          <section key={part} aria-label={text(`checks.stages.${part}`)}>
            <h3 className="eyebrow">
              {text(`checks.stages.${part}`)} · {own.length}
            </h3>
            <div className={css.checkList}>
              {own.map(({ finding, mark, accepted }) => (
                <FindingCard
                  key={findingKey(finding)}
                  finding={finding}
                  units={project.project.units}
                  onShow={() => void navigate(placeOf(projectId, project, finding))}
                >
                  <FindingFoot
                    finding={finding}
                    rule={RULE.get(finding.check)}
                    mark={mark}
                    accepted={accepted}
                    later={finding.rank === 'fine' ? null : costAfterClosing(project, finding, runById)}
                  />
                </FindingCard>
              ))}
            </div>
          </section>
        );
      })}
    </>
  );
}

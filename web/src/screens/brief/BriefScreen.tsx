import { useProject } from '../../state/open-project.ts';
import {
  acceptAnswers,
  briefCost,
  fillRest,
  openDecisions,
  placeOf,
  placesOf,
  proposedAnswers,
  walkDifferences,
} from '@dusky-spool/core/brief';
import { BRIEF_TOPICS, WALKS } from '@dusky-spool/core/model';
import { text } from '../../ground/text.ts';
import { usePlace } from '../../state/selection.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { useKeys } from '../../canvas/useKeys.ts';
import { today } from '../../state/today.ts';
import { BriefMatrix, type CellPlace } from './BriefMatrix.tsx';
import { BriefWalk } from './BriefWalk.tsx';
import { Compromises } from './Compromises.tsx';
import { AddArea } from './AddArea.tsx';
import { CopyPlace } from './CopyPlace.tsx';
import { Decisions } from './Decisions.tsx';
import { JobFacts } from './JobFacts.tsx';
import { Legend } from './Legend.tsx';
import { Costs } from '../../ui/Costs.tsx';
import { money } from '../../ui/money.ts';
import { BuildersPackage } from './BuildersPackage.tsx';
import { PlaceCard } from './PlaceCard.tsx';
import { useSignedGuard } from './useSignedGuard.ts';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import { Button, Segmented } from 'antd';
import { FindField } from '../../ui/FindField.tsx';
import css from './brief.module.css';

/** Longer lists are searched. */
const SEARCHED_FROM = 8;

const VIEWS = ['rooms', 'decisions', 'compromises', 'package', 'walk', 'job'] as const;
type View = (typeof VIEWS)[number];

/** What every room and outdoor area gets, and what is still open. */
export function BriefScreen() {
  const project = useProject();
  const { view, go } = usePlace();
  const { edit, undo, redo } = useProjectParts('edit', 'undo', 'redo');
  const [params] = useSearchParams();
  // A finding leads to its room or area.
  const asked = params.get('room');
  const [at, setAt] = useState<CellPlace | null>(
    asked && placeOf(project, asked) ? { placeId: asked, topic: BRIEF_TOPICS[0] } : null,
  );
  const [copying, setCopying] = useState<string | null>(null);
  const shown: View = VIEWS.includes(view as View) ? (view as View) : 'rooms';
  const cost = briefCost(project).all;
  const undecided = openDecisions(project, today()).length;
  const differences = WALKS.reduce((sum, walk) => sum + walkDifferences(project, walk).length, 0);
  useKeys({ undo, redo });
  const guarded = useSignedGuard();
  const fill = (placeId: string) =>
    guarded([placeId], () =>
      edit(
        text('edit.fillRest', { room: placeOf(project, placeId)?.name ?? '' }),
        fillRest(project, placeId, () => newRecordId('bc')),
      ),
    );
  // A place that somebody else takes away takes the cursor along.
  const place = at && placeOf(project, at.placeId) ? at : null;
  const counted = (one: View) => (one === 'decisions' ? undecided : one === 'walk' ? differences : 0);
  return (
    <div className={`${css.briefScreen}${shown === 'rooms' && place ? '' : ` ${css.noCard}`}`}>
      <div className={css.briefColumn}>
        <header className={css.briefHead}>
          <Segmented
            value={shown}
            onChange={(next) => go({ view: next === 'rooms' ? null : next })}
            options={VIEWS.map((value) => ({
              value,
              label: counted(value) > 0 ? `${text(`brief.views.${value}`)} · ${counted(value)}` : text(`brief.views.${value}`),
            }))}
          />
          {shown === 'rooms' && (
            <Costs>
              <dl className={css.briefSum}>
                <div>
                  <dt>{text('brief.sumNow')}</dt>
                  <dd>
                    {project.project.currency} {money(cost.now)}
                  </dd>
                </div>
                <div>
                  <dt>{text('brief.sumAfter')}</dt>
                  <dd>
                    {project.project.currency} {money(cost.afterClose)}
                  </dd>
                </div>
              </dl>
            </Costs>
          )}
        </header>
        {shown === 'rooms' && <Rooms at={place} onAt={setAt} onFill={fill} />}
        {shown === 'decisions' && <Decisions />}
        {shown === 'compromises' && <Compromises />}
        {shown === 'package' && <BuildersPackage />}
        {shown === 'walk' && <BriefWalk />}
        {shown === 'job' && <JobFacts />}
      </div>
      {shown === 'rooms' && place && <PlaceCard at={place} onAt={setAt} onFill={fill} onCopy={setCopying} />}
      {copying && <CopyPlace placeId={copying} onClose={() => setCopying(null)} />}
    </div>
  );
}

/** The answers of all rooms and outdoor areas, with what the plan already answers. */
function Rooms({
  at,
  onAt,
  onFill,
}: {
  readonly at: CellPlace | null;
  readonly onAt: (place: CellPlace) => void;
  readonly onFill: (placeId: string) => void;
}) {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  const [find, setFind] = useState('');
  const guarded = useSignedGuard();
  const proposals = proposedAnswers(project);
  const acceptAll = () =>
    guarded([...new Set(proposals.map(({ placeId }) => placeId))], () =>
      edit(
        text('brief.acceptAll'),
        acceptAnswers(project, proposals, () => newRecordId('bc')),
      ),
    );
  const count = placesOf(project).length;
  return count === 0 ? (
    <p className="brief-empty">{text('stage.brief.noRooms')}</p>
  ) : (
    <>
      {count > SEARCHED_FROM && (
        <FindField className={css.findRoom} label={text('brief.findRoom')} value={find} onChange={setFind} />
      )}
      {proposals.length > 0 && (
        <p className={css.proposal} role="status">
          {text('brief.proposed', { count: proposals.length })}{' '}
          <Button size="small" onClick={acceptAll}>
            {text('brief.acceptAll')}
          </Button>
        </p>
      )}
      <div className="table-paper">
        <BriefMatrix
          at={at}
          onAt={onAt}
          onFill={onFill}
          find={find}
          onDetails={() => document.querySelector<HTMLElement>(`.${css.briefCard} button`)?.focus()}
        />
      </div>
      <AddArea onAdded={(placeId) => onAt({ placeId, topic: BRIEF_TOPICS[0] })} />
      <Legend />
    </>
  );
}

import { LAYOUTS } from '@dusky-spool/core/brief';
import type { DerivedFinding } from '@dusky-spool/core/deltas';
import type { Outcome } from '@dusky-spool/core/math';
import { ANGLE_SCHOOLS, type Operation, type ProjectDocument, type TheatreAim } from '@dusky-spool/core/model';
import { CHECKS } from '@dusky-spool/core/rules';
import {
  THEATRES,
  type BassAdvice,
  type Theatre,
  type TheatreDesign,
  theatreOf,
  theatreRooms,
  frameOf,
  type TheatreView,
} from '@dusky-spool/core/theatre';
import { findingSentence } from '@dusky-spool/texts';
import { Button, ConfigProvider, Segmented, Select, Tabs } from 'antd';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useKeys } from '../../canvas/useKeys.ts';
import { addCompromise } from '../../commands/add-compromise.ts';
import { fixSpeaker, setTheatre, weighSeat } from '../../commands/set-theatre.ts';
import { useRight } from '../../ground/api/session.ts';
import { later } from '../../ground/later.ts';
import { text } from '../../ground/text.ts';
import { askBass, askTheatreDesign, useDerived } from '../../state/derived.ts';
import { ProjectProvider, useProject } from '../../state/open-project.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { today } from '../../state/today.ts';
import { FindingCard } from '../../ui/FindingCard.tsx';
import { SmallButton } from '../../ui/SmallButton.tsx';
import { PreviewBanner } from '../../ui/PreviewBanner.tsx';
import { AimPanel } from './AimPanel.tsx';
import { BassPanel } from './BassPanel.tsx';
import { CalibrationTable } from './CalibrationTable.tsx';
import { ChannelTable } from './ChannelTable.tsx';
import { DesignDialog, type DesignState } from './DesignDialog.tsx';
import { Dials } from './Dials.tsx';
import { KeyFigures } from './KeyFigures.tsx';
import { ModeSwitch } from './Modes.tsx';
import { PicturePanel } from './PicturePanel.tsx';
import { SeatTable } from './SeatTable.tsx';
import { seatShown } from './theatre-view.ts';
import { TheatreSheet } from './TheatreSheet.tsx';
import css from './theatre.module.css';

const Theatre3d = later(() => import('./Theatre3d.tsx').then((module) => module.Theatre3d), null);

interface Props {
  readonly projectId: string;
  readonly roomId: string;
  readonly onView: (view: string | null) => void;
}

const UPPER = ['top', 'front', '3d'] as const;
const TABS = ['speakers', 'seats', 'picture', 'bass', 'room', 'calibration'] as const;
/** Rules that speak of a theatre. */
const THEATRE_RULES: ReadonlySet<string> = new Set(CHECKS.flatMap(({ id, nodes }) => (nodes?.includes(THEATRES) ? [id] : [])));

/** A room as a theatre: from above and in section, what its seats see and hear, and every part as a list. */
export function TheatreRoom({ projectId, roomId, onView }: Props) {
  const project = useProject();
  const { preview, undo, redo } = useProjectParts('preview', 'undo', 'redo');
  useKeys({ undo, redo });
  const mayPlan = useRight('plan');
  const shown = preview?.project ?? project;
  const room = shown.rooms[roomId] ?? project.rooms[roomId];
  const theatre = useMemo(() => theatreOf(shown, room), [shown, room]);
  const frame = useMemo(() => frameOf(shown, room, theatre.picture), [shown, room, theatre.picture]);
  const [upper, setUpper] = useState<(typeof UPPER)[number]>('top');
  const [tab, setTab] = useState<(typeof TABS)[number]>('speakers');
  const [chosenSeat, setSeat] = useState<number | null>(null);
  const [chosenId, setChosen] = useState<string | null>(null);
  const seat = seatShown(theatre, chosenSeat);
  const aim = useAim(roomId);
  const bass = useBass(theatre, tab === 'bass');
  const common = { shown, room, theatre, frame, seat, chosenId, mayPlan };
  const sheet = (view: TheatreView) => <TheatreSheet {...common} view={view} onSeat={setSeat} onChoose={setChosen} />;
  return (
    <div className={css.theatre}>
      <TheatreHeader {...{ projectId, roomId, theatre, mayPlan, onView }} onAim={aim} />
      <section className={css.above} aria-label={text('theatre.views.label')}>
        <Segmented
          size="small"
          value={upper}
          options={UPPER.map((value) => ({ value, label: text(`theatre.upper.${value}`) }))}
          onChange={setUpper}
        />
        {upper === '3d' ? <Theatre3d {...{ shown, room, theatre, frame }} onChoose={setChosen} /> : sheet(upper)}
      </section>
      <section className={css.heard} aria-label={text('theatre.seatHears')}>
        <h3 className="eyebrow">{seat < 0 ? text('theatre.noSeats') : text('theatre.heardFrom', { seat: seat + 1 })}</h3>
        <div className={css.heardParts}>
          {theatre.channels.length > 0 && <Dials {...{ theatre, seat, chosenId }} onChoose={setChosen} />}
          <KeyFigures {...{ theatre, seat }} />
        </div>
        <PreviewBanner />
        <TheatreFindings {...{ shown, theatre, roomId }} />
      </section>
      <section className={css.below}>
        <h3 className="eyebrow">{text('theatre.views.side')}</h3>
        {sheet('side')}
      </section>
      <section className={css.lists}>
        <ConfigProvider componentDisabled={!mayPlan}>
          <ProjectProvider value={shown}>
            <Tabs
              size="small"
              activeKey={tab}
              onChange={(key) => setTab(key as (typeof TABS)[number])}
              items={TABS.map((key) => ({ key, label: text(`theatre.tabs.${key}`) }))}
            />
            <div className={css.tabBody}>
              {tab === 'speakers' && (
                <ChannelTable
                  {...common}
                  onChoose={setChosen}
                  onFix={(id, isFixed) => aim({ fixedDeviceIds: fixSpeaker(theatre.aim, id, isFixed) })}
                />
              )}
              {tab === 'seats' && (
                <SeatTable
                  {...common}
                  onSeat={setSeat}
                  onWeigh={(n, weight) => aim({ seatWeights: weighSeat(theatre.aim, theatre.seats[n], weight) })}
                />
              )}
              {tab === 'picture' && <PicturePanel {...{ theatre, mayPlan }} />}
              {tab === 'bass' && <BassPanel {...{ theatre, room, seat, mayPlan }} {...bass} />}
              {tab === 'room' && <AimPanel {...{ theatre, frame, mayPlan }} onChange={aim} />}
              {tab === 'calibration' && <CalibrationTable theatre={theatre} onChange={aim} />}
            </div>
          </ProjectProvider>
        </ConfigProvider>
      </section>
    </div>
  );
}

/** Changes what the room is designed for. */
function useAim(roomId: string): (after: Partial<TheatreAim>) => void {
  const project = useProject();
  const { edit } = useProjectParts('edit');
  return (after) => void edit(text('theatre.edits.aim'), setTheatre(project, roomId, after, newRecordId('th')));
}

/** What the worker says of the low frequencies, while somebody looks. */
function useBass({ roomId, bass }: Theatre, isShown: boolean) {
  const project = useProject();
  const [asked, setAsked] = useState<number | null>(null);
  const [advice, setAdvice] = useState<BassAdvice | null>(null);
  const count = asked ?? Math.min(4, Math.max(1, bass.subwoofers.length));
  useEffect(() => {
    if (!isShown) return;
    let isStale = false;
    void askBass(roomId, count).then((found) => {
      if (!isStale && found) setAdvice(found);
    });
    return () => {
      isStale = true;
    };
  }, [roomId, count, isShown, project]);
  return { advice, count, onCount: setAsked };
}

interface HeaderProps extends Props {
  readonly theatre: Theatre;
  readonly mayPlan: boolean;
  readonly onAim: (after: Partial<TheatreAim>) => void;
}

function TheatreHeader({ projectId, roomId, theatre, mayPlan, onView, onAim }: HeaderProps) {
  const project = useProject();
  const { units } = project.project;
  const rooms = theatreRooms(project);
  const { score, aim, layout } = theatre;
  const design = useDesign(roomId);
  const layouts = [...new Set(['2.0', ...LAYOUTS, '7.2.6', '9.2.6', ...(aim.layout ? [aim.layout] : [])])];
  return (
    <header className={`surface-header ${css.header}`}>
      <Button size="small" onClick={() => onView(null)}>
        ‹ {text('schedule.toPlan')}
      </Button>
      <Select
        size="small"
        value={roomId}
        aria-label={text('theatre.roomChoice')}
        popupMatchSelectWidth={false}
        options={[...rooms.map(({ id, name }) => ({ value: id, label: name })), { value: '', label: text('theatre.otherRoom') }]}
        onChange={(id) => onView(id === '' ? 'theatre:-' : `theatre:${id}`)}
      />
      <Select
        size="small"
        value={aim.layout}
        disabled={!mayPlan}
        aria-label={text('theatre.layout')}
        popupMatchSelectWidth={false}
        options={[
          { value: '', label: layout ? text('theatre.asPlaced', { layout }) : text('theatre.noLayout') },
          ...layouts.map((value) => ({ value, label: value })),
        ]}
        onChange={(next) => onAim({ layout: next })}
      />
      <Select
        size="small"
        value={aim.school}
        disabled={!mayPlan}
        aria-label={text('theatre.school')}
        popupMatchSelectWidth={false}
        options={ANGLE_SCHOOLS.map((value) => ({ value, label: text(`theatre.schools.${value}`) }))}
        onChange={(school) => onAim({ school })}
      />
      {mayPlan && (
        <Button size="small" type="primary" onClick={design.start}>
          {text('theatre.design.start')}
        </Button>
      )}
      <ModeSwitch {...{ theatre, mayPlan }} room={project.rooms[roomId]} />
      <span className="grow" />
      {score && (
        <span className="chip" title={text('theatre.scoreTitle')}>
          {text('theatre.score', {
            total: score.total.toFixed(0),
            angles: score.angles.toFixed(0),
            symmetry: score.symmetry.toFixed(0),
            levels: score.levels.toFixed(0),
          })}
        </span>
      )}
      <Button
        size="small"
        href={`/api/projects/${projectId}/documents/theatre-sheet.pdf?room=${roomId}&paper=${units === 'imperial' ? 'Tabloid' : 'A3'}`}
      >
        {text('theatre.sheet')}
      </Button>
      {design.dialog}
    </header>
  );
}

/** The search for places in the worker, and what becomes of its proposal. */
function useDesign(roomId: string) {
  const { edit, propose } = useProjectParts('edit', 'propose');
  const [state, setState] = useState<DesignState | null>(null);
  const abort = useRef<AbortController | null>(null);
  const close = () => {
    abort.current?.abort();
    abort.current = null;
    setState(null);
  };
  const start = async () => {
    const own = (abort.current = new AbortController());
    setState({ share: 0 });
    const found: Outcome<TheatreDesign> | null = await askTheatreDesign(roomId, newRecordId('t'), own.signal, (share) => {
      if (!own.signal.aborted) setState({ share });
    });
    if (own.signal.aborted) return;
    if (found?.ok) return setState({ design: found.value });
    if (found) edit(text('theatre.design.title'), found);
    setState(null);
  };
  const use = (how: (title: string, operations: readonly Operation[]) => unknown) => (design: TheatreDesign) => {
    how(text('theatre.design.title'), design.operations);
    setState(null);
  };
  return {
    start: () => void start(),
    dialog: state && <DesignDialog state={state} onCancel={close} onShow={use(propose)} onApply={use(edit)} />,
  };
}

/** Words of a compromise in the brief. */
const MOST_WORDS = 200;

/** Errors and warnings of this theatre, the worst first. */
function TheatreFindings({
  shown,
  theatre,
  roomId,
}: {
  readonly shown: ProjectDocument;
  readonly theatre: Theatre;
  readonly roomId: string;
}) {
  const { findings } = useDerived(shown);
  const { edit } = useProjectParts('edit');
  const mayPlan = useRight('plan');
  const { units } = shown.project;
  const compromise = (finding: DerivedFinding) => {
    const what = findingSentence(finding, units).slice(0, MOST_WORDS);
    edit(text('theatre.compromise'), addCompromise(shown, { id: newRecordId('co'), roomId, what, on: today() }));
  };
  const inRoom = ({ check, rank, subjects }: DerivedFinding) =>
    THEATRE_RULES.has(check) &&
    rank !== 'fine' &&
    subjects.some(
      ({ in: list, id }) =>
        (list === 'rooms' && id === roomId) ||
        (list === 'devices' && shown.devices[id]?.roomId === roomId) ||
        (list === 'features' && theatre.seats.some(({ featureId }) => featureId === id)),
    );
  const own = (['stop', 'look'] as const).flatMap((rank) => findings.filter((one) => one.rank === rank && inRoom(one)));
  if (own.length === 0) return <p className="faint">{text('theatre.noFindings')}</p>;
  return (
    <div className={css.findings}>
      {own.map((finding) => (
        <FindingCard key={finding.ref} finding={finding} units={units}>
          {mayPlan && <SmallButton onClick={() => compromise(finding)}>{text('theatre.compromise')}</SmallButton>}
        </FindingCard>
      ))}
    </div>
  );
}

import { useProject } from '../../state/open-project.ts';
import type { Room, Wall } from '@dusky-spool/core/model';
import { onLevel } from '@dusky-spool/core/derive';
import { wallsAround, type WallSide } from '@dusky-spool/core/house';
import { text } from '../../ground/text.ts';
import { ceilingView, wallView } from '../../state/views.ts';
import type { ReactNode } from 'react';
import { Button, Select } from 'antd';
import css from './walls.module.css';

interface Props {
  readonly levelId: string;
  readonly room: Room | null;
  /** The wall that is looked at; null is the ceiling. */
  readonly wall: Wall | null;
  readonly side: WallSide | null;
  readonly onView: (view: string | null) => void;
  readonly children?: ReactNode;
}

/** Where one stands: the room, its walls one after the other as one turns in it, its ceiling, and the way back to the plan. */
export function SurfaceHeader({ levelId, room, wall, side, onView, children }: Props) {
  const project = useProject();
  const around = room ? wallsAround(project, room) : [];
  const at = around.findIndex((one) => one.wall.id === wall?.id && one.side === side);
  const turn = (by: number) => {
    const next = around[(Math.max(0, at) + by + around.length) % around.length];
    if (next) onView(wallView(next.wall.id, next.side));
  };
  const enter = (roomId: string) => {
    const [first] = wallsAround(project, project.rooms[roomId]);
    onView(first && wall ? wallView(first.wall.id, first.side) : ceilingView(roomId));
  };
  const rooms = onLevel(project, 'rooms', levelId).toSorted((a, b) => (a.name < b.name ? -1 : 1));
  return (
    <header className="surface-header">
      <Button size="small" onClick={() => onView(null)}>
        ‹ {text('schedule.toPlan')}
      </Button>
      <Select
        size="small"
        value={room?.id ?? ''}
        aria-label={text('elevation.room')}
        popupMatchSelectWidth={false}
        options={[
          ...(room ? [] : [{ value: '', label: text('elevation.outside') }]),
          ...rooms.map(({ id, name }) => ({ value: id, label: name })),
        ]}
        onChange={enter}
      />
      <div className={css.surfaceTurn} role="group" aria-label={text('elevation.turn')}>
        <Button
          size="small"
          disabled={around.length < 1}
          aria-label={text('elevation.toLeft')}
          onClick={() => turn(wall ? -1 : 0)}
        >
          ‹
        </Button>
        <span>
          {wall
            ? at >= 0
              ? text('elevation.ofWalls', { n: at + 1, count: around.length })
              : text('elevation.title')
            : text('elevation.ceiling')}
        </span>
        <Button
          size="small"
          disabled={around.length < 1}
          aria-label={text('elevation.toRight')}
          onClick={() => turn(wall ? 1 : 0)}
        >
          ›
        </Button>
      </div>
      {wall && side && (
        <Button size="small" onClick={() => onView(wallView(wall.id, side === 'left' ? 'right' : 'left'))}>
          {text('elevation.otherSide')}
        </Button>
      )}
      {wall && room && (
        <Button size="small" onClick={() => onView(ceilingView(room.id))}>
          {text('elevation.ceiling')}
        </Button>
      )}
      <span className="grow" />
      {children}
    </header>
  );
}

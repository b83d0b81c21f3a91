import { memo, useMemo } from 'react';
import { wallReaches } from '@dusky-spool/core/house';
import type { ProjectDocument, Wall } from '@dusky-spool/core/model';
import { joistPath, pathThrough, wallBand } from './room-drawing.ts';
import css from './canvas.module.css';

interface Props {
  readonly project: Pick<ProjectDocument, 'levels' | 'rooms' | 'walls' | 'openings' | 'risers' | 'racks'>;
  readonly levelId: string;
  /** A plan picture lies below: rooms are clear, so that it shows. */
  readonly overUnderlay?: boolean;
}

/** The house itself: rooms, joists, walls, openings, risers and racks. Drawn anew only when the house changes. */
export const BuildingLayer = memo(
  function BuildingLayer({ project, levelId, overUnderlay = false }: Props) {
    const { rooms, walls, openings, risers, racks } = project;
    const here = useMemo(() => {
      const wallList = Object.values(walls).filter((wall) => wall.levelId === levelId);
      const roomList = Object.values(rooms).filter((room) => room.levelId === levelId);
      const reaches = wallReaches(wallList);
      const bands = (list: readonly Wall[]) =>
        list.map((wall) => pathThrough(wallBand(wall, 0, 1, reaches.get(wall.id)), true)).join('');
      const onLevel = new Set(wallList.map((wall) => wall.id));
      return {
        rooms: roomList.map((room) => pathThrough(room.polygon, true)).join(''),
        joists: roomList.map(joistPath).join(''),
        light: bands(wallList.filter((wall) => wall.kind !== 'masonry' && wall.kind !== 'concrete')),
        heavy: bands(wallList.filter((wall) => wall.kind === 'masonry' || wall.kind === 'concrete')),
        openings: Object.values(openings).filter((opening) => onLevel.has(opening.wallId)),
      };
    }, [rooms, walls, openings, levelId]);
    return (
      <g className="building" aria-hidden="true">
        <path d={here.rooms} className={overUnderlay ? `${css.rooms} clear` : css.rooms} />
        <path d={here.joists} className={css.joists} />
        <path d={here.light} className={css.walls} />
        <path d={here.heavy} className={`${css.walls} heavy`} />
        {here.openings.map((opening) => {
          const wall = walls[opening.wallId];
          const length = Math.hypot(wall.b[0] - wall.a[0], wall.b[1] - wall.a[1]);
          const [from, to] = [(opening.offsetM - opening.widthM / 2) / length, (opening.offsetM + opening.widthM / 2) / length];
          const thin: Wall = { ...wall, thicknessM: wall.thicknessM * 1.02 };
          return (
            <g key={opening.id}>
              <path d={pathThrough(wallBand(thin, Math.max(0, from), Math.min(1, to)), true)} className={css.opening} />
              {opening.kind === 'window' && <path d={pathThrough([along(wall, from), along(wall, to)])} className={css.glass} />}
              {opening.kind === 'door' && (
                <path
                  d={doorSwing(wall, from, to, opening.widthM, opening.hinge === 'end', opening.swing === 'right')}
                  className="door"
                />
              )}
            </g>
          );
        })}
        {Object.values(risers).map((riser) => {
          const [x, y, w, h] = [riser.x - riser.widthM / 2, riser.y - riser.depthM / 2, riser.widthM, riser.depthM];
          return (
            <g key={riser.id} className={css.riser}>
              <rect x={x} y={y} width={w} height={h} />
              <path d={`M${x} ${y}l${w} ${h}M${x + w} ${y}l${-w} ${h}`} />
            </g>
          );
        })}
        {Object.values(racks)
          .filter((rack) => rack.levelId === levelId)
          .map((rack) => (
            <g
              key={rack.id}
              className={css.rack}
              transform={`translate(${rack.x},${rack.y}) rotate(${(rack.facingRad * 180) / Math.PI + 90})`}
            >
              <rect x={-rack.widthM / 2} y={-rack.depthM / 2} width={rack.widthM} height={rack.depthM} rx={0.03} />
              {[0.25, 0.42, 0.59, 0.76].map((share) => (
                <path key={share} d={`M${-rack.widthM * 0.34} ${(share - 0.5) * rack.depthM}h${rack.widthM * 0.68}`} />
              ))}
            </g>
          ))}
      </g>
    );
  },
  (before, after) =>
    before.levelId === after.levelId &&
    before.overUnderlay === after.overUnderlay &&
    (['rooms', 'walls', 'openings', 'risers', 'racks'] as const).every((name) => before.project[name] === after.project[name]),
);

const along = (wall: Wall, t: number): [number, number] => [
  wall.a[0] + (wall.b[0] - wall.a[0]) * t,
  wall.a[1] + (wall.b[1] - wall.a[1]) * t,
];

/** The leaf and the arc of an open door. */
function doorSwing(wall: Wall, from: number, to: number, widthM: number, hingeAtEnd: boolean, right: boolean): string {
  const hinge = along(wall, hingeAtEnd ? to : from);
  const shut = along(wall, hingeAtEnd ? from : to);
  const length = Math.hypot(wall.b[0] - wall.a[0], wall.b[1] - wall.a[1]);
  const side = right ? -1 : 1;
  const n = [(-(wall.b[1] - wall.a[1]) / length) * side, ((wall.b[0] - wall.a[0]) / length) * side];
  const open: [number, number] = [hinge[0] + n[0] * widthM, hinge[1] + n[1] * widthM];
  const cross = (shut[0] - hinge[0]) * (open[1] - hinge[1]) - (shut[1] - hinge[1]) * (open[0] - hinge[0]);
  return `M${open[0]} ${open[1]}L${hinge[0]} ${hinge[1]}M${shut[0]} ${shut[1]}A${widthM} ${widthM} 0 0 ${cross > 0 ? 1 : 0} ${open[0]} ${open[1]}`;
}

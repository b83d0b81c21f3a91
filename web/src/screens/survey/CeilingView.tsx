import { useMemo, useRef, useState } from 'react';
import { Button, Segmented } from 'antd';
import { attachmentOf } from '@dusky-spool/core/building';
import { boundsOf, pointInPolygon, rotate2, type Point2 } from '@dusky-spool/core/geometry';
import { create, remove, type ProjectDocument } from '@dusky-spool/core/project';
import { featureBox, featureMake, joistsOf } from '@dusky-spool/core/survey';
import { formatLength } from '@dusky-spool/core/units';
import { term, text } from '../../app/text.ts';
import { pathThrough } from '../../canvas/room-drawing.ts';
import { newRecordId, useProject } from '../../state/project.ts';
import { BeadShape } from '../../ui/Bead.tsx';

interface Props {
  readonly document: ProjectDocument;
  readonly roomId: string;
  readonly onBack: () => void;
}

const WIDTH = 860;
const HEIGHT = 480;

/** A room's ceiling as it lies over the plan: joists, beams, lights, vents, and what hangs there. */
export function CeilingView({ document, roomId, onBack }: Props) {
  const edit = useProject((state) => state.edit);
  const [mode, setMode] = useState<'look' | 'joist' | 'no-joist'>('look');
  const [pointer, setPointer] = useState<Point2 | null>(null);
  const svg = useRef<SVGSVGElement>(null);
  const room = document.rooms[roomId];
  const { units } = document.project;
  const joists = useMemo(() => joistsOf(document, room), [document, room]);
  const b = boundsOf(room.polygon as Point2[])!;
  const k = Math.min((WIDTH - 90) / (b.maxX - b.minX), (HEIGHT - 90) / (b.maxY - b.minY));
  const transform = `translate(${WIDTH / 2 - ((b.minX + b.maxX) / 2) * k},${HEIGHT / 2 + ((b.minY + b.maxY) / 2) * k}) scale(${k},${-k})`;
  const world = (event: { clientX: number; clientY: number }): Point2 => {
    const p = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.current!.getScreenCTM()!.inverse());
    return [(p.x - WIDTH / 2) / k + (b.minX + b.maxX) / 2, -(p.y - HEIGHT / 2) / k + (b.minY + b.maxY) / 2];
  };
  const inRoom = (p: readonly [number, number]) => pointInPolygon(p, room.polygon as Point2[], 0.05);
  const things = Object.values(document.features).filter(
    (f) =>
      f.levelId === room.levelId &&
      ['obstacle', 'service', 'way', 'existing'].includes(featureMake(f.kind).group) &&
      f.topM > 1.8 &&
      f.points.some(inRoom),
  );
  const devices = Object.values(document.devices).filter(
    (d) => d.roomId === roomId && attachmentOf(document.deviceTypes[d.typeId]) === 'ceiling',
  );
  const offsetAt = (p: Point2) => rotate2(p, -room.joistAngleRad)[1];
  const click = (event: React.MouseEvent) => {
    if (mode === 'look') return;
    const offsetM = Math.round(offsetAt(world(event)) * 1000) / 1000;
    const near = joists.find((joist) => Math.abs(joist.offsetM - offsetM) < 0.05);
    const known = near?.memberId ? document.framingMembers[near.memberId] : undefined;
    if (known) edit(text('edit.remove'), [remove('framingMembers', known)]);
    else if (mode === 'joist' || near)
      edit(text(`ceiling.${mode}`), [
        create('framingMembers', {
          id: newRecordId('n'),
          wallId: null,
          roomId,
          kind: 'joist',
          offsetM: mode === 'joist' ? offsetM : near!.offsetM,
          widthM: 0.045,
          bottomM: 0,
          topM: 0,
          present: mode === 'joist',
          note: '',
        }),
      ]);
  };
  const between =
    pointer &&
    joistGap(
      joists.map((joist) => joist.offsetM),
      offsetAt(pointer),
    );
  return (
    <div className="elevation">
      <header>
        <Button size="small" onClick={onBack}>
          ‹ {text('schedule.toPlan')}
        </Button>
        <h2>
          {room.name} · {term(`ceilings.${room.ceilingKind}`)} · {term(`framings.${room.framing}`)}
        </h2>
        <span className="grow" />
        <Segmented
          size="small"
          value={mode}
          options={(['look', 'joist', 'no-joist'] as const).map((value) => ({ value, label: text(`ceiling.${value}`) }))}
          onChange={setMode}
        />
      </header>
      <svg
        ref={svg}
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className={`elevation-sheet mode-${mode}`}
        role="group"
        aria-label={text('ceiling.title', { name: room.name })}
        onPointerMove={(event) => setPointer(world(event))}
        onPointerLeave={() => setPointer(null)}
        onClick={click}
      >
        <g transform={transform} style={{ ['--inv' as string]: 1 / k }}>
          <path d={pathThrough(room.polygon, true)} className="elevation-wall" vectorEffect="non-scaling-stroke" />
          {joists.map((joist, i) => (
            <path
              key={i}
              d={pathThrough([joist.a, joist.b])}
              className={joist.measured ? 'ceiling-joist measured' : 'ceiling-joist'}
              style={{ strokeWidth: joist.widthM }}
            />
          ))}
          {things.map((feature) => (
            <g key={feature.id} className="elevation-thing">
              {feature.points.length === 1 ? (
                feature.depthM === 0 ? (
                  <circle cx={feature.points[0][0]} cy={feature.points[0][1]} r={feature.widthM / 2} />
                ) : (
                  <path d={pathThrough(featureBox(feature), true)} />
                )
              ) : (
                <path
                  d={pathThrough(feature.points, feature.area)}
                  className={feature.area ? '' : 'thing-line'}
                  style={feature.area ? undefined : { strokeWidth: feature.widthM }}
                />
              )}
              <g transform={`translate(${feature.points[0][0]},${feature.points[0][1]})`}>
                <text className="upright" y={-6}>
                  {feature.name || term(`features.${feature.kind}`)}
                </text>
              </g>
            </g>
          ))}
          {devices.map((device) => {
            const type = document.deviceTypes[device.typeId];
            return (
              <g key={device.id} transform={`translate(${device.x},${device.y})`}>
                {type.round ? (
                  <circle r={type.sizeM[0] / 2} className="ceiling-cut" />
                ) : (
                  <rect
                    x={-type.sizeM[0] / 2}
                    y={-type.sizeM[1] / 2}
                    width={type.sizeM[0]}
                    height={type.sizeM[1]}
                    className="ceiling-cut"
                  />
                )}
                <g className="upright">
                  <BeadShape code={type.code} system={type.system} facingRad={null} />
                </g>
              </g>
            );
          })}
        </g>
      </svg>
      <footer className="faint">
        {mode !== 'look'
          ? text(`ceiling.how.${mode}`)
          : between
            ? text('ceiling.bay', { clear: formatLength(between, units) })
            : text(joists.length === 0 ? 'ceiling.noJoists' : 'ceiling.hint', { count: joists.length })}
      </footer>
    </div>
  );
}

function joistGap(offsets: readonly number[], at: number): number | null {
  const sorted = [...new Set(offsets)].sort((a, b) => a - b);
  const next = sorted.findIndex((offset) => offset > at);
  return next > 0 ? sorted[next] - sorted[next - 1] - 0.045 : null;
}

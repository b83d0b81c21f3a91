import { useMemo, useRef, useState, type PointerEvent } from 'react';
import { Button, Segmented } from 'antd';
import { moveDevices } from '@dusky-spool/core/devices';
import { create, remove, update, type Operation, type ProjectDocument } from '@dusky-spool/core/project';
import { bayAt, placeOpening, wallElevation } from '@dusky-spool/core/survey';
import { wallPoint } from '@dusky-spool/core/building';
import { formatLength } from '@dusky-spool/core/units';
import { term, text } from '../../app/text.ts';
import type { Selection } from '../../editor/selection.ts';
import { newRecordId, useProjectParts } from '../../state/project.ts';
import { BeadShape } from '../../ui/Bead.tsx';

interface Props {
  readonly document: ProjectDocument;
  readonly wallId: string;
  readonly selection: Selection;
  readonly onSelect: (selection: Selection) => void;
  readonly onWall: (wallId: string) => void;
  readonly onBack: () => void;
}

type Mode = 'look' | 'stud' | 'no-stud' | 'blocking';
type Held = { readonly kind: 'device' | 'opening'; readonly id: string; readonly from: readonly [number, number] };

const WIDTH = 860;
const HEIGHT = 470;
const MARGIN = 70;
const STEP_M = 0.005;

/** A wall seen square on, editable as the plan is: boxes and openings are dragged, studs and blocking set where they were found. */
export function Elevation({ document, wallId, selection, onSelect, onWall, onBack }: Props) {
  const { edit, preview, showPreview } = useProjectParts('edit', 'preview', 'showPreview');
  const [mode, setMode] = useState<Mode>('look');
  const [pointer, setPointer] = useState<readonly [number, number] | null>(null);
  const [blockFrom, setBlockFrom] = useState<readonly [number, number] | null>(null);
  const held = useRef<Held | null>(null);
  const svg = useRef<SVGSVGElement>(null);
  const shown = preview?.document ?? document;
  const wall = shown.walls[wallId];
  const view = useMemo(() => wallElevation(shown, wall), [shown, wall]);
  const { units } = document.project;
  const [low, high] = [-Math.max(0.08, view.floorBuildUpM), view.heightM + 0.08];
  const k = Math.min((WIDTH - 2 * MARGIN) / view.lengthM, (HEIGHT - 2 * 48) / (high - low));
  const left = (WIDTH - view.lengthM * k) / 2;
  const X = (offsetM: number) => left + offsetM * k;
  const Y = (heightM: number) => HEIGHT - 48 - (heightM - low) * k;
  const at = (event: { clientX: number; clientY: number }): [number, number] => {
    const matrix = svg.current!.getScreenCTM()!;
    const p = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    const round = (value: number) => Math.round(value / STEP_M) * STEP_M;
    return [round((p.x - left) / k), round((HEIGHT - 48 - p.y) / k + low)];
  };

  const operationsOf = (grip: Held, to: readonly [number, number]) => {
    const [dx, dy] = [to[0] - grip.from[0], to[1] - grip.from[1]];
    if (grip.kind === 'opening') {
      const opening = document.openings[grip.id];
      const rise = opening.kind === 'window' ? dy : 0;
      return placeOpening(document, {
        ...opening,
        offsetM: Math.min(view.lengthM - opening.widthM / 2, Math.max(opening.widthM / 2, opening.offsetM + dx)),
        sillM: Math.max(0, opening.sillM + rise),
        headM: opening.headM + (opening.sillM + rise < 0 ? -opening.sillM : rise),
      });
    }
    const device = document.devices[grip.id];
    const place = wallElevation(document, document.walls[wallId]).devices.find((one) => one.device.id === grip.id)!;
    const [x, y] = wallPoint(document.walls[wallId], Math.min(view.lengthM, Math.max(0, place.offsetM + dx)));
    const moved = moveDevices(document, [{ deviceId: device.id, to: [x, y] }]);
    if (!moved.ok) return moved;
    const height = update('devices', device, { heightM: Math.round(Math.max(0, place.heightM + dy) * 1000) / 1000 });
    return { ok: true as const, value: height ? [...moved.value, height] : moved.value };
  };
  const take = (kind: Held['kind'], id: string, event: PointerEvent) => {
    if (mode !== 'look') return;
    svg.current?.setPointerCapture(event.pointerId);
    held.current = { kind, id, from: at(event) };
    if (kind === 'opening') onSelect({ kind, ids: [id] });
  };
  const onMove = (event: PointerEvent) => {
    const to = at(event);
    setPointer(to);
    if (!held.current) return;
    const operations = operationsOf(held.current, to);
    if (operations.ok) showPreview('', operations.value);
  };
  const onUp = (event: PointerEvent) => {
    const grip = held.current;
    held.current = null;
    if (!grip) return;
    const to = at(event);
    if (Math.hypot(to[0] - grip.from[0], to[1] - grip.from[1]) * k > 3) edit(text('edit.move'), operationsOf(grip, to));
    else showPreview('', null);
  };
  const onClick = (event: React.MouseEvent) => {
    if (mode === 'look') return;
    const [offsetM, heightM] = at(event);
    if (offsetM < 0 || offsetM > view.lengthM) return;
    const base = { id: newRecordId('n'), wallId, roomId: null, note: '' };
    let operation: Operation;
    if (mode === 'blocking') {
      if (!blockFrom) return setBlockFrom([offsetM, heightM]);
      const [x0, x1] = [Math.min(blockFrom[0], offsetM), Math.max(blockFrom[0], offsetM)];
      const [y0, y1] = [Math.min(blockFrom[1], heightM), Math.max(blockFrom[1], heightM)];
      setBlockFrom(null);
      if (x1 - x0 < 0.02) return;
      operation = create('framingMembers', {
        ...base,
        kind: 'blocking',
        offsetM: x0,
        widthM: x1 - x0,
        bottomM: y0,
        topM: Math.max(y1, y0 + 0.09),
        present: true,
      });
    } else {
      const near = view.studs.find((stud) => Math.abs(stud.offsetM - offsetM) < 0.04);
      const known = near?.memberId ? document.framingMembers[near.memberId] : undefined;
      if (known) operation = remove('framingMembers', known);
      else if (mode === 'no-stud' && !near) return;
      else
        operation = create('framingMembers', {
          ...base,
          kind: 'stud',
          offsetM: mode === 'no-stud' ? near!.offsetM : offsetM,
          widthM: wall.studWidthM || 0.045,
          bottomM: 0,
          topM: view.heightM,
          present: mode === 'stud',
        });
    }
    edit(text(`elevation.${mode}`), [operation]);
  };

  const bay = pointer && bayAt(view.studs, pointer[0]);
  const neighbours = [...view.meets].sort((a, b) => a.offsetM - b.offsetM);
  const [before, after] = [neighbours[0], neighbours.at(-1)];
  return (
    <div className="elevation">
      <header>
        <Button size="small" onClick={onBack}>
          ‹ {text('schedule.toPlan')}
        </Button>
        <h2>
          {term(`walls.${wall.kind}`)} · {formatLength(view.lengthM, units)}
        </h2>
        <span className="grow" />
        <Button size="small" disabled={!before} onClick={() => before && onWall(before.wall.id)}>
          ‹ {text('elevation.before')}
        </Button>
        <Button size="small" disabled={!after} onClick={() => after && onWall(after.wall.id)}>
          {text('elevation.after')} ›
        </Button>
        <Segmented
          size="small"
          value={mode}
          options={(['look', 'stud', 'no-stud', 'blocking'] as const).map((value) => ({
            value,
            label: text(`elevation.${value}`),
          }))}
          onChange={setMode}
        />
      </header>
      <svg
        ref={svg}
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className={`elevation-sheet mode-${mode}`}
        role="group"
        aria-label={text('elevation.title')}
        onPointerMove={onMove}
        onPointerUp={onUp}
        onPointerLeave={() => setPointer(null)}
        onClick={onClick}
      >
        <rect x={X(0)} y={Y(view.heightM)} width={view.lengthM * k} height={view.heightM * k} className="elevation-wall" />
        {view.floorBuildUpM > 0 && (
          <rect x={X(0)} y={Y(0)} width={view.lengthM * k} height={view.floorBuildUpM * k} className="elevation-build-up" />
        )}
        {view.plates.map(({ bottomM, topM }, i) => (
          <rect key={i} x={X(0)} y={Y(topM)} width={view.lengthM * k} height={(topM - bottomM) * k} className="elevation-plate" />
        ))}
        {view.studs.map((stud, i) => (
          <rect
            key={i}
            x={X(stud.offsetM - stud.widthM / 2)}
            y={Y(view.heightM)}
            width={Math.max(1, stud.widthM * k)}
            height={view.heightM * k}
            className={stud.measured ? 'elevation-stud measured' : 'elevation-stud'}
          />
        ))}
        {view.blocking.map((one) => (
          <rect
            key={one.id}
            x={X(one.offsetM)}
            y={Y(one.topM)}
            width={one.widthM * k}
            height={(one.topM - one.bottomM) * k}
            className="elevation-blocking"
            onClick={(event) => {
              if (mode !== 'blocking') return;
              event.stopPropagation();
              edit(text('edit.remove'), [remove('framingMembers', one)]);
            }}
          />
        ))}
        {view.openings.map((opening) => (
          <g
            key={opening.id}
            className={
              selection.kind === 'opening' && selection.ids.includes(opening.id)
                ? 'elevation-opening chosen'
                : 'elevation-opening'
            }
            onPointerDown={(event) => take('opening', opening.id, event)}
          >
            <rect
              x={X(opening.offsetM - opening.widthM / 2 - opening.casingWidthM)}
              y={Y(opening.headM + opening.casingWidthM)}
              width={(opening.widthM + 2 * opening.casingWidthM) * k}
              height={(opening.headM - opening.sillM + opening.casingWidthM * (opening.sillM > 0 ? 2 : 1)) * k}
              className="casing"
            />
            <rect
              x={X(opening.offsetM - opening.widthM / 2)}
              y={Y(opening.headM)}
              width={opening.widthM * k}
              height={(opening.headM - opening.sillM) * k}
              className={opening.kind}
            />
            <text x={X(opening.offsetM)} y={Y((opening.headM + opening.sillM) / 2)} textAnchor="middle">
              {formatLength(opening.widthM, units)}
            </text>
          </g>
        ))}
        {view.meets.map(({ wall: other, offsetM }) => (
          <rect
            key={other.id}
            x={X(offsetM) - (other.thicknessM * k) / 2}
            y={Y(view.heightM)}
            width={other.thicknessM * k}
            height={view.heightM * k}
            className="elevation-meets"
          />
        ))}
        {view.features.map(({ feature, offsetM }) => (
          <g
            key={feature.id}
            className={
              selection.kind === 'feature' && selection.ids.includes(feature.id) ? 'elevation-thing chosen' : 'elevation-thing'
            }
            onClick={() => mode === 'look' && onSelect({ kind: 'feature', ids: [feature.id] })}
          >
            <rect
              x={X(offsetM - feature.widthM / 2)}
              y={Y(feature.topM)}
              width={Math.max(4, feature.widthM * k)}
              height={Math.max(4, (feature.topM - feature.bottomM) * k)}
            />
            <text x={X(offsetM)} y={Y(feature.topM) - 4} textAnchor="middle">
              {feature.name || term(`features.${feature.kind}`)}
            </text>
          </g>
        ))}
        {view.benchmarkM !== null && (
          <g className="elevation-benchmark">
            <path d={`M${X(0)} ${Y(view.benchmarkM)}H${X(view.lengthM)}`} />
            <text x={X(view.lengthM) - 6} y={Y(view.benchmarkM) - 6} textAnchor="end">
              {text('elevation.benchmark', { height: formatLength(view.benchmarkM, units) })}
            </text>
          </g>
        )}
        {view.devices.map(({ device, offsetM, heightM }) => {
          const type = shown.deviceTypes[device.typeId];
          return (
            <g
              key={device.id}
              className="elevation-device"
              transform={`translate(${X(offsetM)},${Y(heightM)})`}
              onPointerDown={(event) => take('device', device.id, event)}
            >
              <path className="elevation-drop" d={`M0 12V${(heightM - 0) * k}`} />
              <BeadShape code={type.code} system={type.system} facingRad={null} />
              <text y={26} textAnchor="middle">
                {formatLength(heightM, units)} · {formatLength(offsetM, units)}
              </text>
            </g>
          );
        })}
        <g className="elevation-scale">
          <path d={`M${X(0)} ${Y(0)}H${X(view.lengthM)}`} className="floor-line" />
          <text x={X(0) - 8} y={Y(0) + 4} textAnchor="end">
            {text('elevation.floor')}
          </text>
          {view.floorBuildUpM > 0 && (
            <text x={X(0)} y={Y(-view.floorBuildUpM) + 18}>
              {text('elevation.subfloor', { down: formatLength(view.floorBuildUpM, units) })}
            </text>
          )}
          {[...new Set(view.ceilings.map((c) => c.heightM))].map((heightM) => (
            <g key={heightM}>
              <path d={`M${X(0)} ${Y(heightM)}H${X(view.lengthM)}`} className="ceiling-line" />
              <text x={X(0) - 8} y={Y(heightM) + 4} textAnchor="end">
                {formatLength(heightM, units)}
              </text>
            </g>
          ))}
        </g>
        {pointer && mode !== 'look' && (
          <g pointerEvents="none" className="draft">
            {blockFrom ? (
              <rect
                className="box-select"
                x={X(Math.min(blockFrom[0], pointer[0]))}
                y={Y(Math.max(blockFrom[1], pointer[1]))}
                width={Math.abs(pointer[0] - blockFrom[0]) * k}
                height={Math.abs(pointer[1] - blockFrom[1]) * k}
              />
            ) : (
              <path className="guide" d={`M${X(pointer[0])} ${Y(view.heightM)}V${Y(0)}`} />
            )}
            <text x={X(pointer[0]) + 8} y={Y(pointer[1]) - 8} className="draft-text">
              {formatLength(pointer[0], units)} · {formatLength(pointer[1], units)}
            </text>
          </g>
        )}
      </svg>
      <footer className="faint">
        {mode === 'look'
          ? bay
            ? text('elevation.bay', { clear: formatLength(bay.clearM, units), middle: formatLength(bay.middleM, units) })
            : text('elevation.hint')
          : text(`elevation.how.${mode}`)}
      </footer>
    </div>
  );
}

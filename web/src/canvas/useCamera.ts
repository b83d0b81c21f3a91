import { useCallback, useEffect, useMemo, useRef, useState, type RefObject } from 'react';
import { select } from 'd3-selection';
import { zoom, zoomIdentity, type D3ZoomEvent, type ZoomBehavior } from 'd3-zoom';
import type { Bounds, Point2 } from '@dusky-spool/core/math';
import { type Camera, MARGIN_PX, pictureOf } from './picture.ts';
import css from './canvas.module.css';

export type { Camera } from './picture.ts';

export interface CameraControl {
  readonly sheet: RefObject<HTMLDivElement | null>;
  readonly picture: RefObject<SVGSVGElement | null>;
  readonly world: RefObject<SVGGElement | null>;
  /** As of the last time it came to rest; while it moves the picture moves without React. */
  readonly camera: Camera;
  /** Whether the sheet is there to be moved. */
  readonly ready: boolean;
  readonly toWorld: (clientX: number, clientY: number) => Point2;
  /** Where a place of the plan is in the window, px. */
  readonly toClient: (p: Point2) => Point2;
  /** Shows all of the bounds, clear of what lies on the left of the sheet (pixels). */
  readonly fit: (bounds: Bounds | null, leftPx?: number) => void;
  readonly zoomBy: (factor: number) => void;
  readonly panBy: (dx: number, dy: number) => void;
  readonly reveal: (p: Point2) => void;
  /** Whether points are on the sheet, clear of what lies on its left (pixels). */
  readonly isInSight: (points: readonly Point2[], leftPx: number) => boolean;
}

const NEAREST = 4000;
const FARTHEST = 3;
/** After so long without a move the plan is drawn anew, sharp, ms. */
const REST_MS = 110;

/**
 * Pan and zoom by wheel, pinch and drag. While it moves, the picture drawn last is moved and scaled as it is, which costs the
 * same for a shed and for a palace; at rest, or where its edge would show, it is drawn anew and React is told.
 */
export function useCamera(): CameraControl {
  const sheet = useRef<HTMLDivElement>(null);
  const picture = useRef<SVGSVGElement>(null);
  const world = useRef<SVGGElement>(null);
  const [camera, setCamera] = useState<Camera>({ k: 40, tx: 0, ty: 0 });
  const [ready, setReady] = useState(false);
  const live = useRef<Camera>(camera);
  const drawn = useRef<Camera | null>(null);
  const behaviour = useRef<ZoomBehavior<HTMLDivElement, unknown> | null>(null);

  const draw = useCallback(() => {
    const { k, tx, ty } = live.current;
    if (!world.current || !picture.current) return;
    world.current.setAttribute('transform', `translate(${tx + MARGIN_PX},${ty + MARGIN_PX}) scale(${k},${-k})`);
    if (drawn.current?.k !== k) world.current.style.setProperty('--inv', String(1 / k));
    picture.current.style.transform = 'none';
    drawn.current = live.current;
  }, []);
  /** Draws the plan anew where it moved since, and tells React: words and details follow. */
  const settle = useCallback(() => {
    if (drawn.current !== live.current) draw();
    setCamera(live.current);
  }, [draw]);

  useEffect(() => {
    const element = sheet.current;
    if (!element) return;
    let rest = 0;
    const turned = zoom<HTMLDivElement, unknown>()
      .scaleExtent([FARTHEST, NEAREST])
      .filter(
        (event: MouseEvent) =>
          event.type === 'wheel' ||
          (!event.ctrlKey && !event.shiftKey && !event.button && !(event.target as Element).closest(`.${css.device}, .grab`)),
      )
      .on('zoom', (event: D3ZoomEvent<HTMLDivElement, unknown>) => {
        const { k, x, y } = event.transform;
        live.current = { k, tx: x, ty: y };
        window.clearTimeout(rest);
        const moved = drawn.current && pictureOf(drawn.current, live.current, [element.clientWidth, element.clientHeight]);
        if (moved) picture.current!.style.transform = `translate(${moved.dx}px,${moved.dy}px) scale(${moved.scale})`;
        else draw();
        rest = window.setTimeout(settle, REST_MS);
      });
    behaviour.current = turned;
    select(element).call(turned).on('dblclick.zoom', null);
    const frame = requestAnimationFrame(() => setReady(true));
    return () => {
      cancelAnimationFrame(frame);
      window.clearTimeout(rest);
      select(element).on('.zoom', null);
    };
  }, [draw, settle]);

  const apply = useCallback(
    (k: number, tx: number, ty: number) => {
      const element = sheet.current;
      if (!element || !behaviour.current) return;
      select(element).call(behaviour.current.transform, zoomIdentity.translate(tx, ty).scale(k));
      settle();
    },
    [settle],
  );

  return useMemo(() => {
    const size = () => sheet.current?.getBoundingClientRect() ?? new DOMRect(0, 0, 800, 500);
    return {
      sheet,
      picture,
      world,
      camera,
      ready,
      toWorld: (clientX, clientY) => {
        const { left, top } = size();
        const { k, tx, ty } = live.current;
        return [(clientX - left - tx) / k, (ty - (clientY - top)) / k];
      },
      toClient: ([x, y]) => {
        const { left, top } = size();
        const { k, tx, ty } = live.current;
        return [x * k + tx + left, ty - y * k + top];
      },
      fit: (bounds, leftPx = 130) => {
        const { width, height } = size();
        const b = bounds ?? { minX: 0, minY: 0, maxX: 20, maxY: 12 };
        const k = Math.min(
          NEAREST,
          Math.max(
            FARTHEST,
            Math.min((width - leftPx - 60) / Math.max(1, b.maxX - b.minX), (height - 116) / Math.max(1, b.maxY - b.minY)),
          ),
        );
        apply(k, (width + leftPx) / 2 - ((b.minX + b.maxX) / 2) * k, height / 2 + 2 + ((b.minY + b.maxY) / 2) * k);
      },
      zoomBy: (factor) => {
        const { width, height } = size();
        const { k, tx, ty } = live.current;
        const next = Math.min(NEAREST, Math.max(FARTHEST, k * factor));
        const ratio = next / k;
        apply(next, width / 2 - (width / 2 - tx) * ratio, height / 2 - (height / 2 - ty) * ratio);
      },
      panBy: (dx, dy) => apply(live.current.k, live.current.tx + dx, live.current.ty + dy),
      isInSight: (points, leftPx) => {
        const { width, height } = size();
        const { k, tx, ty } = live.current;
        return points.every(([x, y]) => {
          const [sx, sy] = [x * k + tx, ty - y * k];
          return sx > leftPx && sy > 0 && sx < width && sy < height;
        });
      },
      reveal: ([x, y]) => {
        const { width, height } = size();
        const { k, tx, ty } = live.current;
        const [sx, sy] = [x * k + tx, ty - y * k];
        if (sx > 30 && sy > 30 && sx < width - 30 && sy < height - 30) return;
        apply(k, width / 2 - x * k, height / 2 + y * k);
      },
    };
  }, [apply, camera, ready]);
}

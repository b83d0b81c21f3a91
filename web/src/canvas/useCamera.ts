import { useCallback, useEffect, useMemo, useRef, useState, type RefObject } from 'react';
import { select } from 'd3-selection';
import { zoom, zoomIdentity, type D3ZoomEvent, type ZoomBehavior } from 'd3-zoom';
import type { Bounds, Point2 } from '@dusky-spool/core/geometry';

/** Where the plan is seen from: screen = (x * k + tx, ty - y * k), pixels and metres. */
export interface Camera {
  readonly k: number;
  readonly tx: number;
  readonly ty: number;
}

export interface CameraControl {
  /** As of the last time it came to rest; while it moves the picture moves without React. */
  readonly camera: Camera;
  /** Whether the sheet is there to be moved. */
  readonly ready: boolean;
  readonly toWorld: (clientX: number, clientY: number) => Point2;
  /** Shows all of the bounds, clear of what lies on the left of the sheet (pixels). */
  readonly fit: (bounds: Bounds | null, leftPx?: number) => void;
  readonly zoomBy: (factor: number) => void;
  readonly panBy: (dx: number, dy: number) => void;
  readonly reveal: (p: Point2) => void;
}

const NEAREST = 700;
const FARTHEST = 3;

/** Pan and zoom by wheel, pinch and drag; moves the world group directly and tells React when it rests. */
export function useCamera(svg: RefObject<SVGSVGElement | null>, world: RefObject<SVGGElement | null>): CameraControl {
  const [camera, setCamera] = useState<Camera>({ k: 40, tx: 0, ty: 0 });
  const [ready, setReady] = useState(false);
  const live = useRef<Camera>(camera);
  const behaviour = useRef<ZoomBehavior<SVGSVGElement, unknown> | null>(null);

  useEffect(() => {
    const element = svg.current;
    if (!element) return;
    let rest = 0;
    const turned = zoom<SVGSVGElement, unknown>()
      .scaleExtent([FARTHEST, NEAREST])
      .filter(
        (event: MouseEvent) =>
          event.type === 'wheel' ||
          (!event.ctrlKey && !event.shiftKey && !event.button && !(event.target as Element).closest('.device, .grab')),
      )
      .on('zoom', (event: D3ZoomEvent<SVGSVGElement, unknown>) => {
        const { k, x, y } = event.transform;
        live.current = { k, tx: x, ty: y };
        world.current?.setAttribute('transform', `translate(${x},${y}) scale(${k},${-k})`);
        world.current?.style.setProperty('--inv', String(1 / k));
        window.clearTimeout(rest);
        rest = window.setTimeout(() => setCamera(live.current), 60);
      });
    behaviour.current = turned;
    select(element).call(turned).on('dblclick.zoom', null);
    const frame = requestAnimationFrame(() => setReady(true));
    return () => {
      cancelAnimationFrame(frame);
      window.clearTimeout(rest);
      select(element).on('.zoom', null);
    };
  }, [svg, world]);

  const apply = useCallback(
    (k: number, tx: number, ty: number) => {
      const element = svg.current;
      if (element && behaviour.current) {
        select(element).call(behaviour.current.transform, zoomIdentity.translate(tx, ty).scale(k));
        setCamera({ k, tx, ty });
      }
    },
    [svg],
  );

  return useMemo(() => {
    const size = () => svg.current?.getBoundingClientRect() ?? new DOMRect(0, 0, 800, 500);
    return {
      camera,
      ready,
      toWorld: (clientX, clientY) => {
        const { left, top } = size();
        const { k, tx, ty } = live.current;
        return [(clientX - left - tx) / k, (ty - (clientY - top)) / k];
      },
      fit: (bounds, leftPx = 130) => {
        const { width, height } = size();
        const b = bounds ?? { minX: 0, minY: 0, maxX: 20, maxY: 12 };
        const k = Math.min(
          NEAREST,
          Math.max(
            FARTHEST,
            Math.min((width - leftPx - 60) / Math.max(1, b.maxX - b.minX), (height - 90) / Math.max(1, b.maxY - b.minY)),
          ),
        );
        apply(k, (width + leftPx) / 2 - ((b.minX + b.maxX) / 2) * k, height / 2 - 6 + ((b.minY + b.maxY) / 2) * k);
      },
      zoomBy: (factor) => {
        const { width, height } = size();
        const { k, tx, ty } = live.current;
        const next = Math.min(NEAREST, Math.max(FARTHEST, k * factor));
        const ratio = next / k;
        apply(next, width / 2 - (width / 2 - tx) * ratio, height / 2 - (height / 2 - ty) * ratio);
      },
      panBy: (dx, dy) => apply(live.current.k, live.current.tx + dx, live.current.ty + dy),
      reveal: ([x, y]) => {
        const { width, height } = size();
        const { k, tx, ty } = live.current;
        const [sx, sy] = [x * k + tx, ty - y * k];
        if (sx > 30 && sy > 30 && sx < width - 30 && sy < height - 30) return;
        apply(k, width / 2 - x * k, height / 2 + y * k);
      },
    };
  }, [apply, camera, ready, svg]);
}

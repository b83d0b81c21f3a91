import { FOOT_M, INCH_M, type Point2, type UnitSystem } from '@dusky-spool/core/math';
import { usePlanCursor } from '../state/plan-cursor.ts';
import type { CameraControl } from './useCamera.ts';

/** What an arrow key moves the cursor by, and with Shift, m. */
const STEPS_M: Readonly<Record<UnitSystem, readonly [number, number]>> = { metric: [0.1, 1], imperial: [3 * INCH_M, FOOT_M] };

/** Moves the cursor of the plan as the pointer would move: what follows the pointer follows it. It begins in the middle of the sheet. */
export function moveCursor(control: CameraControl, units: UnitSystem, dx: number, dy: number, isFar: boolean): void {
  const [near, far] = STEPS_M[units];
  const stepM = isFar ? far : near;
  const from = usePlanCursor.getState().at;
  const onGrid = (value: number) => Number((Math.round(value / near) * near).toFixed(6));
  const [x, y] = from ?? middleOf(control);
  const at: Point2 = from ? [x + dx * stepM, y + dy * stepM] : [onGrid(x), onGrid(y)];
  usePlanCursor.setState({ at: [Number(at[0].toFixed(6)), Number(at[1].toFixed(6))] });
  control.reveal(at);
  send(control, 'pointermove');
}

/** A click at the cursor; whether there is one. */
export function pressCursor(control: CameraControl): boolean {
  if (!usePlanCursor.getState().at) return false;
  send(control, 'click');
  return true;
}

export function leaveCursor(): void {
  // Called as the pointer moves: nobody is told where there is nothing to leave.
  if (usePlanCursor.getState().at) usePlanCursor.setState({ at: null });
}

function middleOf(control: CameraControl): Point2 {
  const box = control.sheet.current?.getBoundingClientRect();
  return box ? control.toWorld(box.left + box.width / 2, box.top + box.height / 2) : [0, 0];
}

function send(control: CameraControl, kind: 'pointermove' | 'click'): void {
  const { at } = usePlanCursor.getState();
  const element = control.sheet.current;
  if (!at || !element) return;
  const [clientX, clientY] = control.toClient(at);
  const options = { bubbles: true, cancelable: true, clientX, clientY };
  element.dispatchEvent(kind === 'click' ? new MouseEvent('click', options) : new PointerEvent('pointermove', options));
}

/** The device in a direction from the one that has the focus, else from the middle of the sheet, gets the focus; whether there is one. */
export function focusDevice(control: CameraControl, dx: number, dy: number): boolean {
  const marks = [...(control.sheet.current?.querySelectorAll<SVGGElement>('[data-stop]') ?? [])];
  const placeOf = (mark: Element): Point2 => {
    const { left, top, width, height } = mark.getBoundingClientRect();
    return [left + width / 2, -(top + height / 2)];
  };
  const now = marks.find((mark) => mark === document.activeElement);
  const box = control.sheet.current?.getBoundingClientRect();
  if (!box) return false;
  const from: Point2 = now ? placeOf(now) : [box.left + box.width / 2, -(box.top + box.height / 2)];
  const costOf = (mark: Element) => {
    const [x, y] = placeOf(mark);
    const [along, aside] = [(x - from[0]) * dx + (y - from[1]) * dy, Math.abs((x - from[0]) * dy - (y - from[1]) * dx)];
    // Straight ahead counts for more than near but aside; the first one may lie anywhere.
    return now && along <= 0.5 ? Infinity : Math.abs(along) + 2 * aside;
  };
  const costs = marks.filter((mark) => mark !== now).map((mark) => ({ mark, cost: costOf(mark) }));
  const best = costs.reduce<(typeof costs)[number] | null>((least, one) => (!least || one.cost < least.cost ? one : least), null);
  if (!best || !Number.isFinite(best.cost)) return now !== undefined;
  best.mark.focus({ preventScroll: true });
  const [x, y] = placeOf(best.mark);
  control.reveal(control.toWorld(x, -y));
  return true;
}

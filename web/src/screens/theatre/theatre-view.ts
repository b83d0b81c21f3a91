import {
  flatOf,
  type Inside,
  type Theatre,
  type TheatreFrame,
  type TheatreShift,
  type TheatreView,
} from '@dusky-spool/core/theatre';

/** Where places of a theatre are drawn, px, and how far a way on the sheet is in it. */
export interface TheatreScale {
  readonly k: number;
  readonly at: (place: Inside) => readonly [number, number];
  readonly wayOf: (dx: number, dy: number) => TheatreShift;
}

const MARGIN_PX = 26;

/** Fits a view of a frame into a sheet of so many px. */
export function theatreScale({ fromM, toM }: TheatreFrame, view: TheatreView, width: number, height: number): TheatreScale {
  const flat = flatOf(view);
  const corners = [flat(fromM), flat(toM)];
  const [left, right] = [Math.min(corners[0][0], corners[1][0]), Math.max(corners[0][0], corners[1][0])];
  const [top, bottom] = [Math.min(corners[0][1], corners[1][1]), Math.max(corners[0][1], corners[1][1])];
  const k = Math.max(1, Math.min((width - 2 * MARGIN_PX) / (right - left || 1), (height - 2 * MARGIN_PX) / (bottom - top || 1)));
  const [ox, oy] = [(width - (right - left) * k) / 2, (height - (bottom - top) * k) / 2];
  return {
    k,
    at: (place) => {
      const [x, y] = flat(place);
      return [ox + (x - left) * k, oy + (y - top) * k];
    },
    wayOf: (dx, dy) => shiftOf(view, dx / k, dy / k),
  };
}

/** A way on a view as a shift in the theatre, m, y down. */
export function shiftOf(view: TheatreView, dx: number, dy: number): TheatreShift {
  if (view === 'top') return { asideM: dx, awayM: dy, upM: 0 };
  if (view === 'side') return { asideM: 0, awayM: dx, upM: -dy };
  return { asideM: dx, awayM: 0, upM: -dy };
}

/** The seat that is looked from: the one that was chosen, else the reference seat; -1 without seats. */
export const seatShown = ({ seats }: Theatre, chosen: number | null): number =>
  chosen !== null && seats[chosen] ? chosen : seats.findIndex(({ isReference }) => isReference);

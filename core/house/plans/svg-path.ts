import type { Point2 } from '../../math/index.ts';

type Add = (a: Point2, b: Point2) => void;

/** Numbers that each command takes. */
const TAKES: Readonly<Record<string, number>> = { M: 2, L: 2, H: 1, V: 1, C: 6, S: 4, Q: 4, T: 2, A: 7, Z: 0 };
/** Straight pieces of a curve. */
const PIECES = 8;
const NUMBER = /[-+]?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?/y;
const SPACE = /[\s,]*/y;

/** The straight pieces of a path; it ends where it cannot be read any further, as in a browser. */
export function pathPieces(d: string, add: Add): void {
  const reader = new PathReader(d);
  const pen = new Pen(add);
  for (let letter = reader.command(); letter !== null; letter = reader.command()) {
    const command = letter.toUpperCase();
    const isRelative = letter !== command;
    if (command === 'Z') {
      pen.close();
      continue;
    }
    let first = true;
    for (let values = reader.numbers(command); values; values = reader.numbers(command)) {
      pen.draw(command === 'M' && !first ? 'L' : command, isRelative, values);
      first = false;
    }
    if (first) return;
  }
}

class PathReader {
  private at = 0;
  constructor(private readonly d: string) {}

  command(): string | null {
    this.skip();
    const letter = this.d[this.at] ?? '';
    if (!Object.hasOwn(TAKES, letter.toUpperCase())) return null;
    this.at++;
    return letter;
  }

  /** The numbers of one step of a command; null where there are no more of them. */
  numbers(command: string): number[] | null {
    const values: number[] = [];
    for (let n = 0; n < TAKES[command]; n++) {
      this.skip();
      // The two flags of an arc may be written without a space.
      const isFlag = command === 'A' && (n === 3 || n === 4);
      const value = isFlag ? this.flag() : this.number();
      if (value === null) return null;
      values.push(value);
    }
    return values;
  }

  private skip(): void {
    SPACE.lastIndex = this.at;
    SPACE.exec(this.d);
    this.at = SPACE.lastIndex;
  }

  private flag(): number | null {
    const text = this.d[this.at];
    if (text !== '0' && text !== '1') return null;
    this.at++;
    return Number(text);
  }

  private number(): number | null {
    NUMBER.lastIndex = this.at;
    const match = NUMBER.exec(this.d);
    if (!match) return null;
    this.at = NUMBER.lastIndex;
    return Number(match[0]);
  }
}

class Pen {
  private here: Point2 = [0, 0];
  private start: Point2 = [0, 0];
  /** The last control point of a cubic or quadratic curve: the next one may go on from it. */
  private control: { readonly of: 'C' | 'Q'; readonly at: Point2 } | null = null;

  constructor(private readonly add: Add) {}

  close(): void {
    this.line(this.start);
    this.control = null;
  }

  draw(command: string, isRelative: boolean, v: readonly number[]): void {
    const [ox, oy] = isRelative ? this.here : [0, 0];
    const p = (n: number): Point2 => [v[n] + ox, v[n + 1] + oy];
    switch (command) {
      case 'M':
        this.here = this.start = p(0);
        break;
      case 'L':
        return this.line(p(0));
      case 'H':
        return this.line([v[0] + ox, this.here[1]]);
      case 'V':
        return this.line([this.here[0], v[0] + oy]);
      case 'C':
        return this.cubic(p(0), p(2), p(4));
      case 'S':
        return this.cubic(this.mirrored('C'), p(0), p(2));
      case 'Q':
        return this.quadratic(p(0), p(2));
      case 'T':
        return this.quadratic(this.mirrored('Q'), p(0));
      case 'A':
        return this.arc(v, p(5));
    }
    this.control = null;
  }

  private mirrored(of: 'C' | 'Q'): Point2 {
    const { here, control } = this;
    return control?.of === of ? [2 * here[0] - control.at[0], 2 * here[1] - control.at[1]] : here;
  }

  private line(to: Point2): void {
    this.add(this.here, to);
    this.here = to;
    this.control = null;
  }

  private curve(at: (t: number) => Point2, to: Point2): void {
    for (let n = 1; n <= PIECES; n++) this.line(n === PIECES ? to : at(n / PIECES));
  }

  private cubic(a: Point2, b: Point2, to: Point2): void {
    const from = this.here;
    const mix = (t: number, axis: 0 | 1) => {
      const u = 1 - t;
      return u * u * u * from[axis] + 3 * u * u * t * a[axis] + 3 * u * t * t * b[axis] + t * t * t * to[axis];
    };
    this.curve((t) => [mix(t, 0), mix(t, 1)], to);
    this.control = { of: 'C', at: b };
  }

  private quadratic(a: Point2, to: Point2): void {
    const from = this.here;
    const mix = (t: number, axis: 0 | 1) => (1 - t) ** 2 * from[axis] + 2 * (1 - t) * t * a[axis] + t * t * to[axis];
    this.curve((t) => [mix(t, 0), mix(t, 1)], to);
    this.control = { of: 'Q', at: a };
  }

  /** An arc of an ellipse from its ends, as SVG 1.1 works it out (F.6.5). */
  private arc([rxGiven, ryGiven, degrees, isLarge, isPositive]: readonly number[], to: Point2): void {
    const from = this.here;
    let [rx, ry] = [Math.abs(rxGiven), Math.abs(ryGiven)];
    if (rx === 0 || ry === 0 || (from[0] === to[0] && from[1] === to[1])) return this.line(to);
    const turn = (degrees * Math.PI) / 180;
    const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
    const [hx, hy] = [(from[0] - to[0]) / 2, (from[1] - to[1]) / 2];
    const [x, y] = [cos * hx + sin * hy, -sin * hx + cos * hy];
    const tooSmall = (x / rx) ** 2 + (y / ry) ** 2;
    if (tooSmall > 1) [rx, ry] = [rx * Math.sqrt(tooSmall), ry * Math.sqrt(tooSmall)];
    const rest = (rx * ry) ** 2 - (rx * y) ** 2 - (ry * x) ** 2;
    const factor = (isLarge === isPositive ? -1 : 1) * Math.sqrt(Math.max(0, rest) / ((rx * y) ** 2 + (ry * x) ** 2));
    const [cx, cy] = [(factor * rx * y) / ry, (-factor * ry * x) / rx];
    const middle = [cos * cx - sin * cy + (from[0] + to[0]) / 2, sin * cx + cos * cy + (from[1] + to[1]) / 2];
    const begin = Math.atan2((y - cy) / ry, (x - cx) / rx);
    let sweep = Math.atan2((-y - cy) / ry, (-x - cx) / rx) - begin;
    if (isPositive === 1 && sweep < 0) sweep += 2 * Math.PI;
    if (isPositive === 0 && sweep > 0) sweep -= 2 * Math.PI;
    this.curve((t) => {
      const [u, w] = [rx * Math.cos(begin + sweep * t), ry * Math.sin(begin + sweep * t)];
      return [middle[0] + cos * u - sin * w, middle[1] + sin * u + cos * w];
    }, to);
  }
}

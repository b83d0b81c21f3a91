/** Limits of a drawing, looked at before anything is kept. */
const MAX_ENTITIES = 1_500_000;
const MAX_GROUPS_OF_ENTITY = 2_000_000;
const MAX_LAYERS = 20_000;

/** What makes a drawing unreadable, at a line of its file. */
export class DxfFault extends Error {
  constructor(
    readonly what: 'not-a-code' | 'too-many-entities' | 'entity-too-long' | 'no-sections',
    readonly line: number,
  ) {
    super(`${what}, line ${line}`);
  }
}

/** An entity as its group codes and values, in the order of the file. */
export class DxfEntity {
  readonly codes: number[] = [];
  readonly values: string[] = [];
  /** Vertices of a polyline, attributes of an insert. */
  readonly parts: DxfEntity[] = [];

  /** Numbers that were asked for: what is in a block is drawn many times. */
  private readonly known = new Map<number, number | null>();

  constructor(readonly type: string) {}

  /** The first value of a code; undefined where it has none. */
  text(code: number): string | undefined {
    const at = this.codes.indexOf(code);
    return at < 0 ? undefined : this.values[at];
  }

  /** The first value of a code as a number; `otherwise` where there is none, NaN where it is no number. */
  number(code: number, otherwise = 0): number {
    const known = this.known.get(code);
    if (known !== undefined) return known ?? otherwise;
    const value = this.text(code);
    const read = value === undefined ? null : numberOf(value);
    this.known.set(code, read);
    return read ?? otherwise;
  }
}

/** A number as drawing programs write it; NaN for anything else. */
export const numberOf = (text: string): number =>
  /^[-+]?(\d+\.?\d*|\.\d+)([eEdD][-+]?\d+)?$/.test(text) ? Number(text.replace(/[dD]/, 'e')) : NaN;

/** How a layer is shown in the program that made the drawing. */
export interface DxfLayer {
  readonly isOff: boolean;
  readonly isFrozen: boolean;
  readonly isLocked: boolean;
  readonly isPrinted: boolean;
}

export interface DxfBlock {
  readonly name: string;
  readonly x: number;
  readonly y: number;
  readonly entities: DxfEntity[];
}

/** A drawing file taken apart into what it declares. */
export interface DxfFile {
  /** Numbers of the header by their variable. */
  readonly header: ReadonlyMap<string, string>;
  readonly layers: ReadonlyMap<string, DxfLayer>;
  /** Blocks by their name in capitals: the case of a name means nothing. */
  readonly blocks: ReadonlyMap<string, DxfBlock>;
  readonly entities: readonly DxfEntity[];
}

/** Group codes and values of a file, two lines each. */
class Groups {
  code = 0;
  value = '';
  line = 0;
  private at = 0;
  /** Old files end their lines with a carriage return alone. */
  private readonly lineEnd: string;

  constructor(private readonly text: string) {
    this.lineEnd = text.includes('\n') ? '\n' : '\r';
  }

  /** Goes on to the next group; false at the end of the file. */
  next(): boolean {
    let code = this.readLine();
    // Blank lines between groups are no groups.
    while (code !== null && code === '') code = this.readLine();
    if (code === null) return false;
    if (!/^-?\d{1,5}$/.test(code)) throw new DxfFault('not-a-code', this.line);
    const value = this.readLine();
    if (value === null) return false;
    this.code = Number(code);
    this.value = value;
    return true;
  }

  get share(): number {
    return this.text.length === 0 ? 1 : this.at / this.text.length;
  }

  private readLine(): string | null {
    const { text } = this;
    if (this.at >= text.length) return null;
    this.line++;
    const found = text.indexOf(this.lineEnd, this.at);
    const end = found < 0 ? text.length : found;
    const line = text.slice(this.at, end).trim();
    this.at = end + 1;
    return line;
  }
}

/**
 * Takes an ASCII DXF file apart. What is missing at its end (an end of a block, of a polyline, of the file) is taken as there.
 * Throws `DxfFault` where a line that should hold a group code holds none, or where there is too much of anything.
 */
export function takeApart(text: string, progress: (share: number) => void): DxfFile {
  return new Reader(text, progress).read();
}

class Reader {
  private readonly groups: Groups;
  private readonly header = new Map<string, string>();
  private readonly layers = new Map<string, DxfLayer>();
  private readonly blocks = new Map<string, DxfBlock>();
  private readonly entities: DxfEntity[] = [];
  private count = 0;

  constructor(
    text: string,
    private readonly progress: (share: number) => void,
  ) {
    this.groups = new Groups(text);
  }

  read(): DxfFile {
    const { groups } = this;
    let hasSections = false;
    let more = groups.next();
    while (more && !this.isAt('EOF')) {
      if (this.isAt('SECTION') && groups.next() && groups.code === 2) {
        hasSections = true;
        more = this.section(groups.value.toUpperCase());
      } else more = groups.next();
    }
    if (!hasSections) throw new DxfFault('no-sections', groups.line);
    const { header, layers, blocks, entities } = this;
    return { header, layers, blocks, entities };
  }

  private isAt(value: string): boolean {
    return this.groups.code === 0 && this.groups.value.toUpperCase() === value;
  }

  /** Reads one section up to its end, or to the next one where it has none. */
  private section(name: string): boolean {
    let more = this.groups.next();
    const isEnd = () => !more || this.isAt('ENDSEC') || this.isAt('EOF') || this.isAt('SECTION');
    let variable = '';
    while (!isEnd()) {
      const { code, value } = this.groups;
      if (name === 'HEADER') {
        if (code === 9) variable = value.toUpperCase();
        else if (!this.header.has(variable)) this.header.set(variable, value);
        more = this.groups.next();
      } else if (name === 'TABLES' && this.isAt('LAYER')) more = this.layer();
      else if (name === 'BLOCKS' && this.isAt('BLOCK')) more = this.block();
      else if (name === 'ENTITIES' && code === 0) more = this.entity(this.entities);
      else more = this.groups.next();
    }
    return more;
  }

  /** Collects the groups of what begins here; the next one that begins is where it ends. */
  private collected(): { readonly entity: DxfEntity; readonly more: boolean } {
    const entity = new DxfEntity(this.groups.value.toUpperCase());
    let more = this.groups.next();
    while (more && this.groups.code !== 0) {
      // Names of programs, their own data and colors are no shape.
      if (this.groups.code < 300 || this.groups.code === 999) {
        entity.codes.push(this.groups.code);
        entity.values.push(this.groups.value);
        if (entity.codes.length > MAX_GROUPS_OF_ENTITY) throw new DxfFault('entity-too-long', this.groups.line);
      }
      more = this.groups.next();
    }
    return { entity, more };
  }

  private layer(): boolean {
    const { entity, more } = this.collected();
    const name = entity.text(2);
    const flags = entity.number(70) || 0;
    if (name !== undefined && this.layers.size < MAX_LAYERS)
      this.layers.set(name, {
        isOff: entity.number(62, 7) < 0,
        isFrozen: (flags & 1) !== 0,
        isLocked: (flags & 4) !== 0,
        isPrinted: entity.number(290, 1) !== 0,
      });
    return more;
  }

  private block(): boolean {
    const { entity: head, more: hasMore } = this.collected();
    const block: DxfBlock = { name: head.text(2) ?? '', x: head.number(10), y: head.number(20), entities: [] };
    let more = hasMore;
    while (more && !['ENDBLK', 'BLOCK', 'ENDSEC', 'SECTION', 'EOF'].some((word) => this.isAt(word))) {
      more = this.groups.code === 0 ? this.entity(block.entities) : this.groups.next();
    }
    const key = block.name.toUpperCase();
    if (!this.blocks.has(key)) this.blocks.set(key, block);
    return more;
  }

  /** Reads an entity with what follows it: vertices and attributes, up to their end or to what is neither. */
  private entity(into: DxfEntity[]): boolean {
    if (++this.count > MAX_ENTITIES) throw new DxfFault('too-many-entities', this.groups.line);
    if (this.count % 5000 === 0) this.progress(this.groups.share);
    const { entity, more: hasMore } = this.collected();
    into.push(entity);
    let more = hasMore;
    const part = entity.type === 'POLYLINE' ? 'VERTEX' : entity.type === 'INSERT' ? 'ATTRIB' : null;
    while (part && more && this.isAt(part)) {
      if (++this.count > MAX_ENTITIES) throw new DxfFault('too-many-entities', this.groups.line);
      const one = this.collected();
      entity.parts.push(one.entity);
      more = one.more;
    }
    if (part && more && this.isAt('SEQEND')) more = this.collected().more;
    return more;
  }
}

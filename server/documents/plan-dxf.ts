import { DxfWriter, LWPolylineFlags, point2d, point3d, Units } from '@tarikjabiri/dxf';
import { FOOT_M } from '@dusky-spool/core/math';
import { SYSTEMS, type ProjectDocument, type SystemName } from '@dusky-spool/core/model';
import { type SheetMark } from '@dusky-spool/core/sheets';
import { words } from '@dusky-spool/texts';

/** Height of letters in the drawing, m. */
const LETTER_M = 0.15;
/** Half the width and height of the block of a device, m. */
const BLOCK_M = [0.18, 0.12] as const;

/** Colors of layers by their index in the format. */
const LAYER_COLORS: Readonly<Record<string, number>> = { walls: 7, openings: 8, rooms: 8, racks: 3, risers: 1, dimensions: 8 };
const SYSTEM_COLORS: Readonly<Record<SystemName, number>> = {
  ...{ sound: 30, picture: 40, data: 4, coax: 6, control: 3, shade: 5, light: 2, guard: 140 },
};

/** What a layer is called: plain ASCII, as older programs read it. */
const layerName = (name: string): string => name.replace(/[^\x20-\x7e]/g, '').replace(/[<>/\\":;?*|=`,]/g, '-') || 'layer';
const runsOf = (system: SystemName): string => layerName(`${words.t(`terms.systems.${system}`)} runs`);
const devicesOf = (system: SystemName): string => layerName(`${words.t(`terms.systems.${system}`)} devices`);
/** Blocks of types with the same letters differ by system. */
const blockName = (code: string, system: SystemName): string => `${system}-${code.replace(/[^A-Za-z0-9_-]/g, '_') || 'device'}`;
/** Text of the format holds no line ends, and no codes of its own. */
const plain = (text: string): string =>
  [...text.replace(/[\r\n]+/g, ' ')].map((sign) => (sign === '%' || sign.codePointAt(0)! > 0xffff ? '?' : sign)).join('');

/** A level in true size: meters, or feet in an imperial house; layers by system, a block for each kind of device. */
export function planDxf(project: ProjectDocument, marks: readonly SheetMark[]): Buffer {
  const isImperial = project.project.units === 'imperial';
  const unit = isImperial ? 1 / FOOT_M : 1;
  const dxf = new DxfWriter();
  dxf.setUnits(isImperial ? Units.Feet : Units.Meters);
  for (const [name, color] of Object.entries(LAYER_COLORS)) dxf.addLayer(name, color, 'CONTINUOUS');
  const systems = SYSTEMS.filter((system) => marks.some((mark) => 'system' in mark && mark.system === system));
  for (const system of systems) {
    dxf.addLayer(runsOf(system), SYSTEM_COLORS[system], 'CONTINUOUS');
    dxf.addLayer(devicesOf(system), SYSTEM_COLORS[system], 'CONTINUOUS');
  }
  addBlocks(dxf, marks, unit);
  const extent = new Extent();
  for (const mark of marks) addMark(dxf, mark, unit, extent);
  extent.writeTo(dxf);
  return Buffer.from(dxf.stringify(), 'utf8');
}

/** What all entities lie within. */
class Extent {
  private min = [Infinity, Infinity];
  private max = [-Infinity, -Infinity];
  add([x, y]: readonly [number, number]): void {
    this.min = [Math.min(this.min[0], x), Math.min(this.min[1], y)];
    this.max = [Math.max(this.max[0], x), Math.max(this.max[1], y)];
  }
  writeTo(dxf: DxfWriter): void {
    if (this.min[0] > this.max[0]) return;
    dxf.setVariable('$EXTMIN', { 10: this.min[0], 20: this.min[1], 30: 0 });
    dxf.setVariable('$EXTMAX', { 10: this.max[0], 20: this.max[1], 30: 0 });
    dxf.setVariable('$LIMMIN', { 10: this.min[0], 20: this.min[1] });
    dxf.setVariable('$LIMMAX', { 10: this.max[0], 20: this.max[1] });
  }
}

function addBlocks(dxf: DxfWriter, marks: readonly SheetMark[], unit: number): void {
  const made = new Set<string>();
  const [half, tall] = [BLOCK_M[0] * unit, BLOCK_M[1] * unit];
  for (const mark of marks) {
    if (mark.kind !== 'device') continue;
    const name = blockName(mark.code, mark.system);
    if (made.has(name)) continue;
    made.add(name);
    const block = dxf.addBlock(name);
    const corners = [
      [-half, -tall],
      [half, -tall],
      [half, tall],
      [-half, tall],
    ];
    block.addLWPolyline(
      corners.map(([x, y]) => ({ point: point2d(x, y) })),
      { flags: LWPolylineFlags.Closed, layerName: '0' },
    );
    block.addText(point3d(-half * 0.8, -tall * 0.6, 0), tall * 1.2, plain(mark.code), { layerName: '0' });
  }
}

const LAYER_OF: Partial<Record<SheetMark['kind'], string>> = {
  wall: 'walls',
  opening: 'openings',
  leaf: 'openings',
  riser: 'risers',
  rack: 'racks',
};

function addMark(dxf: DxfWriter, mark: SheetMark, unit: number, extent: Extent): void {
  const scaled = ([x, y]: readonly number[]): [number, number] => [x * unit, y * unit];
  const text = (at: readonly number[], value: string, layer: string) => {
    const [x, y] = scaled(at);
    if (value !== '') dxf.addText(point3d(x, y, 0), LETTER_M * unit, plain(value), { layerName: layer });
  };
  const line = (points: readonly (readonly number[])[], layer: string, isClosed: boolean) => {
    const all = points.map(scaled);
    all.forEach((point) => extent.add(point));
    dxf.addLWPolyline(
      all.map(([x, y]) => ({ point: point2d(x, y) })),
      { flags: isClosed ? LWPolylineFlags.Closed : LWPolylineFlags.None, layerName: layer },
    );
  };
  switch (mark.kind) {
    case 'run':
      return line(mark.points, runsOf(mark.system), false);
    case 'device': {
      const [x, y] = scaled(mark.at);
      extent.add([x - BLOCK_M[0] * unit, y - BLOCK_M[1] * unit]);
      extent.add([x + BLOCK_M[0] * unit, y + BLOCK_M[1] * unit]);
      dxf.addInsert(blockName(mark.code, mark.system), point3d(x, y, 0), { layerName: devicesOf(mark.system) });
      return;
    }
    case 'room':
      text(mark.at, mark.lines.join(' '), 'rooms');
      return line(mark.outline, 'rooms', true);
    case 'rack':
      line(mark.points, 'racks', true);
      return text(mark.points[0], mark.code, 'racks');
    case 'wall':
    case 'opening':
    case 'riser':
    case 'leaf':
      return line(mark.kind === 'leaf' ? mark.points.slice(0, 2) : mark.points, LAYER_OF[mark.kind]!, mark.kind !== 'leaf');
  }
}

import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import ExcelJS from 'exceljs';
import { unzipSync } from 'fflate';
import { projectBounds, readDxf } from '@dusky-spool/core/house';
import { DRAWING_PACKS, type ProjectDocument, readProjectFile, update } from '@dusky-spool/core/model';
import { formatCents, offerOf, offerSourceOf } from '@dusky-spool/core/order';
import { listOf } from '@dusky-spool/core/derive';
import { applied, smallHouse } from '@dusky-spool/core/testing';
import { billNames, packageGaps } from '@dusky-spool/texts';
import type { Manifest } from './package-zip.ts';
import type { DocumentQuery, DocumentName } from './queries.ts';
import { DOCUMENTS, type MadeDocument } from './registry.ts';
import { tablesPdf } from './tables-pdf.ts';

const TODAY = '2026-12-01';
const granary = (() => {
  const read = readProjectFile(readFileSync(join(import.meta.dirname, '../../demo/saltmarsh-granary.spool.json'), 'utf8'));
  if (!read.ok) throw new Error(read.problem.code);
  return read.value.project;
})();
const make = async <N extends DocumentName>(name: N, query: DocumentQuery<N>, project = granary): Promise<MadeDocument> =>
  DOCUMENTS[name]({ project, revision: 3, today: TODAY, progress: () => undefined }, query as never, (problem) => {
    throw new Error(problem.code);
  });
const main = Object.values(granary.levels).find(({ name }) => name === 'Main')!.id;

describe('what is written for other programs', () => {
  const folder = mkdtempSync(join(tmpdir(), 'dusky-spool-formats-'));
  after(() => rmSync(folder, { recursive: true, force: true }));
  const wordsOf = (pdf: Buffer): string => {
    const path = join(folder, 'a.pdf');
    writeFileSync(path, pdf);
    return spawnSync('pdftotext', ['-layout', path, '-'], { maxBuffer: 1 << 26 }).stdout.toString();
  };
  const pagesOf = (pdf: Buffer): string[] => wordsOf(pdf).split('\f').slice(0, -1);

  it('a DXF is in true size: its extents are those of the house, and the app reads it back', async () => {
    const { bytes } = await make('plan.dxf', { level: main, paper: 'A3' });
    const text = bytes.toString('utf8');
    const variable = (name: string) => {
      const [, x, y] = new RegExp(`\\$${name}\\s+10\\s+(-?[\\d.]+)\\s+20\\s+(-?[\\d.]+)`).exec(text)!;
      return [Number(x), Number(y)];
    };
    const { minX, minY, maxX, maxY } = projectBounds(granary, main)!;
    const [low, high] = [variable('EXTMIN'), variable('EXTMAX')];
    // Walls reach past their lines by half their thickness; nothing is farther out than that and the terrace.
    expect(low[0]).to.be.within(minX - 8, minX + 0.01);
    expect(low[1]).to.be.within(minY - 8, minY + 0.01);
    expect(high[0]).to.be.within(maxX - 0.01, maxX + 8);
    expect(high[1]).to.be.within(maxY - 0.01, maxY + 8);
    expect(/\$INSUNITS\s+70\s+6\s/.test(text), 'meters').to.equal(true);
    const drawing = readDxf(text);
    if (!drawing.ok) throw new Error(drawing.problem.code);
    expect(drawing.value.layers.map(({ name }) => name)).to.include.members(['walls', 'rooms', 'Audio runs', 'Audio devices']);
  });

  it('an SVG is to scale with a group for each system, and takes no markup from names', async () => {
    const [room] = listOf(granary, 'rooms').filter(({ levelId }) => levelId === main);
    const hostile = applied(granary, [update('rooms', room, { name: '<script>x</script>' })!]);
    const { bytes } = await make('plan.svg', { level: main, paper: 'A3' }, hostile);
    const text = bytes.toString('utf8');
    expect(text).to.include('width="420mm"').and.to.include('<g id="sound">').and.not.to.include('<script>');
    const png = await make('plan.png', { level: main, paper: 'A4' });
    expect(png.bytes.subarray(1, 4).toString()).to.equal('PNG');
  });

  it('a workbook has types, filters and totals, and no formula of anybody else', async () => {
    const [device] = listOf(granary, 'devices');
    const hostile = applied(granary, [update('devices', device, { name: '=1+1' })!]);
    const { bytes } = await make('house.xlsx', {}, hostile);
    const workbook = new ExcelJS.Workbook();
    await workbook.xlsx.load(bytes as never);
    expect(workbook.worksheets.map(({ name }) => name)).to.deep.equal(['Runs', 'Devices', 'Rooms', 'Materials and work']);
    const formulas: string[] = [];
    workbook.eachSheet((sheet) =>
      sheet.eachRow((row) => row.eachCell((cell) => void (cell.formula && formulas.push(cell.formula)))),
    );
    expect(formulas.every((formula) => /^SUBTOTAL\(109,[A-Z]+2:[A-Z]+\d+\)$/.test(formula))).to.equal(true);
    const materials = workbook.getWorksheet('Materials and work')!;
    expect(materials.autoFilter).to.not.equal(undefined);
    const { priceCents, costCents } = offerOf(hostile, offerSourceOf(hostile), billNames, TODAY);
    const last = materials.lastRow!;
    expect([last.getCell(6).result, last.getCell(7).result].map((sum) => Math.round(Number(sum) * 100))).to.deep.equal([
      costCents,
      priceCents,
    ]);
    expect(typeof materials.getCell('F2').value).to.equal('number');
  });

  it('a calendar holds each gate on its days, and the day after as its end', async () => {
    const text = (await make('dates.ics', {})).bytes.toString('utf8').replaceAll('\r\n ', '');
    const events = text.split('BEGIN:VEVENT').slice(1);
    const drywall = events.find((event) => event.includes('gate-board'))!;
    expect(drywall).to.include('DTSTART;VALUE=DATE:20270222').and.to.include('DTEND;VALUE=DATE:20270223');
    expect(events.some((event) => event.includes('order-'))).to.equal(true);
    expect(/^X-(?!WR-)/m.test(text)).to.equal(false);
    expect(new Set(events.map((event) => /UID:(.*)/.exec(event)![1])).size).to.equal(events.length);
  });

  it('a wire list has both ends of every run, and defuses what a spreadsheet would run', async () => {
    const [device] = listOf(granary, 'devices');
    const hostile = applied(granary, [update('devices', device, { name: '=cmd()' })!]);
    const lines = (await make('wire-list.csv', {}, hostile)).bytes.toString('utf8').trim().split('\r\n');
    expect(lines.length).to.equal(1 + 2 * Object.keys(granary.runs).length);
    expect(lines.some((line) => /(^|,)"?=/.test(line))).to.equal(false);
  });

  it('a package holds every file that its manifest names, unchanged, and the project itself', async () => {
    const entries = unzipSync(new Uint8Array((await make('package.zip', { paper: 'A3' })).bytes));
    const byName = new Map(Object.entries(entries).map(([name, bytes]) => [name.split('/')[1], bytes]));
    const manifest = JSON.parse(new TextDecoder().decode(byName.get('manifest.json'))) as Manifest;
    expect(manifest).to.include({ project: 'Saltmarsh Granary', revision: 3, madeOn: TODAY });
    expect(manifest.files.length).to.equal(byName.size - 1);
    for (const { name, sha256, bytes } of manifest.files) {
      const file = byName.get(name)!;
      expect([file.length, createHash('sha256').update(file).digest('hex')], name).to.deep.equal([bytes, sha256]);
    }
    const read = readProjectFile(new TextDecoder().decode(byName.get('project.spool.json')));
    expect(read.ok && read.value.project).to.deep.equal(granary);
  }).timeout(120_000);

  it('a drawing set has its index, no empty page, and at least thirty sheets', async () => {
    const pages = pagesOf((await make('drawing-set.pdf', { pack: 'all', paper: 'A3', preview: 'no' })).bytes);
    expect(pages.length).to.be.at.least(30);
    for (const [n, page] of pages.entries()) expect(page.replace(/\s/g, '').length, `page ${n + 1}`).to.be.above(40);
    const [cover] = pages;
    // What the index says begins on a page is on that page.
    for (const [, page, name] of cover.matchAll(/(\d+) (All systems · \w+|Riser diagram|Cable schedule|Safety)\s/g))
      expect(pages[Number(page) - 1].replace(/\s+/g, ' ').toLowerCase(), `${name} on ${page}`).to.include(name.toLowerCase());
    pages.forEach((page, n) => n > 0 && expect(page).to.match(new RegExp(`${n + 1} of ${pages.length}`)));
  }).timeout(120_000);

  it('a pack holds less than the set, and what its person needs', async () => {
    const all = pagesOf((await make('drawing-set.pdf', { pack: 'all', paper: 'A4', preview: 'no' })).bytes).length;
    for (const pack of DRAWING_PACKS.filter((one) => one !== 'all' && one !== 'remote-electrician')) {
      const text = wordsOf((await make('drawing-set.pdf', { pack, paper: 'A4', preview: 'no' })).bytes);
      expect(text.split('\f').length - 1, pack).to.be.within(3, all - 1);
    }
    const crew = wordsOf((await make('drawing-set.pdf', { pack: 'crew', paper: 'Letter', preview: 'no' })).bytes);
    expect(crew).to.include('Pull sheet').and.to.include('Called');
    const preview = pagesOf((await make('drawing-set.pdf', { pack: 'all', paper: 'ArchD', preview: 'yes' })).bytes);
    expect(preview.length).to.equal(1 + Object.keys(granary.levels).length);
  }).timeout(180_000);

  it('a house with nothing in it has a set of one cover, and an offer that says so', async () => {
    const empty: ProjectDocument = { ...smallHouse(), rooms: {}, walls: {}, openings: {}, racks: {}, risers: {} };
    const set = pagesOf((await make('drawing-set.pdf', { pack: 'client', paper: 'A4', preview: 'no' }, empty)).bytes);
    expect(set.length).to.equal(1);
    expect(wordsOf((await make('offer.pdf', { paper: 'A4' }, empty)).bytes)).to.include('0.00');
  });

  it('an offer has its total to the cent, its options, and no cost of the firm', async () => {
    const text = wordsOf((await make('offer.pdf', { paper: 'A4' })).bytes);
    const offer = offerOf(granary, offerSourceOf(granary), billNames, TODAY);
    const { currency } = granary.project;
    expect(text).to.include(formatCents(offer.totalCents, currency)).and.to.include('Without shades');
    expect(text).not.to.include(formatCents(offer.costCents, currency));
    expect(text).not.to.match(/margin/i);
  });

  it('the missing list of the builder’s package has every line, and where to sign', async () => {
    const { missing, work } = packageGaps(granary);
    expect(missing.length).to.be.greaterThan(0);
    const text = wordsOf((await make('package-gaps.pdf', { paper: 'A4' })).bytes);
    expect(text).to.include('Wanted and not included').and.to.include('Signature');
    for (const [place, thing] of missing) expect(text).to.include(place).and.to.include(thing);
    for (const [line] of work) expect(text).to.include(line);
  });

  it('a row taller than a page goes on on the next ones, with every word', async () => {
    const numbers = Array.from({ length: 3000 }, (_, n) => `M-GR-${n}.1`);
    const table = { section: 'bored', columns: ['member', 'place', 'cables'], rows: [['Joist', 'Hall', numbers.join(' ')]] };
    const title = { project: granary.project, revision: 1, date: TODAY };
    const text = wordsOf(await tablesPdf('holes', [table], title, 'A4'));
    const pages = text.split('\f').slice(0, -1);
    expect(pages.length).to.be.at.least(2);
    expect(new Set(text.match(/M-GR-\d+\.1/g))).to.deep.equal(new Set(numbers));
    for (const page of pages) expect(page).to.include('Saltmarsh Granary');
  });
});

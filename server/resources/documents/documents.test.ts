import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import ExcelJS from 'exceljs';
import jsQR from 'jsqr';
import sharp from 'sharp';
import {
  create,
  type DocumentReply,
  type MadeDocumentsReply,
  type PrinterJobsReply,
  type PrintLabelsReply,
  type ProjectSummary,
} from '@dusky-spool/core/model';
import { readLabelCode, sheetLayout } from '@dusky-spool/core/sheets';
import { rawPrinter } from '../../bridge/label-printer.ts';
import { startLabelPrinterSimulator } from '../../bridge/label-printer-simulator.ts';
import type { PlannedRefusal } from '../../http/problems.ts';
import { startTestServer, type TestServer } from '../../testing/test-server.ts';
import type { TestClient } from '../../testing/test-client.ts';

/** Clear parts of a drawing are paper. */
function onWhite(data: Buffer): Buffer {
  const white = Buffer.from(data);
  for (let k = 0; k < white.length; k += 4) if (white[k + 3] < 128) white.fill(255, k, k + 4);
  return white;
}

describe('documents', () => {
  let server: TestServer;
  let client: TestClient;
  let project: ProjectSummary;
  const folder = mkdtempSync(join(tmpdir(), 'spool-documents-'));
  before(async () => {
    server = await startTestServer({ demo: true });
    client = await server.client().enterDemo();
    project = (await client.json<{ projects: ProjectSummary[] }>('GET', '/projects')).projects[0];
  });
  after(async () => {
    await server.close();
    rmSync(folder, { recursive: true, force: true });
  });

  it('list what was made and from which revision, each person the own ones', async () => {
    await client.send('GET', `/projects/${project.id}/documents/wire-list.csv`);
    const { documents } = await client.json<MadeDocumentsReply>('GET', `/projects/${project.id}/documents`);
    const { revision } = await client.load(project.id);
    expect(documents.some((one) => one.name === 'wire-list.csv' && one.revision === revision)).to.equal(true);
  });

  it('with costs of the firm, or the whole project, are for who plans alone', async () => {
    const crew = await client.invite('crew@example.test', 'crew', [project.id]);
    for (const name of ['house.xlsx', 'package.zip']) {
      expect((await crew.send('GET', `/projects/${project.id}/documents/${name}`)).status, name).to.equal(403);
      expect((await crew.send('POST', `/projects/${project.id}/documents/${name}/job`, {})).status, name).to.equal(403);
    }
    expect((await crew.send('GET', `/projects/${project.id}/documents/wire-list.csv`)).status).to.equal(200);
    const { documents } = await crew.json<MadeDocumentsReply>('GET', `/projects/${project.id}/documents`);
    expect(documents.map(({ name }) => name)).to.deep.equal(['wire-list.csv']);
  });

  const fetched = async (path: string) =>
    Buffer.from(await (await client.send('GET', `/projects/${project.id}/documents/${path}`)).arrayBuffer());
  /** The first page as grey pixels: text that a viewer would not show is not there either. */
  const firstPage = async (pdf: Buffer, dpi: number) => {
    writeFileSync(join(folder, 'a.pdf'), pdf);
    spawnSync('pdftoppm', [
      '-r',
      String(dpi),
      '-f',
      '1',
      '-l',
      '1',
      '-singlefile',
      '-png',
      join(folder, 'a.pdf'),
      join(folder, 'a'),
    ]);
    return sharp(readFileSync(join(folder, 'a.png'))).ensureAlpha();
  };

  it('labels come as a table and as a drawing, with as many labels and the same codes', async () => {
    const csv = (await fetched('labels.csv')).toString('utf8');
    expect(csv).to.match(/^\uFEFFRun,End,Here,There,Cable,Length \(m\),Conductors,Code,Wrap \(mm\),Flag \(mm\)\r?\n/);
    const lines = csv.trim().split(/\r?\n/);
    const svg = (await fetched('labels.svg?size=medium&paper=A4')).toString('utf8');
    expect(svg.match(/<circle /g)).to.have.length(lines.length - 1);
    const sheet = sheetLayout('medium', 'A4');
    const drawn = sharp(Buffer.from(svg), { density: 120, limitInputPixels: false });
    const perMm = (await drawn.metadata()).width / sheet.pageWidthMm;
    const px = (lengthMm: number) => Math.round(lengthMm * perMm);
    const { info, data } = await drawn
      .extract({ left: px(sheet.leftMm), top: px(sheet.topMm), width: px(sheet.labelWidthMm), height: px(sheet.labelHeightMm) })
      .ensureAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    const seen = jsQR(new Uint8ClampedArray(onWhite(data)), info.width, info.height);
    expect(readLabelCode(seen!.data).ok).to.equal(true);
  });

  it('labels of chosen runs go to the printer, and what it would print can be fetched', async () => {
    const { document: house } = await client.json<DocumentReply>('GET', `/projects/${project.id}`);
    const [run] = Object.values(house.runs);
    const reply = await client.json<PrintLabelsReply>('POST', `/projects/${project.id}/documents/print-labels`, {
      runIds: [run.id],
      ends: ['R', 'D'],
      size: 'medium',
    });
    expect(reply).to.deep.equal({ printer: 'simulated label printer', labels: 2, runIds: [run.id] });
    const { jobs } = await client.json<PrinterJobsReply>('GET', '/bridge/printer/jobs');
    expect(jobs[0]).to.include({ type: 'application/pdf', pages: 2 });
    const job = Buffer.from(await (await client.send('GET', `/bridge/printer/jobs/${jobs[0].id}`)).arrayBuffer());
    writeFileSync(join(folder, 'job.pdf'), job);
    const text = spawnSync('pdftotext', ['-layout', join(folder, 'job.pdf'), '-'], { encoding: 'utf8' }).stdout;
    expect(text.split(run.number)).to.have.length(3);
    expect(text).to.match(/\bR\b/).and.to.match(/\bD\b/);
  });

  it('a printer that is not there is told, and nothing is said to be printed', async () => {
    const { server: gone, port } = await startLabelPrinterSimulator();
    await new Promise((done) => gone.close(done));
    const away = await rawPrinter('label printer', port)
      .print(Buffer.from('%PDF-1.4'))
      .catch((error: PlannedRefusal) => error.problem);
    expect(away).to.include({ code: 'instrument-away', instrument: 'label printer' });
    const refused = await client.send('POST', `/projects/${project.id}/documents/print-labels`, {
      runIds: ['nobody'],
      ends: ['R'],
    });
    expect(refused.status).to.equal(422);
    const empty = await client.send('POST', `/projects/${project.id}/documents/print-labels`, { runIds: [], ends: ['R'] });
    expect(empty.status).to.equal(422);
    const paper = await startLabelPrinterSimulator();
    await rawPrinter('label printer', paper.port).print(Buffer.from('hello'));
    expect(paper.jobs()).to.deep.equal([]);
    await new Promise((done) => paper.server.close(done));
  });

  it('tags of bundles say where they part and who leaves first, one for each end', async () => {
    writeFileSync(join(folder, 't.pdf'), await fetched('bundle-tags.pdf?paper=A4'));
    const text = spawnSync('pdftotext', ['-raw', join(folder, 't.pdf'), '-'], { encoding: 'utf8' }).stdout;
    expect(text.match(/^B-01$/gm)).to.have.length(2);
    expect(text).to.match(/\d+ cables to Rack A\nseparates above [A-Z][a-z]/);
  });

  it('the cabling sheet lists bundles, conduits, seals, screed and supports', async () => {
    writeFileSync(join(folder, 'c.pdf'), await fetched('cabling-sheet.pdf?paper=A4'));
    const text = spawnSync('pdftotext', ['-layout', join(folder, 'c.pdf'), '-'], { encoding: 'utf8' }).stdout;
    for (const section of [
      'Bundles',
      'Conduits, risers',
      'Spare conduits',
      'Penetrations',
      'Conduits in the floor topping',
      'Supports',
    ])
      expect(text).to.include(section);
    expect(text).to.match(/To the seats/);
    expect(text).to.match(/Demo planner/);
    expect(text).to.match(/fire-block +plate|fire-block/);
    expect(text).to.match(/None may be open when drywall goes up/);
  });

  it('a safety rule that was relaxed stands on every sheet for the site, with its reason and who did it', async () => {
    const record = {
      id: 'rs_low',
      ruleId: 'bores-allowed',
      off: true,
      rank: null,
      limits: {},
      reason: 'the engineer has stamped the joists',
      by: 'Site lead',
      on: '2026-11-20',
    };
    const reply = await client.sendChanges(project.id, client.change([create('ruleSettings', record)]));
    expect(reply.results.map(({ status }) => status)).to.deep.equal(['applied']);
    for (const name of ['cabling-sheet', 'checks', 'site-sheet', 'trades-sheet', 'plate-schedule', 'hole-list', 'head-end']) {
      writeFileSync(join(folder, 'l.pdf'), await fetched(`${name}.pdf?paper=A4`));
      const text = spawnSync('pdftotext', ['-layout', join(folder, 'l.pdf'), '-'], { encoding: 'utf8' }).stdout;
      expect(text, name).to.match(/Relaxed safety rules[\s\S]*the engineer has[\s\S]*Site lead/);
    }
  });

  it('the sheet of findings has figures and sources, and nothing of what was not accepted', async () => {
    const { projects } = await client.json<{ projects: ProjectSummary[] }>('GET', '/projects');
    const quay = projects.find(({ name }) => name === 'Merrowfen Landing')!;
    const response = await client.send('GET', `/projects/${quay.id}/documents/checks.pdf?paper=A4`);
    writeFileSync(join(folder, 'f.pdf'), Buffer.from(await response.arrayBuffer()));
    const text = spawnSync('pdftotext', ['-layout', join(folder, 'f.pdf'), '-'], { encoding: 'utf8' }).stdout;
    for (const words of [
      'Errors',
      'Warnings',
      'U-MB-03.1',
      'Circuit theory; trade practice: target 0.5 dB',
      '7 of 7 copper runs from outdoors',
      'licensed trades decide',
    ])
      expect(text).to.include(words);
    expect(text).not.to.include('Accepted findings');
  });

  it('the site sheet answers the marks of other trades, on pages that are never too full', async () => {
    const { projects } = await client.json<{ projects: ProjectSummary[] }>('GET', '/projects');
    const flat = projects.find(({ name }) => name === 'Ropewalk Flat')!;
    const sheet = async (query: string) => {
      const response = await client.send('GET', `/projects/${flat.id}/documents/site-sheet.pdf${query}`);
      writeFileSync(join(folder, 's.pdf'), Buffer.from(await response.arrayBuffer()));
      return {
        status: response.status,
        text: spawnSync('pdftotext', ['-layout', join(folder, 's.pdf'), '-'], { encoding: 'utf8' }).stdout,
      };
    };
    const { text } = await sheet('?paper=A4');
    expect(text).to.match(/Electrician +Double socket/);
    expect(text).to.match(/Socket by the desk.*to be moved +0\.40 m/);
    expect(text).to.include('Found on site');
    expect(text).to.match(/weak, hollow block/);
    expect(text).to.include('Planning aid.');
    expect((await sheet('?paper=A0')).status).to.equal(422);
  });

  it('the trades sheet has blocking with its load, outlets and leads for the other trades', async () => {
    const pdf = await fetched('trades-sheet.pdf?paper=A4');
    writeFileSync(join(folder, 't.pdf'), pdf);
    const text = spawnSync('pdftotext', ['-layout', join(folder, 't.pdf'), '-'], { encoding: 'utf8' }).stdout;
    // The projector hangs 12 kg overhead: factor 10.
    expect(text).to.match(/PJ Projector.*12\.0 kg +1177 N +set/);
    expect(text).to.include('Only a licensed electrician');
    expect(text).to.match(/LS Strip light feed/);
  });

  it('the cut-out template is drawn full size: its circle and ruler measure what they say', async () => {
    const { document: house } = await client.json<DocumentReply>('GET', `/projects/${project.id}`);
    const speaker = Object.values(house.devices).find(({ typeId }) => typeId === 'ceiling-speaker')!;
    const pdf = await fetched(`cut-out/${speaker.id}`);
    writeFileSync(join(folder, 'c.pdf'), pdf);
    const text = spawnSync('pdftotext', ['-layout', join(folder, 'c.pdf'), '-'], { encoding: 'utf8' }).stdout;
    const holeMm = house.deviceTypes['ceiling-speaker'].cutOut!.widthM * 1000;
    expect(text).to.include(`Hole ø ${holeMm} mm`);
    expect(text).to.include('print without scaling');
    // At 254 dpi a millimetre is ten pixels: on the middle line, from the left edge of the hole to its right one.
    spawnSync('pdftoppm', ['-r', '254', '-gray', '-png', '-singlefile', join(folder, 'c.pdf'), join(folder, 'c')]);
    const { data, info } = await sharp(readFileSync(join(folder, 'c.png')))
      .greyscale()
      .raw()
      .toBuffer({ resolveWithObject: true });
    // Half way up the upper half, where only the circle and the dashed lines around it are: the chord there is known.
    const [middleX, middleY] = [1485, 1930];
    const up = holeMm * 10 * 0.25;
    const row = Math.round(middleY - up);
    const dark = (x: number) => data[row * info.width + x] < 110;
    const chord = Math.sqrt((holeMm * 5) ** 2 - up ** 2);
    const at = (x: number) => [-3, -2, -1, 0, 1, 2, 3].some((d) => dark(Math.round(x) + d));
    expect([at(middleX - chord), at(middleX + chord)]).to.deep.equal([true, true]);
    const missing = await client.send('GET', `/projects/${project.id}/documents/cut-out/nobody`);
    expect(missing.status).to.equal(422);
  });

  it('the plate schedule has each plate with its gangs, and the inserts to buy', async () => {
    const pdf = await fetched('plate-schedule.pdf?paper=A4');
    writeFileSync(join(folder, 'p.pdf'), pdf);
    const text = spawnSync('pdftotext', ['-layout', join(folder, 'p.pdf'), '-'], { encoding: 'utf8' }).stdout;
    expect(text).to.match(/Plate 7 +Study, left wall .*0\.40 m +ST-01 +1 · 0\.072 m.*2 × network/);
    expect(text)
      .to.match(/Page 1 of \d+/)
      .and.include('Tidewrack Integration');
    expect(text).to.match(/network jack +4/);
    expect(text).to.include('a licensed electrician wires the mains side');
  });

  it('the hole list names what is bored, how wide, for which runs, and who has to agree', async () => {
    const pdf = await fetched('hole-list.pdf?paper=A4');
    writeFileSync(join(folder, 'h.pdf'), pdf);
    const text = spawnSync('pdftotext', ['-layout', join(folder, 'h.pdf'), '-'], { encoding: 'utf8' }).stdout;
    expect(text).to.match(/Floor in a riser .*listed firestop/);
    expect(text).to.match(/\d+ × Joist +Lower · [A-Z][a-z ]+, \d+\.\d+ m/);
    expect(text).to.match(/ \d+ mm +\d+ +[LMU]-[A-Z]{2}-\d/);
    expect(text).to.match(/Top plate +\d+ +\d+/);
  });

  it('the label sheet has two labels a run whose printed codes read back', async () => {
    const pdf = await fetched('labels.pdf?size=medium&paper=A4');
    writeFileSync(join(folder, 'l.pdf'), pdf);
    const text = spawnSync('pdftotext', ['-layout', join(folder, 'l.pdf'), '-'], { encoding: 'utf8' }).stdout;
    expect(text.match(/L-SC-10\.1/g)).to.have.length(2);
    const dpi = 300;
    const page = await firstPage(pdf, dpi);
    const { labelWidthMm, labelHeightMm, leftMm, topMm, gapMm } = sheetLayout('medium', 'A4');
    const px = (mm: number) => Math.round((mm * dpi) / 25.4);
    const codes: string[] = [];
    for (const cell of [0, 1, 2]) {
      const left = px(leftMm + (cell % 2) * (labelWidthMm + gapMm));
      const top = px(topMm + Math.floor(cell / 2) * (labelHeightMm + gapMm));
      const { data, info } = await page
        .clone()
        .extract({ left, top, width: px(labelWidthMm), height: px(labelHeightMm) })
        .raw()
        .toBuffer({ resolveWithObject: true });
      codes.push(jsQR(new Uint8ClampedArray(data), info.width, info.height)?.data ?? 'unread');
    }
    expect(codes[0]).to.equal(codes[1]);
    expect(codes.map((code) => readLabelCode(code).ok)).to.deep.equal([true, true, true]);
    expect(codes[0]).to.equal(`SPOOL:${project.shortId}:L-CO-01.1`).and.not.contain('http');
    const { data } = await page
      .clone()
      .extract({ left: px(leftMm), top: px(topMm), width: px(35), height: px(labelHeightMm) })
      .greyscale()
      .raw()
      .toBuffer({ resolveWithObject: true });
    expect(data.filter((value) => value < 90).length, 'dark pixels of text').to.be.greaterThan(2000);
  });

  it('the plan is to scale and has a title block', async () => {
    const pdf = await fetched('plan.pdf?level=level_m&paper=A3');
    const page = await firstPage(pdf, 127);
    const { data, info } = await page.greyscale().raw().toBuffer({ resolveWithObject: true });
    expect(info.width).to.equal(2100);
    // 18.45 m over the stone walls at 1:75 is 246 mm: 1230 px at 5 px to the millimetre, on a row through the north wall: the first one
    // below the frame that is mostly dark. The key of marks is on the right, from 365 mm on.
    const darkIn = (y: number) =>
      Array.from({ length: info.width }, (_, x) => x).filter(
        (x) => x > 60 && x < 1780 && data[(y * info.width + x) * info.channels] < 80,
      );
    const row = Array.from({ length: info.height }, (_, y) => y).find((y) => y > 80 && darkIn(y).length > 700)!;
    const inside = darkIn(row + 5);
    expect(inside[inside.length - 1] - inside[0]).to.be.closeTo(1230, 4);
    writeFileSync(join(folder, 'p.pdf'), pdf);
    const text = spawnSync('pdftotext', [join(folder, 'p.pdf'), '-'], { encoding: 'utf8' }).stdout;
    expect(text).to.contain('Saltmarsh Granary').and.contain('1:75').and.contain('Planning aid');
    for (const told of [
      'Tidewrack Integration',
      'The granary household',
      'Creek Lane',
      'North',
      'KEY OF MARKS',
      'Ceiling speaker (9)',
    ])
      expect(text).to.contain(told);
    // Numbers and heights stand on the plan, and all devices in the list behind it.
    expect(text)
      .to.contain('KI-04 · 1.50 m')
      .and.contain('M-KI-04.1 .2 .3')
      .and.contain('Kitchen, right wall W5, 1.84 m from the lower wall W9');
  });

  it('the workbook holds the schedule and the totals as numbers', async () => {
    const workbook = new ExcelJS.Workbook();
    await workbook.xlsx.load((await fetched('schedule.xlsx')) as unknown as ArrayBuffer);
    const [runs, totals] = workbook.worksheets;
    expect(runs.rowCount).to.equal(project.runs + 1);
    const sum = (sheet: ExcelJS.Worksheet, column: number) =>
      (sheet.getColumn(column).values as unknown[]).filter((v): v is number => typeof v === 'number').reduce((a, b) => a + b, 0);
    expect(sum(runs, 14)).to.be.greaterThan(1000).and.closeTo(sum(totals, 3), 0.01);
  });

  it('the CSV opens in a spreadsheet with its signs right', async () => {
    const csv = (await fetched('schedule.csv')).toString('utf8');
    expect(csv.charCodeAt(0)).to.equal(0xfeff);
    expect(csv.trim().split('\r\n')).to.have.length(project.runs + 1);
  });

  it('asked for with a wrong field are refused by its name', async () => {
    const refused = async (path: string) =>
      ((await (await client.send('GET', `/projects/${project.id}/documents/${path}`)).json()) as { problem: { field: string } })
        .problem.field;
    expect(await refused('labels.pdf?size=huge')).to.equal('size');
    expect(await refused('plan.pdf?level=attic')).to.equal('levelId');
  });
});

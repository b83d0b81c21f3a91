import { expect } from 'chai';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import ExcelJS from 'exceljs';
import PDFDocument from 'pdfkit';
import sharp from 'sharp';
import { mutated } from '@dusky-spool/core/testing';
import { type Database, openDatabase } from '../../database/index.ts';
import { PlannedRefusal } from '../../http/problems.ts';
import { freshDatabaseUrl } from '../../testing/index.ts';
import { inspectPicture } from './inspect.ts';
import { workbookOf } from '../../tasks/workbook.ts';
import { pageAsSvg, pagesOf } from './pdf-pages.ts';

/** How many damaged files of each kind are tried; `npm run soak` asks for more. */
const TRIES = Number(process.env.MUTATED_FILES ?? 30);

const SVG = `<svg xmlns="http://www.w3.org/2000/svg" width="200mm" height="120mm" viewBox="0 0 200 120"><defs><symbol id="s"><path d="M0 0h5v5z"/></symbol></defs><g transform="translate(10 20)"><path d="M10 10H170V80H10Z" clip-path="url(#c)"/><use href="#s" x="4"/></g></svg>`;

const raster = (format: 'png' | 'jpeg' | 'webp') =>
  sharp({
    create: { width: 320, height: 240, channels: 3, background: '#fff', noise: { type: 'gaussian', mean: 200, sigma: 30 } },
  })
    .withMetadata({ orientation: 6, density: 300 })
    .toFormat(format)
    .toBuffer();

const sheet = () =>
  new Promise<Buffer>((done) => {
    const document = new PDFDocument({ size: 'A4', compress: false });
    const parts: Buffer[] = [];
    document.on('data', (part: Buffer) => parts.push(part));
    document.on('end', () => done(Buffer.concat(parts)));
    document.moveTo(100, 100).lineTo(400, 100).stroke().text('Hall', 120, 120).rect(100, 100, 200, 90).stroke();
    document.end();
  });

describe('damaged plan pictures', () => {
  let database: Database;
  let folder: string;
  before(async () => {
    database = openDatabase(await freshDatabaseUrl());
    folder = await mkdtemp(join(tmpdir(), 'dusky-spool-test-'));
  });
  after(async () => {
    await database.sequelize.close();
    await rm(folder, { recursive: true });
  });

  /** Whether it was taken; anything but a refusal with a reason fails. */
  const isTaken = (work: Promise<unknown>) =>
    work.then(
      () => true,
      (error: unknown) => {
        if (error instanceof PlannedRefusal) return false;
        throw error;
      },
    );

  for (const [kind, make] of [
    ['PNG', () => raster('png')],
    ['JPEG', () => raster('jpeg')],
    ['WebP', () => raster('webp')],
    ['SVG', () => Promise.resolve(Buffer.from(SVG))],
  ] as const)
    it(`of kind ${kind} are taken or refused with a reason`, async () => {
      const whole = await make();
      expect(await isTaken(inspectPicture(database, whole))).to.equal(true);
      let refused = 0;
      for (let seed = 0; seed < TRIES; seed++)
        if (!(await isTaken(inspectPicture(database, Buffer.from(mutated(whole, seed)))))) refused++;
      expect(refused).to.be.greaterThan(0);
    }).timeout(1_200_000);

  it('of kind XLSX are read or refused with a reason', async () => {
    const book = new ExcelJS.Workbook();
    book.addWorksheet('Rooms').addRows([['Room', 'Width'], ...Array.from({ length: 30 }, (_, n) => [`Room ${n}`, n + 0.5])]);
    const whole = Buffer.from(await book.xlsx.writeBuffer());
    expect(await isTaken(workbookOf(whole))).to.equal(true);
    let refused = 0;
    for (let seed = 0; seed < TRIES; seed++) if (!(await isTaken(workbookOf(Buffer.from(mutated(whole, seed)))))) refused++;
    expect(refused).to.be.greaterThan(0);
  }).timeout(1_200_000);

  it('of kind PDF are taken or refused with a reason', async () => {
    const whole = await sheet();
    const path = join(folder, 'plan.pdf');
    const take = async (bytes: Buffer) => {
      await writeFile(path, bytes);
      await pagesOf(path, bytes);
      await inspectPicture(database, await pageAsSvg(path, 1));
    };
    expect(await isTaken(take(whole))).to.equal(true);
    let refused = 0;
    for (let seed = 0; seed < TRIES; seed++) if (!(await isTaken(take(Buffer.from(mutated(whole, seed)))))) refused++;
    expect(refused).to.be.lessThan(TRIES);
  }).timeout(1_200_000);
});

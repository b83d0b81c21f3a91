import ExcelJS from 'exceljs';
import { expect } from 'chai';
import { guessColumns, MAX_PRICE_ROWS, tableHouse, tableOfRows } from '@dusky-spool/core/survey';
import { smallHouse } from '@dusky-spool/core/testing';
import type { PlannedRefusal } from '../http/problems.ts';
import { workbookOf } from './workbook.ts';

async function workbook(fill: (book: ExcelJS.Workbook) => void): Promise<Buffer> {
  const book = new ExcelJS.Workbook();
  fill(book);
  return Buffer.from(await book.xlsx.writeBuffer());
}

const refusedWith = (bytes: Buffer) =>
  workbookOf(bytes).then(
    () => 'taken',
    (error: PlannedRefusal) => error.problem.code,
  );

describe('a workbook of rooms', () => {
  it('gives its cells as words with their row: numbers in full, results of formulas, plain words of rich text', async () => {
    const bytes = await workbook((book) => {
      book.addWorksheet('Notes');
      const sheet = book.addWorksheet('Rooms');
      sheet.getRow(3).values = ['Room', 'Width (m)', 'Depth (m)'];
      sheet.getRow(4).values = ['Kitchen', 3.6, { formula: '1.2*3', result: 3.5999999999999996 }];
      sheet.getRow(6).values = [{ richText: [{ text: 'Hay ' }, { text: 'loft', font: { bold: true } }] }, '4,25', 3];
      sheet.getRow(7).values = ['Snug', { error: '#REF!' }, 2];
    });
    const { sheets } = await workbookOf(bytes);
    expect(sheets).to.deep.equal([
      { name: 'Notes', rows: [] },
      {
        name: 'Rooms',
        rows: [
          { line: 3, cells: ['Room', 'Width (m)', 'Depth (m)'] },
          { line: 4, cells: ['Kitchen', '3.6', '3.6'] },
          { line: 6, cells: ['Hay loft', '4,25', '3'] },
          { line: 7, cells: ['Snug', '', '2'] },
        ],
      },
    ]);
    const read = tableOfRows(sheets[1].rows);
    if (!read.ok) throw new Error(read.problem.code);
    const house = tableHouse(smallHouse(), 'm', read.value, guessColumns(read.value.head), 'm');
    expect(house.rooms.map(({ name, widthM, depthM }) => [name, widthM, depthM])).to.deep.equal([
      ['Kitchen', 3.6, 3.6],
      ['Hay loft', 4.25, 3],
    ]);
    expect(house.problems.map(({ line, problem }) => [line, problem.code])).to.deep.equal([[7, 'table-cell']]);
  });

  it('is refused by name where it is no workbook, protected or older, or damaged', async () => {
    const good = await workbook((book) => void book.addWorksheet('Rooms').addRow(['Room']));
    expect(await refusedWith(Buffer.from('Room;Width\nKitchen;3'))).to.equal('workbook-kind');
    expect(await refusedWith(Buffer.concat([Buffer.from('d0cf11e0a1b11ae1', 'hex'), Buffer.alloc(600)]))).to.equal(
      'workbook-protected',
    );
    expect(await refusedWith(good.subarray(0, good.length - 200))).to.equal('workbook-damaged');
    const bent = Buffer.from(good);
    bent.fill(0, 60, 400);
    expect(await refusedWith(bent)).to.equal('workbook-damaged');
  });

  it('gives no more rows than tell that it is too large', async () => {
    const bytes = await workbook((book) => {
      const sheet = book.addWorksheet('Rooms');
      for (let n = 0; n < MAX_PRICE_ROWS + 500; n++) sheet.addRow([`Room ${n}`, 3, 4]);
    });
    const { sheets } = await workbookOf(bytes);
    const table = tableOfRows(sheets[0].rows);
    expect([sheets[0].rows.length < MAX_PRICE_ROWS + 100, table.ok, table.ok || table.problem.code]).to.deep.equal([
      true,
      false,
      'table-too-large',
    ]);
  });
});

import '../../testing/dom.ts';
import { expect } from 'chai';
import { smallHouse } from '@dusky-spool/core/testing';
import { waitFor } from '@testing-library/react';
import { fakeServer } from '../../testing/fake-server.ts';
import { closePage, renderInProject } from '../../testing/render.tsx';
import { TableImport } from './TableImport.tsx';

const house = smallHouse();
const [room] = Object.values(house.rooms);

describe('a table of records on screen', () => {
  afterEach(closePage);
  it('of devices is known by its columns, reports bad rows, and places the others in one edit', async () => {
    let isClosed = false;
    const file = new File([`Type;Name;Room\nCeiling speaker;Left;${room.name}\nKeypad;Hall;Ballroom\n`], 'devices.csv');
    const page = renderInProject(
      <TableImport projectId="p" levelId={room.levelId} file={file} onClose={() => (isClosed = true)} />,
      house,
    );
    await page.findByText(/no room “Ballroom”/);
    await page.user.click(page.getByRole('button', { name: 'Place 1 device' }));
    expect(Object.values(page.project().devices).map(({ name, roomId }) => [name, roomId])).to.deep.equal([['Left', room.id]]);
    expect([page.edits.length, isClosed]).to.deep.equal([1, true]);
  });

  it('of equipment is added to its head end, and what its columns hold is remembered for the firm', async () => {
    const head = ['Gear', 'Rack', 'Watts'];
    const columns = { type: 0, headEnd: 1, power: 2 };
    const server = fakeServer({
      'GET /library/columns': () => ({ tables: [{ kind: 'equipment', head, columns }] }),
      'PUT /library/columns': () => ({ tables: [] }),
    });
    try {
      const [rack] = Object.values(house.racks);
      const file = new File([`${head.join(';')}\nRouter;${rack.code};31\nToaster;${rack.code};900\n`], 'gear.csv');
      const page = renderInProject(
        <TableImport projectId="p" levelId={room.levelId} file={file} onClose={() => undefined} />,
        house,
      );
      await page.user.click(await page.findByText('Equipment'));
      await page.findByText(/no equipment “Toaster”/);
      await page.user.click(page.getByRole('button', { name: 'Add 1 piece' }));
      expect(Object.values(page.project().equipment).map(({ name, rackId, powerW }) => [name, rackId, powerW])).to.deep.equal([
        ['Router', rack.id, 31],
      ]);
      await waitFor(() => expect(server.sent('PUT', '/library/columns')).to.deep.equal([{ kind: 'equipment', head, columns }]));
    } finally {
      server.stop();
    }
  });

  it('of measured lengths becomes measured values with who and when', async () => {
    const file = new File([`Room,What,Length,By,Date\n${room.name},Ceiling height,2.61,Tove Reed,2026-11-30\n`], 'lengths.csv');
    const page = renderInProject(
      <TableImport projectId="p" levelId={room.levelId} file={file} onClose={() => undefined} />,
      house,
    );
    await page.user.click(await page.findByRole('button', { name: 'Write 1 length' }));
    expect(page.project().rooms[room.id].ceilingHeightM).to.equal(2.61);
    expect(Object.values(page.project().facts).map(({ by, on, state }) => [by, on, state])).to.deep.equal([
      ['Tove Reed', '2026-11-30', 'measured'],
    ]);
  });

  it('can be read as rooms instead', async () => {
    const file = new File(['Type;Width;Depth\nStudy;4;3\n'], 'rooms.csv');
    const page = renderInProject(
      <TableImport projectId="p" levelId={room.levelId} file={file} onClose={() => undefined} />,
      house,
    );
    await page.findByRole('button', { name: 'Place 0 devices' });
    await page.user.click(page.getByText('Rooms or walls'));
    await page.findByRole('button', { name: 'Make 1 room' });
  });
});

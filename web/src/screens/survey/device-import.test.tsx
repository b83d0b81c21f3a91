import '../../testing/dom.ts';
import { expect } from 'chai';
import { smallHouse } from '@dusky-spool/core/testing';
import { closePage, renderInProject } from '../../testing/render.tsx';
import { TableImport } from './TableImport.tsx';

const house = smallHouse();
const [room] = Object.values(house.rooms);

describe('a table of devices on screen', () => {
  afterEach(closePage);
  it('is known by its columns, tells bad rows, and places the others in one edit', async () => {
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

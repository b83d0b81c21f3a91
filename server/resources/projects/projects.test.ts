import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect } from 'chai';
import sharp from 'sharp';
import {
  create,
  type DocumentReply,
  newUnderlay,
  type PictureInfo,
  type ProjectDocument,
  type ProjectSummary,
  update,
} from '@dusky-spool/core/model';
import { startTestServer, type TestServer } from '../../testing/test-server.ts';
import type { TestClient } from '../../testing/test-client.ts';

const DEMO = join(import.meta.dirname, '../../../demo');
const file = (name: string) => readFileSync(join(DEMO, `${name}.spool.json`), 'utf8');
const problemOf = async (response: Response) => ((await response.json()) as { problem: { code: string; field: string } }).problem;

describe('project files', () => {
  let server: TestServer;
  let client: TestClient;
  before(async () => {
    server = await startTestServer();
    client = await server.client().makeFirstAccount();
  });
  after(() => server.close());
  const count = async () => (await client.json<{ projects: ProjectSummary[] }>('GET', '/projects')).projects.length;
  const upload = (bytes: Buffer | string, projectId: string) => {
    const form = new FormData();
    form.append('picture', new Blob([bytes as never]), 'plan.png');
    return client.send('POST', `/projects/${projectId}/pictures`, form);
  };

  for (const name of ['saltmarsh-granary', 'merrowfen-landing', 'tollgate-cottage', 'ropewalk-flat']) {
    it(`go through the database unchanged: ${name}`, async () => {
      const { id } = await client.json<{ id: string }>('POST', '/projects/import', file(name));
      const exported = await (await client.send('GET', `/projects/${id}/file`)).text();
      expect(exported).to.equal(file(name));
    });
  }

  it('are loaded in the order of their ids, whatever was written last', async () => {
    const { id: projectId } = await client.json<{ id: string }>('POST', '/projects/import', file('ropewalk-flat'));
    const { document: project, revision } = await client.load(projectId);
    const ids = Object.keys(project.devices);
    const moved = update('devices', project.devices[ids[0]], { note: 'written last' })!;
    await client.sendChanges(projectId, client.change([moved], revision));
    // The database hands rows over as they lie: a row that is written again lies at the end.
    await server.database.sequelize.query('VACUUM FULL devices');
    const after = await client.load(projectId);
    expect(after.document.devices[ids[0]].note).to.equal('written last');
    expect(Object.keys(after.document.devices)).to.deep.equal(ids);
  });

  it('carry a plan picture with them', async () => {
    const projectId = await client.newProject('With a picture');
    const bytes = await sharp({ create: { width: 300, height: 200, channels: 3, background: '#ffeedd' } })
      .png()
      .toBuffer();
    const picture = (await (await upload(bytes, projectId)).json()) as PictureInfo;
    expect(picture).to.include({ widthPx: 300, heightPx: 200, mediaType: 'image/png' });
    const underlay = create(
      'underlays',
      newUnderlay({
        id: 'u',
        levelId: 'level_m',
        pictureId: picture.id,
        name: 'plan.png',
        originX: 0,
        originY: 0,
        metresPerPixel: 0.05,
        rotationRad: 0,
        opacity: 0.7,
        scaled: true,
      }),
    );
    expect((await client.sendChanges(projectId, client.change([underlay]))).results[0].status).to.equal('applied');
    const text = await (await client.send('GET', `/projects/${projectId}/file`)).text();
    const { id } = await client.json<{ id: string }>('POST', '/projects/import', text);
    expect(await (await client.send('GET', `/projects/${id}/file`)).text()).to.equal(text);
    const back = Buffer.from(await (await client.send('GET', `/projects/${id}/pictures/${picture.id}`)).arrayBuffer());
    expect(back.equals(bytes)).to.equal(true);
  });

  it('that are malformed or hostile are refused by field and leave nothing', async () => {
    const before = await count();
    const refused = async (text: string) => problemOf(await client.send('POST', '/projects/import', text));
    expect(await refused('{"format":')).to.include({ code: 'file-not-json', field: 'file' });
    expect(await refused('')).to.include({ code: 'file-not-json' });
    expect(await refused(file('tollgate-cottage').replace('"thicknessM":0.11', '"thicknessM":"<script>"')))
      .to.have.property('field')
      .that.matches(/^walls\[\d+\]\.thicknessM$/);
    expect(await refused(file('tollgate-cottage').replace('"id":"room_001"', '"id":"__proto__"')))
      .to.have.property('field')
      .that.matches(/^rooms\[0\]\.id$/);
    const lying = JSON.parse(file('tollgate-cottage')) as { pictures: object[] };
    const size = { widthPx: 10, heightPx: 10, paperMetresPerPixel: null };
    lying.pictures.push({ id: 'a'.repeat(64), mediaType: 'image/png', ...size, base64: 'AAAA' });
    expect(await refused(JSON.stringify(lying))).to.include({ code: 'picture-changed' });
    expect(await count()).to.equal(before);
  });

  it('larger than the limit are refused without being read', async function () {
    this.timeout(300_000);
    const response = await client.send('POST', '/projects/import', 'x'.repeat(121 * 1024 * 1024));
    expect([response.status, (await problemOf(response)).code]).to.deep.equal([413, 'file-too-large']);
  });

  it('pictures that are not what they say, damaged or too large are refused and not stored', async () => {
    const projectId = await client.newProject();
    const png = await sharp({ create: { width: 400, height: 400, channels: 3, background: '#123456' } })
      .png({ compressionLevel: 0 })
      .toBuffer();
    const refused = async (bytes: Buffer | string) => (await problemOf(await upload(bytes, projectId))).code;
    expect(await refused('<html><body onload="alert(1)"/></html>')).to.equal('picture-kind');
    expect(await refused('GIF89a nothing more')).to.equal('picture-kind');
    // SVG is a kind that is taken in, cleaned; this one has no size to lay it out by.
    expect(await refused('<svg xmlns="http://www.w3.org/2000/svg" onload="alert(1)"/>')).to.equal('svg-refused');
    expect(await refused(png.subarray(0, 5000))).to.equal('picture-damaged');
    const wide = await sharp({ create: { width: 40_001, height: 4, channels: 3, background: '#fff' } })
      .png()
      .toBuffer();
    expect(await refused(wide)).to.equal('picture-too-large');
    // A bomb: 300 million pixels that pack into a few kilobytes.
    const bomb = await sharp({ create: { width: 15_500, height: 15_500, channels: 3, background: '#000' } })
      .png()
      .toBuffer();
    expect(await refused(bomb)).to.equal('picture-too-large');
    expect(await server.database.models.pictures.count({ where: { projectId } })).to.equal(0);
  });

  it('with outdoor areas in their brief leave them out for an app that does not know them, and keep them', async () => {
    const { id } = await client.json<{ id: string }>('POST', '/projects/import', file('saltmarsh-granary'));
    const cellsFor = async (headers: Record<string, string>) => {
      const reply = (await (await client.send('GET', `/projects/${id}`, undefined, headers)).json()) as DocumentReply;
      return Object.values(reply.document.briefCells).filter(({ roomId }) => roomId === null).length;
    };
    const all = await cellsFor({});
    expect(all).to.be.greaterThan(50);
    expect(await cellsFor({ 'x-spool-protocol': '2' })).to.equal(0);
    expect(await cellsFor({ 'x-spool-protocol': '3' })).to.equal(all);
  });

  it('are the template of new houses: the plan with its picture and the options that are taken, under a code of its own', async () => {
    const { id } = await client.json<{ id: string }>('POST', '/projects/import', file('ropewalk-flat'));
    const { document: flat, revision } = await client.load(id);
    const picture = (await (
      await upload(
        await sharp({ create: { width: 8, height: 6, channels: 3, background: 'white' } })
          .png()
          .toBuffer(),
        id,
      )
    ).json()) as PictureInfo;
    const [deviceId] = Object.keys(flat.devices);
    const option = create('groups', { id: 'opt', kind: 'option', name: 'Upgrade' });
    const member = create('groupMembers', { id: 'gm', groupId: 'opt', deviceId });
    await client.sendChanges(id, client.change([option, member], revision));
    const copy = async (without: string[]) => {
      const made = await client.json<{ id: string }>('POST', `/projects/${id}/copy`, { name: 'Flat 2', without });
      return { id: made.id, house: (await client.load(made.id)).document };
    };
    const { id: copyId, house } = await copy([]);
    expect(house.project.name).to.equal('Flat 2');
    expect(house.project.shortId).to.not.equal(flat.project.shortId);
    expect(Object.keys(house.devices)).to.deep.equal(Object.keys(flat.devices));
    expect((await client.send('GET', `/projects/${copyId}/pictures/${picture.id}`)).status).to.equal(200);
    expect(Object.keys((await copy(['opt'])).house.devices)).to.not.include(deviceId);
    // As an option of the offer has it: without the systems that it leaves out.
    const system = flat.deviceTypes[flat.devices[deviceId].typeId].system;
    const offered = create('offerOptions', {
      ...{
        id: 'o1',
        order: 0,
        name: 'Less',
        note: '',
        withoutSystems: [system],
        withoutRoomIds: [],
        withoutPhaseIds: [],
        swaps: [],
      },
    });
    await client.sendChanges(id, client.change([offered], revision + 1));
    const less = await client.json<{ id: string }>('POST', `/projects/${id}/copy`, { name: 'Flat 3', optionId: 'o1' });
    const systems = (house3: ProjectDocument) =>
      new Set(Object.values(house3.devices).map(({ typeId }) => house3.deviceTypes[typeId].system));
    expect(systems(flat)).to.include(system);
    expect(systems((await client.load(less.id)).document)).not.to.include(system);
    const unknown = await client.send('POST', `/projects/${id}/copy`, { name: 'Flat 4', optionId: 'o9' });
    expect((await problemOf(unknown)).field).to.equal('optionId');
    const refused = await client.send('POST', `/projects/${id}/copy`, { name: '' });
    expect((await problemOf(refused)).field).to.equal('name');
  });

  it('a new project is empty but has the library, and can be deleted', async () => {
    const projectId = await client.newProject('Short-lived');
    const { document: project } = await client.load(projectId);
    expect(Object.keys(project.devices)).to.deep.equal([]);
    expect(Object.keys(project.deviceTypes).length).to.be.greaterThan(20);
    expect((await client.send('DELETE', `/projects/${projectId}`)).status).to.equal(204);
    expect((await client.send('GET', `/projects/${projectId}`)).status).to.equal(404);
    expect((await client.send('POST', '/projects', { name: ' ', units: 'metric' })).status).to.equal(422);
  });
});

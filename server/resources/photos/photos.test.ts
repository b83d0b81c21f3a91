import { createHash } from 'node:crypto';
import { expect } from 'chai';
import sharp from 'sharp';
import { create, type Photo, type SiteFileState, type SwitchScriptsReply, type TesterReply } from '@dusky-spool/core/model';
import { startTestServer, type TestServer } from '../../testing/test-server.ts';
import type { TestClient } from '../../testing/test-client.ts';

const PART = 300_000;

/** The answer, or what is wrong as if it were the answer. */
const reply = async (answer: Promise<unknown>): Promise<SiteFileState & { readonly code?: string }> => {
  const body = (await answer) as { readonly problem?: object };
  return (body.problem ?? body) as SiteFileState & { readonly code?: string };
};
const idOf = (bytes: Buffer) => createHash('sha256').update(bytes).digest('hex');

/** A photo that says where it was taken, as phones write them. */
const photoOf = (width = 1600): Promise<Buffer> =>
  sharp({ create: { width, height: 1200, channels: 3, background: '#888', noise: { type: 'gaussian', mean: 128, sigma: 60 } } })
    .jpeg({ quality: 90 })
    .withExif({ IFD0: { Artist: 'Somebody', Make: 'Camera' }, IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '51/1 30/1 0/1' } })
    .toBuffer();

describe('photos from the site', () => {
  let server: TestServer;
  let owner: TestClient;
  let projectId: string;
  let photo: Buffer;
  const begin = (client: TestClient, bytes: Buffer, id = idOf(bytes), mediaType = 'image/jpeg') =>
    reply(
      client.json('PUT', `/projects/${projectId}/photos/${id}`, {
        mediaType,
        sizeBytes: bytes.length,
      }),
    );
  const part = async (client: TestClient, id: string, from: number, bytes: Buffer) => {
    const headers = { 'content-type': 'application/octet-stream', 'x-csrf-token': client.csrfToken, cookie: client.cookie };
    const body = new Uint8Array(bytes);
    const response = await fetch(`${server.url}/api/projects/${projectId}/photos/${id}/parts/${from}`, {
      method: 'PUT',
      headers,
      body,
    });
    return reply(response.json() as Promise<unknown>);
  };
  const send = async (client: TestClient, bytes: Buffer, from = 0): Promise<void> => {
    for (let at = from; at < bytes.length; at += PART) await part(client, idOf(bytes), at, bytes.subarray(at, at + PART));
  };
  const got = async (client: TestClient, path: string) => client.send('GET', `/projects/${projectId}/photos/${path}`);

  before(async () => {
    server = await startTestServer();
    owner = await server.client().makeFirstAccount();
    projectId = await owner.newProject();
    photo = await photoOf();
  });
  after(() => server.close());

  it('come in parts, go on where they stopped, and are whole at the end', async () => {
    const bytes = photo;
    const id = idOf(bytes);
    expect((await begin(owner, bytes)).receivedBytes).to.equal(0);
    await part(owner, id, 0, bytes.subarray(0, PART));
    // The answer was lost: the same part again, then one too far ahead.
    expect((await part(owner, id, 0, bytes.subarray(0, PART))).receivedBytes).to.equal(PART);
    expect(await part(owner, id, 2 * PART, bytes.subarray(2 * PART, 3 * PART))).to.include({
      code: 'upload-gap',
      receivedBytes: PART,
    });
    expect((await begin(owner, bytes)).receivedBytes).to.equal(PART);
    await send(owner, bytes, PART);
    expect((await begin(owner, bytes)).isComplete).to.equal(true);
    const original = Buffer.from(await (await got(owner, id)).arrayBuffer());
    expect(original.equals(bytes)).to.equal(true);
    const { files } = await owner.json<{ files: SiteFileState[] }>('GET', `/projects/${projectId}/photos`);
    expect(files.map((one) => [one.id, one.isComplete])).to.deep.equal([[id, true]]);
  });

  it('are shared and shown small without place, camera and names', async () => {
    const id = idOf(photo);
    for (const copy of ['thumbnail', 'shared']) {
      const head = await sharp(Buffer.from(await (await got(owner, `${id}/${copy}`)).arrayBuffer())).metadata();
      expect([head.exif, head.xmp, head.iptc]).to.deep.equal([undefined, undefined, undefined]);
      expect(head.width).to.equal(copy === 'thumbnail' ? 320 : 1600);
    }
  });

  it('show a client only the copies of what is shared', async () => {
    const id = idOf(photo);
    const client = await owner.invite('client@example.test', 'client', [projectId]);
    const crew = await owner.invite('crew@example.test', 'crew');
    const statuses = async () =>
      Promise.all([id, `${id}/thumbnail`, `${id}/shared`].map(async (path) => (await got(client, path)).status));
    expect(await statuses()).to.deep.equal([403, 404, 404]);
    const { revision } = await crew.load(projectId);
    const record: Photo = {
      ...{
        id: 'p1',
        fileId: id,
        media: 'photo',
        kind: 'wall',
        takenAt: '2026-12-02T10:00:00Z',
        by: 'Crew',
        roomId: null,
        wallId: null,
      },
      ...{
        deviceId: null,
        penetration: '',
        fromCornerM: null,
        widthM: null,
        heightM: null,
        bay: null,
        hasTape: false,
        marks: [],
      },
      ...{ isShared: true, note: '' },
    };
    const sent = await crew.sendChanges(projectId, crew.change([create('photos', record)], revision));
    expect(sent.results[0].status).to.equal('applied');
    expect(await statuses()).to.deep.equal([403, 200, 200]);
    expect((await begin(client, Buffer.from('x'))).code).to.equal('role-too-low');
  });

  it('are refused where they are damaged, no photo, another size or too much', async () => {
    const text = Buffer.from('not a photo at all');
    await begin(owner, text);
    expect((await part(owner, idOf(text), 0, text)).code).to.equal('photo-kind');
    // A refused file is deleted and can be uploaded again.
    expect((await begin(owner, text)).receivedBytes).to.equal(0);
    const bytes = await photoOf(640);
    const wrong = 'b'.repeat(64);
    await begin(owner, bytes, wrong);
    expect((await part(owner, wrong, 0, bytes.subarray(0, 900_000))).code ?? 'more').to.be.oneOf(['upload-fingerprint', 'more']);
    const cut = bytes.subarray(0, bytes.length / 2);
    await begin(owner, cut);
    for (let at = 0; at < cut.length; at += PART) {
      const reply = await part(owner, idOf(cut), at, cut.subarray(at, at + PART));
      if (at + PART >= cut.length) expect(reply.code).to.equal('picture-damaged');
    }
    await begin(owner, bytes);
    expect((await begin(owner, bytes.subarray(1), idOf(bytes))).code).to.equal('upload-differs');
    expect((await part(owner, idOf(bytes), 0, Buffer.concat([bytes, bytes]).subarray(0, 1_000_000))).code ?? '').to.be.oneOf([
      'upload-too-long',
      '',
    ]);
  });
});

describe('a cable tester on the bridge', () => {
  let server: TestServer;
  let owner: TestClient;
  before(async () => {
    server = await startTestServer();
    owner = await server.client().makeFirstAccount();
  });
  after(() => server.close());
  const test = async (nth: number, script: string): Promise<TesterReply> =>
    owner.json('POST', '/bridge/tester/test', {
      cable: {
        number: `M-AA-0${nth}.1`,
        nth,
        lengthM: 20,
        others: [
          { number: 'M-AA-06.1', nth: 6 },
          { number: 'M-AA-07.1', nth: 7 },
        ],
      },
      script,
    });

  it('reads a good cable as planned, and plays each fault of a script', async () => {
    const { scripts, simulated } = await owner.json<SwitchScriptsReply>('GET', '/bridge/tester/scripts');
    expect([simulated, scripts.map(({ name }) => name).includes('mixed-day')]).to.deep.equal([true, true]);
    expect((await test(1, 'as-planned')).reading).to.deep.equal({ lengthM: 20, lossDb: null, faults: [], farEnd: 'M-AA-01.1' });
    expect((await test(1, 'mixed-day')).reading).to.deep.equal({
      ...{ lengthM: 8, lossDb: null, farEnd: '', faults: [{ fault: 'open', pair: '3-6', atM: 8 }] },
    });
    const faults = await Promise.all([2, 3, 4].map(async (nth) => (await test(nth, 'mixed-day')).reading.faults[0].fault));
    expect(faults).to.deep.equal(['short', 'split-pair', 'reversed-pair']);
    expect((await test(5, 'mixed-day')).reading.lengthM).to.equal(32);
    expect((await test(6, 'mixed-day')).reading.farEnd).to.equal('M-AA-07.1');
    expect((await owner.send('POST', '/bridge/tester/test', { cable: {}, script: 'as-planned' })).status).to.equal(422);
  });
});

import { expect } from 'chai';
import { spawnSync } from 'node:child_process';
import sharp from 'sharp';
import type { PlannedRefusal } from '../../http/problems.ts';
import { lineLaser } from '../../bridge/laser.ts';
import { startLaserSimulator } from '../../bridge/laser-simulator.ts';
import { type Database, openDatabase } from '../../database/index.ts';
import { freshDatabaseUrl } from '../../testing/fresh-database.ts';
import { startTestServer, type TestServer } from '../../testing/test-server.ts';
import type { TestClient } from '../../testing/test-client.ts';
import { inspectPicture } from './inspect.ts';
import { sanitiseSvg } from './sanitise-svg.ts';
import { deepestLevel, tilePlace } from './tiles.ts';

const SVG =
  '<svg xmlns="http://www.w3.org/2000/svg" width="400" height="300" viewBox="0 0 400 300"><path d="M10 10L390 10" stroke="#333"/></svg>';
const reasonOf = (text: string) => {
  try {
    sanitiseSvg(text);
    return 'taken';
  } catch (error) {
    return (error as PlannedRefusal).problem.code;
  }
};
/** A PDF of some pages with a line on each, written by hand. */
function pdf(pages: number): Buffer {
  const objects = [
    '<< /Type /Catalog /Pages 2 0 R >>',
    `<< /Type /Pages /Count ${pages} /Kids [${Array.from({ length: pages }, (_, n) => `${3 + 2 * n} 0 R`).join(' ')}] >>`,
  ];
  for (let n = 0; n < pages; n++) {
    objects.push(`<< /Type /Page /Parent 2 0 R /MediaBox [0 0 595 842] /Contents ${4 + 2 * n} 0 R >>`);
    const stream = '1 0 0 RG 2 w 100 100 m 400 100 l S';
    objects.push(`<< /Length ${stream.length} >>\nstream\n${stream}\nendstream`);
  }
  let text = '%PDF-1.4\n';
  const offsets = objects.map((object, n) => {
    const at = text.length;
    text += `${n + 1} 0 obj\n${object}\nendobj\n`;
    return at;
  });
  const table = offsets.map((at) => `${String(at).padStart(10, '0')} 00000 n \n`).join('');
  text += `xref\n0 ${objects.length + 1}\n0000000000 65535 f \n${table}trailer\n<< /Size ${objects.length + 1} /Root 1 0 R >>\nstartxref\n${text.length}\n%%EOF\n`;
  return Buffer.from(text, 'latin1');
}

describe('a vector picture', () => {
  it('keeps its drawing and loses everything that runs, loads or refers outside', () => {
    const { svg, widthPx, heightPx } = sanitiseSvg(
      `<?xml version="1.0"?><svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="50mm" onload="x()"><script>alert(1)</script>
      <style>@import url(http://a.test)</style><foreignObject><body onclick="y()"/></foreignObject>
      <g fill="url(#g)"><rect width="5" height="5" style="fill:url(http://a.test/x)" onclick="z()"/></g>
      <image href="http://a.test/p.png"/><image href="data:image/png;base64,AAAA"/><a href="javascript:1"><path d="M0 0L1 1"/></a>
      <use href="other.svg#x"/><use href="#own"/><animate attributeName="href" values="javascript:1"/></svg>`,
    );
    expect(svg).to.not.match(/script|alert|on\w+=|http:\/\/a|javascript|foreign|style|animate|other\.svg/i);
    expect(svg).to.include('M0 0L1 1').and.include('url(#g)').and.include('data:image/png;base64,AAAA').and.include('#own');
    expect([widthPx, heightPx]).to.deep.equal([378, 189]);
    expect(sanitiseSvg(svg).svg).to.equal(svg);
  });

  it('that is not well formed, has no size, or declares entities is refused', () => {
    const bomb = '<!DOCTYPE svg [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;">]><svg width="9" height="9"><text>&b;</text></svg>';
    expect(
      [
        '<svg width="9" height="9"><g></svg>',
        '<svg><g/></svg>',
        '<html/>',
        '',
        bomb,
        `<svg width="9" height="9">${'<g>'.repeat(300)}`,
      ].map(reasonOf),
    ).to.deep.equal(Array<string>(6).fill('svg-refused'));
  });

  it('and WebP are told by their bytes, whatever the name says', async () => {
    const database = openDatabase(await freshDatabaseUrl());
    after(() => database.sequelize.close());
    expect(await inspectPicture(database, Buffer.from(SVG))).to.include({
      mediaType: 'image/svg+xml',
      widthPx: 400,
      heightPx: 300,
    });
    const webp = await sharp({ create: { width: 60, height: 40, channels: 3, background: '#fff' } })
      .webp()
      .toBuffer();
    expect(await inspectPicture(database, webp)).to.include({ mediaType: 'image/webp', widthPx: 60, heightPx: 40 });
  });
});

describe('a raster picture', () => {
  let database: Database;
  before(async () => {
    database = openDatabase(await freshDatabaseUrl());
  });
  after(() => database.sequelize.close());
  const plain = (widthPx: number, heightPx: number) =>
    sharp({ create: { width: widthPx, height: heightPx, channels: 3, background: '#806040' }, limitInputPixels: false });
  const judged = (bytes: Buffer) =>
    inspectPicture(database, bytes).then(
      ({ widthPx }) => widthPx,
      (error: PlannedRefusal) => [error.problem.code, error.problem.megapixels],
    );

  it('may have 200 megapixels as PNG or baseline JPEG and 60 as progressive JPEG or WebP; more is refused with the limit', async () => {
    expect(await judged(await plain(14_000, 14_200).png({ compressionLevel: 1 }).toBuffer())).to.equal(14_000);
    expect(await judged(await plain(14_200, 14_200).png({ compressionLevel: 1 }).toBuffer())).to.deep.equal([
      'picture-too-large',
      200,
    ]);
    expect(await judged(await plain(9000, 9000).jpeg({ progressive: false }).toBuffer())).to.equal(9000);
    expect(await judged(await plain(7700, 7700).jpeg({ progressive: true }).toBuffer())).to.equal(7700);
    expect(await judged(await plain(7800, 7800).jpeg({ progressive: true }).toBuffer())).to.deep.equal([
      'picture-too-large-whole',
      60,
    ]);
    expect(await judged(await plain(7800, 7800).webp({ effort: 0 }).toBuffer())).to.deep.equal(['picture-too-large-whole', 60]);
  }).timeout(300_000);
});

describe('plans on the server', () => {
  let server: TestServer;
  let client: TestClient;
  let projectId: string;
  before(async () => {
    server = await startTestServer();
    client = await server.client().makeFirstAccount();
    projectId = await client.newProject();
  });
  after(() => server.close());
  const send = async (path: string, name: string, bytes: Buffer) => {
    const form = new FormData();
    form.append('picture', new Blob([new Uint8Array(bytes)]), name);
    const response = await client.send('POST', `/projects/${projectId}/${path}`, form);
    return { status: response.status, body: (await response.json()) as Record<string, never> };
  };

  it('give a vector picture under a policy that lets nothing in it run', async () => {
    const { status, body } = await send('pictures', 'plan.svg', Buffer.from(SVG.replace('<path', '<script>1</script><path')));
    expect([status, body.mediaType]).to.deep.equal([201, 'image/svg+xml']);
    const picture = await client.send('GET', `/projects/${projectId}/pictures/${String(body.id)}`);
    expect(picture.headers.get('content-security-policy')).to.include('sandbox');
    expect(await picture.text()).to.not.include('script');
  });

  it('read a PDF page by page, as lines, and refuse too many pages or none', async function () {
    if (spawnSync('pdfinfo', ['-v']).error) this.skip();
    const { body } = await send('sheets', 'plan.pdf', pdf(3));
    expect((body.pages as unknown[]).length).to.equal(3);
    const page = await client.json<{ id: string; mediaType: string }>(
      'POST',
      `/projects/${projectId}/sheets/${String(body.id)}/2`,
    );
    expect(page.mediaType).to.equal('image/svg+xml');
    const svg = await (await client.send('GET', `/projects/${projectId}/pictures/${page.id}`)).text();
    expect(svg).to.match(/<path[^>]*d="M/);
    const thumbnail = Buffer.from(
      await (await client.send('GET', `/projects/${projectId}/sheets/${String(body.id)}/1/thumbnail`)).arrayBuffer(),
    );
    expect((await sharp(thumbnail).metadata()).height).to.equal(260);
    expect((await send('sheets', 'many.pdf', pdf(201))).body.problem).to.include({
      code: 'pdf-too-many',
      pages: 201,
      mostPages: 200,
    });
    expect((await send('sheets', 'no.pdf', Buffer.from('%PDF-1.4 nothing'))).body.problem).to.include({ code: 'pdf-damaged' });
    expect((await client.send('POST', `/projects/${projectId}/sheets/${'0'.repeat(64)}/1`)).status).to.equal(404);
  }).timeout(300_000);

  it('know from its path where a tile lies', () => {
    expect(tilePlace('2560,1024,440,376/440,376/0/default.webp', 3)).to.deep.equal({ z: 3, x: 5, y: 2 });
    expect(tilePlace('2048,0,952,1400/238,350/0/default.webp', 3)).to.deep.equal({ z: 1, x: 1, y: 0 });
    expect(tilePlace('full/375,175/0/default.webp', 3)).to.deep.equal({ z: 0, x: 0, y: 0 });
  });

  it('cut a large picture into tiles that only its owner sees', async () => {
    const big = await sharp({ create: { width: 3000, height: 1400, channels: 3, background: '#806040' } })
      .png()
      .toBuffer();
    const { body } = await send('pictures', 'big.png', big);
    expect(deepestLevel(3000, 1400)).to.equal(3);
    const tile = (z: number, x: number, y: number) =>
      client.send('GET', `/projects/${projectId}/pictures/${String(body.id)}/tiles/${z}/${x}/${y}`);
    const corner = await tile(3, 0, 0);
    expect(corner.headers.get('content-type')).to.include('image/webp');
    expect((await sharp(Buffer.from(await corner.arrayBuffer())).metadata()).width).to.equal(512);
    expect((await tile(0, 0, 0)).status).to.equal(200);
    // 3000 x 1400 at full size is 6 x 3 tiles, at an eighth one; each is filled up to its full side.
    const statuses = async (z: number, across: number, down: number) =>
      Promise.all(
        Array.from({ length: across * down }, async (_, n) => (await tile(z, n % across, Math.floor(n / across))).status),
      );
    for (const [z, across, down] of [
      [3, 6, 3],
      [2, 3, 2],
      [1, 2, 1],
    ] as const)
      expect(await statuses(z, across, down), `level ${z}`).to.deep.equal(Array.from({ length: across * down }, () => 200));
    const edge = await sharp(Buffer.from(await (await tile(3, 5, 2)).arrayBuffer()))
      .raw()
      .toBuffer({ resolveWithObject: true });
    expect([edge.info.width, edge.info.height]).to.deep.equal([512, 512]);
    // The last tile has 440 x 376 pixels of the picture, then nothing.
    const alphaAt = (x: number, y: number) => edge.data[(y * 512 + x) * edge.info.channels + 3];
    expect([alphaAt(430, 370), alphaAt(450, 100), alphaAt(100, 390)]).to.deep.equal([255, 0, 0]);
    expect((await tile(3, 99, 0)).status).to.equal(404);
    expect((await server.client().send('GET', `/projects/${projectId}/pictures/${String(body.id)}/tiles/0/0/0`)).status).to.equal(
      401,
    );
  }).timeout(300_000);

  it('have a laser meter that reads, and say so where one does not answer', async () => {
    const { instruments } = await client.json<{ instruments: unknown[] }>('GET', '/bridge');
    expect(instruments).to.deep.equal([
      { kind: 'laser', name: 'simulated laser meter', simulated: true },
      { kind: 'printer', name: 'simulated label printer', simulated: true },
    ]);
    const { lengthM } = await client.json<{ lengthM: number }>('POST', '/bridge/laser/measure', {});
    expect(lengthM).to.equal(2.612);
    const meter = await startLaserSimulator();
    expect(await lineLaser('meter', meter.port).measure()).to.equal(2.612);
    expect(await lineLaser('meter', meter.port).measure()).to.equal(3.487);
    await new Promise((done) => meter.server.close(done));
    const away = await lineLaser('meter', meter.port)
      .measure()
      .catch((error: PlannedRefusal) => error.problem.code);
    expect(away).to.equal('instrument-away');
  });
});

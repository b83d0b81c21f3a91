import { expect } from 'chai';
import { spawnSync } from 'node:child_process';
import ExcelJS from 'exceljs';
import sharp from 'sharp';
import { svgLines } from '@dusky-spool/core/house';
import { hasEnded, type JobReply, type SwitchReply, type SwitchScriptsReply } from '@dusky-spool/core/model';
import type { PlannedRefusal } from '../../http/problems.ts';
import { lineLaser } from '../../bridge/laser.ts';
import { startLaserSimulator } from '../../bridge/laser-simulator.ts';
import { lineSwitch } from '../../bridge/network-switch.ts';
import { startSwitchSimulator } from '../../bridge/switch-simulator.ts';
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
function pdf(pages: number, box = '/MediaBox [0 0 595 842]'): Buffer {
  const objects = [
    '<< /Type /Catalog /Pages 2 0 R >>',
    `<< /Type /Pages /Count ${pages} /Kids [${Array.from({ length: pages }, (_, n) => `${3 + 2 * n} 0 R`).join(' ')}] >>`,
  ];
  for (let n = 0; n < pages; n++) {
    objects.push(`<< /Type /Page /Parent 2 0 R ${box} /Contents ${4 + 2 * n} 0 R >>`);
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

  it('keeps its ratio in whole pixels, and inside them the units that it was drawn in', () => {
    const clean = sanitiseSvg('<svg width="400pt" height="299pt" viewBox="5 6 400 299"><path d="M0 0h9"/></svg>');
    // 533.33 by 398.67 px, up to whole pixels; a pixel is a 96th of an inch of paper.
    expect([clean.widthPx, clean.heightPx]).to.deep.equal([534, 399]);
    expect(clean.paperMetresPerPixel).to.be.closeTo(0.0254 / 96, 1e-12);
    expect(clean.svg)
      .to.include('viewBox="0 0 534 399"')
      .and.include('<svg width="533.333333" height="398.666667" viewBox="5 6 400 299">');
  });

  it('drawn at full size is written smaller, still as lines, and knows its paper', () => {
    // 30 m by 12 m: 113 386 px, more than a picture may have.
    const clean = sanitiseSvg('<svg width="30000mm" height="12000mm" viewBox="0 0 30 12"><path d="M0 0H30"/></svg>');
    expect([clean.widthPx, clean.heightPx]).to.deep.equal([16_000, 6400]);
    expect(clean.paperMetresPerPixel * clean.widthPx).to.be.closeTo(30, 1e-6);
    expect(sanitiseSvg('<svg width="12mm" viewBox="0 0 200 100"/>').heightPx).to.equal(23);
  });

  it('keeps a style sheet that only paints, and none that loads or moves', () => {
    const styled = (css: string) =>
      sanitiseSvg(`<svg width="9" height="9"><style>${css}</style><path class="a" d="M0 0h1"/></svg>`).svg;
    expect(styled('<![CDATA[.a > b { stroke: #333; fill: none }]]>')).to.include(
      '<style>.a &gt; b { stroke: #333; fill: none }</style>',
    );
    expect(styled('@import "x"; @font-face { src: url(a) } .a{fill:red}')).to.include('<style>.a{fill:red}</style>');
    for (const css of ['.a{fill:url(http://a.test)}', '.a{animation: x 1s}', '.a{b\\: c}', '@media x{}@page{}'])
      expect(styled(css), css).to.not.include('<style>');
  });

  it('whose parts repeat each other without end, or into millions, is refused and says why', () => {
    const reason = (body: string) => {
      try {
        return sanitiseSvg(`<svg width="9" height="9">${body}</svg>`).svg.length > 0 ? 'taken' : '';
      } catch (error) {
        return (error as PlannedRefusal).problem.reason;
      }
    };
    // Ten uses of ten uses, seven times: ten million parts.
    const ten = (id: string, of: string) => `<g id="${id}">${`<use href="#${of}"/>`.repeat(10)}</g>`;
    const bomb = '<path id="g0" d="M0 0h1"/>' + Array.from({ length: 7 }, (_, n) => ten(`g${n + 1}`, `g${n}`)).join('');
    expect(reason(bomb)).to.match(/repeated parts come to more than 600000/);
    const patterns = Array.from(
      { length: 9 },
      (_, n) => `<pattern id="p${n}">${`<rect fill="url(#p${n - 1})"/>`.repeat(10)}</pattern>`,
    );
    expect(reason(patterns.join(''))).to.match(/repeated parts/);
    expect(reason('<g id="a"><use href="#b"/></g><g id="b"><use href="#a"/></g>')).to.match(/holds itself/);
    const chain = Array.from({ length: 300 }, (_, n) => `<g id="c${n}"><use href="#c${n + 1}"/></g>`);
    expect(reason(chain.join(''))).to.match(/200 times deep/);
    // A plan with a symbol for each of its sockets is no bomb.
    expect(reason(`<symbol id="s"><path d="M0 0h1"/></symbol>${'<use href="#s"/>'.repeat(5000)}`)).to.equal('taken');
    expect(reason('<g>'.repeat(250) + '</g>'.repeat(250))).to.match(/deeper than 200/);
    expect(reason('<path id="constructor"/><use href="#__proto__"/><use href="#constructor"/>')).to.equal('taken');
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
    expect(await judged(await plain(20_000, 10_000).png({ compressionLevel: 1 }).toBuffer())).to.equal(20_000);
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

describe('a photograph of a plan', () => {
  let database: Database;
  before(async () => {
    database = openDatabase(await freshDatabaseUrl());
  });
  after(() => database.sequelize.close());
  /** 60 x 40 px, its upper left quarter red, with a camera's words. */
  const photo = (orientation: number, format: 'jpeg' | 'webp' | 'png') =>
    sharp({ create: { width: 60, height: 40, channels: 3, background: '#fff' } })
      .composite([{ input: { create: { width: 30, height: 20, channels: 3, background: '#f00' } }, left: 0, top: 0 }])
      .withExif({ IFD0: { Artist: 'somebody', Copyright: 'somebody' }, IFD3: { GPSLatitude: '51/1 30/1 0/1' } })
      .withMetadata({ orientation })
      .toFormat(format)
      .toBuffer();
  const redAt = async (bytes: Buffer) => {
    const { data, info } = await sharp(bytes).raw().toBuffer({ resolveWithObject: true });
    const at = (x: number, y: number) => data[(y * info.width + x) * info.channels + 1] < 128;
    const [right, low] = [info.width - 5, info.height - 5];
    return [at(5, 5), at(right, 5), at(5, low), at(right, low)];
  };

  it('stands as it was held: its size and its pixels are turned, for every orientation', async () => {
    // Where the stored upper left corner is seen: upper left, upper right, lower left, lower right.
    const corners = [0, 1, 3, 2, 0, 1, 3, 2];
    for (let orientation = 1; orientation <= 8; orientation++) {
      const { bytes, widthPx, heightPx } = await inspectPicture(database, await photo(orientation, 'jpeg'));
      const size = orientation < 5 ? [60, 40] : [40, 60];
      const head = await sharp(bytes).metadata();
      expect([widthPx, heightPx], `orientation ${orientation}`).to.deep.equal(size);
      expect([head.width, head.height, head.orientation ?? 1]).to.deep.equal([...size, 1]);
      const red = await redAt(bytes);
      expect(red.indexOf(true), `orientation ${orientation}`).to.equal(corners[orientation - 1]);
      expect(red.filter(Boolean)).to.have.length(1);
    }
  });

  it('says nothing of its place and its maker, in any format, and stays the same when it is brought in again', async () => {
    for (const format of ['jpeg', 'png', 'webp'] as const) {
      const given = await photo(1, format);
      expect(given.includes('somebody'), format).to.equal(true);
      const { bytes } = await inspectPicture(database, given);
      const { exif, xmp, iptc } = await sharp(bytes).metadata();
      expect([exif, xmp, iptc, bytes.includes('somebody')], format).to.deep.equal([undefined, undefined, undefined, false]);
      expect((await inspectPicture(database, bytes)).bytes.equals(bytes), format).to.equal(true);
    }
  });

  it('in a drawing is as clean', async () => {
    const inner = (await photo(6, 'jpeg')).toString('base64');
    const svg = `<svg width="90" height="90"><image width="9" height="9" href="data:image/jpeg;base64,${inner}"/></svg>`;
    const clean = (await inspectPicture(database, Buffer.from(svg))).bytes.toString();
    const kept = Buffer.from(/base64,([^"]+)/.exec(clean)![1], 'base64');
    expect([(await sharp(kept).metadata()).width, kept.includes('somebody')]).to.deep.equal([40, false]);
  });

  it('knows its paper where it is a scan, and not where a camera says 72 dots', async () => {
    const png = (density: number) =>
      sharp({ create: { width: 60, height: 40, channels: 3, background: '#fff' } })
        .withMetadata({ density })
        .png()
        .toBuffer();
    expect((await inspectPicture(database, await png(300))).paperMetresPerPixel).to.be.closeTo(0.0254 / 300, 1e-9);
    expect((await inspectPicture(database, await png(72))).paperMetresPerPixel).to.equal(null);
  });

  it('that is cut off, damaged, or no picture is refused by its reason', async () => {
    const given = await sharp({
      create: { width: 300, height: 300, channels: 3, background: '#fff', noise: { type: 'gaussian', mean: 128, sigma: 40 } },
    })
      .jpeg()
      .toBuffer();
    const told = (bytes: Buffer) =>
      inspectPicture(database, bytes).then(
        () => 'taken',
        ({ problem }: PlannedRefusal) => [problem.code, problem.kindFound].filter(Boolean).join(' '),
      );
    expect(await told(given.subarray(0, given.length / 2))).to.equal('picture-cut');
    expect(await told(Buffer.concat([given.subarray(0, 20), Buffer.alloc(400, 7)]))).to.equal('picture-damaged');
    expect(await told(Buffer.from('AC1027' + '\0'.repeat(100)))).to.equal('picture-kind DWG drawing');
    expect(await told(Buffer.from('  0\r\nSECTION\r\n  2\r\n'))).to.equal('picture-kind DXF drawing');
    expect(await told(Buffer.from('hello'))).to.equal('picture-kind a file of an unknown kind');
  });
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

  it('take a large picture as a job that says how far it is, and leave the same as without one', async () => {
    const bytes = await sharp({ create: { width: 5000, height: 3000, channels: 3, background: '#eee' } })
      .png()
      .toBuffer();
    const { status, body } = await send('pictures/job', 'plan.png', bytes);
    expect(status).to.equal(202);
    const shares: number[] = [];
    for (;;) {
      const job = await client.json<JobReply>('GET', `/jobs/${String(body.id)}`);
      shares.push(job.progress);
      if (!hasEnded(job.state)) continue;
      expect([job.state, job.result?.widthPx]).to.deep.equal(['done', 5000]);
      expect((await send('pictures', 'plan.png', bytes)).body).to.deep.equal(job.result);
      const deepest = `/projects/${projectId}/pictures/${String(job.result?.id)}/tiles/4/9/5`;
      expect((await client.send('GET', deepest)).status).to.equal(200);
      break;
    }
    expect(shares).to.deep.equal([...shares].sort((a, b) => a - b));
    const none = await send('pictures/job', 'plan.png', Buffer.alloc(0));
    expect([none.status, (none.body.problem as { code: string }).code]).to.deep.equal([422, 'file-empty']);
  });

  it('read the cells of a workbook, and say by name what is none', async () => {
    const book = new ExcelJS.Workbook();
    book.addWorksheet('Rooms').addRows([
      ['Room', 'Width'],
      ['Snug', 3.5],
    ]);
    const { status, body } = await send('workbooks', 'rooms.xlsx', Buffer.from(await book.xlsx.writeBuffer()));
    expect([status, body.sheets as unknown]).to.deep.equal([
      200,
      [
        {
          name: 'Rooms',
          rows: [
            { line: 1, cells: ['Room', 'Width'] },
            { line: 2, cells: ['Snug', '3.5'] },
          ],
        },
      ],
    ]);
    const refused = await send('workbooks', 'rooms.xlsx', Buffer.from('Room;Width'));
    expect([refused.status, refused.body.problem as unknown]).to.deep.equal([422, { code: 'workbook-kind', field: 'file' }]);
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

  it('answer uploads that no browser sends with a reason, never with a fault of their own', async () => {
    const raw = async (name: string, extra = '') => {
      const head = `--b\r\nContent-Disposition: form-data; name="picture"; filename="${name}"\r\n${extra}\r\n`;
      const body = `${head}${SVG}\r\n--b--\r\n`;
      const headers = { 'Content-Type': 'multipart/form-data; boundary=b' };
      const response = await client.send('POST', `/projects/${projectId}/pictures`, body, headers);
      const { problem } = (await response.json()) as { problem?: { code: string } };
      return `${response.status} ${problem?.code ?? ''}`;
    };
    expect(await raw('plan.png')).to.equal('201 ');
    const answers = await Promise.all(
      ['a\u0000b.png', 'a\nb.png', 'a\r\nX-Evil: 1', '\u0001\u001f', '../../etc/passwd', 'a"b', '%00', '\x7f'].map((name) =>
        raw(name),
      ),
    );
    for (const answer of answers) expect(answer).to.match(/^(201 |400 upload-malformed|422 picture-missing)$/);
    expect(await raw('x', 'Content-Type: \u0001\r\n\u0000: 1\r\n')).to.match(/^(201 |400 upload-malformed)$/);
    const { status, body } = await send('pictures', 'nothing.png', Buffer.alloc(0));
    expect([status, (body.problem as { code: string }).code]).to.deep.equal([422, 'file-empty']);
  });

  it('read a page as it is looked at: its crop box, turned as it says, with ends where they are drawn', async () => {
    const made = async (page: string) => {
      const { body } = await send('sheets', 'crop.pdf', pdf(1, page));
      const { pages } = body as unknown as { pages: { widthPt: number; heightPt: number }[] };
      const info = await client.json<{ id: string; widthPx: number; heightPx: number; paperMetresPerPixel: number }>(
        'POST',
        `/projects/${projectId}/sheets/${String(body.id)}/1`,
      );
      const svg = await (await client.send('GET', `/projects/${projectId}/pictures/${info.id}`)).text();
      const [line] = svgLines(svg, info.widthPx, info.heightPx);
      return { pages, line: line.flat().map((v) => Math.round(v * 100) / 100), ...info };
    };
    // The line of the page runs from (100, 100) to (400, 100) pt; the crop box begins at (50, 60). A point is 4/3 px.
    const box = '/MediaBox [-20 10 595 842] /CropBox [50 60 450 360]';
    const plain = await made(box);
    expect([plain.pages[0].widthPt, plain.pages[0].heightPt]).to.deep.equal([400, 300]);
    expect([plain.widthPx, plain.heightPx]).to.deep.equal([534, 400]);
    expect(plain.line).to.deep.equal([66.67, 53.33, 466.67, 53.33]);
    expect(plain.paperMetresPerPixel).to.be.closeTo(0.0254 / 96, 1e-12);
    const quarter = await made(`${box} /Rotate 90`);
    expect([quarter.pages[0].widthPt, quarter.pages[0].heightPt]).to.deep.equal([300, 400]);
    expect(quarter.line).to.deep.equal([53.33, 467.33, 53.33, 67.33]);
  });

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
      { kind: 'switch', name: 'simulated network switch', simulated: true },
      { kind: 'tester', name: 'simulated cable tester', simulated: true },
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

  it('have a network switch that plays a script of faults, and takes neither an unknown one nor nonsense', async () => {
    const plugged = [1, 2].map((n) => ({ port: `data ${n}`, isUp: true, mbps: 1000, watts: 6, serial: `C-${n}` }));
    const ports = async (script: string) =>
      (await client.json<SwitchReply>('POST', '/bridge/switch/ports', { plugged, script })).ports.map(
        ({ isUp, mbps, serial }) => [isUp, mbps, serial],
      );
    const { scripts } = await client.json<SwitchScriptsReply>('GET', '/bridge/switch/scripts');
    expect(scripts.map(({ name }) => name)).to.include.members(['as-planned', 'dead-port', 'slow-pair', 'swapped', 'power']);
    expect(await ports('as-planned')).to.deep.equal(plugged.map(({ isUp, mbps, serial }) => [isUp, mbps, serial]));
    expect(await ports('dead-port')).to.deep.equal([
      [false, 0, ''],
      [true, 1000, 'C-2'],
    ]);
    expect((await ports('swapped')).map((one) => one[2])).to.deep.equal(['C-2', 'C-1']);
    expect((await client.send('POST', '/bridge/switch/ports', { plugged, script: 'none' })).status).to.equal(404);
    expect((await client.send('POST', '/bridge/switch/ports', { plugged: [{ port: 1 }], script: 'power' })).status).to.equal(422);
    // One that is not told what is plugged in has nothing; one that is away says so.
    const bare = await startSwitchSimulator();
    expect(await lineSwitch('switch', bare.port, false).ports(plugged, 'power')).to.deep.equal([]);
    await new Promise((done) => bare.server.close(done));
    const away = await lineSwitch('switch', bare.port, true)
      .ports(plugged, 'power')
      .catch((error: PlannedRefusal) => error.problem.code);
    expect(away).to.equal('instrument-away');
  });
});

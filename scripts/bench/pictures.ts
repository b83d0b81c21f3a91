import sharp from 'sharp';
import { TILE_PX } from '../../core/model/index.ts';
import { startLoadServer } from './load.ts';
import { figure, type Figure, percentile } from './figure.ts';
import { whileDoing } from './while-doing.ts';
import { TestClient } from '../../server/testing/test-client.ts';

const WIDTH_PX = 20_000;
const HEIGHT_PX = 10_000;
const HEALTH_EVERY_MS = 50;
const TILES = 400;

/** A drawn plan of 200 megapixels: rooms of 900 px with thick walls, thin hatching and marks of text, grey on white. */
async function largePlan(format: 'png' | 'jpeg'): Promise<Buffer> {
  const pixels = Buffer.alloc(WIDTH_PX * HEIGHT_PX, 255);
  const row = (y: number, from: number, to: number, grey: number) =>
    pixels.fill(grey, y * WIDTH_PX + Math.min(from, WIDTH_PX), y * WIDTH_PX + Math.min(to, WIDTH_PX));
  for (let y = 0; y < HEIGHT_PX; y++) {
    if (y % 900 < 24) row(y, 0, WIDTH_PX, 40);
    else
      for (let x = 0; x < WIDTH_PX; x += 900) {
        row(y, x, x + 24, 40);
        const hatch = x + 60 + ((y * 3) % 700);
        row(y, hatch, hatch + 4, 150);
        if (y % 900 > 400 && y % 900 < 440) for (let mark = 100; mark < 600; mark += 20) row(y, x + mark, x + mark + 9, 0);
      }
  }
  const picture = sharp(pixels, { raw: { width: WIDTH_PX, height: HEIGHT_PX, channels: 1 }, limitInputPixels: false });
  return format === 'png'
    ? picture.png({ compressionLevel: 6 }).toBuffer()
    : picture
        .withExif({ IFD0: { Artist: 'a drawing office' } })
        .jpeg({ quality: 80 })
        .toBuffer();
}

async function sent(
  client: TestClient,
  projectId: string,
  bytes: Buffer,
  type: string,
): Promise<{ id: string; seconds: number }> {
  const form = new FormData();
  form.append('picture', new Blob([Uint8Array.from(bytes)], { type }), 'plan');
  const start = performance.now();
  const response = await client.send('POST', `/projects/${projectId}/pictures`, form);
  if (response.status !== 201) throw new Error(await response.text());
  return { id: ((await response.json()) as { id: string }).id, seconds: (performance.now() - start) / 1000 };
}

/** Plans of 200 megapixels: taken in and cut into tiles once, looked at tile by tile, while the server answers. */
export async function pictureFigures(): Promise<Figure[]> {
  const { child, url } = await startLoadServer();
  try {
    const owner = await new TestClient(url).makeFirstAccount();
    const { id: projectId } = await owner.json<{ id: string }>('POST', '/projects', { name: 'Large plans', units: 'metric' });
    const health = async () => {
      const response = await fetch(`${url}/api/health`);
      if (!response.ok) throw new Error(`health: ${response.status}`);
    };
    const tileMs: number[] = [];
    const tile = async (pictureId: string, z: number, x: number, y: number) => {
      const start = performance.now();
      const response = await owner.send('GET', `/projects/${projectId}/pictures/${pictureId}/tiles/${z}/${x}/${y}`);
      if (!response.ok) throw new Error(`tile ${z}/${x}/${y}: ${await response.text()}`);
      await response.arrayBuffer();
      tileMs.push(performance.now() - start);
    };
    const png = await whileDoing(sent(owner, projectId, await largePlan('png'), 'image/png'), health, HEALTH_EVERY_MS);
    const deepest = Math.ceil(Math.log2(WIDTH_PX / TILE_PX));
    let turn = 0;
    const someTile = () => {
      // A walk through the plan that meets every level and never the same tile twice in a row.
      const z = turn % (deepest + 1);
      const across = Math.ceil(WIDTH_PX / (TILE_PX * 2 ** (deepest - z)));
      const down = Math.ceil(HEIGHT_PX / (TILE_PX * 2 ** (deepest - z)));
      const step = turn++ * 17;
      return tile(png.result.id, z, step % across, Math.floor(step / across) % down);
    };
    for (let n = 0; n < TILES; n++) await someTile();
    const quiet = [...tileMs];
    tileMs.length = 0;
    const jpeg = await whileDoing(
      sent(owner, projectId, await largePlan('jpeg'), 'image/jpeg'),
      async () => {
        await someTile();
        await health();
      },
      HEALTH_EVERY_MS,
    );
    const whole = performance.now();
    await (await owner.send('GET', `/projects/${projectId}/pictures/${png.result.id}`)).arrayBuffer();
    const wholeMs = performance.now() - whole;
    return [
      figure('pictures', 'a plan of 200 megapixels (PNG) taken in, tiles cut', png.result.seconds, 's', 120),
      figure('pictures', 'the same as a JPEG with a name in it', jpeg.result.seconds, 's', 120),
      figure('pictures', `a tile, 95th percentile of ${quiet.length}`, percentile(quiet, 0.95), 'ms', 100),
      figure(
        'pictures',
        `a tile while another plan is cut, 95th percentile of ${tileMs.length}`,
        percentile(tileMs, 0.95),
        'ms',
        100,
      ),
      figure('pictures', 'health meanwhile, 95th percentile', percentile(png.answersMs, 0.95), 'ms', 100),
      figure('pictures', 'health meanwhile, longest', Math.max(...png.answersMs), 'ms', 1000),
      figure('pictures', 'plain reference: the whole picture from the database', wholeMs, 'ms'),
    ];
  } finally {
    child.kill('SIGKILL');
  }
}

import { mixedPlan } from '../../core/testing/drawn-plans.ts';
import { edited } from '../../core/derive/index.ts';
import { type ProjectDocument, writeProjectFile } from '../../core/model/index.ts';
import { type FaceSegment, facesOf, type Point2 } from '../../core/math/index.ts';
import { moveWalls } from '../../core/survey/index.ts';
import { proposalInput, proposeWalls, readDxf, wallFaces } from '../../core/house/index.ts';
import { bigHouse, wiredHouse } from '../../core/testing/big-house.ts';
import { startApp } from '../../e2e/testing/app.ts';
import { figure, type Figure, percentile } from './figure.ts';

/** Rooms of 2 000 walls from nothing, and one wall dragged in that house: what the client works out between pointer and picture. */
function coreFigures(): Figure[] {
  const house = bigHouse();
  const scratch: number[] = [];
  for (let n = 0; n < 40; n++) {
    const walls = { ...house.walls };
    const start = performance.now();
    for (const levelId of Object.keys(house.levels)) wallFaces({ walls }, levelId);
    scratch.push(performance.now() - start);
  }
  const drag: number[] = [];
  const middle = Object.values(house.walls).filter((wall) => wall.levelId === 'l1' && wall.a[0] === 20 && wall.b[0] === 20);
  let ids = 0;
  for (let n = 0; n < 300; n++) {
    const wall = middle[n % middle.length];
    const start = performance.now();
    const moved = moveWalls(house, { wallIds: [wall.id] }, [0.01 * ((n % 30) + 1), 0], () => `new_${ids++}`);
    if (!moved.ok) throw new Error(moved.problem.code);
    const applied = edited(house, moved.value);
    if (!applied.ok) throw new Error(applied.problem.code);
    if (n >= 60) drag.push(performance.now() - start);
  }
  return [
    figure('survey', 'rooms of 2 000 walls on four levels from scratch, median of 40', percentile(scratch, 0.5), 'ms', 60),
    figure('survey', 'a wall dragged in that house: rooms and devices follow, 95th percentile', percentile(drag, 0.95), 'ms', 16),
    figure('survey', 'plain reference: every pair of walls of one level tried, 500 walls', plainPairs(house), 'ms'),
  ];
}

/** What a program without a grid would do: all pairs. */
function plainPairs(house: ReturnType<typeof bigHouse>): number {
  const walls = Object.values(house.walls).filter((wall) => wall.levelId === 'l1') as unknown as FaceSegment[];
  const start = performance.now();
  let meetings = 0;
  for (const one of walls) {
    for (const other of walls) {
      if (one !== other && facesOf([one, other] as FaceSegment[]).looseIds.length === 2) meetings++;
    }
  }
  if (meetings === 0) throw new Error('nothing met');
  return performance.now() - start;
}

const LAYERS = ['WALLS', 'DOORS', 'GLAZING', 'FURNITURE', 'NOTES'];

/** A drawing of 200 000 lines, 20 MB. */
function largeDrawing(): string {
  const out = ['0', 'SECTION', '2', 'HEADER', '9', '$INSUNITS', '70', '4', '0', 'ENDSEC', '0', 'SECTION', '2', 'ENTITIES'];
  const pad = (text: string) => text.padEnd(15, '0');
  for (let n = 0; n < 200_000; n++) {
    const [x, y] = [(n % 500) * 80, Math.floor(n / 500) * 70];
    out.push(
      '0',
      'LINE',
      '5',
      (n + 4096).toString(16),
      '8',
      LAYERS[n % 5],
      '10',
      pad(`${x}.25`),
      '20',
      pad(`${y}.5`),
      '11',
      pad(`${x + 70}.125`),
      '21',
      pad(`${y + (n % 3) * 10}.5`),
    );
  }
  out.push('0', 'ENDSEC', '0', 'EOF');
  return out.join('\n');
}

interface TraceEvent {
  readonly name: string;
  readonly ph: string;
  readonly pid: number;
  readonly id?: string;
  readonly id2?: { readonly local?: string };
  readonly args?: { readonly event_latency?: { readonly event_type?: string } };
  /** Microseconds. */
  readonly ts: number;
}

async function browserFigures(): Promise<Figure[]> {
  const app = await startApp();
  const { page } = await app.person();
  await page.goto(app.url);
  await page.getByRole('button', { name: 'Open the demo firm' }).click();
  await page.getByRole('heading', { name: 'Saltmarsh Granary' }).waitFor();
  const take = async (project: ProjectDocument, name: string): Promise<string> => {
    await page.goto(app.url);
    await page.getByLabel('Import project file').setInputFiles({
      name: 'big.json',
      mimeType: 'application/json',
      buffer: Buffer.from(writeProjectFile({ project: { ...project, project: { ...project.project, name } }, pictures: [] })),
    });
    await page.getByRole('heading', { name }).waitFor({ timeout: 60_000 });
    return new URL(page.url()).pathname.split('/')[2];
  };
  const id = await take(bigHouse(), 'Big house');
  const open = async (address: string, ready: string) => {
    await page.goto(`${app.url}/p/${id}/${address}`);
    await page.locator(ready).first().waitFor({ timeout: 60_000 });
    await page.waitForTimeout(2500);
  };
  /** Times between the pictures that the browser put on the screen during a gesture, from its trace, ms. */
  const frames = async (gesture: () => Promise<unknown>): Promise<number[]> => {
    const browser = page.context().browser()!;
    await browser.startTracing(page, { categories: ['viz'] });
    await gesture();
    const trace = JSON.parse((await browser.stopTracing()).toString()) as { traceEvents: TraceEvent[] };
    const drawn = trace.traceEvents.filter(({ name }) => name === 'Display::DrawAndSwap').map(({ ts }) => ts / 1000);
    drawn.sort((a, b) => a - b);
    if (drawn.length < 40) throw new Error(`only ${drawn.length} pictures in the trace`);
    return drawn.slice(1).map((time, n) => time - drawn[n]);
  };
  /**
   * Zooms in and out, and pans well beyond the edge of what was drawn, with an event in every frame: what asks for no picture
   * cannot show whether one comes in time. In the page as text: what the loader adds to functions does not exist there.
   */
  const panAndZoom = () =>
    page.evaluate(`(async () => {
      const spots = [...Array(400).keys()].map((n) => [560 + (n % 20), 240 + Math.floor(n / 20)]);
      const [x, y] = spots.find((at) => !document.elementFromPoint(...at).closest('.canvas__device, .grab, .run'));
      const target = document.elementFromPoint(x, y);
      const at = (dx, dy) => ({ bubbles: true, cancelable: true, view: window, clientX: x + dx, clientY: y + dy });
      const frame = () => new Promise(requestAnimationFrame);
      for (let n = 0; n < 120; n++) {
        target.dispatchEvent(new WheelEvent('wheel', { ...at(0, 0), deltaY: n % 40 < 20 ? -24 : 24 }));
        await frame();
      }
      target.dispatchEvent(new MouseEvent('mousedown', at(0, 0)));
      for (let n = 0; n < 120; n++) {
        window.dispatchEvent(new MouseEvent('mousemove', at(n * Math.sin(n / 9), 1.5 * n)));
        await frame();
      }
      window.dispatchEvent(new MouseEvent('mouseup', at(0, 0)));
    })()`);
  /** From a move of the pointer to the picture that shows it, as the browser itself counts, ms. Its pointer is captured. */
  const drag = async (x: number, y: number): Promise<number[]> => {
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.mouse.move(x + 10, y + 10);
    await page.waitForTimeout(300);
    const browser = page.context().browser()!;
    await browser.startTracing(page, { categories: ['cc', 'benchmark', 'input'] });
    for (let n = 0; n < 120; n++) await page.mouse.move(x + 2 * n * Math.sin(n / 6), y + 2 * n);
    const trace = JSON.parse((await browser.stopTracing()).toString()) as { traceEvents: TraceEvent[] };
    await page.mouse.up();
    const begun = new Map<string, TraceEvent>();
    const waited: number[] = [];
    for (const event of trace.traceEvents.filter(({ name }) => name === 'EventLatency').sort((p, q) => p.ts - q.ts)) {
      const key = `${event.pid}:${event.id ?? event.id2?.local}`;
      const begin = begun.get(key);
      if (event.ph === 'b') begun.set(key, event);
      else if (begin && /MOUSE_(DRAGGED|MOVED)/.test(begin.args?.event_latency?.event_type ?? ''))
        waited.push((event.ts - begin.ts) / 1000);
    }
    if (waited.length < 60) throw new Error(`only ${waited.length} moves in the trace`);
    return waited;
  };
  /**
   * From a move of the pointer to the picture with the route and the checks of that place, which the worker sends, and the longest
   * that the page was held up while it took the drop in, ms.
   */
  const followed = async (x: number, y: number): Promise<{ routes: number[]; blocked: number }> => {
    await page.evaluate(`(() => {
      window.waits = [];
      let moved = null;
      addEventListener('pointerrawupdate', (event) => (moved = event.timeStamp), { capture: true });
      new MutationObserver((changes) => {
        if (moved === null || !changes.some(({ target }) => target.closest?.('.canvas__drag-picture'))) return;
        const from = moved;
        moved = null;
        requestAnimationFrame(() => setTimeout(() => window.waits.push(performance.now() - from), 0));
      }).observe(document.body, { subtree: true, childList: true, attributes: true, attributeFilter: ['d'] });
      window.tasks = [];
      new PerformanceObserver((list) => list.getEntries().forEach(({ duration }) => window.tasks.push(duration))).observe({ type: 'longtask' });
    })()`);
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.mouse.move(x + 10, y + 10);
    await page.waitForTimeout(500);
    await page.evaluate('window.waits.length = 0');
    for (let n = 0; n < 100; n++) {
      await page.mouse.move(x + n * Math.sin(n / 6), y + n);
      await page.waitForTimeout(40);
    }
    const routes = (await page.evaluate('window.waits')) as number[];
    if (routes.length < 60) throw new Error(`only ${routes.length} routes followed`);
    await page.evaluate('window.tasks.length = 0');
    await page.mouse.up();
    await page.waitForTimeout(1500);
    return { routes, blocked: Math.max(0, ...((await page.evaluate('window.tasks')) as number[])) };
  };
  await open('survey?level=l1', '.survey__survey-foot');
  const survey = await frames(panAndZoom);
  await open('devices?level=l1', '.canvas__plan-canvas .canvas__device');
  const devices = await frames(panAndZoom);
  const wired = await take(wiredHouse(), 'Wired house');
  await page.goto(`${app.url}/p/${wired}/devices?level=l1`);
  await page.locator('.canvas__plan-canvas .canvas__device').first().waitFor({ timeout: 60_000 });
  await page.waitForTimeout(4000);
  const device = (await page.locator('.canvas__plan-canvas .canvas__device').nth(150).boundingBox())!;
  const held = await drag(device.x + device.width / 2, device.y + device.height / 2);
  const next = (await page.locator('.canvas__plan-canvas .canvas__device').nth(200).boundingBox())!;
  const { routes, blocked } = await followed(next.x + next.width / 2, next.y + next.height / 2);
  await page.goto(`${app.url}/p/${id}/survey?level=l0`);
  await page.locator('.survey__survey-foot').waitFor({ timeout: 60_000 });
  await page.waitForTimeout(1500);
  const drawing = Buffer.from(largeDrawing());
  await page.evaluate(
    "document.querySelector('input[type=file]').addEventListener('change', () => (window.began = performance.now()), { capture: true })",
  );
  await page.getByLabel('Add a plan picture').setInputFiles({ name: 'large.dxf', mimeType: 'application/dxf', buffer: drawing });
  await page.locator('.survey__layer-table').waitFor({ timeout: 60_000 });
  const openMs = (await page.evaluate('performance.now() - window.began')) as number;
  await app.close();
  return [
    figure('survey', 'pan and zoom of that house in Survey, 95th percentile between frames', percentile(survey, 0.95), 'ms', 25),
    figure(
      'survey',
      'pan and zoom of that house in Devices, 750 devices in sight, 95th percentile',
      percentile(devices, 0.95),
      'ms',
      25,
    ),
    figure(
      'survey',
      'a device dragged in that house with 3 000 runs: pointer to picture, 95th percentile',
      percentile(held, 0.95),
      'ms',
      33,
    ),
    figure(
      'survey',
      'its route and its checks, which follow from the worker: pointer to picture, median',
      percentile(routes, 0.5),
      'ms',
    ),
    figure('survey', 'the same, 95th percentile', percentile(routes, 0.95), 'ms'),
    figure('survey', 'longest the page is held up when it is let go and everything is worked out', blocked, 'ms'),
    figure('survey', `a drawing of 200 000 lines, ${(drawing.length / 1e6).toFixed(0)} MB, opened`, openMs / 1000, 's', 4),
  ];
}

/** Houses of a drawing that has everything on one layer, to each side. */
const HOUSES = 8;

/** Walls found among everything that many houses on one layer are drawn with. */
function proposalFigures(): Figure[] {
  const plan = mixedPlan();
  const read = readDxf(plan.dxf);
  if (!read.ok) throw new Error(read.problem.code);
  const one = proposalInput(read.value, read.value.metresPerUnit!, [plan.wallLayer], []);
  const lines: [Point2, Point2][] = [];
  for (let i = 0; i < HOUSES; i++)
    for (let j = 0; j < HOUSES; j++)
      for (const line of one.lines) lines.push(line.map(([x, y]): Point2 => [x + i * 25, y + j * 20]) as [Point2, Point2]);
  const start = performance.now();
  const { walls } = proposeWalls({ ...one, lines, arcs: [] });
  const seconds = (performance.now() - start) / 1000;
  return [
    figure('survey', `walls found among ${lines.length} lines of one layer`, seconds, 's', 10),
    figure(
      'survey',
      'walls of these that are none, or are missing',
      Math.abs(walls.length - HOUSES ** 2 * plan.walls.length),
      '',
      0,
    ),
  ];
}

export async function benchSurvey(): Promise<Figure[]> {
  return [...coreFigures(), ...proposalFigures(), ...(await browserFigures())];
}

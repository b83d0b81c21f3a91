import { runCalculator } from '../../core/calculators/index.ts';
import { create, newFeature, type ProjectDocument, update } from '../../core/model/index.ts';
import { countedIds, applied, smallHouse, withDevices } from '../../core/testing/index.ts';
import { channelsOf } from '../../core/brief/index.ts';
import { dragDraft } from '../../core/deltas/index.ts';
import { type LayoutProblem, pressureMap, seatsOf, shiftInTheatre, solveLayout, theatreOf } from '../../core/theatre/index.ts';
import { figure, type Figure, percentile } from './figure.ts';

const SIDES: readonly [number, number, number] = [6, 4.4, 2.5];
const FREQUENCIES = Array.from({ length: 181 }, (_, n) => 20 + n);
const SUBWOOFER = { at: [0, 2.2, 0] as const, gain: 1, delayS: 0 };
const MAPS = 9;
const PLAIN_PLACES = 12;
const DRAGS = 200;

/** A room with a display, eleven channels and two rows of three seats. */
function screeningRoom(): ProjectDocument {
  const speakers = [
    ...(['front-left', 'center', 'front-right'] as const).map((channel, n) => ({ channel, at: [1 + n * 1.55, 4.04] })),
    ...(['surround-left', 'surround-right'] as const).map((channel, n) => ({ channel, at: [0.06 + n * 4.98, 2] })),
    ...(['rear-left', 'rear-right'] as const).map((channel, n) => ({ channel, at: [1.4 + n * 2.3, 0.06] })),
    ...(['top-front-left', 'top-front-right', 'top-rear-left', 'top-rear-right'] as const).map((channel, n) => ({
      channel,
      at: [1.5 + (n % 2) * 2.1, n < 2 ? 2.8 : 0.8],
    })),
  ];
  const { project, devices } = withDevices(
    smallHouse(),
    [
      { typeId: 'display', at: [2.55, 4.04], heightM: 1.2 },
      ...speakers.map(({ channel, at }) => ({
        typeId: channel.startsWith('top') ? 'theatre-ceiling-speaker' : 'wall-speaker',
        at: at as [number, number],
      })),
    ],
    countedIds(),
  );
  const rows = [1.9, 0.9].map((y, n) =>
    create(
      'features',
      newFeature({
        id: `row${n}`,
        levelId: 'm',
        kind: 'seat-row',
        points: [[2.55, y]],
        widthM: 2.1,
        depthM: 0.9,
        bottomM: n * 0.3,
        topM: 1.3,
      }),
    ),
  );
  const channels = devices.slice(1).flatMap((device, n) => update('devices', device, { channel: speakers[n].channel }) ?? []);
  return applied(project, [...channels, ...rows]);
}

const PLACES = 12;

/** A 7.2.6 layout in a room of 6.0 by 4.4 by 2.5 m with two rows, and twelve places for each channel on the surface it belongs to. */
function layoutProblem(house: ProjectDocument): LayoutProblem {
  const channels = channelsOf('7.2.6')!.map((channel) => ({
    channel,
    pinned: null,
    places: Array.from({ length: PLACES }, (_, n) => {
      const share = (n + 0.5) / PLACES;
      const side = channel.endsWith('left') ? -1 : channel.endsWith('right') ? 1 : 0;
      const aside = 2.2 + side * 2.2 * share;
      const at: [number, number, number] = channel.startsWith('top')
        ? [2.2 + side * (0.6 + 1.4 * share), channel.includes('front') ? 4.4 : channel.includes('rear') ? 1 : 2.6, 2.5]
        : channel.startsWith('surround')
          ? [2.2 + side * 2.2, 1 + 3 * share, 1.2]
          : channel.startsWith('rear')
            ? [aside, 0, 1.2]
            : [side === 0 ? 2.2 + 0.1 * (n - PLACES / 2) : aside, 6, 1];
      return { at, work: n % 5, refused: null };
    }),
  }));
  const seats = seatsOf(house, house.rooms.a, null);
  return { layout: '7.2.6', seats, facingDeg: 0, middle: [2.2, 6], blocks: [], channels, workBudget: 20, leastApartM: 0.3 };
}

/** The low-frequency map of a theatre, and its figures while a speaker is dragged. */
export function theatreFigures(): Figure[] {
  const room = { sidesM: SIDES, t60S: 0.5, subwoofers: [SUBWOOFER] };
  const maps: number[] = [];
  let cells = 0;
  for (let n = 0; n < MAPS; n++) {
    const start = performance.now();
    const { columns, rows } = pressureMap(room, 1, 0.1, FREQUENCIES);
    maps.push(performance.now() - start);
    cells = columns * rows;
  }
  const start = performance.now();
  for (let n = 0; n < PLAIN_PLACES; n++) {
    const [lengthM, widthM, heightM] = SIDES;
    const seat = [(n * lengthM) / PLAIN_PLACES, widthM / 3, 1];
    const input = { lengthM, widthM, heightM, seat, subs: [{ at: SUBWOOFER.at }], frequenciesHz: FREQUENCIES };
    const result = runCalculator('modal-response', input);
    if (!result.ok) throw new Error(result.problem.code);
  }
  const plainMs = ((performance.now() - start) / PLAIN_PLACES) * cells;
  const house = screeningRoom();
  const moves: number[] = [];
  for (let n = 0; n < DRAGS; n++) {
    const device = Object.values(house.devices)[1];
    const from = performance.now();
    // As the page does while a speaker is dragged: where it comes to hang, a draft over the house, all figures.
    const thing = { kind: 'device', id: device.id } as const;
    const shifted = shiftInTheatre(house, house.rooms.a, thing, { asideM: n * 0.001, awayM: 0, upM: 0 });
    const moved = shifted.ok ? dragDraft(house, shifted.value) : null;
    if (!moved) throw new Error('the speaker cannot be dragged');
    theatreOf(moved, moved.rooms.a);
    moves.push(performance.now() - from);
  }
  const given = layoutProblem(house);
  const solveFrom = performance.now();
  const solved = solveLayout(given);
  const solveS = (performance.now() - solveFrom) / 1000;
  const map = percentile(maps, 0.5);
  return [
    figure('theatre', `low-frequency map of ${cells} places, 20 to 200 Hz`, map, 'ms', 300),
    figure('theatre', 'all figures of eleven channels and six seats, 95th percentile', percentile(moves, 0.95), 'ms', 8),
    figure('theatre', `a 7.2.6 layout solved, twelve places a channel, ${solved.judged} choices judged`, solveS, 's', 2),
    figure('theatre', 'the map as a share of the plain triple sum', map / plainMs, '', 0.1),
    figure('theatre', 'plain reference: the triple sum at every place', plainMs, 'ms'),
  ];
}

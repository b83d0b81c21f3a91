import { expect } from 'chai';
import { channelCode } from '../../brief/index.ts';
import { SURROUND_CHANNELS, type SurroundChannel } from '../../model/index.ts';
import { smallTheatre } from '../../testing/index.ts';
import { theatreSheet, type TheatreSheetWords, theatreTables } from './theatre-sheet.ts';

const words: TheatreSheetWords = {
  place: {
    outside: (wall: string) => `outside ${wall}`,
    inWall: (room: string, wall: string) => `${room} ${wall} wall`,
    fromWall: (distance: string, side: string) => `${distance} from ${side}`,
    fromCorner: (distance: string, side: string) => `${distance} from corner ${side}`,
    notMeasured: 'not measured',
  } as unknown as TheatreSheetWords['place'],
  channels: Object.fromEntries(SURROUND_CHANNELS.map((one) => [one, one])) as Record<SurroundChannel, string>,
  ...{
    atCeiling: 'ceiling',
    down: 'down',
    codeOf: channelCode,
    hidden: 'hidden',
    rowChannel: 'channel',
    lights: 'lights',
    screenLights: 'apart',
  },
  trades: { framer: 'framer', electrician: 'electrician' },
  reference: (seat) => `${seat} ref`,
  turned: (turn, tilt) => `${turn} ${tilt}`,
  lead: (beside, within) => `lead ${beside} ± ${within}`,
  riser: (row, rise) => `riser ${row} ${rise}`,
  steps: (count, rise, run) => `${count} x ${rise} x ${run}`,
  stepLights: (row) => `lights ${row}`,
  rowOutlet: (row) => `outlet ${row}`,
  hang: (kg, newtons, isOverhead) => `${kg} kg ${newtons} N ${isOverhead ? 'over' : 'wall'}`,
  outlet: (watts) => `${watts} W`,
  frontWall: 'front wall',
  panels: (count, width, height, kg, standOff) => `${count} x ${width} x ${height} ${kg} kg ${standOff} off`,
  panelOpening: 'opens',
  columns: (depth) => `columns ${depth}`,
  projectorPlate: (lags, newtons) => `${lags} lags ${newtons} N`,
  drapes: (count) => `${count} drapes`,
};

const house = smallTheatre({
  picture: { isScreen: true },
  projector: { y: 0.8, heightM: 2.2 },
  speakers: [
    ['front-left', 1],
    ['front-right', 4.2],
  ],
  seats: [
    [2.6, 2.4],
    [2.6, 0.9, 0.4],
  ],
  aim: { layout: '2.0' },
});

describe('the sheet of a theatre', () => {
  it('draws three views to one scale that fits the paper, inside its frame', () => {
    for (const paper of ['A4', 'A3', 'Tabloid'] as const) {
      const found = theatreSheet(house, 'a', paper, channelCode);
      if (!found.ok) throw new Error(found.problem.code);
      const { marks, scale, widthMm, heightMm, marginMm, titleBlockMm } = found.value;
      expect(marks.filter(({ kind }) => kind === 'title')).to.have.length(3);
      for (const mark of marks)
        for (const [x, y] of 'points' in mark ? mark.points : [mark.at]) {
          expect(x, mark.kind).to.be.within(marginMm, widthMm - marginMm);
          expect(y, mark.kind).to.be.within(marginMm + titleBlockMm, heightMm - marginMm);
        }
      // From face to face the room is 4.98 m wide: so much of the paper at the scale.
      const [room] = marks.filter(({ kind }) => kind === 'room');
      const xs = ('points' in room ? room.points : []).map(([x]) => x);
      expect(Math.max(...xs) - Math.min(...xs)).to.be.closeTo(4980 / scale, 1e-6);
    }
    const none = theatreSheet(house, 'gone', 'A3', channelCode);
    expect(none.ok ? 'made' : none.problem.code).to.equal('record-gone');
  });

  it('has a line for each speaker, seat, picture and work', () => {
    const tables = theatreTables(house, 'a', words);
    expect(tables.map(({ section, rows }) => [section, rows.length])).to.deep.equal([
      ['speakers', 2],
      ['seats', 2],
      ['pictures', 2],
      ['works', 9],
    ]);
    const [[left], seats, [screen, projector], works] = tables.map(({ rows }) => rows);
    // 1.60 m aside and 1.64 m ahead.
    expect(left[6]).to.equal('-44°');
    expect(left[5]).to.equal('216 mm × 305 mm');
    expect(seats[0][0]).to.equal('1 ref');
    expect(screen[1]).to.equal('2.78 m × 1.564 m');
    expect(projector[1]).to.match(/^2\.89 m \(2\.78 m – 3\.475 m\)$/);
    const flat = works.map((row) => row.join(' | '));
    expect(flat).to.include('framer | riser 2 0.40 m | 2 x 0.133 m x 0.254 m');
    expect(flat).to.include('electrician | lights 2 | ');
    // 12 kg overhead by the factor of ten.
    expect(flat.find((line) => line.startsWith('framer | Projector |'))).to.equal('framer | Projector | 12 kg 1177 N over');
  });
});

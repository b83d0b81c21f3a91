import { expect } from 'chai';
import { spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { drawnPlans } from '../../core/testing/drawn-plans.ts';
import { runCommand } from './commands.ts';

const DEMO = join(import.meta.dirname, '../../demo');
const run = (...args: string[]) => runCommand(args, (path, encoding = 'utf8') => readFileSync(path, encoding));
const demo = (name: string) => join(DEMO, `${name}.spool.json`);

describe('the command line', () => {
  it('prints the schedule as CSV and as JSON, the same runs in both', () => {
    const csv = run('schedule', demo('saltmarsh-granary'), '--csv');
    const { runs, totals } = JSON.parse(run('schedule', demo('saltmarsh-granary'), '--json').out) as {
      runs: { number: string; points: number[][] }[];
      totals: object[];
    };
    const lines = csv.out.trim().split('\r\n');
    expect(csv.status).to.equal(0);
    expect(lines.slice(1).map((line) => line.split(',')[0])).to.deep.equal(runs.map((r) => r.number));
    expect(runs.every((r) => r.points.length >= 2)).to.equal(true);
    expect(totals.length).to.be.greaterThan(5);
  });

  it('ends with 1 where a finding is a stop, else with 0', () => {
    const stopped = run('check', demo('merrowfen-landing'), '--json', '--today=2026-11-25');
    expect(stopped.status).to.equal(1);
    const { counts, findings } = JSON.parse(stopped.out) as {
      counts: { stop: number };
      findings: { rank: string; sentence: string; cures: { words: string }[] }[];
    };
    expect(counts.stop).to.equal(1);
    expect(findings[0].sentence).to.match(/is copper-clad aluminum/);
    expect(findings[0].cures[0].words).to.match(/Category 6A/);
    expect(run('check', demo('saltmarsh-granary'), '--today=2026-11-25').status).to.equal(0);
  });

  it('checks as of a day: what was not tested before drywall is an error after it', () => {
    const codes = (day: string) =>
      (
        JSON.parse(run('check', demo('merrowfen-landing'), '--json', `--today=${day}`).out) as { findings: { code: string }[] }
      ).findings.map(({ code }) => code);
    expect(codes('2026-11-25')).to.not.include('closed-unpulled');
    expect(codes('2028-01-01')).to.include.members(['closed-unpulled', 'closed-untested']);
    expect(run('check', demo('merrowfen-landing'), '--today=soon').error).to.match(/^--today: .*2026-11-29/);
  });

  it('lists every rule and every calculator', () => {
    const rules = JSON.parse(run('check', '--list', '--json').out) as { id: string }[];
    expect(rules.map((rule) => rule.id)).to.include('speaker-cable-loss');
    const calculators = JSON.parse(run('calc', '--list', '--json').out) as { name: string; input: { properties: object } }[];
    expect(calculators.find((c) => c.name === 'speaker-cable-loss')!.input.properties).to.have.property('lengthM');
  });

  it('shows the way to an answer where it is asked for', () => {
    const shown = JSON.parse(run('calc', 'coax-loss', '{"kind":"rg6","frequencyMhz":650,"lengthM":30}', '--steps').out) as {
      lossDb: number;
      steps: string[];
    };
    expect(shown.lossDb).to.be.closeTo(5.21, 5e-3);
    expect(shown.steps[1]).to.match(/^30 m: 5\.20\d dB/);
  });

  it('calculates, and names the field of bad input with status 2', () => {
    const w2 = JSON.parse(run('calc', 'speaker-cable-loss', '{"lengthM":25,"gaugeAwg":14,"loadOhm":8}').out) as {
      lossDb: number;
    };
    expect(w2.lossDb).to.be.closeTo(0.447, 5e-4);
    const missing = run('calc', 'speaker-cable-loss', '{"gaugeAwg":14,"loadOhm":8}');
    expect([missing.status, missing.error]).to.deep.equal([2, 'lengthM: lengthM is missing. Give it a value.']);
    expect(run('calc', 'wire-resistance', '{"gaugeAwg":60}').error).to.match(/^gaugeAwg: AWG 60/);
    expect(run('calc', 'speaker-cable-loss', '{lengthM}').status).to.equal(2);
    expect(run('calc', 'nothing', '{}').error).to.contain('nothing');
  });

  it('writes the canonical file, converts lengths, and refuses what it cannot read', () => {
    const text = readFileSync(demo('tollgate-cottage'), 'utf8');
    expect(run('convert', demo('tollgate-cottage')).out).to.equal(text);
    expect(JSON.parse(run('convert', `5' 6 1/2"`).out)).to.deep.equal({ lengthM: 1.6891 });
    expect(run('convert', 'x y').error).to.match(/^LENGTH: /);
    expect(run('schedule', 'nowhere.json')).to.include({ status: 2 });
    expect(runCommand(['check', 'f'], () => '{"format":"other"}').error).to.match(/^format: /);
    expect(run('paint').status).to.equal(2);
  });

  it('tells what follows from the ways: bundles, fill, spare conduits, seals, screed, supports', () => {
    const out = run('cabling', demo('saltmarsh-granary')).out;
    expect(out).to.match(/^Bundles\nBundle\tTo\tCables/);
    expect(out).to.match(/^Conduit in the floor · To the seats\tLower\t18 mm\t0\t0 %\t40 %/m);
    expect(out).to.match(/\d+ penetrations open\n?$/);
    const report = JSON.parse(run('cabling', demo('saltmarsh-granary'), '--json').out) as { bundles: { numbers: string[] }[] };
    expect(report.bundles.every(({ numbers }) => numbers.length > 1)).to.equal(true);
    // A finished house: what is opened, and both prices.
    const flat = run('cabling', demo('ropewalk-flat')).out;
    expect(flat).to.match(/^Surface or in the wall$/m);
    expect(flat).to.match(/^Opened and patched$/m);
  });

  it('tells the way and the holes of every run, and that shared ways need fewer', () => {
    interface Ways {
      runs: { number: string; riseM: number; runM: number; dropM: number; points: number[][]; holes: object[] }[];
      totals: { member: string; holes: number }[];
      work: Record<'now' | 'then', { hours: number; places: number }> | null;
    }
    const pathways = (...flags: string[]) => JSON.parse(run('ways', demo('saltmarsh-granary'), ...flags, '--json').out) as Ways;
    const [apart, together] = [pathways(), pathways('--shared')];
    expect(apart.work).to.equal(null);
    expect(together.work!.then.hours).to.be.lessThan(together.work!.now.hours);
    expect(together.work!.then.places).to.be.lessThan(together.work!.now.places);
    const count = ({ totals }: Ways) => totals.reduce((sum, { holes }) => sum + holes, 0);
    expect(count(together)).to.be.lessThan(count(apart));
    for (const { points, riseM, runM, dropM } of apart.runs) {
      const along = points.slice(1).map((q, k) => Math.hypot(...q.map((value, axis) => value - points[k][axis])));
      expect(along.reduce((sum, lengthM) => sum + lengthM, 0)).to.be.closeTo(riseM + runM + dropM, 1e-6);
    }
    expect(run('ways', demo('ropewalk-flat')).out).to.match(/^\S+ {2}\d+\.\d\d m \(up .*top plate/m);
  });

  it('reports the brief of every room and outdoor area, open decisions with prepared cables, and the package', () => {
    const report = JSON.parse(run('brief', demo('saltmarsh-granary'), '--json', '--today=2026-11-29').out) as {
      cost: { now: number };
      places: {
        name: string;
        isOutdoors: boolean;
        cost: number;
        answers: { topic: string; layout: string; missing: number }[];
      }[];
      decisions: { subject: string; prepared: string[]; missing: string[] }[];
      package: { missing: unknown[]; work: unknown[] };
    };
    expect(report.places.filter(({ isOutdoors }) => isOutdoors).map(({ name }) => name)).to.include('Creek terrace');
    expect(report.places.reduce((sum, { cost }) => sum + cost, 0)).to.be.closeTo(report.cost.now, 1e-6);
    const surround = report.places
      .find(({ name }) => name === 'Screening room')!
      .answers.find(({ topic }) => topic === 'surround')!;
    expect(surround).to.include({ layout: '7.2.4', missing: 0 });
    expect(report.decisions.map(({ missing }) => missing)).to.deep.equal([[], [], []]);
    expect(report.decisions.flatMap(({ prepared }) => prepared)).to.have.length.greaterThan(6);
    expect(report.package.missing).to.not.deep.equal([]);
    expect(run('brief', demo('saltmarsh-granary')).out).to.match(/^ {2}Surround: Wanted, 7\.2\.4, 13 on the plan$/m);
  });

  it('tells what ends at each head end, and the rules that say so', () => {
    const report = JSON.parse(run('head-ends', demo('tollgate-cottage'), '--json').out) as {
      headEnds: { name: string; systems: { system: string; runs: number; cutLengthM: number }[] }[];
      rules: { family: string; headEnd: string }[];
    };
    const totals = JSON.parse(run('schedule', demo('tollgate-cottage'), '--json').out) as {
      runs: { to: string; cutLengthM: number }[];
    };
    for (const { name, systems } of report.headEnds) {
      const home = totals.runs.filter(({ to }) => to === name);
      expect(
        systems.reduce((sum, { runs }) => sum + runs, 0),
        name,
      ).to.equal(home.length);
      expect(systems.reduce((sum, { cutLengthM }) => sum + cutLengthM, 0)).to.be.closeTo(
        home.reduce((sum, { cutLengthM }) => sum + cutLengthM, 0),
        1e-6,
      );
    }
    expect(report.rules.find(({ family }) => family === 'sec_4')?.headEnd).to.equal('Security panel');
    expect(run('head-ends', demo('tollgate-cottage')).out).to.match(
      /^Cupboard enclosure \(In-wall enclosure; the wall behind it\)$/m,
    );
  });

  it('tells the spools to buy, on which of them each run is, once, and a bill that adds up', () => {
    const plan = JSON.parse(run('order', demo('saltmarsh-granary'), '--json').out) as {
      cables: { spools: { cutIds: string[] }[]; answer: { costCents: number } }[];
      pulls: { cuts: { runId: string; key: string }[] }[];
      costCents: number;
      boundCents: number;
      bill: { lines: { sumCents: number | null }[]; totalCents: number };
    };
    const cut = plan.cables.flatMap(({ spools }) => spools.flatMap(({ cutIds }) => cutIds));
    expect(new Set(cut).size).to.equal(cut.length);
    expect(plan.pulls.flatMap(({ cuts }) => cuts.map(({ runId }) => runId)).sort()).to.deep.equal(cut.sort());
    expect(plan.costCents).to.equal(plan.cables.reduce((sum, { answer }) => sum + answer.costCents, 0));
    expect(plan.costCents / plan.boundCents).to.be.at.most(1.02);
    expect(plan.bill.lines.reduce((sum, { sumCents }) => sum + (sumCents ?? 0), 0)).to.equal(plan.bill.totalCents);
    expect(run('order', demo('saltmarsh-granary')).out).to.match(
      /^\d+ spools to buy: [\d ]+\.\d\d EUR, \d\.\d % over the lower bound$/m,
    );
  });

  it('lists what is pulled next and what is open at the close of the day', () => {
    const file = demo('saltmarsh-granary');
    const day = JSON.parse(run('field', file, '--json').out) as {
      done: number;
      all: number;
      pulls: { runs: { run: { number: string }; cutM: number }[] }[];
      close: { bareEnds: object[]; done: number };
    };
    const order = JSON.parse(run('order', file, '--json').out) as { pulls: { cuts: { number: string }[] }[] };
    const numbersIn = (lists: readonly (readonly string[])[]) => lists.flat().sort();
    expect(numbersIn(day.pulls.map(({ runs }) => runs.map((one) => one.run.number)))).to.deep.equal(
      numbersIn(order.pulls.map(({ cuts }) => cuts.map(({ number }) => number))),
    );
    expect([day.done, day.close.done, day.close.bareEnds.length]).to.deep.equal([0, 0, 0]);
    expect(run('field', file).out).to.match(/^0 of \d+ runs pulled, 0\.0 m in the walls/);
  });

  it('tells each head end with its ports, cords and budgets, and what one loss stops', () => {
    const { headEnds } = JSON.parse(run('head-end', demo('saltmarsh-granary'), '--json').out) as {
      headEnds: {
        rack: { name: string };
        open: object[];
        needs: object[];
        schedule: object[];
        ports: { kind: string; needed: number; used: number }[];
      }[];
    };
    expect(headEnds.map(({ rack, open }) => [rack.name, open.length])).to.deep.equal([['Rack A', 0]]);
    expect(headEnds[0].schedule).to.have.length(headEnds[0].needs.length);
    for (const { kind, needed, used } of headEnds[0].ports) expect(used, kind).to.equal(needed);
    expect(run('head-end', demo('ropewalk-flat')).out).to.match(/enclosure, a rack advised: 42 in, \d+ \(amplifiers/);
    const lost = JSON.parse(run('head-end', demo('saltmarsh-granary'), '--without=Network switch, 48 PoE', '--json').out) as {
      runs: string[];
      equipment: object[];
    };
    expect(lost.runs).to.include('M-EX-01.1');
    expect(lost.equipment).to.deep.equal([]);
    const quiet = JSON.parse(
      run('head-end', demo('saltmarsh-granary'), '--without=Audio matrix, 8 sources × 16 zones', '--json').out,
    ) as { runs: string[] };
    expect(quiet.runs).to.include('M-GR-01.1');
    const told = run('head-end', demo('saltmarsh-granary')).out;
    expect(told).to.match(/^zone Great room: M-GR-01\.1 .*, 200 W$/m);
    expect(told).to.match(/^signal Media player -> Great room, over the fireplace: matrix$/m);
    expect(told).to.match(/^coax Provider -> M-ST-01\.3: 6\d\.\d to 6\d\.\d dBuV, good$/m);
    expect(told).to.match(/^alarm Alarm panel, 16 zones: 5 zones, /m);
    expect(run('head-end', demo('saltmarsh-granary'), '--without=nothing')).to.deep.include({ status: 2 });
    expect(run('head-end', demo('saltmarsh-granary'), '--rf=cable-modem:55:1000:70:68').out).to.match(
      /M-ST-01\.3 +6\d\.\d to 6\d\.\d dBuV/,
    );
    expect(run('head-end', demo('saltmarsh-granary'), '--rf=cable-modem:55').status).to.equal(2);
  });

  it('tells a room as a theatre, and what a design of it would change', () => {
    const { rooms } = JSON.parse(run('theatre', demo('saltmarsh-granary'), '--json').out) as {
      rooms: { room: string; layout: string; channels: object[]; seats: object[]; projections: { throwFit: string }[] }[];
    };
    expect(rooms.map(({ room, layout, channels, seats }) => [room, layout, channels.length, seats.length])).to.deep.equal([
      ['Screening room', '7.2.4', 13, 7],
    ]);
    expect(run('theatre', demo('saltmarsh-granary')).out).to.match(
      /projector 4\.2\d m from the screen of 3\.78 to 5\.74 \(inside\)/,
    );
    const flat = run('theatre', demo('ropewalk-flat'), '--design');
    expect(flat.status).to.equal(0);
    expect(flat.out).to.match(/Living room: score - as placed, \d+\.\d as designed/);
    expect(flat.out).to.match(/surround-left +placed .*refused: .*mount-no-cavity/);
    const { rooms: designs } = JSON.parse(run('theatre', demo('ropewalk-flat'), '--design', '--json').out) as {
      rooms: { design: { channels: object[] } }[];
    };
    expect(designs[0].design.channels).to.have.length(5);
  });

  it('tells the rooms of a house with areas that sum, and what is not measured', () => {
    const { levels } = JSON.parse(run('rooms', demo('ropewalk-flat'), '--json').out) as {
      levels: { grossM2: number; footprintM2: number; rooms: { code: string; netM2: number }[]; open: string[] }[];
    };
    const [flat] = levels;
    expect(flat.rooms.map(({ code }) => code).sort()).to.include.members(['BA', 'BD', 'HL', 'KT', 'LV', 'ST']);
    expect(flat.rooms.reduce((sum, room) => sum + room.netM2, flat.footprintM2)).to.be.closeTo(flat.grossM2, 1e-3);
    // 11 x 8 m on centre lines with walls of 0.24 m: 11.24 x 8.24.
    expect(flat.grossM2).to.be.closeTo(11.24 * 8.24, 0.01);
    const asked = JSON.parse(run('questions', demo('ropewalk-flat'), '--json').out) as {
      questions: { state: string }[];
      missing: unknown[];
    };
    expect(asked.questions.filter(({ state }) => state === 'not-known')).to.have.length(1);
    expect(asked.missing).to.deep.equal([]);
  });

  it('reads a drawing and proposes its walls, and names what is missing or wrong', () => {
    const [plan] = drawnPlans();
    const from = (text: string, ...args: string[]) => runCommand(args, () => text);
    const { layers, metresPerUnit } = JSON.parse(from(plan.dxf, 'drawing', 'a.dxf', '--json').out) as {
      layers: { name: string }[];
      metresPerUnit: number;
    };
    expect([layers.map(({ name }) => name), metresPerUnit]).to.deep.equal([['OPENINGS', 'WALLS'], 0.001]);
    const { walls } = JSON.parse(from(plan.dxf, 'propose', 'a.dxf', '--walls=WALLS', '--openings=OPENINGS', '--json').out) as {
      walls: object[];
    };
    expect(walls).to.have.length(7);
    expect(from(plan.dxf, 'propose', 'a.dxf', '--walls=MUR'))
      .to.include({ status: 2 })
      .and.property('error')
      .to.match(/--walls: there is no layer MUR/);
    expect(from(plan.dxf, 'propose', 'a.dxf', '--walls=WALLS', '--unit=ell').error).to.match(/--unit/);
    expect(from(plan.dxf.replace('$INSUNITS\n70\n4', '$INSUNITS\n70\n0'), 'propose', 'a.dxf', '--walls=WALLS').error).to.match(
      /does not say in which unit/,
    );
    expect(from('', 'drawing', 'a.dxf').status).to.equal(2);
  });

  it('holds a revised drawing to a level and says what it touches', () => {
    const project = readFileSync(demo('ropewalk-flat'), 'utf8');
    const from = (dxf: string, ...args: string[]) =>
      runCommand(['revised', 'house', 'a.dxf', '--walls=WALLS', ...args], (path) => (path === 'house' ? project : dxf));
    const [plan] = drawnPlans();
    const { pieces, rooms } = JSON.parse(from(plan.dxf, '--json').out) as {
      pieces: { kind: string; devices: string[]; runs: string[] }[];
      rooms: object[];
    };
    // Another house altogether: its walls are new, and those of the flat gone with what hangs on them.
    expect(pieces.map(({ kind }) => kind)).to.include.members(['wall-new', 'wall-gone']);
    expect(pieces.some(({ kind, devices, runs }) => kind.startsWith('wall') && devices.length > 0 && runs.length > 0)).to.equal(
      true,
    );
    expect(rooms).to.not.have.length(0);
    expect(from(plan.dxf, '--level=Z').error).to.match(/^--level: .*must be one of/);
    expect(from(plan.dxf).out.split('\n')[0]).to.match(/^wall-\w+ +\S+ \S+ {2}\d+ devices, \d+ runs$/);
  });

  it('reads a table of rooms and tells its lines that cannot be taken', () => {
    const project = readFileSync(demo('ropewalk-flat'), 'utf8');
    const from = (csv: string, ...args: string[]) =>
      runCommand(['table', 'house', 'a.csv', ...args], (path) => (path === 'house' ? project : csv));
    const { rooms, problems } = JSON.parse(from('room;width [cm];depth [cm]\nHall;420;310\nSnug;wide;310', '--json').out) as {
      rooms: { name: string; widthM: number }[];
      problems: { line: number; code: string }[];
    };
    expect(rooms.map(({ name, widthM }) => [name, widthM])).to.deep.equal([['Hall', 4.2]]);
    expect(problems.map(({ line, code }) => [line, code])).to.deep.equal([[3, 'table-cell']]);
    expect(from('room,width,depth\nHall,4.2,3.1')).to.include({ status: 0, out: 'Hall                     4.2 x 3.1 m' });
    expect(from('').status).to.equal(2);
    expect(from('room,width,depth\nHall,4.2,3.1', '--unit=ell').error).to.match(/^--unit/);
  });
});

describe('a reader that stops reading', () => {
  it('ends the command line quietly', async () => {
    const command = spawn(
      process.execPath,
      ['--import', 'tsx', join(import.meta.dirname, 'main.ts'), 'schedule', demo('saltmarsh-granary'), '--json'],
      {
        stdio: ['ignore', 'pipe', 'pipe'],
      },
    );
    let said = '';
    command.stderr.on('data', (text: Buffer) => (said += text.toString()));
    // The first bytes come, then the pipe is closed from this side.
    command.stdout.once('data', () => command.stdout.destroy());
    const status = await new Promise((resolve) => command.once('close', resolve));
    expect(said).not.to.match(/EPIPE|at |Error/);
    expect(status).to.equal(0);
  }).timeout(60_000);
});

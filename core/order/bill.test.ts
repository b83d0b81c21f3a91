import { expect } from 'chai';
import { listOf } from '../derive/index.ts';
import { type ProjectDocument, removeWithDependants, update } from '../model/index.ts';
import { planRuns } from '../runs/index.ts';
import { applied, designedHouse, randomHouse } from '../testing/index.ts';
import { BILL_WASTE, type Bill, billOf } from './bill.ts';
import { centsOf } from './money.ts';
import { drawFrom } from '../math/index.ts';
import { planSpoolsOf } from './plan-spools.ts';

const at = (typeId: string, x: number, y = 0.05) => ({ typeId, at: [x, y] as [number, number] });
const house = designedHouse([
  ...[at('ceiling-speaker', 1, 2), at('ceiling-speaker', 2, 2), at('network-drop', 3), at('camera', 4, -0.05), at('display', 2)],
]);
const bill = (project: ProjectDocument): Bill => billOf(project, planSpoolsOf(project));
const line = (project: ProjectDocument, key: string) => bill(project).lines.find((one) => one.key === key)!;

/** Whether the sums are those of the lines to the cent, each line is whole cents, and every cause is a record that is there. */
function faults(project: ProjectDocument): string[] {
  const { lines, totalCents, byPart, unpriced } = bill(project);
  const wrong: string[] = [];
  const sum = lines.reduce((total, { sumCents }) => total + (sumCents ?? 0), 0);
  if (sum !== totalCents || byPart.reduce((total, { sumCents }) => total + sumCents, 0) !== totalCents) wrong.push('total');
  if (new Set(lines.map(({ key }) => key)).size !== lines.length) wrong.push('twice');
  if (lines.filter(({ sumCents }) => sumCents === null).length !== unpriced) wrong.push('unpriced');
  for (const { key, eachCents, sumCents, count, fitted, causes, part } of lines) {
    if (eachCents !== null && (!Number.isInteger(eachCents) || sumCents !== eachCents * count)) wrong.push(`${key}: money`);
    if (!Number.isInteger(count) || count < fitted || count > fitted * (1 + BILL_WASTE[part]) + 1) wrong.push(`${key}: pieces`);
    if (causes.length === 0 || causes.some((one) => !(one.id in project[one.in]))) wrong.push(`${key}: causes`);
  }
  return wrong;
}

describe('a bill of materials', () => {
  it('adds up to the cent, each line for records that are there, in random houses too', () => {
    expect(faults(house)).to.deep.equal([]);
    for (let seed = 1; seed <= 8; seed++) expect(faults(randomHouse(drawFrom(seed))), `house ${seed}`).to.deep.equal([]);
  });

  it('has every fitted device once, at its price', () => {
    const { lines } = bill(house);
    const devices = lines.filter(({ part }) => part === 'device').flatMap(({ causes }) => causes.map(({ id }) => id));
    expect(devices.sort()).to.deep.equal(
      listOf(house, 'devices')
        .filter(({ fitting }) => fitting === 'fitted')
        .map(({ id }) => id)
        .sort(),
    );
    const speakers = line(house, 'device ceiling-speaker');
    expect([speakers.fitted, speakers.count, speakers.sumCents]).to.deep.equal([
      2,
      2,
      2 * centsOf(house.deviceTypes['ceiling-speaker'].price),
    ]);
  });

  it('buys cable as the spools say, labels for both ends, and connectors with what goes lost', () => {
    const plan = planSpoolsOf(house);
    const cable = bill(house).lines.filter(({ part }) => part === 'cable');
    expect(cable.reduce((sum, { sumCents }) => sum + sumCents!, 0)).to.equal(plan.costCents);
    const runs = listOf(house, 'runs');
    expect([line(house, 'label').fitted, line(house, 'label').count]).to.deep.equal([
      2 * runs.length,
      Math.ceil(2 * runs.length * 1.1 - 1e-9),
    ]);
    const jacks = runs.filter(({ deviceConnector }) => deviceConnector === '8P8C jack');
    const own = line(house, 'connector 8P8C jack');
    expect([own.fitted, own.count]).to.deep.equal([jacks.length, Math.ceil(jacks.length * 1.05 - 1e-9)]);
    // Ends on screws and posts need nothing bought.
    expect(bill(house).lines.some(({ key }) => /binding post|screw block|bare ends/.test(key))).to.equal(false);
  });

  it('leaves out what is there already, and what is only prepared', () => {
    const [first] = listOf(house, 'devices').filter(({ typeId }) => typeId === 'ceiling-speaker');
    const prepared = applied(house, [update('devices', first, { fitting: 'prepared' })!]);
    expect(line(prepared, 'device ceiling-speaker').fitted).to.equal(1);
    const gone = applied(house, removeWithDependants(house, 'devices', first.id));
    expect(line(gone, 'device ceiling-speaker').fitted).to.equal(1);
    expect(line(gone, 'label').fitted).to.equal(line(house, 'label').fitted - 2 * runsOf(first.id));
    expect(faults(gone)).to.deep.equal([]);
  });

  it('has the equipment of head ends with its prices and its cords', () => {
    const own = bill(house).lines.filter(({ part }) => part === 'equipment');
    expect(own.flatMap(({ causes }) => causes.map(({ id }) => id)).sort()).to.deep.equal(Object.keys(house.equipment).sort());
    const cords = bill(house).lines.filter(({ part }) => part === 'cord');
    expect(cords.reduce((sum, { fitted }) => sum + fitted, 0)).to.equal(Object.keys(house.patches).length);
    // The modem comes from the provider: it has no price.
    expect(bill(house).unpriced).to.be.greaterThan(0);
  });

  const runsOf = (deviceId: string): number => planRuns(house).filter(({ run }) => run.deviceId === deviceId).length;
});

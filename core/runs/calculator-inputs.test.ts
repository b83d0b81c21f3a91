import { expect } from 'chai';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import { type ProjectDocument, readProjectFile } from '../model/index.ts';
import { planRuns } from './plan-runs.ts';
import { countedIds, smallHouse, withDevices } from '../testing/index.ts';
import { CALCULATORS, runCalculator } from '../calculators/index.ts';
import { filledIn } from './calculator-inputs.ts';

const DEMO = join(import.meta.dirname, '../../demo');
const fieldsOf = (name: string) =>
  (z.toJSONSchema(CALCULATORS.find((one) => one.name === name)!.input, { io: 'input' }) as { properties?: object }).properties ??
  {};
const fill = (project: ProjectDocument, number: string, name: string) =>
  filledIn(
    project,
    planRuns(project).find(({ run }) => run.number === number),
    CALCULATORS.find((one) => one.name === name)!,
    fieldsOf(name) as Record<string, unknown>,
  );

describe('what is filled into a calculator', () => {
  for (const file of readdirSync(DEMO).filter((name) => name.endsWith('.spool.json')))
    it(`from any run of ${file} is taken by every calculator`, () => {
      const read = readProjectFile(readFileSync(join(DEMO, file), 'utf8'));
      if (!read.ok) throw new Error(read.problem.code);
      const { project } = read.value;
      const wrong = new Set<string>();
      // One run of each pair of device and cable says what all of them say.
      const seen = new Set<string>();
      for (const planned of planRuns(project)) {
        const kind = `${planned.device.typeId}/${planned.run.cableTypeId}`;
        if (seen.has(kind)) continue;
        seen.add(kind);
        for (const calculator of CALCULATORS) {
          const { name } = calculator;
          const input = filledIn(project, planned, calculator, fieldsOf(name) as Record<string, unknown>);
          const outcome = runCalculator(name, input);
          if (
            !outcome.ok &&
            outcome.problem.kind === 'invalid' &&
            Object.hasOwn(input, String(outcome.problem.field).split('.')[0])
          )
            wrong.add(
              `${name}.${String(outcome.problem.field)} = ${JSON.stringify(input[String(outcome.problem.field)])} (${kind})`,
            );
        }
      }
      expect([...wrong]).to.deep.equal([]);
    });

  const house = withDevices(
    smallHouse(),
    [
      { typeId: 'ceiling-speaker', at: [1, 2] },
      { typeId: 'network-drop', at: [2, 0.05] },
    ],
    countedIds(),
  ).project;
  const [speaker, drop] = planRuns(house).toSorted((a, b) => (a.device.typeId < b.device.typeId ? -1 : 1));

  it('means the same there: a length is that of the cable, or of the room, or stays open', () => {
    const { riseM, runM, dropM, deviceSlackM, rackSlackM } = speaker.length!;
    const routedM = Number((riseM + runM + dropM + deviceSlackM + rackSlackM).toPrecision(12));
    expect(fill(house, speaker.run.number, 'speaker-cable-loss')).to.include({
      lengthM: routedM,
      gaugeAwg: 16,
      loadOhm: 8,
      stranded: true,
    });
    expect(fill(house, speaker.run.number, 'ceiling-coverage')).to.include({ ceilingM: 2.5, lengthM: 5.1, widthM: 4.1 });
    for (const name of ['shade-roll', 'led-strip', 'conduit-fill', 'rigid-in-bend', 'notch-limit'])
      expect(fill(house, speaker.run.number, name), name).not.to.have.property('lengthM');
  });

  it('is what the cable is for', () => {
    expect(fill(house, speaker.run.number, 'conductor-material')).to.include({ material: 'copper', use: 'speaker' });
    expect(fill(house, drop.run.number, 'conductor-material')).to.include({ use: 'data' });
    expect(fill(house, speaker.run.number, 'speaker-cable-gauge')).not.to.have.property('use');
    expect(fill(house, drop.run.number, 'bend-radius')).to.include({ kind: 'cat', outsideM: 0.0061 });
    expect(fill(house, speaker.run.number, 'bend-radius')).to.include({ kind: 'speaker' });
    expect(fill(house, drop.run.number, 'data-link')).to.include({ category: '6', lengthM: drop.length!.cutLengthM });
    expect(fill(house, drop.run.number, 'pull-limit')).to.include({ fourPair: true });
    expect(fill(house, drop.run.number, 'device-height')).to.include({ kind: 'outlet' });
  });

  it('is warm where the cable lies, and not in the rack', () => {
    const warm = { ...house, project: { ...house.project, ambientC: 45 } };
    expect(fill(warm, speaker.run.number, 'speaker-cable-loss').temperatureC).to.equal(45);
    expect(fill(warm, speaker.run.number, 'standby-battery')).not.to.have.property('temperatureC');
  });

  it('comes from facts that are named for a field it has', () => {
    const wrong = CALCULATORS.flatMap(({ name, from }) =>
      Object.keys(from).flatMap((field) => (Object.hasOwn(fieldsOf(name), field) ? [] : [`${name}.${field}`])),
    );
    expect(wrong).to.deep.equal([]);
  });

  it('is only what the project says where no run is chosen', () => {
    expect(filledIn(house, undefined, { from: {} }, fieldsOf('separation') as Record<string, unknown>)).to.deep.equal({
      jurisdiction: house.project.jurisdiction,
    });
  });
});

import { expect } from 'chai';
import { z } from 'zod';
import { CALCULATORS, runCalculator, stepsOf } from './list.ts';

interface Field {
  readonly type?: string;
  readonly enum?: readonly unknown[];
  readonly anyOf?: readonly Field[];
  readonly default?: unknown;
}

/** For every calculator something that it answers: its example. */
const GOOD: Readonly<Record<string, object>> = Object.fromEntries(CALCULATORS.map(({ name, example }) => [name, example]));
const fieldsOf = (name: string): Readonly<Record<string, Field>> => {
  const { input } = CALCULATORS.find((one) => one.name === name)!;
  return (z.toJSONSchema(input, { io: 'input' }) as { properties?: Record<string, Field> }).properties ?? {};
};
const isNumber = (field: Field): boolean =>
  field.type === 'number' || field.type === 'integer' || (field.anyOf ?? []).some(isNumber);
const refusal = (name: string, input: object) => {
  const outcome = runCalculator(name, input);
  return outcome.ok ? null : outcome.problem;
};

describe('every field of every calculator', () => {
  it('has an example here', () => {
    expect(Object.keys(GOOD).sort()).to.deep.equal(CALCULATORS.map(({ name }) => name).sort());
  });

  for (const { name } of CALCULATORS) {
    const good = GOOD[name];

    it(`${name} answers with numbers, and its steps hold nothing that is not one`, () => {
      const problem = refusal(name, good);
      expect(problem, JSON.stringify(problem)).to.equal(null);
      const outcome = runCalculator(name, good);
      const text = JSON.stringify(outcome.ok && outcome.value, (_, value: unknown) =>
        typeof value === 'number' && Number.isNaN(value) ? 'NOT A NUMBER' : value,
      );
      expect(text).not.to.include('NOT A NUMBER').and.not.to.equal('{}');
      expect(stepsOf(name, good), name).not.to.deep.equal([]);
      for (const step of stepsOf(name, good)) expect(step).not.to.match(/NaN|undefined|null|\[object/);
    });

    it(`${name} refuses what is missing, no number or unknown, by its field`, () => {
      for (const [field, schema] of Object.entries(fieldsOf(name))) {
        if (schema.default === undefined && field in good) {
          const { [field]: _, ...rest } = good as Record<string, unknown>;
          const missing = refusal(name, rest);
          // Where another field may stand in its place, that one is asked for.
          if (missing) expect(missing.kind, `${name} without ${field}`).to.be.oneOf(['incomplete', 'invalid']);
        }
        if (!isNumber(schema)) continue;
        for (const wrong of [Number.NaN, Number.POSITIVE_INFINITY, 'ten', [1]]) {
          const problem = refusal(name, { ...good, [field]: wrong });
          expect(problem?.kind, `${name}.${field} = ${String(wrong)}`).to.equal('invalid');
          expect(String(problem?.field), `${name}.${field} = ${String(wrong)}`).to.match(new RegExp(`^${field}`));
        }
      }
      const unknown = refusal(name, { ...good, nobodyKnows: 1 });
      expect(unknown?.kind, name).to.equal('invalid');
      expect(String(unknown?.field)).to.include('nobodyKnows');
    });

    it(`${name} does not clamp in silence: what is far too large is refused or answered as it is`, () => {
      for (const [field, schema] of Object.entries(fieldsOf(name))) {
        if (!isNumber(schema) || schema.enum) continue;
        const outcome = runCalculator(name, { ...good, [field]: -1e12 });
        if (!outcome.ok) {
          expect(outcome.problem.kind, `${name}.${field}`).to.be.oneOf([
            'incomplete',
            'invalid',
            'out_of_domain',
            'prohibited',
            'infeasible',
            'defer',
          ]);
          continue;
        }
        // Only fields that may be negative are answered, and the answer depends on them.
        const usual = runCalculator(name, good);
        if (usual.ok && JSON.stringify(usual.value) === JSON.stringify(outcome.value))
          expect.fail(`${name}.${field} = -1e12 changed nothing`);
      }
    });
  }
});

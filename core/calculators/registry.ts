import { z } from 'zod';
import { refuse, type Outcome } from '../outcome/index.ts';
import {
  atticHeight,
  atticHeightInput,
  levelAlignment,
  levelAlignmentInput,
  planScale,
  planScaleInput,
} from '../survey/index.ts';
import {
  conduitFillCalculator,
  conduitFillInput,
  conduitPullCalculator,
  conduitPullInput,
  conduitSizeCalculator,
  conduitSizeInput,
} from './conduits.ts';
import { cutLengthCalculator, cutLengthInput } from './cut-length.ts';
import {
  speakerCableGauge,
  speakerCableGaugeInput,
  speakerCableLoss,
  speakerCableLossInput,
  speakerLoad,
  speakerLoadInput,
  wireResistance,
  wireResistanceInput,
} from '../wire/index.ts';

/** A calculator as the command line and screens see it. Units stand in the field names and descriptions. */
export interface Calculator {
  readonly name: string;
  readonly title: string;
  readonly source: string;
  readonly input: z.ZodType;
  readonly run: (input: never) => Outcome<object>;
}

export const CALCULATORS: readonly Calculator[] = [
  {
    name: 'wire-resistance',
    title: 'Resistance of one conductor',
    source: 'F1.1-F1.5',
    input: wireResistanceInput,
    run: wireResistance,
  },
  {
    name: 'speaker-cable-loss',
    title: 'Loss and resistance of a speaker cable',
    source: 'F2.1-F2.3, F2.5',
    input: speakerCableLossInput,
    run: speakerCableLoss,
  },
  {
    name: 'speaker-cable-gauge',
    title: 'Thinnest speaker cable for a length',
    source: 'F2.4, F2.8',
    input: speakerCableGaugeInput,
    run: speakerCableGauge,
  },
  {
    name: 'speaker-load',
    title: 'Load of several speakers on one amplifier',
    source: 'F2.7',
    input: speakerLoadInput,
    run: speakerLoad,
  },
  {
    name: 'plan-scale',
    title: 'Scale of a plan picture by two measurements',
    source: 'geometry',
    input: planScaleInput,
    run: planScale,
  },
  {
    name: 'level-alignment',
    title: 'Levels laid over each other by shared points',
    source: 'least squares',
    input: levelAlignmentInput,
    run: levelAlignment,
  },
  {
    name: 'attic-height',
    title: 'Height of an attic, and where one can crawl and drill',
    source: 'geometry, practice A08',
    input: atticHeightInput,
    run: atticHeight,
  },
  {
    name: 'conduit-fill',
    title: 'How full a conduit is, and its room',
    source: 'F6.1, F6.3',
    input: conduitFillInput,
    run: conduitFillCalculator,
  },
  {
    name: 'conduit-size',
    title: 'Smallest conduit for cables',
    source: 'F6.2',
    input: conduitSizeInput,
    run: conduitSizeCalculator,
  },
  {
    name: 'conduit-pull',
    title: 'Pull tension through a conduit',
    source: 'F6.4',
    input: conduitPullInput,
    run: conduitPullCalculator,
  },
  { name: 'cut-length', title: 'Length to cut for a run', source: 'F16.1', input: cutLengthInput, run: cutLengthCalculator },
];

/** Every calculator with its input as JSON Schema. */
export function listCalculators(): object[] {
  return CALCULATORS.map(({ name, title, source, input }) => ({
    name,
    title,
    source,
    input: z.toJSONSchema(input, { io: 'input' }),
  }));
}

/**
 * Runs a calculator on unchecked input. Problems: `calculator-unknown`, `incomplete` with the missing field,
 * `invalid` with the field, and those of the calculator.
 */
export function runCalculator(name: string, input: unknown): Outcome<object> {
  const calculator = CALCULATORS.find((c) => c.name === name);
  if (!calculator)
    return refuse('calculator-unknown', { kind: 'invalid', field: 'name', name, known: CALCULATORS.map((c) => c.name) });
  if (typeof input !== 'object' || input === null || Array.isArray(input))
    return refuse('input-not-object', { kind: 'invalid', field: 'input' });
  const parsed = calculator.input.safeParse(input);
  if (parsed.success) return calculator.run(parsed.data as never);
  const { issues } = parsed.error;
  const missing = issues.find((issue) => issue.path.length === 1 && !Object.hasOwn(input, String(issue.path[0])));
  const issue = missing ?? issues[0];
  const field = issue.code === 'unrecognized_keys' ? issue.keys[0] : issue.path.map(String).join('.');
  return refuse(missing ? 'input-missing' : 'input-invalid', {
    kind: missing ? 'incomplete' : 'invalid',
    field,
    reason: issue.message,
  });
}

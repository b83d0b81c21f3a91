import { z } from 'zod';
import {
  type Calculator,
  CALCULATOR_TOPICS,
  CALCULATORS,
  type CalculatorTopic,
  runCalculator,
  stepsOf,
} from '../../calculators/index.ts';
import { type Check, CHECK_STAGES, type CheckLimit, CHECKS, type CheckStage, type Rank } from '../../rules/index.ts';

/** One input of a calculator; units stand in its name and its words. */
export interface ReferenceField {
  readonly name: string;
  readonly words: string;
  /** What it may be, where that is a list. */
  readonly choices: readonly string[];
  readonly usual: unknown;
}

/** A rule that rests on a calculator, with its limits. */
export interface ReferenceRule {
  readonly id: string;
  readonly title: string;
  readonly source: string;
  readonly severity: Rank;
  readonly regions: readonly string[];
  readonly limits: readonly (CheckLimit & { readonly name: string })[];
}

/** A calculator as the reference shows it, with a worked example that is worked out when it is asked for. */
export interface ReferenceEntry {
  readonly name: string;
  readonly title: string;
  readonly formulas: readonly string[];
  readonly formulaIds: readonly string[];
  readonly source: string;
  readonly valid: string;
  readonly cautions: readonly string[];
  readonly fields: readonly ReferenceField[];
  readonly example: Readonly<Record<string, unknown>>;
  readonly answer: Readonly<Record<string, unknown>>;
  readonly steps: readonly string[];
  readonly rules: readonly ReferenceRule[];
}

/** What the reference says of one topic, in the order of the calculators. */
export interface ReferencePage {
  readonly topic: CalculatorTopic;
  readonly entries: readonly ReferenceEntry[];
}

interface Field {
  readonly description?: string;
  readonly enum?: readonly unknown[];
  readonly default?: unknown;
}

/** The page of a topic. */
export const referencePage = (topic: CalculatorTopic): ReferencePage => ({
  topic,
  entries: CALCULATORS.filter((one) => one.topic === topic).map(entryOf),
});

/** All pages, in the order of their topics. */
export const referencePages = (): readonly ReferencePage[] => CALCULATOR_TOPICS.map(referencePage);

/** The rules of each part of the job, for those who ask what is checked and why. */
export const referenceRules = (): readonly { readonly stage: CheckStage; readonly rules: readonly ReferenceRule[] }[] =>
  CHECK_STAGES.map((stage) => ({ stage, rules: CHECKS.filter((one) => one.stage === stage).map(ruleOf) }));

/** Where a rule is explained: with the first calculator that it rests on, else among the rules. */
export function referenceOfRule(id: string): { readonly page: CalculatorTopic | 'rules'; readonly at: string } {
  const [first] = CHECKS.find((rule) => rule.id === id)?.calculators ?? [];
  const calculator = CALCULATORS.find(({ name }) => name === first);
  return calculator ? { page: calculator.topic, at: calculator.name } : { page: 'rules', at: id };
}

const ruleOf = ({ id, title, source, severity, regions = [], limits = {} }: Check): ReferenceRule => ({
  id,
  title,
  source,
  severity,
  regions,
  limits: Object.entries(limits).map(([name, limit]) => ({ name, ...limit })),
});

function entryOf(calculator: Calculator): ReferenceEntry {
  const { name, title, formulas, formulaIds = [], source, valid, cautions, input, example } = calculator;
  const outcome = runCalculator(name, example);
  return {
    name,
    title,
    formulas,
    formulaIds,
    source,
    valid,
    cautions,
    fields: fieldsOf(input),
    example: example as Readonly<Record<string, unknown>>,
    answer: outcome.ok ? (outcome.value as Readonly<Record<string, unknown>>) : {},
    steps: stepsOf(name, example),
    rules: CHECKS.filter(({ calculators = [] }) => calculators.includes(name)).map(ruleOf),
  };
}

const fieldsOf = (input: z.ZodType): ReferenceField[] =>
  Object.entries((z.toJSONSchema(input, { io: 'input' }) as { properties?: Record<string, Field> }).properties ?? {}).map(
    ([name, { description = '', enum: choices = [], default: usual }]) => ({
      name,
      words: description,
      choices: choices.map(String),
      usual,
    }),
  );

import { z } from 'zod';
import { textProblem } from './text-rules.ts';
import { day, id, words } from './fields.ts';

/** Ranks of a finding: would fail or endanger; judge it; fine. */
export const RANKS = ['stop', 'look', 'fine'] as const;

const ruleId = z.string().regex(/^[a-z0-9-]{1,60}$/, 'is not the name of a rule');

/** How one rule is set in this project: off, at another rank, with other limits. */
export const ruleSetting = z.strictObject({
  id,
  ruleId,
  off: z.boolean(),
  rank: z.enum(RANKS).nullable().describe('worst rank that the rule gives; null leaves it'),
  limits: z
    .record(z.string().regex(/^[A-Za-z0-9]{1,40}$/), z.number())
    .describe('limits by their names, in the units of the rule'),
  reason: words(400).describe('why; a safety rule is not lowered without'),
  by: words(60),
  on: day,
});

/** What somebody decided of one finding: accepted, given to a person, noted. */
export const findingMark = z.strictObject({
  id,
  ruleId,
  code: z.string().regex(/^[a-z0-9-]{1,80}$/, 'is not the code of a finding'),
  about: words(400).describe('the records that the finding is about: list/id, joined by spaces'),
  seen: words(400).describe('its figures when it was accepted; it returns when they change'),
  acceptedBy: words(60).describe('empty where it is not accepted'),
  why: words(400),
  on: day.describe('day of the acceptance'),
  until: day.describe('last day on which the acceptance holds; empty for good'),
  assignedTo: words(60),
  dueOn: day,
  note: words(2000),
});

/** A calculation that was kept, with a run or for the project. */
export const keptCalculation = z.strictObject({
  id,
  runId: id.nullable().describe('the run that it is kept with; null is the project'),
  calculator: z.string().regex(/^[a-z0-9-]{1,60}$/, 'is not the name of a calculator'),
  input: z
    .record(z.string().max(60), z.json())
    .refine((input) => textProblem(input) === null, 'holds control or invisible characters')
    .refine((input) => JSON.stringify(input).length <= 4000, 'is longer than 4000 characters')
    .describe('the input as it was typed'),
  result: words(2000).describe('the answer in words when it was kept'),
  by: words(60),
  on: day,
  note: words(2000),
});

export type RuleSetting = z.infer<typeof ruleSetting>;
export type FindingMark = z.infer<typeof findingMark>;
export type KeptCalculation = z.infer<typeof keptCalculation>;

import { runCalculator } from '../calculators/index.ts';

/** Figures of an answer, whatever they are: a test says what it takes each for. */
export type Figures = Record<string, number & boolean & string & number[] & Record<string, number>>;

/** The answer of a calculator; a test fails with the problem where it is refused. */
export function answer(name: string, input: object): Figures {
  const outcome = runCalculator(name, input);
  if (!outcome.ok) throw new Error(`${name} ${JSON.stringify(input)}: ${JSON.stringify(outcome.problem)}`);
  return outcome.value as never;
}

/** A figure as it is printed with so many decimals. */
export const printed = (value: number, decimals: number): number => Number((value + Math.sign(value) * 1e-9).toFixed(decimals));

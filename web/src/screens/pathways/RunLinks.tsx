import { text } from '../../ground/text.ts';

interface Props {
  readonly numbers: readonly string[];
  /** How many are named; the others are counted. */
  readonly most: number;
  readonly onRun: (number: string) => void;
}

/** Numbers of runs, each leading to its run. */
export function RunLinks({ numbers, most: max, onRun }: Props) {
  return (
    <>
      {numbers.slice(0, max).map((number) => (
        <button key={number} type="button" className="plain link id" onClick={() => onRun(number)}>
          {number}
        </button>
      ))}
      {numbers.length > max && <span> {text('ways.more', { count: numbers.length - max })}</span>}
    </>
  );
}

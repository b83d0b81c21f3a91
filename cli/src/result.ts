import { problemSentence } from '@dusky-spool/texts';
import { type ProjectFile, readProjectFile } from '@dusky-spool/core/model';
import { err, type Outcome, type Problem } from '@dusky-spool/core/math';

/** What a command prints and how it ends: 0 good, 1 findings of rank stop, 2 bad input. */
export interface CommandResult {
  readonly status: 0 | 1 | 2;
  readonly out: string;
  readonly error: string;
}

/** The text of a file; in `latin1` each letter is one byte of it. */
export type ReadFile = (path: string, encoding?: 'utf8' | 'latin1') => string;

export const good = (out: string, status: 0 | 1 = 0): CommandResult => ({ status, out, error: '' });
export const json = (value: unknown): string => JSON.stringify(value, null, 2);

export function bad(problem: Problem, asJson: boolean): CommandResult {
  const sentence = problemSentence(problem);
  return {
    status: 2,
    out: asJson ? json({ problem: { ...problem, sentence } }) : '',
    error: `${problem.field ? `${problem.field}: ` : ''}${sentence.replace(`${problem.field}: `, '')}`,
  };
}

function load(path: string | undefined, readFile: ReadFile): Outcome<ProjectFile> {
  if (path === undefined) return err('input-missing', { kind: 'incomplete', field: 'FILE' });
  let text: string;
  try {
    text = readFile(path);
  } catch (error) {
    return err('file-missing', { kind: 'invalid', field: path, reason: (error as Error).message });
  }
  return readProjectFile(text);
}

export function withFile(
  path: string | undefined,
  readFile: ReadFile,
  asJson: boolean,
  use: (file: ProjectFile) => CommandResult,
): CommandResult {
  const file = load(path, readFile);
  return file.ok ? use(file.value) : bad(file.problem, asJson);
}

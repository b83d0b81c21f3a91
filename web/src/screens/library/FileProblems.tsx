import { Button } from 'antd';
import type { LibraryReadReply } from '@dusky-spool/core/model';
import { text } from '../../ground/text.ts';
import { problemSentence } from '@dusky-spool/texts';
import css from './library.module.css';

interface Props {
  readonly read: LibraryReadReply;
  readonly onTake: () => void;
  readonly onClose: () => void;
}

/** What a file held: how many rows can be taken, and what is wrong with each of the others. */
export function FileProblems({ read: { types, problems }, onTake, onClose }: Props) {
  const rows = new Set(problems.map(({ row }) => row)).size;
  return (
    <section className={css.fileProblems} aria-label={text('library.fileTitle')}>
      <header>
        <b>{text('library.fileRead', { count: types.length, bad: rows })}</b>
        <Button size="small" type="primary" disabled={types.length === 0} onClick={onTake}>
          {text('library.fileTake', { count: types.length })}
        </Button>
        <Button size="small" onClick={onClose}>
          {text('cancel')}
        </Button>
      </header>
      {problems.length > 0 && (
        <ol>
          {problems.map(({ row, problem }, index) => (
            <li key={`${row}${index}`}>
              <b>{text('library.row', { row })}</b> {problemSentence(problem)}
            </li>
          ))}
        </ol>
      )}
    </section>
  );
}

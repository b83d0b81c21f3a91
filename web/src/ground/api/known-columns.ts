import type { ColumnsReply, KnownColumns, TableKind } from '@dusky-spool/core/model';
import { useMemo } from 'react';
import { putJson } from './http.ts';
import { useSend, useServer } from './server-state.ts';

const COLUMNS = '/library/columns';
const sameHead = (a: readonly string[], b: readonly string[]): boolean => JSON.stringify(a) === JSON.stringify(b);
/** Longest word over a column that is remembered. */
const MAX_WORD = 200;
const headOf = (head: readonly string[]): string[] => head.map((word) => word.slice(0, MAX_WORD));

interface Known<F extends string> {
  /** What the columns of a table with this head were last taken for in the firm; null where there is none. */
  readonly columnsOf: (head: readonly string[]) => Readonly<Partial<Record<F, number>>> | null;
  readonly remember: (head: readonly string[], columns: Readonly<Partial<Record<F, number>>>) => void;
}

/** The firm's memory of what the columns of its tables hold. Without a connection nothing is known and nothing remembered. */
export function useKnownColumns<F extends string>(kind: TableKind): Known<F> {
  const { data } = useServer<ColumnsReply>(COLUMNS);
  const { send } = useSend((known: KnownColumns) => putJson(COLUMNS, known), [COLUMNS]);
  return useMemo(
    () => ({
      columnsOf: (head) => {
        const known = data?.tables.find((one) => one.kind === kind && sameHead(one.head, headOf(head)));
        return (known?.columns ?? null) as Partial<Record<F, number>> | null;
      },
      remember: (head, columns) => {
        const places = Object.fromEntries(Object.entries(columns).filter(([, place]) => place !== undefined));
        send({ kind, head: headOf(head), columns: places as Record<string, number> });
      },
    }),
    [data, kind, send],
  );
}

import { formatCableLength } from '@dusky-spool/core/math';
import type { ScheduleRow } from '@dusky-spool/core/sheets';
import { useContext } from 'react';
import { text } from '../../ground/text.ts';
import { LengthBar } from '../../ui/LengthBar.tsx';
import { ScheduleContext } from './schedule-context.ts';

interface CellProps {
  readonly row: ScheduleRow;
}

export function LengthCell({ row: { runId, cutLengthM, supply } }: CellProps) {
  const { units, isFull, runById } = useContext(ScheduleContext);
  if (supply === 'existing') return text('run.existing');
  const length = runById.get(runId)?.length;
  return (
    <>
      {length && isFull && <LengthBar length={length} units={units} small />}
      {cutLengthM === null ? text('run.noWay') : formatCableLength(cutLengthM, units)}
    </>
  );
}

export function RangeCell({ row: { leastM: minM, mostM: maxM } }: CellProps) {
  const { units } = useContext(ScheduleContext);
  return minM === null || maxM === null ? '' : `${formatCableLength(minM, units)} – ${formatCableLength(maxM, units)}`;
}

export function SlackCell({ row: { deviceSlackM, rackSlackM } }: CellProps) {
  const { units } = useContext(ScheduleContext);
  return `${formatCableLength(deviceSlackM, units)} + ${formatCableLength(rackSlackM, units)}`;
}

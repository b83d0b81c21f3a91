import { connectAll, HEAD_END_PARTS, SIGNAL_TABLE, type SignalCell, SPEAKER_GROUPS } from '../head-end/index.ts';
import type { ProjectDocument } from '../model/index.ts';
import { type Cure, defineCheck, type RuleFinding, say } from './check.ts';

/** Every zone hears, and every display shows, what it is meant to (ENGINEERING 4). */
export const signalPath = defineCheck({
  id: 'signal-path',
  title: 'Sources reach displays and zones',
  source: 'Trade practice: every path is proved on paper before the walls are closed',
  severity: 'look',
  stage: 'cabling',
  appliesTo: 'equipment',
  reads: ['zones'],
  nodes: [HEAD_END_PARTS, SIGNAL_TABLE, SPEAKER_GROUPS],
  run: ({ read }): RuleFinding[] => {
    const { sources, sinks, cells, local } = read.get(SIGNAL_TABLE);
    const { equipmentById, needByRun } = read.get(HEAD_END_PARTS);
    if (sources.length === 0) return [];
    const groups = new Map(read.get(SPEAKER_GROUPS).map((one) => [one.id, one]));
    const about = (cell: SignalCell, sinkName: string) =>
      say(
        'look',
        `sink-${cell.lack ?? 'no-way'}`,
        [
          ...(cell.at.equipmentId
            ? [{ in: 'equipment' as const, id: cell.at.equipmentId }]
            : [{ in: 'equipment' as const, id: cell.sourceId }]),
          ...(cell.at.runId ? [{ in: 'runs' as const, id: cell.at.runId }] : []),
        ],
        {
          sink: sinkName,
          source: equipmentById.get(cell.sourceId)?.name ?? '',
          number: needByRun.get(cell.at.runId ?? '')?.number ?? '',
          equipment: equipmentById.get(cell.at.equipmentId ?? '')?.name ?? '',
          port: cell.at.port ?? '',
        },
        { cures: OPEN.has(cell.lack) ? connectOpen : () => [] },
      );
    return sinks.flatMap((sink): RuleFinding[] => {
      const zone = groups.get(sink.id)?.zone ?? null;
      // Leads that nobody planned are no fault: a display may have its own sources.
      if (
        sink.kind === 'speakers' ? zone === null || zone.volume === 'local' || sink.runIds.length === 0 : sink.runIds.length === 0
      )
        return [];
      const own = cells.filter(({ sinkId }) => sinkId === sink.id);
      const asked = zone && zone.sourceIds.length > 0 ? own.filter(({ sourceId }) => zone.sourceIds.includes(sourceId)) : null;
      if (asked) return asked.filter(({ isReached }) => !isReached).map((cell) => about(cell, sink.name));
      const isShown = own.some(({ isReached }) => isReached) || local.some(({ sinkId }) => sinkId === sink.id);
      // A display whose video cable goes to the head end is meant to show something from there.
      const isMeant = sink.kind === 'speakers' || sink.runIds.some((id) => needByRun.get(id)?.kind === 'video');
      return isShown || !isMeant || own.length === 0 ? [] : [about(own[0], sink.name)];
    });
  },
});

/** What a cord or a port more puts right. */
const OPEN: ReadonlySet<SignalCell['lack']> = new Set(['not-terminated', 'no-cord', 'source-open', 'input-open']);

/** Everything that is open at head ends with equipment, connected. */
function connectOpen(project: ProjectDocument): Cure[] {
  const racks = [...new Set(Object.values(project.equipment).map(({ rackId }) => rackId))];
  let count = 0;
  const isTaken = (id: string) => id in project.patches || id in project.terminations;
  const newId = (kind: string): string => {
    const id = `${kind}_s${++count}`;
    return isTaken(id) ? newId(kind) : id;
  };
  const { operations } = connectAll(project, racks, newId, false);
  return operations.length > 0 ? [{ code: 'connect-open', figures: { count: operations.length }, operations }] : [];
}

import type { Derived } from '@dusky-spool/core/deltas';
import { onLevel } from '@dusky-spool/core/derive';
import { deviceNumber, deviceTitle, mountTypeOf, sweepOf, wallPlaceOf } from '@dusky-spool/core/devices';
import { levelsFromBelow } from '@dusky-spool/core/house';
import type { ProjectDocument } from '@dusky-spool/core/model';
import { useMemo, useState } from 'react';
import type { Selection } from '../state/selection-kinds.ts';
import { beadClusters } from './bead-clusters.ts';
import { linesOf } from './route-drawing.ts';

interface Sources {
  readonly project: ProjectDocument;
  readonly derived: Derived;
  readonly levelId: string;
  readonly selection: Selection;
  /** Pixels of a metre. */
  readonly scale: number;
  readonly draggedIds: ReadonlySet<string>;
  /** While something is dragged, labels stay where they are. */
  readonly isPreview: boolean;
}

/** Sweeps of more mounts than this are not drawn. */
const MAX_SWEEPS = 20;

/** What the plan of a level shows: devices, runs and labels, and what of them is selected. */
export function usePlanPicture({ project, derived, levelId, selection, scale, draggedIds, isPreview }: Sources) {
  const levels = useMemo(() => levelsFromBelow({ levels: project.levels }), [project.levels]);
  const devices = useMemo(
    () =>
      onLevel(project, 'devices', levelId).map((device) => {
        const type = project.deviceTypes[device.typeId];
        const room = device.roomId === null ? '' : `, ${project.rooms[device.roomId].name}`;
        const pale = device.belongsTo !== null && !project.features[device.belongsTo]?.chosen;
        return {
          device,
          type,
          pale,
          label: `${type.code} ${deviceTitle(device, type)}${room}, ${deviceNumber(project, device)}`,
        };
      }),
    [project, levelId],
  );
  const plainDevices = useMemo(() => devices.map(({ device }) => device), [devices]);
  const lines = useMemo(
    () => linesOf(derived.runs, project.deviceTypes, levels, levelId),
    [derived, project.deviceTypes, levels, levelId],
  );
  const labels = useHeld(
    useMemo(() => ({ project, devices: plainDevices, lines }), [project, plainDevices, lines]),
    isPreview,
  );
  const { chosenDevices, chosenRuns } = useMemo(() => chosenOf(selection, derived), [selection, derived]);
  const shownLines = useMemo(() => {
    const resting = draggedIds.size === 0 ? lines : lines.filter(({ runId }) => !draggedIds.has(deviceOf(derived, runId)));
    // Selected runs are drawn last, on top.
    return [...resting].sort((a, b) => Number(chosenRuns.has(a.runId)) - Number(chosenRuns.has(b.runId)));
  }, [lines, chosenRuns, draggedIds, derived]);
  const beads = useMemo(() => beadClusters(devices, scale, chosenDevices), [devices, scale, chosenDevices]);
  const sweeps = useMemo(() => sweepsOf(project, levelId, chosenDevices), [project, levelId, chosenDevices]);
  return { levels, plainDevices, lines: shownLines, labels, chosenDevices, chosenRuns, beads, sweeps };
}

const deviceOf = (derived: Derived, runId: string): string => derived.runById.get(runId)?.device.id ?? '';

/** Devices and runs that a selection shows as selected: a device with its runs, a run with its device. */
function chosenOf({ kind, ids }: Selection, { runById, runsByDevice }: Derived) {
  const devices = kind === 'device' ? ids : ids.flatMap((id) => runById.get(id)?.device.id ?? []);
  const runs = kind === 'run' ? ids : ids.flatMap((id) => (runsByDevice.get(id) ?? []).map(({ run }) => run.id));
  return { chosenDevices: new Set(devices), chosenRuns: new Set(runs) };
}

/** What the mounts of selected displays sweep. */
function sweepsOf(project: ProjectDocument, levelId: string, deviceIds: ReadonlySet<string>) {
  return [...deviceIds].slice(0, MAX_SWEEPS).flatMap((id) => {
    const device = project.devices[id];
    const mount = device && mountTypeOf(project, device);
    const wall = mount?.holds && device.levelId === levelId ? wallPlaceOf(project, device)?.wall : undefined;
    const sweep = wall && sweepOf(device, project.deviceTypes[device.typeId], mount ?? null, wall);
    return sweep ? [{ id, outline: sweep.outline }] : [];
  });
}

/** The value as it was before it was held. */
function useHeld<T>(value: T, isHeld: boolean): T {
  const [held, setHeld] = useState(value);
  if (isHeld) return held;
  if (held !== value) setHeld(value);
  return value;
}

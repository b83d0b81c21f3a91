import { App as AntApp } from 'antd';
import { clipOfDevices, type DeviceClip, deviceIdsIn, deviceIdsOn, pasteDevices } from '@dusky-spool/core/devices';
import { create } from 'zustand';
import type { Tool } from '../../canvas/tools/plan-tool.ts';
import { usePlacing } from '../../canvas/usePlacing.ts';
import { text } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import { deviceIds, numberHolderNow } from '../../state/project.ts';
import type { Selection } from '../../state/selection-kinds.ts';

/** Devices that were copied last: they stay at hand on every level. */
const useClip = create<{ readonly clip: DeviceClip | null }>()(() => ({ clip: null }));

interface Options {
  readonly levelId: string;
  readonly selection: Selection;
  readonly setTool: (tool: Tool) => void;
  readonly onSelect: (selection: Selection) => void;
}

export interface Copies {
  /** Keeps copies of devices and takes them in the hand: each click sets them down. */
  readonly copy: (ids: readonly string[]) => void;
  /** The same with all devices of a room: each click on a room furnishes it alike. */
  readonly copyRoom: (roomId: string) => void;
  /** Keeps copies of what is selected for later. */
  readonly keep: () => void;
  readonly paste: () => void;
  /** Sets them down at the same places of the level that is shown. */
  readonly pasteInPlace: () => void;
  /** What is selected, in the hand at once. */
  readonly duplicate: () => void;
  readonly selectAll: () => void;
}

/** Copies of devices on the plan. */
export function useCopies({ levelId, selection, setTool, onSelect }: Options): Copies {
  const project = useProject();
  const { message } = AntApp.useApp();
  const place = usePlacing(onSelect);
  const say = (content: string) => void message.info({ content, key: 'copy' });
  const chosen = selection.kind === 'device' ? selection.ids.filter((id) => project.devices[id]) : [];
  const inHand = (clip: DeviceClip, isRoom = false) => {
    useClip.setState({ clip });
    setTool({ kind: 'copies', clip, isRoom });
  };
  const copy = (ids: readonly string[]) => (ids.length > 0 ? inHand(clipOfDevices(project, ids)) : say(text('plan.copyHint')));
  return {
    copy,
    copyRoom: (roomId) => inHand(clipOfDevices(project, deviceIdsIn(project, project.rooms[roomId])), true),
    keep: () => {
      if (chosen.length > 0) useClip.setState({ clip: clipOfDevices(project, chosen) });
      say(chosen.length > 0 ? text('plan.copied', { count: chosen.length }) : text('plan.copyHint'));
    },
    paste: () => {
      const { clip } = useClip.getState();
      if (clip) inHand(clip);
      else say(text('plan.copyHint'));
    },
    pasteInPlace: () => {
      const { clip } = useClip.getState();
      if (!clip) return say(text('plan.copyHint'));
      const to = { kind: 'level', levelId } as const;
      place(text('plan.copies', { count: clip.devices.length }), pasteDevices(project, clip, to, deviceIds, numberHolderNow()));
    },
    duplicate: () => copy(chosen),
    selectAll: () => onSelect({ kind: 'device', ids: deviceIdsOn(project, levelId) }),
  };
}

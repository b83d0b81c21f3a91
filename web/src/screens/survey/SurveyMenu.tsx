import { projectBounds } from '@dusky-spool/core/house';
import { Dropdown } from 'antd';
import type { CameraControl } from '../../canvas/useCamera.ts';
import { textNamed } from '../../ground/text.ts';
import { useProject } from '../../state/open-project.ts';
import type { Selection } from '../../state/selection-kinds.ts';
import { SURVEY_LEFT_PX } from './sheet-left.ts';
import type { useClip } from './useClip.ts';
import css from './survey.module.css';

interface Props {
  readonly at: { readonly x: number; readonly y: number } | null;
  readonly levelId: string;
  readonly selection: Selection;
  readonly control: CameraControl;
  readonly clip: ReturnType<typeof useClip>;
  readonly onArray: () => void;
  readonly onSelectAll: () => void;
  readonly onRemove: () => void;
  readonly onClose: () => void;
}

/** The menu of the survey sheet, where it was asked for: what can be done with the selection. */
export function SurveyMenu({ at, levelId, selection, control, clip, onArray, onSelectAll, onRemove, onClose }: Props) {
  const project = useProject();
  const item = (key: string, onClick: () => void, danger = false) => ({
    key,
    label: textNamed('survey.menu', key),
    onClick,
    danger,
  });
  const isCopyable = selection.kind === 'wall' || selection.kind === 'feature';
  const items = [
    ...(isCopyable
      ? [
          item('copy', clip.copy),
          item('duplicate', () => clip.duplicate()),
          item('mirror', () => clip.mirror(false)),
          item('mirrorBeside', () => clip.mirror(true)),
          item('array', onArray),
        ]
      : []),
    ...(clip.clip ? [item('paste', () => clip.pasteClip())] : []),
    ...(selection.kind !== 'none'
      ? [item('sameKind', onSelectAll), item('remove', onRemove, true)]
      : [item('fit', () => control.fit(projectBounds(project, levelId, true), SURVEY_LEFT_PX))]),
  ];
  return (
    <Dropdown
      open={at !== null}
      onOpenChange={(open) => !open && onClose()}
      menu={{ items, onClick: onClose }}
      trigger={['click']}
    >
      <span className={css.menuAnchor} style={{ left: at?.x ?? 0, top: at?.y ?? 0 }} />
    </Dropdown>
  );
}

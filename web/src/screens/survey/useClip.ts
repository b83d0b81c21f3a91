import { useState } from 'react';
import { App as AntApp } from 'antd';
import type { ProjectDocument } from '@dusky-spool/core/model';
import { type Clip, clipBounds, clipOf, mirrorMotion, type Motion, paste } from '@dusky-spool/core/survey';
import { text } from '../../ground/text.ts';
import type { Selection } from '../../state/selection-kinds.ts';
import { newRecordId, useProjectStore } from '../../state/project.ts';
import { newSurveyId } from './ids.ts';

interface Sources {
  readonly project: ProjectDocument;
  readonly levelId: string;
  readonly selection: Selection;
  readonly select: (selection: Selection) => void;
  /** Pixels of a metre: copies are set down a little aside on the screen. */
  readonly scale: number;
}

/** Copies of what is selected: kept, pasted, mirrored, in rows. What is set down becomes the selection. */
export function useClip({ project, levelId, selection, select, scale }: Sources) {
  const edit = useProjectStore((state) => state.edit);
  const { message } = AntApp.useApp();
  const [clip, setClip] = useState<Clip | null>(null);
  const copy = () => {
    if (selection.kind !== 'wall' && selection.kind !== 'feature')
      return void message.info({ content: text('survey.copyHint'), key: 'copy' });
    setClip(clipOf(project, selection.ids));
    void message.info({ content: text('survey.copied', { count: selection.ids.length }), key: 'copy' });
  };
  const setDown = (what: Clip, motions: readonly Motion[], title: string) => {
    const before = new Set([...Object.keys(project.walls), ...Object.keys(project.features)]);
    if (
      !edit(
        title,
        paste(project, what, levelId, motions, newSurveyId, () => newRecordId('f')),
      )
    )
      return;
    const now = useProjectStore.getState().sync!.view;
    const made = Object.keys(what.walls.length > 0 ? now.walls : now.features).filter((id) => !before.has(id));
    select({ kind: what.walls.length > 0 ? 'wall' : 'feature', ids: made });
  };
  const pasteClip = (what: Clip | null) => {
    const box = what && clipBounds(what);
    if (!what || !box) return;
    const stepM = Math.max(0.5, 24 / scale);
    setDown(what, [{ by: [stepM, -stepM] }], text('survey.paste'));
  };
  const mirror = (beside: boolean) => {
    const what = clipOf(project, selection.ids);
    const motion = mirrorMotion(what, beside);
    if (motion) setDown(what, [motion], text('survey.mirror'));
  };
  const duplicate = () => pasteClip(clipOf(project, selection.ids));
  const array = (motions: readonly Motion[]) => setDown(clipOf(project, selection.ids), motions, text('survey.menu.array'));
  return { clip, copy, pasteClip: () => pasteClip(clip), duplicate, mirror, array };
}

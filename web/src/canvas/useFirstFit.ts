import { projectBounds } from '@dusky-spool/core/house';
import { useEffect, useRef } from 'react';
import { useProject } from '../state/open-project.ts';
import type { CameraControl } from './useCamera.ts';

interface Options {
  readonly projectId: string;
  readonly levelId: string;
  /** Width of the panels on the left of the sheet, px. */
  readonly leftPx: number;
  readonly control: CameraControl;
}

/** Shows all of the level when the project is opened; `withSurvey` counts what only the survey draws. */
export function useFirstFit({ projectId, levelId, leftPx, control }: Options, withSurvey = false): void {
  const project = useProject();
  const fitted = useRef('');
  useEffect(() => {
    if (!control.ready || fitted.current === projectId) return;
    fitted.current = projectId;
    control.fit(projectBounds(project, levelId, withSurvey) ?? projectBounds(project), leftPx);
  }, [projectId, project, levelId, control, leftPx, withSurvey]);
}

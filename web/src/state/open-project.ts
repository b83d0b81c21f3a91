import { createContext, useContext } from 'react';
import type { ProjectDocument } from '@dusky-spool/core/model';

const OpenProject = createContext<ProjectDocument | null>(null);

/** Gives the project to everything inside: the open one at the roof, a preview or a drag around what shows it. */
export const ProjectProvider = OpenProject.Provider;

/** The project that this part of the screen shows. */
export function useProject(): ProjectDocument {
  const project = useContext(OpenProject);
  if (!project) throw new Error('useProject is used outside a ProjectProvider');
  return project;
}

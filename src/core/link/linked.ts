/** What linking makes, phase by phase. */
import type { Project } from '../model/project';
import type { TypeSpace } from '../types/resolve';
import type { Contexts } from './5-contexts/context-types';
import type { Modules } from './1-files/modules';
import type { Names } from './2-names/names';
import type { Rising } from './4-ports/rising';

/** Who renders whom, with what: all but how values move. */
export interface Tree extends Omit<Project, 'flow'> {
  names: Names;
  modules: Modules;
  types: TypeSpace;
  /** Where events of elements arrive. */
  rising: Rising;
}

/** The whole project. */
export interface Linked extends Tree, Project {
  contexts: Contexts;
}

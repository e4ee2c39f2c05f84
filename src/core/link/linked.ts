/** What linking makes, phase by phase. */
import type { Project } from '../model/project';
import type { TypeSpace } from '../types/resolve';
import type { Contexts } from './context-types';
import type { Modules } from './modules';
import type { Names } from './names';
import type { Rising } from './rising';

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

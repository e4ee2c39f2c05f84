/** What linking makes, phase by phase. */
import type { Project } from '../model/project';
import type { TypeSpace } from '../types/resolve';
import type { Contexts } from './context-types';
import type { Modules } from './modules';
import type { Names } from './names';

/** Who renders whom, with what: all but how values move. */
export interface Tree extends Omit<Project, 'flow'> {
  names: Names;
  modules: Modules;
  types: TypeSpace;
}

/** The whole project. */
export interface Linked extends Tree, Project {
  contexts: Contexts;
}

import type { Place } from './project';

export type Level = 'error' | 'warning' | 'note';

export const LEVELS: readonly Level[] = ['error', 'warning', 'note'];

/** What happens to a value at a component. */
export type Role = 'start' | 'pass' | 'transform' | 'read' | 'emit' | 'listen' | 'drop' | 'wait';

/** One step of the proof: a place, whose it is, the name the value has there, and what happens to it. */
export interface Step {
  place: Place;
  component: string;
  name: string;
  what: string;
  role: Role;
}

export interface Finding {
  rule: string;
  level: Level;
  message: string;
  place: Place;
  /** Port reference. */
  subject: string;
  component: string;
  trail: Step[];
  /** Nodes of the flow graph that the finding is about; its strand runs through them. */
  nodes: number[];
  /** The call site that it is about, or -1. */
  site: number;
  suggestion?: string;
  /** The mechanical repair, where there is one. */
  edit?: { place: Place; text: string };
  /** The same across audits as long as rule, component, port and trail are the same by name. */
  fingerprint: string;
  silenced?: string;
  /** It lies in a test, a story or the like, beside the app. */
  beside?: true;
}

/** A call site as the flow over it sees it. */
import type { Component, Place, Site } from '../../model/project';
import type { Frame } from '../6-values/frames';

/** A call site with the frames of both sides. */
export interface Joint {
  site: Site;
  owner: Component;
  target: Component;
  frame: Frame;
  /** What the edges over it say: the call site, and which use of it where it stands in a function of the project. */
  over: { site: number; call?: number };
  /** It is the first use: what is written once counts once. */
  first: boolean;
}

/** Where in the owner's file something of the call site stands. */
export const placeOf = ({ file }: Site, { start, end }: { start: number; end: number }): Place => ({
  file,
  start,
  end,
});

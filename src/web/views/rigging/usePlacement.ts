/** The placement of the lanes, from the worker. */
import { useEffect, useRef, useState } from 'react';
import type { LaneView, RiggingView } from '../../../api/schemas';
import type { Placement } from './place';
import type { PlaceAnswer, PlaceRequest, TreeMessage } from './place.worker';

let worker: Worker | undefined;
/** One worker for the page: it is made at the first rigging and stays. */
const placer = (): Worker =>
  (worker ??= new Worker(new URL('./place.worker.ts', import.meta.url), { type: 'module' }));

export interface Placed {
  placement: Placement;
  /** The lanes that were placed, in the placement's order. */
  lanes: LaneView[];
  view: RiggingView;
}

/**
 * Lanes and folded rows as they were placed last; undefined until the first time. Until the answer to a change is
 * there, the placement before it stays, whole, so that rows and lanes never disagree.
 */
export function usePlacement(
  view: RiggingView,
  lanes: LaneView[],
  folded: ReadonlySet<number>,
): Placed | undefined {
  const [placed, setPlaced] = useState<Placed>();
  const turn = useRef(0);
  useEffect(() => {
    const tree: TreeMessage = { spans: view.rows.map((row) => row.span), lanes: view.lanes };
    placer().postMessage(tree);
  }, [view]);
  useEffect(() => {
    const index = new Map(view.lanes.map((lane, at) => [lane, at]));
    const request: PlaceRequest = {
      turn: ++turn.current,
      folded: [...folded],
      lanes: lanes.map((lane) => index.get(lane)!),
    };
    const answered = ({ data }: MessageEvent<PlaceAnswer>) => {
      if (data.turn === request.turn) setPlaced({ placement: data.placement, lanes, view });
    };
    const worker = placer();
    worker.addEventListener('message', answered);
    worker.postMessage(request);
    return () => worker.removeEventListener('message', answered);
  }, [view, lanes, folded]);
  return placed?.view === view ? placed : undefined;
}

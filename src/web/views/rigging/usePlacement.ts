/** The placement of the lanes, from the worker. */
import { useEffect, useState } from 'react';
import type { RiggingView } from '../../../api/schemas';
import type { Placement } from './place';
import type { PlaceAnswer, PlaceRequest } from './place.worker';

let worker: Worker | undefined;
/** One worker for the page: it is made at the first rigging and stays. */
const placer = (): Worker =>
  (worker ??= new Worker(new URL('./place.worker.ts', import.meta.url), { type: 'module' }));
/** Questions are counted over the whole page: charts share the worker, and hear each other's answers. */
let asked = 0;

export interface Placed {
  placement: Placement;
  view: RiggingView;
}

/**
 * A rigging with its lanes placed; undefined until the first time. Until the answer for another one is there, the one
 * before it stays, whole, so that rows and lanes never disagree.
 */
export function usePlacement(view: RiggingView): Placed | undefined {
  const [placed, setPlaced] = useState<Placed>();
  useEffect(() => {
    const request: PlaceRequest = { turn: ++asked, lanes: view.lanes };
    const answered = ({ data }: MessageEvent<PlaceAnswer>) => {
      if (data.turn === request.turn) setPlaced({ placement: data.placement, view });
    };
    const worker = placer();
    worker.addEventListener('message', answered);
    worker.postMessage(request);
    return () => worker.removeEventListener('message', answered);
  }, [view]);
  return placed;
}

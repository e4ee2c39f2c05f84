/** Places lanes off the main thread. */
import type { LaneView } from '../../../api/schemas';
import { place, type Placement } from './place';

export interface PlaceRequest {
  turn: number;
  lanes: LaneView[];
}
export interface PlaceAnswer {
  turn: number;
  placement: Placement;
}

self.addEventListener('message', ({ data }: MessageEvent<PlaceRequest>) => {
  const answer: PlaceAnswer = { turn: data.turn, placement: place(data.lanes) };
  self.postMessage(answer);
});

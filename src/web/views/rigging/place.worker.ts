/** Places lanes off the main thread: told the tree and its lanes once, then asked with each fold and filter. */
import type { LaneView } from '../../../api/schemas';
import { place, type Placement, type Span } from './place';

export interface TreeMessage {
  spans: number[];
  lanes: LaneView[];
}
export interface PlaceRequest {
  turn: number;
  folded: number[];
  /** Lanes to place, by index. */
  lanes: number[];
}
export interface PlaceAnswer {
  turn: number;
  placement: Placement;
}

let rows: Span[] = [];
let lanes: LaneView[] = [];

self.addEventListener('message', (event: MessageEvent<TreeMessage | PlaceRequest>) => {
  const message = event.data;
  if ('spans' in message) {
    rows = message.spans.map((span) => ({ span }));
    lanes = message.lanes;
    return;
  }
  const asked = message.lanes.map((index) => lanes[index]!);
  const placement = place(rows, asked, new Set(message.folded));
  const answer: PlaceAnswer = { turn: message.turn, placement };
  self.postMessage(answer, { transfer: [placement.rows.buffer, placement.standsAt.buffer] });
});

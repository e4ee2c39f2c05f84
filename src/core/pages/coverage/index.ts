/** All channels, in the order in which the page of coverage shows them. */
import { HANDLE, PORTAL, SLOT } from './content';
import { CONTEXT, EVENT, SHARED } from './signals';
import type { Channel } from './cell';
import { PROPERTY, SPREAD, TWO_WAY } from './values';

export type { Cell, Channel, Covered, Followed } from './cell';

export const CHANNELS: readonly Channel[] = [
  PROPERTY,
  SPREAD,
  EVENT,
  TWO_WAY,
  CONTEXT,
  SHARED,
  SLOT,
  HANDLE,
  PORTAL,
];

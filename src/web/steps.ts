/** What was decided, step by step, so that it can be taken back. */
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { Verdict } from '../api/schemas';

/** What was decided about some findings before a step; nothing, where nothing was. */
export interface Step {
  project: string;
  before: { fingerprint: string; verdict?: Verdict; reason?: string }[];
}

export const steps = createSlice({
  name: 'steps',
  initialState: [] as Step[],
  reducers: {
    made: (state, { payload }: PayloadAction<Step>) => void state.push(payload),
    undone: (state, { payload }: PayloadAction<number>) => void state.splice(payload, 1),
  },
});

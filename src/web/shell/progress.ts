/** The running audits of all projects, as the server tells them on one stream. */
import { createSlice, type Dispatch, type PayloadAction } from '@reduxjs/toolkit';
import { useSelector } from 'react-redux';
import type { Progress } from '../../api/schemas';
import { api } from '../api';

export const isRunning = (stage: Progress['stage'] | undefined): boolean =>
  stage === 'finding' || stage === 'reading' || stage === 'linking' || stage === 'keeping';

/** It ended without a result of its own; what is shown is of the audit before. */
export const hasFallenShort = (stage: Progress['stage'] | undefined): boolean =>
  stage === 'failed' || stage === 'interrupted';

export const progress = createSlice({
  name: 'progress',
  initialState: {} as Record<string, Progress>,
  reducers: {
    stepped: (state, { payload }: PayloadAction<{ id: string; step: Progress }>) => {
      state[payload.id] = payload.step;
    },
  },
});

interface ProgressState {
  progress: Record<string, Progress>;
}

interface ProgressStore {
  dispatch: Dispatch;
  getState(): ProgressState;
}

/**
 * Follows all audits for as long as the page is open; when one ends, what the screens show is asked for again. The browser
 * comes back by itself when the stream is lost, and is then told how far each project is.
 */
export async function followProgress({ dispatch, getState }: ProgressStore): Promise<() => void> {
  // What checks it is not needed to show the first page.
  const { projectStepSchema } = await import('../../api/schemas');
  const source = new EventSource('/api/progress');
  source.onmessage = (event: MessageEvent<string>) => {
    const { id, ...step } = projectStepSchema.parse(JSON.parse(event.data));
    const before = getState().progress[id];
    dispatch(progress.actions.stepped({ id, step }));
    if (isRunning(before?.stage) && !isRunning(step.stage))
      dispatch(api.util.invalidateTags(['Audit', 'Projects']));
  };
  return () => source.close();
}

export const useProgress = (id: string): Progress | undefined =>
  useSelector((state: ProgressState) => state.progress[id]);

const percent = (share: number): string => `${Math.round(share * 100)} %`;

/** What a step of the audit is doing, and how far it is, from 0 to 1. */
export function describeProgress({ stage, found, read, message }: Progress): {
  text: string;
  share: number | undefined;
} {
  const share = found ? read / found : 0;
  switch (stage) {
    case 'finding':
      return { text: `${found} files found`, share: undefined };
    case 'reading':
      return { text: `read ${read} of ${found} files`, share: share * 0.6 };
    case 'linking':
      return { text: `linking, then rules, ${percent(share)}`, share: 0.6 + share * 0.25 };
    case 'keeping':
      return { text: `keeping the audit, ${percent(share)}`, share: 0.85 + share * 0.15 };
    case 'failed':
      return { text: message ?? 'failed', share: undefined };
    case 'interrupted':
      return { text: message ?? 'interrupted', share: undefined };
    case 'cancelled':
      return { text: 'cancelled', share: undefined };
    default:
      return { text: '', share: undefined };
  }
}

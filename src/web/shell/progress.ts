/** The running audits of all projects, as the server tells them on one stream. */
import { createSlice, type Dispatch, type PayloadAction } from '@reduxjs/toolkit';
import { useSelector } from 'react-redux';
import type { Live, Progress } from '../../api/schemas';
import { api } from '../api';

export const isRunning = (stage: Progress['stage'] | undefined): boolean =>
  stage === 'finding' || stage === 'reading' || stage === 'linking' || stage === 'keeping';

/** It ended without a result of its own; what is shown is of the audit before. */
export const hasFallenShort = (stage: Progress['stage'] | undefined): boolean =>
  stage === 'failed' || stage === 'interrupted';

export const live = createSlice({
  name: 'live',
  initialState: {} as Record<string, Live>,
  reducers: {
    followed: (state, { payload }: PayloadAction<{ id: string; live: Live }>) => {
      state[payload.id] = payload.live;
    },
  },
});

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
  live: Record<string, Live>;
}

interface ProgressStore {
  dispatch: Dispatch;
  getState(): ProgressState;
}

/**
 * Follows all audits for as long as the page is open, and the folder of the project that it shows; when an audit ends or
 * the folder changes, what the screens show is asked for again. The browser comes back by itself when the stream is lost,
 * and is then told how far each project is.
 */
export function followProgress(
  { dispatch, getState }: ProgressStore,
  project: string | undefined,
): () => void {
  let source: EventSource | undefined;
  let ended = false;
  const take = (
    { projectStepSchema, liveStepSchema }: typeof import('../../api/schemas'),
    message: unknown,
  ) => {
    const followed = liveStepSchema.safeParse(message);
    if (followed.success) {
      const { id, live: now } = followed.data;
      const before = getState().live[id];
      dispatch(live.actions.followed({ id, live: now }));
      if (JSON.stringify(before?.ahead) !== JSON.stringify(now.ahead))
        dispatch(api.util.invalidateTags(['Audit']));
      return;
    }
    const { id, ...step } = projectStepSchema.parse(message);
    const before = getState().progress[id];
    dispatch(progress.actions.stepped({ id, step }));
    if (isRunning(before?.stage) && !isRunning(step.stage))
      dispatch(api.util.invalidateTags(['Audit', 'Projects']));
  };
  // What checks it is not needed to show the first page.
  void import('../../api/schemas').then((schemas) => {
    if (ended) return;
    source = new EventSource(
      project ? `/api/progress?project=${encodeURIComponent(project)}` : '/api/progress',
    );
    source.onmessage = (event: MessageEvent<string>) => take(schemas, JSON.parse(event.data));
  });
  return () => {
    ended = true;
    source?.close();
  };
}

export const useLive = (id: string): Live | undefined =>
  useSelector((state: ProgressState) => state.live[id]);

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

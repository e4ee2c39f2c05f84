/** The running audit of a project, as the server tells it. */
import { useEffect, useState } from 'react';
import { useDispatch } from 'react-redux';
import { progressSchema, type Progress } from '../../api/schemas';
import { api } from '../api';

export const isRunning = (stage: Progress['stage'] | undefined): boolean =>
  stage === 'finding' || stage === 'reading' || stage === 'linking' || stage === 'keeping';

/** Follows a project's audits; when one ends, what the screens show is asked for again. */
export function useProgress(id: string): Progress | undefined {
  const [progress, setProgress] = useState<Progress>();
  const dispatch = useDispatch();
  useEffect(() => {
    const source = new EventSource(`/api/projects/${id}/progress`);
    let ran = false;
    source.onmessage = (event: MessageEvent<string>) => {
      const step = progressSchema.parse(JSON.parse(event.data));
      setProgress(step);
      if (isRunning(step.stage)) ran = true;
      else if (ran) {
        ran = false;
        dispatch(api.util.invalidateTags(['Audit', 'Projects']));
      }
    };
    return () => source.close();
  }, [id, dispatch]);
  return progress;
}

/** What a step of the audit is doing, and how far it is, from 0 to 1. */
export function describeProgress({ stage, found, read, message }: Progress): {
  text: string;
  share: number | undefined;
} {
  switch (stage) {
    case 'finding':
      return { text: `${found} files found`, share: undefined };
    case 'reading':
      return { text: `read ${read} of ${found} files`, share: found ? (read / found) * 0.85 : 0 };
    case 'linking':
      return { text: 'linking, then rules', share: 0.9 };
    case 'keeping':
      return { text: 'keeping the audit', share: 0.96 };
    case 'failed':
      return { text: message ?? 'failed', share: undefined };
    case 'cancelled':
      return { text: 'cancelled', share: undefined };
    default:
      return { text: '', share: undefined };
  }
}

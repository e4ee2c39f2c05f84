/** What a text says, as the server reads it, while it is being written. */
import { useEffect, useRef, useState } from 'react';
import type { DraftView } from '../../../api/sheet-schemas';
import { api, reasonOf } from '../../api';

/** Milliseconds without a key until the text is read. */
const PAUSE = 180;

export interface Draft {
  view: DraftView | undefined;
  /** It says less than the text does by now. */
  isOld: boolean;
  error: string | undefined;
}

export function useDraft(id: string, path: string, text: string): Draft {
  const [ask] = api.useDraftMutation();
  const [draft, setDraft] = useState<Draft & { of?: string }>({
    view: undefined,
    isOld: true,
    error: undefined,
  });
  const turn = useRef(0);
  const first = useRef(true);
  useEffect(() => {
    const mine = ++turn.current;
    const wait = first.current ? 0 : PAUSE;
    first.current = false;
    const timer = setTimeout(() => {
      void ask({ id, path, text }).then(({ data, error }) => {
        // Only the last answer counts; the one before stays until it is there.
        if (mine !== turn.current) return;
        setDraft((was) => ({
          view: data ?? was.view,
          isOld: false,
          error: error ? reasonOf(error) : undefined,
          of: text,
        }));
      });
    }, wait);
    return () => clearTimeout(timer);
  }, [ask, id, path, text]);
  return { ...draft, isOld: draft.of !== text };
}

/** Decisions with a way back, as far as one likes: each step says what was before it. */
import { useDispatch, useSelector } from 'react-redux';
import type { FindingRow, Verdict } from '../../../api/schemas';
import { api } from '../../api';
import { type Step, steps } from '../../steps';
import type { State } from '../../store';

export function useDecisions(project: string) {
  const dispatch = useDispatch();
  const all = useSelector((state: State) => state.steps);
  const [decide, deciding] = api.useDecideMutation();
  const [undecide, undeciding] = api.useUndecideMutation();
  const own = all.filter((step) => step.project === project);
  const remember = (findings: FindingRow[]) => {
    const before = findings.map(({ fingerprint, decision }) => ({
      fingerprint,
      ...(decision ? { verdict: decision.verdict, reason: decision.reason } : {}),
    }));
    dispatch(steps.actions.made({ project, before }));
  };
  const prints = (findings: FindingRow[]) => [...new Set(findings.map((one) => one.fingerprint))];
  return {
    error: deciding.error ?? undeciding.error,
    isBusy: deciding.isLoading || undeciding.isLoading,
    /** How many steps can be taken back, and over how many findings the last of them went. */
    steps: own.length,
    last: own.at(-1)?.before.length ?? 0,
    /** Decides on findings; says whether it was kept. */
    decide: async (findings: FindingRow[], verdict: Verdict, reason: string): Promise<boolean> => {
      const answer = await decide({ id: project, fingerprints: prints(findings), verdict, reason });
      if ('error' in answer) return false;
      remember(findings);
      return true;
    },
    takeBack: async (findings: FindingRow[]): Promise<void> => {
      const answer = await undecide({ id: project, fingerprints: prints(findings) });
      if (!('error' in answer)) remember(findings);
    },
    /** The step before the last one is how things stand again. */
    undo: async (): Promise<void> => {
      const step = own.at(-1);
      if (!step) return;
      const groups = new Map<string, Step['before']>();
      for (const one of step.before) {
        const key = JSON.stringify([one.verdict, one.reason]);
        groups.set(key, [...(groups.get(key) ?? []), one]);
      }
      for (const group of groups.values()) {
        const [{ verdict, reason } = {}] = group as Partial<Step['before'][number]>[];
        const fingerprints = group.map((one) => one.fingerprint);
        const answer =
          verdict && reason
            ? await decide({ id: project, fingerprints, verdict, reason })
            : await undecide({ id: project, fingerprints });
        if ('error' in answer) return;
      }
      dispatch(steps.actions.undone(all.indexOf(step)));
    },
  };
}

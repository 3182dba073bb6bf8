import { useCallback, useRef, useState } from 'react';
import { ApiError, isRecord, send } from '@/shared/lib/api';
import { url } from '@/shared/lib/url';
import type { RunProps, RunStepProps } from '@/types/generated';

export type StepChange = {
    state?: RunStepProps['state'];
    usedMix?: { paintId: number; drops: number }[] | null;
    usedCoats?: number | null;
    note?: string | null;
};

type Conflict = { theirs: RunStepProps; change: StepChange };

/** The steps of a run; every change is sent the moment it happens. */
export function useRun(run: RunProps) {
    const [steps, setSteps] = useState(run.steps);
    const [problem, setProblem] = useState<string | null>(null);
    const [conflict, setConflict] = useState<Conflict | null>(null);

    const versions = useRef(new Map(run.steps.map((step) => [step.id, step.version])));
    const flight = useRef<Promise<unknown> | null>(null);

    const put = useCallback(
        async (step: RunStepProps, change: StepChange): Promise<boolean> => {
            const show = (next: RunStepProps) => {
                versions.current.set(next.id, next.version);
                setSteps((now) => now.map((s) => (s.id === next.id ? next : s)));
            };
            try {
                show(
                    await send<RunStepProps>('PATCH', url('run-steps.update', { run: run.id, step: step.id }), {
                        ...change,
                        version: versions.current.get(step.id) ?? step.version,
                    }),
                );
                setProblem(null);
                setConflict(null);
                return true;
            } catch (error) {
                if (!(error instanceof ApiError)) throw error;
                if (error.isConflict && isRecord(error.body)) {
                    const theirs = error.body['theirs'] as RunStepProps;
                    show(theirs);
                    setConflict({ theirs, change });
                } else {
                    setProblem(error.message);
                }
                return false;
            }
        },
        [run.id],
    );

    const record = useCallback(
        async (step: RunStepProps, change: StepChange): Promise<boolean> => {
            // One after the other: a key pressed twice must not meet its own first press as a change from elsewhere.
            while (flight.current) await flight.current;
            const sending = put(step, change);
            flight.current = sending;
            try {
                return await sending;
            } finally {
                flight.current = null;
            }
        },
        [put],
    );

    return {
        steps,
        problem,
        conflict,
        record,
        dropConflict: () => {
            setConflict(null);
        },
    };
}

import {
    useCallback,
    useEffect,
    useMemo,
    useRef,
    useState,
    type Dispatch,
    type SetStateAction,
    type RefObject,
} from 'react';
import { ApiError, isRecord, send } from '@/shared/lib/api';
import { newKey, Outbox, type QueuedChange } from '@/shared/lib/outbox';
import { url } from '@/shared/lib/url';
import { useRefusals } from '@/shared/lib/use-refusals';
import type { RunProps, RunStepProps } from '@/types/generated';

export type StepChange = {
    state?: RunStepProps['state'];
    usedMix?: { paintId: number; drops: number }[] | null;
    usedCoats?: number | null;
    usedMinutes?: number | null;
    usedDrops?: number | null;
    skipReason?: string | null;
    note?: string | null;
    verdict?: RunStepProps['verdict'];
    wentOnWet?: boolean;
};

type Conflict = { theirs: RunStepProps; change: StepChange };

/** A change of a step, recorded before it is sent: with the version of the step the painter saw, and when it was made. */
type QueuedStepChange = QueuedChange & { stepId: number; seen: number; change: StepChange; madeAt?: number };

const AGAIN_AFTER = 2000;

const MONTH = 30 * 24 * 3600;

/**
 * The steps of a run. Every change is recorded in this browser the moment it happens, shown at once and sent until
 * it is acknowledged, in order, each once: a connection that is away, a closed lid or a server that restarts loses none.
 */
export function useRun(run: RunProps, onStored: () => void) {
    const outbox = useMemo(() => new Outbox<QueuedStepChange>(`hyalin-run-${run.id}`), [run.id]);
    const [steps, setSteps] = useState(() => withQueued(run.steps, outbox.all()));
    const [waiting, setWaiting] = useState(() => outbox.all().length);
    const [problem, setProblem] = useState<string | null>(null);
    const [conflict, setConflict] = useState<Conflict | null>(null);
    const { refusals, look, settle } = useRefusals(outbox);
    const versions = useRef(new Map(run.steps.map((step) => [step.id, step.version])));
    // As the server last told them: what a step goes back to when a change of it is refused.
    const known = useRef(new Map(run.steps.map((step) => [step.id, step])));
    const stored = useRef(onStored);
    useEffect(() => {
        stored.current = onStored;
    });

    const show = useCallback((next: RunStepProps) => {
        versions.current.set(next.id, next.version);
        known.current.set(next.id, next);
        setSteps((now) => now.map((s) => (s.id === next.id ? next : s)));
    }, []);
    const putBack = useCallback(
        (stepId: number) => {
            look();
            setSteps((now) =>
                now.flatMap((s) =>
                    s.id === stepId ? withQueued([known.current.get(stepId) ?? s], outbox.all()) : [s],
                ),
            );
        },
        [look, outbox],
    );
    const sendFirst = useSendFirst({ run, outbox, versions, known, show, putBack, setProblem, setConflict, stored });
    const flush = useFlush({ outbox, sendFirst, setWaiting });

    const record = useCallback(
        (step: RunStepProps, change: StepChange, madeAt = Date.now()) => {
            const seen = versions.current.get(step.id) ?? step.version;
            const queued: QueuedStepChange = { key: newKey(), stepId: step.id, seen, change, madeAt };
            outbox.add(queued);
            setWaiting(outbox.all().length);
            setSteps((now) => now.map((s) => (s.id === step.id ? changed(s, change) : s)));
            void flush();
        },
        [flush, outbox],
    );

    const again = (key: string) => {
        const queued = settle(key);
        const step = steps.find((s) => s.id === queued?.stepId);
        if (queued && step) record(step, queued.change, queued.madeAt);
    };

    return {
        steps,
        refusals,
        again,
        settle,
        waiting,
        problem,
        conflict,
        record,
        show,
        dropConflict: () => {
            setConflict(null);
        },
    };
}

/** Paint dries from when it was put on, not from when the server heard of it. A clock that was set back counts as now. */
function secondsSince(madeAt: number | undefined): number {
    return madeAt === undefined ? 0 : Math.min(MONTH, Math.max(0, Math.round((Date.now() - madeAt) / 1000)));
}

/** What a step looks like before the server has answered. */
export function changed(step: RunStepProps, change: StepChange): RunStepProps {
    const { usedMix, state, ...rest } = change;
    const known = new Map([...step.plannedMix, ...(step.usedMix ?? [])].map((entry) => [entry.paintId, entry]));
    return {
        ...step,
        ...rest,
        ...(state === undefined
            ? {}
            : { state, doneAt: state === 'open' ? null : (step.doneAt ?? new Date().toISOString()) }),
        ...(usedMix === undefined
            ? {}
            : {
                  usedMix:
                      usedMix?.flatMap(({ paintId, drops }) => {
                          const entry = known.get(paintId);
                          return entry ? [{ ...entry, drops }] : [];
                      }) ?? null,
              }),
    };
}

function withQueued(steps: readonly RunStepProps[], queue: readonly QueuedStepChange[]): RunStepProps[] {
    return steps.map((step) =>
        queue.filter((queued) => queued.stepId === step.id).reduce((now, queued) => changed(now, queued.change), step),
    );
}

function useFlush({
    outbox,
    sendFirst,
    setWaiting,
}: {
    outbox: Outbox<QueuedStepChange>;
    sendFirst: (queued: QueuedStepChange) => Promise<boolean>;
    setWaiting: Dispatch<SetStateAction<number>>;
}) {
    const flush = useCallback(
        () =>
            outbox.withLock(async () => {
                for (let queued = outbox.first(); queued; queued = outbox.first()) {
                    if (!(await sendFirst(queued))) break;
                    setWaiting(outbox.all().length);
                }
                setWaiting(outbox.all().length);
            }),
        [outbox, sendFirst, setWaiting],
    );
    useEffect(() => {
        const again = () => void flush();
        again();
        window.addEventListener('online', again);
        // What waits is tried again until it is acknowledged.
        const timer = window.setInterval(() => {
            if (outbox.first()) again();
        }, AGAIN_AFTER);
        return () => {
            window.removeEventListener('online', again);
            window.clearInterval(timer);
        };
    }, [flush, outbox]);

    return flush;
}

function problemWords(error: ApiError): string {
    if (error.status === 0 || error.status === 502 || error.status === 504) {
        return 'Hyalin cannot be reached. What you do is kept in this browser and sent as soon as possible.';
    }
    return error.isTransient ? `${error.message} What you do is kept in this browser and sent again.` : error.message;
}

type Sending = {
    run: RunProps;
    outbox: Outbox<QueuedStepChange>;
    versions: RefObject<Map<number, number>>;
    known: RefObject<Map<number, RunStepProps>>;
    putBack: (stepId: number) => void;
    show: (next: RunStepProps) => void;
    setProblem: Dispatch<SetStateAction<string | null>>;
    setConflict: Dispatch<SetStateAction<Conflict | null>>;
    stored: RefObject<() => void>;
};

function useSendFirst({ run, outbox, versions, known, show, putBack, setProblem, setConflict, stored }: Sending) {
    const sendFirst = useCallback(
        async (queued: QueuedStepChange): Promise<boolean> => {
            try {
                const next = await send<RunStepProps>(
                    'PATCH',
                    url('run-steps.update', { run: run.id, step: queued.stepId }),
                    { ...queued.change, version: queued.seen, ago: secondsSince(queued.madeAt) },
                    undefined,
                    queued.key,
                );
                outbox.remove(queued.key);
                // Our own change has moved the version on; anyone else's is a conflict.
                outbox.change((d) => (d.stepId === next.id ? { ...d, seen: next.version } : d));
                versions.current.set(next.id, next.version);
                known.current.set(next.id, next);
                if (!outbox.all().some((other) => other.stepId === next.id)) show(next);
                setProblem(null);
                setConflict(null);
                stored.current();
            } catch (error) {
                if (!(error instanceof ApiError)) throw error;
                if (error.isConflict && isRecord(error.body)) {
                    outbox.remove(queued.key);
                    const theirs = error.body['theirs'] as RunStepProps;
                    const later = outbox.all().filter((d) => d.stepId === queued.stepId);
                    for (const { key } of later) outbox.remove(key);
                    show(theirs);
                    setConflict({
                        theirs,
                        change: later.reduce<StepChange>((all, d) => ({ ...all, ...d.change }), queued.change),
                    });
                } else if (outbox.refuse(queued, error)) {
                    putBack(queued.stepId);
                    setProblem(null);
                } else {
                    // Signed out, out of reach or a page too old: the change stays recorded until it can be sent.
                    setProblem(problemWords(error));
                    return false;
                }
            }
            return true;
        },
        [known, outbox, putBack, run.id, setConflict, setProblem, show, stored, versions],
    );

    return sendFirst;
}

import { useCallback, useEffect, useMemo, useRef, useState, type Dispatch, type SetStateAction } from 'react';
import { ApiError, send } from '@/shared/lib/api';
import { newKey, Outbox } from '@/shared/lib/outbox';
import { url } from '@/shared/lib/url';
import { useRefusals } from '@/shared/lib/use-refusals';
import type { CupAct, CupProps } from '@/types/generated';

export type CupChange = {
    key: string;
    act: CupAct;
    paintId?: number;
    drops?: number;
    grams?: number;
    millilitres?: number;
};

const AGAIN_AFTER = 2000;

/**
 * A cup in the browser. Each queued is recorded here before it is sent, and sent until it is acknowledged: a closed
 * lid, a dead battery or a server that restarts loses nothing, and nothing is done twice.
 */
export function useCup(initial: CupProps) {
    const outbox = useMemo(() => new Outbox<CupChange>(`hyalin-cup-${initial.id}`), [initial.id]);
    const [cup, setCup] = useState(initial);
    const [waiting, setWaiting] = useState<readonly CupChange[]>(() => outbox.all());
    const { refusals, look, settle } = useRefusals(outbox);
    const [problem, setProblem] = useState<string | null>(null);
    const flush = useSending({ outbox, setCup, initial, setProblem, setWaiting, look });

    const act = useCallback(
        (queued: Omit<CupChange, 'key'>) => {
            outbox.add({ ...queued, key: newKey() });
            setWaiting(outbox.all());
            void flush();
        },
        [flush, outbox],
    );

    const change = useCallback(
        async (method: 'PATCH' | 'DELETE' | 'POST', path: string, body?: unknown): Promise<CupProps | null> => {
            try {
                const answer = await send<CupProps>(method, path, body);
                if (answer.id === initial.id) setCup(answer);
                setProblem(null);
                return answer;
            } catch (error) {
                if (!(error instanceof ApiError)) throw error;
                setProblem(error.message);
                return null;
            }
        },
        [initial.id],
    );

    const again = (key: string) => {
        const queued = settle(key);
        if (queued) act(queued);
    };

    return { cup, waiting: waiting.length, refusals, again, settle, problem, act, change };
}

function useSending({
    outbox,
    setCup,
    initial,
    setProblem,
    setWaiting,
    look,
}: {
    outbox: Outbox<CupChange>;
    setCup: Dispatch<SetStateAction<CupProps>>;
    initial: CupProps;
    setProblem: Dispatch<SetStateAction<string | null>>;
    setWaiting: Dispatch<SetStateAction<readonly CupChange[]>>;
    look: () => void;
}) {
    const sending = useRef(false);
    const flush = useCallback(async () => {
        if (sending.current) return;
        sending.current = true;
        try {
            for (let queued = outbox.first(); queued; queued = outbox.first()) {
                try {
                    setCup(await send<CupProps>('POST', url('cups.act', { cup: initial.id }), queued));
                    outbox.remove(queued.key);
                    setProblem(null);
                } catch (error) {
                    if (!(error instanceof ApiError)) throw error;
                    if (!outbox.refuse(queued, error)) {
                        // Signed out, out of reach or a page too old: the change stays recorded until it can be sent.
                        setProblem(
                            error.isTransient
                                ? 'Kept here; it is sent as soon as Hyalin can be reached.'
                                : error.message,
                        );
                        window.setTimeout(() => void flush(), AGAIN_AFTER);
                        return;
                    }
                    look();
                    setProblem(null);
                }
                setWaiting(outbox.all());
            }
        } finally {
            sending.current = false;
        }
    }, [initial.id, look, outbox, setCup, setProblem, setWaiting]);

    useEffect(() => {
        void flush();
    }, [flush]);

    return flush;
}

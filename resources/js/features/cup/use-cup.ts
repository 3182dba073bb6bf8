import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { ApiError, send } from '@/shared/lib/api';
import { newKey, Outbox } from '@/shared/lib/outbox';
import { url } from '@/shared/lib/url';
import type { CupAct, CupProps } from '@/types/generated';

export type CupDeed = {
    key: string;
    act: CupAct;
    paintId?: number;
    drops?: number;
    grams?: number;
    millilitres?: number;
};

const AGAIN_AFTER = 2000;

/**
 * A cup in the browser. Each deed is written down here before it is sent, and sent until it is acknowledged: a closed
 * lid, a dead battery or a server that restarts loses nothing, and nothing is done twice.
 */
export function useCup(initial: CupProps) {
    const outbox = useMemo(() => new Outbox<CupDeed>(`hyalin-cup-${initial.id}`), [initial.id]);
    const [cup, setCup] = useState(initial);
    const [waiting, setWaiting] = useState<readonly CupDeed[]>(() => outbox.all());
    const [problem, setProblem] = useState<string | null>(null);
    const sending = useRef(false);

    const flush = useCallback(async () => {
        if (sending.current) return;
        sending.current = true;
        try {
            for (let deed = outbox.first(); deed; deed = outbox.first()) {
                const { key } = deed;
                try {
                    setCup(await send<CupProps>('POST', url('cups.act', { cup: initial.id }), deed));
                    setProblem(null);
                } catch (error) {
                    if (!(error instanceof ApiError)) throw error;
                    // Signed out, or a page too old: the deed stays written down until the painter is back.
                    if (error.isUnjudged) {
                        setProblem(
                            error.isPassing
                                ? 'Written down here; it is sent as soon as Hyalin can be reached.'
                                : error.message,
                        );
                        window.setTimeout(() => void flush(), AGAIN_AFTER);
                        return;
                    }
                    setProblem(error.message);
                }
                outbox.strike(key);
                setWaiting(outbox.all());
            }
        } finally {
            sending.current = false;
        }
    }, [initial.id, outbox]);

    useEffect(() => {
        void flush();
    }, [flush]);

    const act = useCallback(
        (deed: Omit<CupDeed, 'key'>) => {
            outbox.add({ ...deed, key: newKey() });
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

    return { cup, waiting: waiting.length, problem, act, change };
}

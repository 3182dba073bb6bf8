import { useCallback, useEffect, useRef, useState } from 'react';
import { ApiError, isRecord, send } from '@/shared/lib/api';
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
const LETTERS = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';

/**
 * A cup in the browser. Each deed is written down here before it is sent, and sent until it is acknowledged: a closed
 * lid, a dead battery or a server that restarts loses nothing, and nothing is done twice.
 */
export function useCup(initial: CupProps) {
    const [cup, setCup] = useState(initial);
    const [waiting, setWaiting] = useState<readonly CupDeed[]>(() => written(initial.id));
    const [problem, setProblem] = useState<string | null>(null);
    const sending = useRef(false);

    const flush = useCallback(async () => {
        if (sending.current) return;
        sending.current = true;
        try {
            for (let deed = written(initial.id)[0]; deed; deed = written(initial.id)[0]) {
                const { key } = deed;
                try {
                    setCup(await send<CupProps>('POST', url('cups.act', { cup: initial.id }), deed));
                    setProblem(null);
                } catch (error) {
                    if (!(error instanceof ApiError)) throw error;
                    if (error.isPassing) {
                        setProblem('Written down here; it is sent as soon as Hyalin can be reached.');
                        window.setTimeout(() => void flush(), AGAIN_AFTER);
                        return;
                    }
                    setProblem(error.message);
                }
                write(
                    initial.id,
                    written(initial.id).filter((other) => other.key !== key),
                );
                setWaiting(written(initial.id));
            }
        } finally {
            sending.current = false;
        }
    }, [initial.id]);

    useEffect(() => {
        void flush();
    }, [flush]);

    const act = useCallback(
        (deed: Omit<CupDeed, 'key'>) => {
            write(initial.id, [...written(initial.id), { ...deed, key: newKey() }]);
            setWaiting(written(initial.id));
            void flush();
        },
        [flush, initial.id],
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

function place(cup: number): string {
    return `hyalin-cup-${cup}`;
}

function written(cup: number): readonly CupDeed[] {
    try {
        const value: unknown = JSON.parse(localStorage.getItem(place(cup)) ?? '[]');
        return Array.isArray(value)
            ? value.filter((v): v is CupDeed => isRecord(v) && typeof v['key'] === 'string')
            : [];
    } catch {
        return [];
    }
}

function write(cup: number, deeds: readonly CupDeed[]): void {
    if (deeds.length === 0) localStorage.removeItem(place(cup));
    else localStorage.setItem(place(cup), JSON.stringify(deeds));
}

/** 26 letters of Crockford's alphabet, by chance: the shape of a ULID. */
function newKey(): string {
    return Array.from(crypto.getRandomValues(new Uint8Array(26)), (byte) => LETTERS[byte % 32]).join('');
}

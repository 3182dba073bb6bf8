import { useCallback, useRef, useState } from 'react';
import { ApiError } from './api';

/**
 * Does something that may be refused, and keeps the answer or the reason. Anything but a refusal is a fault and thrown on.
 * One act waits for the one before it, so that what is shown last belongs to what was asked last.
 */
export function useAttempt(): {
    message: string | null;
    setMessage: (words: string | null) => void;
    attempt: (act: () => Promise<unknown>) => Promise<boolean>;
} {
    const [message, setMessage] = useState<string | null>(null);
    const before = useRef<Promise<unknown>>(Promise.resolve());
    const attempt = useCallback((act: () => Promise<unknown>) => {
        const doing = before.current.then(async () => {
            try {
                const answer = await act();
                setMessage(words(answer));
                return true;
            } catch (error) {
                if (!(error instanceof ApiError)) throw error;
                setMessage(error.message);
                return false;
            }
        });
        before.current = doing.catch(() => undefined);
        return doing;
    }, []);
    return { message, setMessage, attempt };
}

/** What the server says of what it did, where it says something. */
function words(answer: unknown): string | null {
    const message = typeof answer === 'object' && answer !== null && 'message' in answer ? answer.message : null;
    return typeof message === 'string' ? message : null;
}

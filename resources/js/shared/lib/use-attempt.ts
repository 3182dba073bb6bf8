import { useCallback, useRef, useState } from 'react';
import { ApiError } from './api';

/**
 * Does something that may be refused: what was said of it, or why not. Anything but a refusal is a fault and thrown on. One
 * act waits for the one before it, so that what is said and shown last is of what was asked last.
 */
export function useAttempt(): {
    said: string | null;
    say: (words: string | null) => void;
    attempt: (act: () => Promise<unknown>) => Promise<boolean>;
} {
    const [said, say] = useState<string | null>(null);
    const before = useRef<Promise<unknown>>(Promise.resolve());
    const attempt = useCallback((act: () => Promise<unknown>) => {
        const doing = before.current.then(async () => {
            try {
                const answer = await act();
                say(words(answer));
                return true;
            } catch (error) {
                if (!(error instanceof ApiError)) throw error;
                say(error.message);
                return false;
            }
        });
        before.current = doing.catch(() => undefined);
        return doing;
    }, []);
    return { said, say, attempt };
}

/** What the server says of what it did, where it says something. */
function words(answer: unknown): string | null {
    const message = typeof answer === 'object' && answer !== null && 'message' in answer ? answer.message : null;
    return typeof message === 'string' ? message : null;
}

import { useCallback, useState } from 'react';
import type { Outbox, QueuedChange, RefusedChange } from './outbox';

/** The changes of an outbox that were refused for good, until the painter tries them again or drops them. */
export function useRefusals<T extends QueuedChange>(
    outbox: Outbox<T>,
): { refusals: readonly RefusedChange<T>[]; look: () => void; settle: (key: string) => T | undefined } {
    const [refusals, setRefusals] = useState(() => outbox.refused());
    const look = useCallback(() => {
        setRefusals(outbox.refused());
    }, [outbox]);
    const settle = useCallback(
        (key: string) => {
            const found = outbox.refused().find((r) => r.queued.key === key)?.queued;
            outbox.settle(key);
            look();
            return found;
        },
        [look, outbox],
    );
    return { refusals, look, settle };
}

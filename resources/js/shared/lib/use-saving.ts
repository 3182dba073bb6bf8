import { useEffect, useRef } from 'react';

/**
 * Saves one after another, each with the mark of what this window last showed or saved, so that only another window's change
 * is a conflict and never one's own two quick ones. The page is asked for anew after each, saved or refused.
 *
 * @param seen    mark of what the page shows
 * @param reload  asks for the page anew
 */
export function useSaving(
    seen: string,
    reload: () => Promise<void>,
): (save: (seen: string) => Promise<{ seen: string }>) => Promise<void> {
    const mark = useRef(seen);
    useEffect(() => {
        mark.current = seen;
    }, [seen]);
    const before = useRef<Promise<unknown>>(Promise.resolve());
    return (save) => {
        const doing = before.current.then(async () => {
            try {
                mark.current = (await save(mark.current)).seen;
            } finally {
                await reload();
            }
        });
        before.current = doing.catch(() => undefined);
        return doing;
    };
}

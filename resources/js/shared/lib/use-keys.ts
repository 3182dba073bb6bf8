import { useEffect, useRef } from 'react';

/** Keys of the current screen. A key typed into a field or a list is not ours. */
export function useKeys(keys: Record<string, (event: KeyboardEvent) => void>): void {
    const current = useRef(keys);
    useEffect(() => {
        current.current = keys;
    });
    useEffect(() => {
        const listen = (event: KeyboardEvent) => {
            const target = event.target instanceof Element ? event.target : null;
            if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented) return;
            if (target?.closest('input, textarea, select, [contenteditable], [role=listbox], [role=dialog]')) return;
            // A focused button keeps Space and Enter for itself.
            if ((event.key === ' ' || event.key === 'Enter') && target?.closest('button, a')) return;
            const act = current.current[event.key];
            if (act) {
                event.preventDefault();
                act(event);
            }
        };
        window.addEventListener('keydown', listen);
        return () => {
            window.removeEventListener('keydown', listen);
        };
    }, []);
}

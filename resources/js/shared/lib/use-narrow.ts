import { useSyncExternalStore } from 'react';

/** Below this a screen is a phone's: as Tailwind's `lg`. */
const QUERY = '(max-width: 1023px)';

function list(): MediaQueryList | null {
    // Not every place that renders a page has a screen.
    return typeof window.matchMedia === 'function' ? window.matchMedia(QUERY) : null;
}

function subscribe(onChange: () => void): () => void {
    const media = list();
    media?.addEventListener('change', onChange);
    return () => media?.removeEventListener('change', onChange);
}

/** Whether the screen is too narrow for two things side by side. */
export function useNarrow(): boolean {
    return useSyncExternalStore(
        subscribe,
        () => list()?.matches ?? false,
        () => false,
    );
}

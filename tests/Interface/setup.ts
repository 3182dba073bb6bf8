import { cleanup } from '@testing-library/react';
import { afterEach, beforeEach } from 'vitest';

afterEach(() => {
    cleanup();
    // What one test left unsent is not sent by the next.
    localStorage.clear();
});

// happy-dom has no Web Locks: one holder of a name at a time, in the order they asked (W3C Web Locks API).
beforeEach(() => {
    const held = new Map<string, Promise<unknown>>();
    Object.defineProperty(navigator, 'locks', {
        configurable: true,
        value: {
            request: (name: string, act: () => Promise<unknown>) => {
                const turn = (held.get(name) ?? Promise.resolve()).then(act);
                held.set(
                    name,
                    turn.catch(() => undefined),
                );
                return turn;
            },
        },
    });
});

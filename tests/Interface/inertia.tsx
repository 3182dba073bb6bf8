import { useRef, useState, type ComponentProps, type ReactNode } from 'react';
import { vi } from 'vitest';

/**
 * Stands in for Inertia in every test (vitest.config.ts): what a page asks of the router is noted and nothing is fetched.
 */
export const router = {
    reload: vi.fn((options?: { onFinish?: () => void }) => {
        options?.onFinish?.();
    }),
    visit: vi.fn(),
    get: vi.fn(),
    post: vi.fn(),
    patch: vi.fn(),
    delete: vi.fn(),
    on: vi.fn(() => () => undefined),
};

/** What every page shares; a test may put other values in. */
export const shared = { props: { painter: 'Ines', tray: [], openCups: [], errors: {} } as Record<string, unknown> };

export function forget(): void {
    for (const call of Object.values(router)) call.mockClear();
    shared.props = { painter: 'Ines', tray: [], openCups: [], errors: {} };
}

export function usePage() {
    return shared;
}

export function Head() {
    return null;
}

export function Link({ href, children, ...rest }: ComponentProps<'a'> & { children?: ReactNode }) {
    return (
        <a href={href} {...rest}>
            {children}
        </a>
    );
}

type Data = Record<string, string>;

/** A form as Inertia keeps it; what it sends goes to the router above. */
export function useForm(initial: Data) {
    const [data, setData] = useState(initial);
    const changeRef = useRef<(data: Data) => unknown>((same) => same);
    return {
        data,
        errors: (shared.props['errors'] ?? {}) as Data,
        processing: false,
        setData: (key: string, value: string) => {
            setData((now) => ({ ...now, [key]: value }));
        },
        transform: (made: (data: Data) => unknown) => {
            changeRef.current = made;
        },
        reset: () => {
            setData(initial);
        },
        post: (path: string, options?: { onSuccess?: () => void }) => {
            router.post(path, changeRef.current(data));
            options?.onSuccess?.();
        },
        patch: (path: string, options?: { onSuccess?: () => void }) => {
            router.patch(path, changeRef.current(data));
            options?.onSuccess?.();
        },
    };
}

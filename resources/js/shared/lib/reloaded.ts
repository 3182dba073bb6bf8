import { router } from '@inertiajs/react';

type Options = NonNullable<Parameters<typeof router.reload>[0]>;

/** Asks for the page anew; done when it is there, or when a newer question has taken its place. */
export function reloaded(options: Omit<Options, 'onFinish'> = {}): Promise<void> {
    return new Promise((resolve) => {
        router.reload({
            ...options,
            onFinish: () => {
                resolve();
            },
        });
    });
}

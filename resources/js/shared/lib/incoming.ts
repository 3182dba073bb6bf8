import { ApiError, send, upload } from '@/shared/lib/api';
import { url } from '@/shared/lib/url';
import type { IncomingProps } from '@/types/generated';

/** Milliseconds between two questions. */
const LOOK = 400;

/**
 * Waits until the server has read a file in its queue, or asks something about it. A server that cannot be reached for a while is
 * asked on.
 *
 * @throws ApiError when it cannot be read; nothing was added then
 */
export async function untilRead(
    file: IncomingProps,
    onProgress: (fraction: number | null) => void = () => undefined,
    signal?: AbortSignal,
): Promise<IncomingProps> {
    let now = file;
    while (now.state === 'waiting' || now.state === 'running') {
        onProgress(now.progress > 0 ? now.progress : null);
        await new Promise((resolve) => window.setTimeout(resolve, LOOK));
        signal?.throwIfAborted();
        now = await send<IncomingProps>('GET', url('incoming.show', { incomingFile: now.id }), undefined, signal).catch(
            (error: unknown) => {
                if (error instanceof ApiError && error.isTransient) return now;
                throw error;
            },
        );
    }
    if (now.state === 'failed') throw new ApiError(422, now.problem ?? 'It could not be read. Nothing was added.');
    return now;
}

/**
 * Sends a picture ahead of what it is for, and waits until it is read.
 *
 * @returns the number that stands for it from then on
 * @throws ApiError when it is no picture, or cannot be read
 */
export async function sendAhead(
    file: Blob,
    name: string,
    onProgress: (fraction: number | null) => void = () => undefined,
): Promise<number> {
    const form = new FormData();
    form.append('picture', file, name);
    const arrived = await upload<IncomingProps>(url('incoming.picture'), form, onProgress);
    return (await untilRead(arrived, onProgress)).id;
}

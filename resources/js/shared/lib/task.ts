import { ApiError, send } from './api';
import { url } from './url';
import type { TaskProps } from '@/types/generated';

/** Milliseconds between two questions. */
const ASK_AGAIN = 500;

/** Whether it waits or is worked at. */
export function isOpen(task: TaskProps): boolean {
    return task.state === 'waiting' || task.state === 'running';
}

export function stopTask(task: TaskProps): Promise<TaskProps> {
    return send<TaskProps>('DELETE', url('tasks.stop', { task: task.id }));
}

type Watch = {
    onChange?: (task: TaskProps) => void;
    /** The server cannot be reached; it is asked again all the same: the work there goes on. */
    onLost?: (words: string) => void;
    signal?: AbortSignal | undefined;
};

/**
 * Asks for a task until it ends.
 *
 * @throws ApiError when it may not be asked for
 * @throws DOMException of the name AbortError when it is not waited for any more
 */
export async function followed(task: TaskProps, { onChange, onLost, signal }: Watch = {}): Promise<TaskProps> {
    let now = task;
    while (isOpen(now)) {
        await new Promise((resolve) => window.setTimeout(resolve, ASK_AGAIN));
        signal?.throwIfAborted();
        try {
            now = await send<TaskProps>('GET', url('tasks.show', { task: task.id }), undefined, signal);
            onChange?.(now);
        } catch (error) {
            if (!(error instanceof ApiError && error.isTransient)) throw error;
            onLost?.(error.message);
        }
    }
    return now;
}

/**
 * The same, for work that is of use only when it was done.
 *
 * @throws ApiError with the reason when it failed or was stopped
 */
export async function done(task: TaskProps, watch: Watch = {}): Promise<TaskProps> {
    const now = await followed(task, watch);
    if (now.state === 'failed') throw new ApiError(422, now.problem ?? 'It failed.');
    if (now.state === 'stopped') throw new ApiError(422, 'Cancelled. Nothing was added.');
    return now;
}

import { useEffect, useRef, useState } from 'react';
import { ApiError, send } from './api';
import { url } from './url';
import type { TaskProps } from '@/types/generated';

const EVERY_MS = 500;

/**
 * What is being calculated, asked for until it ends.
 *
 * @returns why nothing is heard of it, and what asks it to stop
 */
export function useTask(
    task: TaskProps | null,
    onChange: (task: TaskProps) => void,
): { gone: string | null; stop: () => void } {
    const [gone, setGone] = useState<string | null>(null);
    const told = useRef(onChange);
    useEffect(() => {
        told.current = onChange;
    }, [onChange]);
    const id = task !== null && isOpen(task) ? task.id : null;
    useEffect(() => {
        if (id === null) return;
        const timer = window.setInterval(() => {
            send<TaskProps>('GET', url('tasks.show', { task: id }))
                .then((now) => {
                    setGone(null);
                    told.current(now);
                })
                .catch((error: unknown) => {
                    // It is asked again all the same: what goes on there goes on.
                    if (error instanceof ApiError) setGone(error.message);
                });
        }, EVERY_MS);
        return () => {
            window.clearInterval(timer);
        };
    }, [id]);
    const stop = () => {
        if (id === null) return;
        send<TaskProps>('DELETE', url('tasks.stop', { task: id }))
            .then((now) => {
                told.current(now);
            })
            .catch((error: unknown) => {
                if (error instanceof ApiError) setGone(error.message);
            });
    };
    return { gone: id === null ? null : gone, stop };
}

export function isOpen(task: TaskProps): boolean {
    return task.state === 'waiting' || task.state === 'running';
}

import { useEffect, useRef, useState } from 'react';
import { ApiError } from './api';
import { followed, isOpen, stopTask } from './task';
import type { TaskProps } from '@/types/generated';

/**
 * A task, asked for until it ends.
 *
 * @param onChange told of each answer, the last one among them
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
    const open = useRef<TaskProps | null>(null);
    const id = task !== null && isOpen(task) ? task.id : null;
    useEffect(() => {
        open.current = task;
    }, [task]);
    useEffect(() => {
        if (id === null || open.current === null) return;
        const asking = new AbortController();
        followed(open.current, {
            onChange: (now) => {
                setGone(null);
                told.current(now);
            },
            onLost: setGone,
            signal: asking.signal,
        }).catch((error: unknown) => {
            if (error instanceof ApiError) setGone(error.message);
        });
        return () => {
            asking.abort();
        };
    }, [id]);
    const stop = () => {
        if (task === null) return;
        stopTask(task)
            .then((now) => {
                told.current(now);
            })
            .catch((error: unknown) => {
                if (error instanceof ApiError) setGone(error.message);
            });
    };
    return { gone: id === null ? null : gone, stop };
}

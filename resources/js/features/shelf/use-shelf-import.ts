import { useState } from 'react';
import { send } from '@/shared/lib/api';
import { isOpen } from '@/shared/lib/task';
import { url } from '@/shared/lib/url';
import { useTask } from '@/shared/lib/use-task';
import type { ShelfImportProps } from '@/types/generated';

/** Pots on their way to the shelf: from a file, a list, or the demo. */
export function useShelfImport(onChanged: () => void) {
    const [done, setDone] = useState<ShelfImportProps | null>(null);
    const show = (now: ShelfImportProps) => {
        setDone(now);
        if (now.task === null || !isOpen(now.task)) onChanged();
    };
    const { gone, stop } = useTask(done?.task ?? null, (task) => {
        if (done === null) return;
        if (isOpen(task)) setDone({ ...done, task });
        else
            void send<ShelfImportProps>('GET', url('shelf-imports.show', { shelfImport: done.id }))
                .catch(() => ({ ...done, task }))
                .then(show);
    });
    return {
        done,
        gone,
        stop,
        isBusy: done?.task != null && isOpen(done.task),
        begin: async (asked: Promise<ShelfImportProps>) => {
            show(await asked);
        },
        undo: async () => {
            if (done)
                show(await send<ShelfImportProps>('DELETE', url('shelf-imports.destroy', { shelfImport: done.id })));
        },
        forget: () => {
            setDone(null);
        },
    };
}

export type ShelfImport = ReturnType<typeof useShelfImport>;

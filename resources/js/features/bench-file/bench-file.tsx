import { router } from '@inertiajs/react';
import { useCallback, useEffect, useRef, useState } from 'react';
import { ApiError, send, upload, uploadWords } from '@/shared/lib/api';
import { done, stopTask } from '@/shared/lib/task';
import { url } from '@/shared/lib/url';
import { Button } from '@/shared/ui/button';
import { Notice } from '@/shared/ui/notice';
import type { TaskProps } from '@/types/generated';

type Said = { words: string; asks: TaskProps | null };

/** The whole bench as an open file, out and in. */
export function BenchFile() {
    const input = useRef<HTMLInputElement>(null);
    const [sent, setSent] = useState<number | null | undefined>(undefined);
    const [reading, setReading] = useState<TaskProps | null>(null);
    const [said, setSaid] = useState<Said | null>(null);

    /** Follows what is being read to its end. */
    const follow = useCallback(async (begun: () => Promise<TaskProps>) => {
        setSaid(null);
        try {
            const arrived = await begun();
            setReading(arrived);
            const task = await done(arrived, { onChange: setReading });
            const asks = task.state === 'asks' ? task : null;
            setSaid({ words: asks ? (task.problem ?? '') : messageOf(task), asks });
            if (!asks) router.reload();
        } catch (error) {
            if (!(error instanceof ApiError)) throw error;
            setSaid({ words: error.message, asks: null });
        } finally {
            setSent(undefined);
            setReading(null);
        }
    }, []);

    const take = (file: File) => {
        const form = new FormData();
        form.append('bench', file);
        setSent(0);
        void follow(() => upload<TaskProps>(url('bench-file.import'), form, setSent));
    };

    // What was being read when this page was opened anew.
    useEffect(() => {
        send<{ task: TaskProps | null }>('GET', url('bench-file.last'))
            .then(({ task }) => {
                if (task) {
                    setSent(null);
                    void follow(() => Promise.resolve(task));
                }
            })
            .catch(() => undefined);
    }, [follow]);

    const stop = async (task: TaskProps) => {
        const now = await stopTask(task);
        // What is being read says so itself, once it has stopped.
        if (now.state === 'stopped' && said?.asks) setSaid({ words: 'Cancelled. Nothing was added.', asks: null });
    };

    return (
        <section aria-label="Export or import your bench" className="border-t border-line pt-4 text-sm">
            <h2 className="text-lg">Export or import your bench</h2>
            <p className="mt-1 mb-2 max-w-prose text-quiet">
                Shelf, figures, recipes, runs and pictures in one zip file, in an open format. You or another painter
                can import it; nothing that is here is overwritten.
            </p>
            <div className="flex flex-wrap items-center gap-3">
                <a className="underline underline-offset-4" href={url('bench-file')}>
                    Export
                </a>
                <input
                    ref={input}
                    type="file"
                    accept=".zip"
                    className="hidden"
                    aria-label="Bench file"
                    onChange={(event) => {
                        const file = event.target.files?.[0];
                        if (file) take(file);
                        event.target.value = '';
                    }}
                />
                <Button
                    disabled={sent !== undefined}
                    onClick={() => {
                        input.current?.click();
                    }}
                >
                    {sent === undefined
                        ? 'Import a file'
                        : reading
                          ? readingWords(reading.progress)
                          : uploadWords(sent)}
                </Button>
                {reading && <Button onClick={() => void stop(reading)}>Cancel</Button>}
            </div>
            {said !== null && (
                <div className="mt-2 flex flex-col gap-2">
                    <Notice strong>{said.words}</Notice>
                    {said.asks && <Copy task={said.asks} onCopy={follow} onCancel={(task) => void stop(task)} />}
                </div>
            )}
        </section>
    );
}

/** What came of an import, in words. */
function messageOf(task: TaskProps): string {
    const message = task.result?.['message'];
    return typeof message === 'string' ? message : '';
}

function readingWords(fraction: number): string {
    return fraction === 0 ? 'Reading the file' : `Reading, ${Math.round(fraction * 100)} %`;
}

/** Figures of a name that is there: the painter says whether they are meant twice. */
function Copy({
    task,
    onCopy,
    onCancel,
}: {
    task: TaskProps;
    onCopy: (begun: () => Promise<TaskProps>) => Promise<void>;
    onCancel: (task: TaskProps) => void;
}) {
    return (
        <div className="flex gap-3">
            <Button
                look="main"
                onClick={() => void onCopy(() => send<TaskProps>('POST', url('bench-file.both', { task: task.id })))}
            >
                Import as a copy
            </Button>
            <Button
                onClick={() => {
                    onCancel(task);
                }}
            >
                Cancel
            </Button>
        </div>
    );
}

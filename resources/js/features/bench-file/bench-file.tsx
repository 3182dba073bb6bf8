import { router } from '@inertiajs/react';
import { useCallback, useEffect, useRef, useState } from 'react';
import { ApiError, send, upload, uploadWords } from '@/shared/lib/api';
import { untilRead } from '@/shared/lib/incoming';
import { url } from '@/shared/lib/url';
import { Button } from '@/shared/ui/button';
import { Notice } from '@/shared/ui/notice';
import type { IncomingProps } from '@/types/generated';

type Said = { words: string; asks: IncomingProps | null };

/** The whole bench as an open file, out and in. */
export function BenchFile() {
    const input = useRef<HTMLInputElement>(null);
    const [sent, setSent] = useState<number | null | undefined>(undefined);
    const [reading, setReading] = useState<IncomingProps | null>(null);
    const [said, setSaid] = useState<Said | null>(null);

    /** Follows what is being read to its end. */
    const follow = useCallback(async (begun: () => Promise<IncomingProps>) => {
        setSaid(null);
        try {
            const arrived = await begun();
            setReading(arrived);
            const file = await untilRead(arrived, setSent);
            const asks = file.state === 'asks' ? file : null;
            setSaid({ words: (asks ? file.problem : file.message) ?? '', asks });
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
        void follow(() => upload<IncomingProps>(url('bench-file.import'), form, setSent));
    };

    // What was being read when this page was opened anew.
    useEffect(() => {
        send<{ file: IncomingProps | null }>('GET', url('bench-file.last'))
            .then(({ file }) => {
                if (file) {
                    setSent(null);
                    void follow(() => Promise.resolve(file));
                }
            })
            .catch(() => undefined);
    }, [follow]);

    const stop = async (file: IncomingProps) => {
        const { message } = await send<{ message: string }>(
            'DELETE',
            url('incoming.destroy', { incomingFile: file.id }),
        );
        // What is being read says so itself, once it has stopped.
        if (said?.asks) setSaid({ words: message, asks: null });
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
                    {sent === undefined ? 'Import a file' : reading ? readingWords(sent) : uploadWords(sent)}
                </Button>
                {reading && <Button onClick={() => void stop(reading)}>Cancel</Button>}
            </div>
            {said !== null && (
                <div className="mt-2 flex flex-col gap-2">
                    <Notice strong>{said.words}</Notice>
                    {said.asks && <Copy file={said.asks} onCopy={follow} onCancel={(file) => void stop(file)} />}
                </div>
            )}
        </section>
    );
}

function readingWords(fraction: number | null): string {
    return fraction === null ? 'Reading the file' : `Reading, ${Math.round(fraction * 100)} %`;
}

/** Figures of a name that is there: the painter says whether they are meant twice. */
function Copy({
    file,
    onCopy,
    onCancel,
}: {
    file: IncomingProps;
    onCopy: (begun: () => Promise<IncomingProps>) => Promise<void>;
    onCancel: (file: IncomingProps) => void;
}) {
    return (
        <div className="flex gap-3">
            <Button
                look="main"
                onClick={() =>
                    void onCopy(() => send<IncomingProps>('POST', url('bench-file.both', { incomingFile: file.id })))
                }
            >
                Import as a copy
            </Button>
            <Button
                onClick={() => {
                    onCancel(file);
                }}
            >
                Cancel
            </Button>
        </div>
    );
}

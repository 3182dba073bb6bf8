import { router } from '@inertiajs/react';
import { useRef, useState, type RefObject } from 'react';
import { ApiError, upload, uploadWords } from '@/shared/lib/api';
import { url } from '@/shared/lib/url';
import { Button } from '@/shared/ui/button';
import { Notice } from '@/shared/ui/notice';

/** The whole bench as an open file, out and in. */
export function BenchFile() {
    const input = useRef<HTMLInputElement>(null);
    const [sent, setSent] = useState<number | null | undefined>(undefined);
    const [said, setSaid] = useState<{ words: string; both: File | null } | null>(null);

    async function take(file: File, both: boolean) {
        const form = new FormData();
        form.append('bench', file);
        if (both) form.append('both', '1');
        setSent(0);
        try {
            const { message } = await upload<{ message: string }>(url('bench-file.import'), form, setSent);
            setSaid({ words: message, both: null });
            router.reload();
        } catch (error) {
            if (!(error instanceof ApiError)) throw error;
            setSaid({ words: error.message, both: 'both' in error.fields ? file : null });
        } finally {
            setSent(undefined);
        }
    }

    return (
        <section aria-label="Export or import your bench" className="border-t border-line pt-4 text-sm">
            <h2 className="text-lg">Export or import your bench</h2>
            <p className="mt-1 mb-2 max-w-prose text-quiet">
                Shelf, figures, recipes, runs and pictures in one zip file, in an open format. You or another painter
                can import it; nothing that is here is overwritten.
            </p>
            <FileActions input={input} take={take} sent={sent} said={said} />
            {said !== null && (
                <div className="mt-2">
                    <Notice strong>{said.words}</Notice>
                </div>
            )}
        </section>
    );
}

function FileActions({
    input,
    take,
    sent,
    said,
}: {
    input: RefObject<HTMLInputElement | null>;
    take: (file: File, both: boolean) => Promise<void>;
    sent: number | null | undefined;
    said: { words: string; both: File | null } | null;
}) {
    return (
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
                    if (file) void take(file, false);
                    event.target.value = '';
                }}
            />
            <Button
                disabled={sent !== undefined}
                onClick={() => {
                    input.current?.click();
                }}
            >
                {sent === undefined ? 'Import a file' : uploadWords(sent)}
            </Button>
            {said?.both && (
                <Button
                    look="main"
                    onClick={() => {
                        if (said.both) void take(said.both, true);
                    }}
                >
                    Import as a copy
                </Button>
            )}
        </div>
    );
}

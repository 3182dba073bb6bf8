import { router } from '@inertiajs/react';
import { send } from '@/shared/lib/api';
import { many } from '@/shared/lib/format';
import { newKey } from '@/shared/lib/outbox';
import { url } from '@/shared/lib/url';
import { useAttempt } from '@/shared/lib/use-attempt';
import { Button } from '@/shared/ui/button';
import { Notice } from '@/shared/ui/notice';
import type { RunChangesProps, RunProps } from '@/types/generated';

/** A finish that was changed offers itself to the run that is open. */
export function Changes({ run, changes }: { run: RunProps; changes: RunChangesProps | undefined }) {
    const { message, attempt } = useAttempt();
    if (!changes || changes.added.length + changes.changed.length + changes.gone.length === 0) return null;
    const words = [
        changes.added.length > 0 ? many(changes.added.length, 'new step') : '',
        changes.changed.length > 0 ? `${changes.changed.length} changed` : '',
        changes.gone.length > 0 ? `${changes.gone.length} no longer planned` : '',
    ].filter((part) => part !== '');

    async function follow() {
        if (await attempt(() => send('POST', url('runs.follow', { run: run.id }), {}, undefined, newKey())))
            router.reload();
    }

    return (
        <section aria-label="The plan has changed" className="flex flex-col gap-2 border border-strong bg-raised p-3">
            <p className="text-base">
                <strong>The plan has changed since this run began:</strong> {words.join(', ')}. What is done stays as it
                was done.
            </p>
            {message !== null && <Notice strong>{message}</Notice>}
            <div className="flex flex-wrap items-start gap-3">
                <Button look="main" onClick={() => void follow()}>
                    Take the changes over
                </Button>
                <details className="text-sm">
                    <summary className="cursor-pointer py-2 underline underline-offset-4">Show them</summary>
                    <Lines title="New" lines={changes.added} />
                    <Lines title="Changed" lines={changes.changed} />
                    <Lines title="No longer planned: skipped" lines={changes.gone} />
                </details>
            </div>
        </section>
    );
}

function Lines({ title, lines }: { title: string; lines: readonly string[] }) {
    if (lines.length === 0) return null;
    return (
        <>
            <h3 className="mt-1 font-semibold">{title}</h3>
            <ul>
                {lines.map((line) => (
                    <li key={line}>{line}</li>
                ))}
            </ul>
        </>
    );
}

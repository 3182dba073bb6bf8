import { router } from '@inertiajs/react';
import { send } from '@/shared/lib/api';
import { newKey } from '@/shared/lib/outbox';
import { url } from '@/shared/lib/url';
import { useAttempt } from '@/shared/lib/use-attempt';
import { Button } from '@/shared/ui/button';
import { Notice } from '@/shared/ui/notice';

const MINUTES = [1, 5, 15, 30, 60];

/** A timer for anything: it stands on the tray as a moment, and runs on through reloads and restarts. */
export function Timers({ runId, what }: { runId: number; what: string }) {
    const { message, attempt } = useAttempt();

    async function start(minutes: number) {
        const timer = { key: newKey(), what: what.slice(0, 80), minutes, runId };
        if (await attempt(() => send('POST', url('timers.store'), timer))) router.reload({ only: ['tray'] });
    }

    return (
        <section aria-label="Timer" className="flex flex-wrap items-center gap-2 text-base">
            <span>Timer, min:</span>
            {MINUTES.map((minutes) => (
                <Button key={minutes} className="min-w-12" onClick={() => void start(minutes)}>
                    {minutes}
                </Button>
            ))}
            {message !== null && <Notice strong>{message}</Notice>}
        </section>
    );
}

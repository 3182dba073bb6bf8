import { Link } from '@inertiajs/react';
import { useEffect, useState } from 'react';
import { unsent } from '@/shared/lib/outbox';
import { many } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { Notice } from '@/shared/ui/notice';

const LOOK_EVERY = 3000;

/** What was done in a page that was closed before it could be sent: its page sends it as soon as it is open. */
export function Unsent() {
    const [waiting, setWaiting] = useState(unsent);
    useEffect(() => {
        const timer = window.setInterval(() => {
            setWaiting((before) => {
                const now = unsent();
                return JSON.stringify(now) === JSON.stringify(before) ? before : now;
            });
        }, LOOK_EVERY);
        return () => {
            window.clearInterval(timer);
        };
    }, []);
    const elsewhere = waiting
        .map(({ kind, id, count }) => ({
            count,
            kind,
            href: kind === 'run' ? url('runs.show', { run: id }) : url('cups.show', { cup: id }),
        }))
        .filter(({ href }) => href !== window.location.pathname);
    return elsewhere.map(({ kind, count, href }) => (
        <div key={href} className="mb-4">
            <Notice strong>
                {many(count, 'change')} of a {kind} {count === 1 ? 'waits' : 'wait'} in this browser.{' '}
                <Link href={href} className="underline">
                    Open the {kind} to send
                </Link>
            </Notice>
        </div>
    ));
}

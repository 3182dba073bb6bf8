import { router } from '@inertiajs/react';
import { send } from '@/shared/lib/api';
import { capital } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { useAttempt } from '@/shared/lib/use-attempt';
import { Button } from '@/shared/ui/button';
import { Notice } from '@/shared/ui/notice';
import type { ContradictionProps, FigureProps } from '@/types/generated';

/** Rules that run in a circle: each step with its areas, and what could be given up, the smallest first. */
export function Contradiction({ figure, found }: { figure: FigureProps; found: ContradictionProps }) {
    const { message, attempt } = useAttempt();

    async function giveUp(way: ContradictionProps['waysOut'][number]) {
        const { what, subject, other } = way;
        if (await attempt(() => send('POST', url('order.give-up', { figure: figure.id }), { what, subject, other })))
            router.reload();
    }

    return (
        <section aria-label="Rules that contradict each other" className="flex max-w-3xl flex-col gap-3">
            <h2 className="text-lg font-semibold">No order keeps all of these rules</h2>
            {message !== null && <Notice strong>{message}</Notice>}
            <ol className="flex flex-col gap-1 text-sm">
                {found.links.map((link, n) => (
                    <li key={`${link.words} ${link.rule}`} className="border-l-4 border-ink pl-3 leading-snug">
                        <strong>{capital(link.words)}</strong> must come before{' '}
                        <strong>{found.links[(n + 1) % found.links.length]?.words}</strong>: {link.reason}{' '}
                        <span className="text-quiet">({link.rule})</span>
                    </li>
                ))}
            </ol>
            <h3 className="font-semibold">{found.waysOut.length > 0 ? 'Ways out' : 'Change one of these finishes'}</h3>
            <div className="flex flex-wrap gap-2">
                {found.waysOut.map((way, n) => (
                    <Button key={way.words} look={n === 0 ? 'main' : 'plain'} onClick={() => void giveUp(way)}>
                        {capital(way.words)}
                    </Button>
                ))}
            </div>
        </section>
    );
}

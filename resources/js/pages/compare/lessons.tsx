import { router } from '@inertiajs/react';
import { send } from '@/shared/lib/api';
import { many, one } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { Button } from '@/shared/ui/button';
import type { CorrectionProps } from '@/types/generated';

/** What photos said of pots and techniques: offered, and used only when taken. */
export function Lessons({
    corrections,
    onLearn,
}: {
    corrections: readonly CorrectionProps[];
    onLearn: (() => void) | null;
}) {
    return (
        <section className="flex flex-col gap-3 text-sm">
            <p>
                Where the painted piece differs from the prediction, the difference is attributed to the last covering
                layer. Apply a correction to use it in predictions; you can remove it at any time.
            </p>
            {onLearn && (
                <Button className="self-start" onClick={onLearn}>
                    Compare prediction and photo
                </Button>
            )}
            <ul>
                {corrections.map((c) => (
                    <li key={c.id} className="flex items-center gap-3 border-t border-line py-2">
                        <span className="flex shrink-0" aria-hidden>
                            <span className="h-10 w-8" style={{ background: c.hex }} />
                            <span className="h-10 w-8" style={{ background: c.correctedHex }} />
                        </span>
                        <span className="flex-1 leading-tight">
                            <strong>{c.potName}</strong>, {c.technique}
                            <span className="block text-xs text-quiet">
                                {c.words.length === 0 ? 'as predicted' : `came out ${c.words.join(', ')}`},{' '}
                                {one(c.difference)} on average, {many(c.seen, 'zone')}
                            </span>
                        </span>
                        <Button
                            size="small"
                            look={c.isTaken ? 'main' : 'plain'}
                            aria-pressed={c.isTaken}
                            onClick={() =>
                                void send('PATCH', url('corrections.take', { correction: c.id }), {
                                    taken: !c.isTaken,
                                }).then(() => {
                                    router.reload();
                                })
                            }
                        >
                            {c.isTaken ? 'Applied' : 'Apply'}
                        </Button>
                    </li>
                ))}
            </ul>
            {corrections.length === 0 && <p className="text-quiet">No corrections yet.</p>}
        </section>
    );
}

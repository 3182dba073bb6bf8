import { router } from '@inertiajs/react';
import { send } from '@/shared/lib/api';
import { many, one } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { Button } from '@/shared/ui/button';
import type { CorrectionProps, LessonProps } from '@/types/generated';

/** What photos said of pots and techniques: offered, and used only when taken. */
export function Lessons({
    corrections,
    lessons,
    onLearn,
    onTogether,
}: {
    corrections: readonly CorrectionProps[];
    lessons: readonly LessonProps[];
    onLearn: (() => void) | null;
    onTogether: (() => void) | null;
}) {
    return (
        <section className="flex flex-col gap-3 text-sm">
            <Together lessons={lessons} onTogether={onTogether} />
            <h3 className="text-base font-semibold">By pot and technique</h3>
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

/** All pots and techniques at once, each moved by how unsure it was; undone in one press. */
function Together({ lessons, onTogether }: { lessons: readonly LessonProps[]; onTogether: (() => void) | null }) {
    return (
        <>
            <h3 className="text-base font-semibold">All together</h3>
            <p>
                Moves your pots and your technique towards what this photo shows, each as far as it was uncertain. What
                it finds is an estimate.
            </p>
            {onTogether && (
                <Button className="self-start" onClick={onTogether}>
                    Update pots and technique
                </Button>
            )}
            <ul className="flex flex-col gap-2">
                {lessons.map((lesson) => (
                    <li key={lesson.id} className="border-l-4 border-strong pl-2">
                        <ul>
                            {lesson.words.map((words) => (
                                <li key={words}>{words}</li>
                            ))}
                        </ul>
                        <Button
                            size="small"
                            className="mt-1"
                            onClick={() =>
                                void send('DELETE', url('lessons.undo', { lesson: lesson.id })).then(() => {
                                    router.reload();
                                })
                            }
                        >
                            Undo
                        </Button>
                    </li>
                ))}
            </ul>
        </>
    );
}

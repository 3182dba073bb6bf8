import { router } from '@inertiajs/react';
import { useState } from 'react';
import { areasWords, capital } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { Button } from '@/shared/ui/button';
import { mixWords } from '@/shared/ui/drops';
import { Sheet } from '@/shared/ui/sheet';
import { Tick, ticked } from '@/shared/ui/tick';
import type { RunProps, RunStepProps } from '@/types/generated';

/** Steps that were done otherwise than planned: what a repeat may keep or forget. */
function lessonsOf(run: RunProps): RunStepProps[] {
    return run.steps.filter((s) => s.verdict === null && (s.usedMix !== null || s.usedCoats !== null || s.isInserted));
}

/** Repeats a run: where something was done otherwise, the painter says which lessons to keep. */
export function Repeat({ run }: { run: RunProps }) {
    const [open, setOpen] = useState(false);
    const lessons = lessonsOf(run);
    const [kept, setKept] = useState(() => lessons.map((s) => s.id));
    const leftOut = run.steps.filter((s) => s.verdict !== null);
    const repeat = () => {
        const forget = lessons.map((s) => s.id).filter((id) => !kept.includes(id));
        router.post(url('runs.repeat', { run: run.id }), forget.length === 0 ? {} : { forget });
    };
    return (
        <>
            <Button
                onClick={() => {
                    if (lessons.length === 0) repeat();
                    else setOpen(true);
                }}
            >
                Repeat
            </Button>
            <Sheet
                open={open}
                onClose={() => {
                    setOpen(false);
                }}
                title={`Repeat run ${run.number}`}
                description="Ticked steps are done again as they were done; the others as they were planned."
            >
                <ul className="flex flex-col gap-1 text-sm">
                    {lessons.map((step) => (
                        <li key={step.id}>
                            <Tick
                                className="min-h-8 items-start!"
                                checked={kept.includes(step.id)}
                                onTick={(isOn) => {
                                    setKept((now) => ticked(now, step.id, isOn));
                                }}
                            >
                                <span>
                                    <strong>
                                        {step.position}. {areasWords(step.areaNames)}, {capital(step.title)}:
                                    </strong>{' '}
                                    {lessonWords(step)}
                                </span>
                            </Tick>
                        </li>
                    ))}
                </ul>
                {leftOut.length > 0 && (
                    <p className="text-sm">
                        Left out: {leftOut.map((s) => `${s.position}. ${s.areaName} (${s.verdict ?? ''})`).join(', ')}
                    </p>
                )}
                <Button look="main" className="self-start" onClick={repeat}>
                    Repeat
                </Button>
            </Sheet>
        </>
    );
}

function lessonWords(step: RunStepProps): string {
    return [
        step.isInserted ? 'not planned' : '',
        step.usedMix === null ? '' : `${mixWords(step.usedMix)} instead of ${mixWords(step.plannedMix)}`,
        step.usedCoats === null ? '' : `${step.usedCoats} instead of ${step.coats} coats`,
        step.note ?? '',
    ]
        .filter((words) => words !== '')
        .join('; ');
}

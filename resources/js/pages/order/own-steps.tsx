import { router } from '@inertiajs/react';
import { Pencil, Trash2 } from 'lucide-react';
import { useState, type SyntheticEvent } from 'react';
import { stepWords } from '@/features/order-board/order';
import { send } from '@/shared/lib/api';
import { minutesWords } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { useAttempt } from '@/shared/lib/use-attempt';
import { Button } from '@/shared/ui/button';
import { Field } from '@/shared/ui/field';
import { Notice } from '@/shared/ui/notice';
import { Pick } from '@/shared/ui/pick';
import type { BuildProps, FigureProps, OrderProps, OwnStepProps } from '@/types/generated';
import { LIMITS } from '@/types/limits';

type Props = { figure: FigureProps; build: BuildProps; planned: OrderProps | null };

const NONE = 'none';

/** Work that no rule of the trade plans: bending, grout, basing, wire, lamps, glue after paint. */
export function OwnSteps({ figure, build, planned }: Props) {
    const [edited, setEdited] = useState<OwnStepProps | null>(null);
    return (
        <section className="flex flex-col gap-3">
            <h2 className="text-lg font-semibold">Your own steps for {figure.name}</h2>
            <ul className="text-sm">
                {build.ownSteps.map((step) => (
                    <li key={step.id} className="flex items-center gap-2 border-t border-line py-1">
                        <span className="flex-1">
                            {step.words}{' '}
                            <span className="text-quiet">
                                ({build.parts.find((p) => p.id === step.partId)?.name ?? 'whole figure'},{' '}
                                {minutesWords(step.minutes)}
                                {step.dryMinutes > 0 && `, then ${minutesWords(step.dryMinutes)} to wait`})
                            </span>
                        </span>
                        <Button
                            size="small"
                            look="quiet"
                            aria-label={`Edit the step: ${step.words}`}
                            onClick={() => {
                                setEdited(step);
                            }}
                        >
                            <Pencil size={15} aria-hidden />
                        </Button>
                        <Button
                            size="small"
                            look="quiet"
                            aria-label={`Remove the step: ${step.words}`}
                            onClick={() =>
                                void send(
                                    'DELETE',
                                    url('own-steps.destroy', { figure: figure.id, ownStep: step.id }),
                                ).then(() => {
                                    router.reload();
                                })
                            }
                        >
                            <Trash2 size={15} aria-hidden />
                        </Button>
                    </li>
                ))}
            </ul>
            <StepForm
                key={edited?.id ?? 'new'}
                figure={figure}
                build={build}
                planned={planned}
                step={edited}
                onDone={() => {
                    setEdited(null);
                }}
            />
        </section>
    );
}

function StepForm({ figure, build, planned, step, onDone }: Props & { step: OwnStepProps | null; onDone: () => void }) {
    const [values, setValues] = useState(() => valuesOf(step));
    const { message, attempt } = useAttempt();
    const put = (change: Partial<typeof values>) => {
        setValues((now) => ({ ...now, ...change }));
    };
    const steps = [
        { value: NONE, label: 'any time' },
        ...(planned === null
            ? []
            : planned.steps
                  .filter((s) => s.kind !== 'own step')
                  .map((s) => ({ value: s.id, label: stepWords(planned, s.id) }))),
    ];

    async function save(event: SyntheticEvent) {
        event.preventDefault();
        const body = {
            ...values,
            partId: values.partId === NONE ? null : Number(values.partId),
            minutes: Number(values.minutes),
            dryMinutes: Number(values.dryMinutes || '0'),
            after: values.after === NONE ? null : values.after,
            before: values.before === NONE ? null : values.before,
        };
        const done = await attempt(() =>
            step === null
                ? send('POST', url('own-steps.store', { figure: figure.id }), body)
                : send('PUT', url('own-steps.update', { figure: figure.id, ownStep: step.id }), {
                      ...body,
                      seen: step.seen,
                  }),
        );
        if (!done) return;
        setValues(valuesOf(null));
        onDone();
        router.reload();
    }

    return (
        <form className="flex flex-col gap-3 bg-sunk p-3" aria-label="Own step" onSubmit={(event) => void save(event)}>
            {message !== null && <Notice strong>{message}</Notice>}
            <Field
                label="What is to be done"
                placeholder="bend the wire, grout the base, sculpt the torn cuff"
                maxLength={300}
                value={values.words}
                onChange={(e) => {
                    put({ words: e.target.value });
                }}
            />
            <div className="grid grid-cols-2 gap-3 sm:grid-cols-4">
                <Pick
                    label="On"
                    value={values.partId}
                    options={[
                        { value: NONE, label: 'whole figure' },
                        ...build.parts.map((p) => ({ value: String(p.id), label: p.name })),
                    ]}
                    onPick={(partId) => {
                        put({ partId });
                    }}
                />
                <Field
                    label="Tool"
                    maxLength={60}
                    value={values.tool}
                    onChange={(e) => {
                        put({ tool: e.target.value });
                    }}
                />
                <Field
                    label="Minutes"
                    type="number"
                    {...LIMITS.ownStepMinutes}
                    value={values.minutes}
                    onChange={(e) => {
                        put({ minutes: e.target.value });
                    }}
                />
                <Field
                    label="Then wait, min"
                    type="number"
                    {...LIMITS.ownStepDryMinutes}
                    value={values.dryMinutes}
                    onChange={(e) => {
                        put({ dryMinutes: e.target.value });
                    }}
                />
            </div>
            <div className="grid grid-cols-1 gap-3 sm:grid-cols-2">
                <Pick
                    label="After"
                    value={values.after}
                    options={steps}
                    onPick={(after) => {
                        put({ after });
                    }}
                />
                <Pick
                    label="Before"
                    value={values.before}
                    options={steps}
                    onPick={(before) => {
                        put({ before });
                    }}
                />
            </div>
            <Field
                label="Caution"
                placeholder="hot air: mind your fingers"
                maxLength={300}
                value={values.caution}
                onChange={(e) => {
                    put({ caution: e.target.value });
                }}
            />
            <div className="flex gap-2">
                <Button look="main" type="submit" disabled={values.words.trim() === '' || values.minutes === ''}>
                    {step === null ? 'Add this step' : 'Save'}
                </Button>
                {step !== null && <Button onClick={onDone}>Cancel</Button>}
            </div>
        </form>
    );
}

function valuesOf(step: OwnStepProps | null) {
    return {
        words: step?.words ?? '',
        partId: step?.partId == null ? NONE : String(step.partId),
        tool: step?.tool ?? '',
        minutes: step === null ? '' : String(step.minutes),
        dryMinutes: step === null ? '' : String(step.dryMinutes),
        after: step?.after ?? NONE,
        before: step?.before ?? NONE,
        caution: step?.caution ?? '',
    };
}

import { router } from '@inertiajs/react';
import { Trash2 } from 'lucide-react';
import { useState, type Dispatch, type SetStateAction } from 'react';
import { stepWords } from '@/features/order-board/order';
import { send } from '@/shared/lib/api';
import { capital } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { useAttempt } from '@/shared/lib/use-attempt';
import { Button } from '@/shared/ui/button';
import { Field } from '@/shared/ui/field';
import { Notice } from '@/shared/ui/notice';
import { Pick } from '@/shared/ui/pick';
import { OwnSteps } from './own-steps';
import type { BuildProps, FigureProps, OrderProps, ApproachPairProps, OwnRuleProps } from '@/types/generated';

/** Where painters disagree: this painter's choices, for every figure; and own rules for this one. */
export function Approaches({
    figure,
    approaches,
    build,
    planned,
}: {
    figure: FigureProps;
    approaches: readonly ApproachPairProps[];
    build: BuildProps;
    planned: OrderProps | null;
}) {
    async function choose(pair: ApproachPairProps, other: boolean) {
        await send('PUT', url('approaches.update'), {
            approaches: approaches.flatMap((s) => ((s === pair ? other : s.followsOther) ? [s.other] : [])),
        });
        router.reload();
    }

    return (
        <div className="grid gap-8 lg:grid-cols-2">
            <section>
                <h2 className="mb-2 text-lg font-semibold">Approaches: both work, you choose</h2>
                <ul className="flex flex-col gap-3">
                    {approaches.map((pair) => (
                        <li key={pair.usual}>
                            <div role="radiogroup" aria-label={`${pair.usual}, or ${pair.other}`} className="flex">
                                {[pair.usual, pair.other].map((approach, i) => (
                                    <button
                                        key={approach}
                                        type="button"
                                        role="radio"
                                        aria-checked={pair.followsOther === (i === 1)}
                                        className={`min-h-12 flex-1 border px-3 text-left text-sm ${
                                            pair.followsOther === (i === 1)
                                                ? 'border-ink bg-ink text-inverse'
                                                : 'border-strong bg-raised'
                                        }`}
                                        onClick={() => void choose(pair, i === 1)}
                                    >
                                        {capital(approach)}
                                    </button>
                                ))}
                            </div>
                        </li>
                    ))}
                </ul>
                <p className="mt-2 text-xs text-quiet">
                    They apply to all your figures. They change rules, never colours.
                </p>
            </section>
            <div className="flex flex-col gap-8">
                <OwnSteps figure={figure} build={build} planned={planned} />
                <OwnRules figure={figure} build={build} planned={planned} />
            </div>
        </div>
    );
}

function OwnRules({ figure, build, planned }: { figure: FigureProps; build: BuildProps; planned: OrderProps | null }) {
    const steps = planned === null ? [] : planned.steps.map((s) => ({ value: s.id, label: stepWords(planned, s.id) }));
    const [before, setBefore] = useState(steps[0]?.value ?? '');
    const [after, setAfter] = useState(steps[1]?.value ?? '');
    const [weight, setWeight] = useState('');
    const [reason, setReason] = useState('');
    const { message: problem, attempt } = useAttempt();
    const words = (id: string) => steps.find((s) => s.value === id)?.label ?? 'a step that no longer exists';

    const add = () =>
        attempt(async () => {
            await send('POST', url('own-rules.store', { figure: figure.id }), {
                before,
                after,
                weight: weight === '' ? null : Number(weight),
                reason,
            });
            setReason('');
            router.reload();
        });

    return (
        <section className="flex flex-col gap-3">
            <h2 className="text-lg font-semibold">Your own rules for {figure.name}</h2>
            <ul className="text-sm">
                {build.ownRules.map((rule) => (
                    <RuleRow key={rule.id} rule={rule} words={words} figure={figure} />
                ))}
            </ul>
            {problem !== null && <Notice strong>{problem}</Notice>}
            {steps.length > 1 && (
                <NewRule
                    before={before}
                    steps={steps}
                    setBefore={setBefore}
                    after={after}
                    setAfter={setAfter}
                    reason={reason}
                    setReason={setReason}
                    weight={weight}
                    setWeight={setWeight}
                    add={add}
                />
            )}
        </section>
    );
}

function NewRule({
    before,
    steps,
    setBefore,
    after,
    setAfter,
    reason,
    setReason,
    weight,
    setWeight,
    add,
}: {
    before: string;
    steps: { value: string; label: string }[];
    setBefore: Dispatch<SetStateAction<string>>;
    after: string;
    setAfter: Dispatch<SetStateAction<string>>;
    reason: string;
    setReason: Dispatch<SetStateAction<string>>;
    weight: string;
    setWeight: Dispatch<SetStateAction<string>>;
    add: () => Promise<boolean>;
}) {
    return (
        <div className="flex flex-col gap-3 bg-sunk p-3">
            <Pick label="This" value={before} options={steps} onPick={setBefore} />
            <Pick label="before that" value={after} options={steps} onPick={setAfter} />
            <div className="grid grid-cols-[2fr_1fr] gap-3">
                <Field
                    label="Because"
                    value={reason}
                    maxLength={200}
                    onChange={(e) => {
                        setReason(e.target.value);
                    }}
                />
                <Field
                    label="Worth, minutes"
                    inputMode="numeric"
                    placeholder="hard rule"
                    value={weight}
                    onChange={(e) => {
                        setWeight(e.target.value);
                    }}
                />
            </div>
            <Button look="main" className="self-start" disabled={reason.trim() === ''} onClick={() => void add()}>
                Add this rule
            </Button>
        </div>
    );
}

function RuleRow({ rule, words, figure }: { rule: OwnRuleProps; words: (id: string) => string; figure: FigureProps }) {
    return (
        <li className="flex items-center gap-2 border-t border-line py-1">
            <span className="flex-1">
                {words(rule.before)} <strong>before</strong> {words(rule.after)}: {rule.reason}{' '}
                <span className="text-xs text-quiet">
                    ({rule.weight === null ? 'hard rule' : `preference, ${rule.weight} min`})
                </span>
            </span>
            <Button
                size="small"
                look="quiet"
                aria-label={`Remove the rule: ${rule.reason}`}
                onClick={() =>
                    void send('DELETE', url('own-rules.destroy', { figure: figure.id, ownRule: rule.id })).then(() => {
                        router.reload();
                    })
                }
            >
                <Trash2 size={15} aria-hidden />
            </Button>
        </li>
    );
}

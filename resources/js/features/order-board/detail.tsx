import { capital, many, minutesWords } from '@/shared/lib/format';
import { Button } from '@/shared/ui/button';
import { Term } from '@/shared/ui/term';
import type { MaskProps, OrderProps, OrderRuleProps, OrderStepProps } from '@/types/generated';
import { stepWords } from './order';
import { areaWords, inOwnUnits, lengthWords } from '@/shared/lib/units';

/** One step: what, why here, what it asks to be masked, what can hurt. */
export function StepDetail({
    order,
    planned,
    step,
    onChoose,
}: {
    order: OrderProps;
    planned: OrderProps;
    step: OrderStepProps;
    onChoose: (id: string) => void;
}) {
    const words = (id: string) => stepWords(order, id);
    const index = order.steps.findIndex((s) => s.id === step.id);
    const plannedAt = planned.steps.findIndex((s) => s.id === step.id);
    const after = strongest(order.rules.filter((r) => r.after === step.id && r.isKept));
    const before = strongest(order.rules.filter((r) => r.before === step.id && r.isKept));
    const masks = order.masks.filter((m) => m.step === step.id);
    return (
        <section aria-label="Selected step" className="flex flex-col gap-2 text-sm">
            <h2 className="text-base leading-tight font-semibold">
                {index + 1}. {capital(inOwnUnits(step.words))}
                {plannedAt !== index && <span className="font-normal text-quiet"> (planned as {plannedAt + 1})</span>}
            </h2>
            <p className="text-quiet">
                {step.areaNames.length > 0 ? `${step.areaNames.join(', ')}; ` : ''}
                about {minutesWords(step.minutes)} <Term name="time at the bench">at the bench</Term>,{' '}
                <Term name="drying">dries in about {minutesWords(step.dryMinutes)}</Term>
                {step.cleaner !== null && `; cleans with ${step.cleaner}`}
            </p>
            {masks.map((mask) => (
                <MaskWords key={mask.protects.join(' ')} mask={mask} words={words} />
            ))}
            <Why title="After" rules={after} other={(r) => r.before} words={words} onChoose={onChoose} />
            <Why title="Before" rules={before} other={(r) => r.after} words={words} onChoose={onChoose} />
            {step.cautions.length > 0 && (
                <details key={step.kind} open={isNews(step)} className="border-l-4 border-ink pl-2">
                    <summary className="cursor-pointer font-semibold">Safety</summary>
                    {step.cautions.map((caution) => (
                        <p key={caution}>{caution}</p>
                    ))}
                    <p className="text-xs text-quiet">The label, the safety data sheet and local rules come first.</p>
                </details>
            )}
        </section>
    );
}

function MaskWords({ mask, words }: { mask: MaskProps; words: (id: string) => string }) {
    return (
        <p className="border border-strong p-2">
            <strong>Mask {mask.protects.join(', ')}</strong>: {mask.material};{' '}
            {mask.mm > 0 &&
                `${lengthWords(Math.round(mask.mm))} of border, ${areaWords(Math.round(mask.squareCm))} in bulk, `}
            about {Math.round(mask.minutes)} min{mask.estimatedMm > 0 && ', the border estimated'}. Put it on after
            drying for {minutesWords(mask.dryMinutes)}
            {mask.until !== null && `; it stays on until ${words(mask.until)}`}; it may stay on{' '}
            {minutesWords(mask.mostMinutes)}
            {mask.peelMinutes !== null &&
                `; take it off within ${minutesWords(mask.peelMinutes)} of the last coat`}: {mask.peel}.
            {mask.warning !== null && <strong className="block">{capital(mask.warning)}.</strong>}
        </p>
    );
}

function Why({
    title,
    rules,
    other,
    words,
    onChoose,
}: {
    title: string;
    rules: readonly OrderRuleProps[];
    other: (rule: OrderRuleProps) => string;
    words: (id: string) => string;
    onChoose: (id: string) => void;
}) {
    if (rules.length === 0) return null;
    return (
        <div>
            <h3 className="text-xs text-quiet">{title}</h3>
            <ul>
                {rules.map((rule) => (
                    <li key={`${rule.before} ${rule.after} ${rule.rule}`} className="leading-snug">
                        <button
                            type="button"
                            className="text-left underline underline-offset-2"
                            onClick={() => {
                                onChoose(other(rule));
                            }}
                        >
                            {words(other(rule))}
                        </button>
                        : {rule.reason}{' '}
                        <span className="text-xs text-quiet">
                            ({rule.rule},{' '}
                            {rule.weight === null ? 'hard rule' : `preference, ${Math.round(rule.weight)} min`})
                        </span>
                    </li>
                ))}
            </ul>
        </div>
    );
}

/** One rule of each name, hard rules first: the others say the same of other steps. */
function strongest(rules: readonly OrderRuleProps[]): OrderRuleProps[] {
    const found = new Map<string, OrderRuleProps>();
    for (const rule of rules) {
        const known = found.get(rule.rule);
        if (!known || (rule.weight === null && known.weight !== null)) found.set(rule.rule, rule);
    }
    return [...found.values()].sort((p, q) => (q.weight ?? 1e9) - (p.weight ?? 1e9)).slice(0, 4);
}

/** Rules this order does not keep: hard ones each with the move that mends it, preferences by kind with what they cost. */
export function Broken({ order, onMend }: { order: OrderProps; onMend: (id: string, before: string) => void }) {
    const musts = order.rules.filter((r) => !r.isKept && r.weight === null);
    const words = (id: string) => stepWords(order, id);
    if (musts.length === 0 && order.unmet.length === 0) return <p className="text-sm">All rules are met.</p>;
    const mend = (before: string, after: string) => (
        <Button
            size="small"
            aria-label={`Move it: ${words(before)} before ${words(after)}`}
            onClick={() => {
                onMend(before, after);
            }}
        >
            Move it
        </Button>
    );
    return (
        <ul className="flex flex-col gap-1 text-sm">
            {musts.map((rule) => (
                <li key={`${rule.before} ${rule.after} ${rule.rule}`} className="flex items-start gap-2">
                    <span className="flex-1 leading-snug">
                        <strong>Not possible: </strong>
                        {words(rule.before)} must come before {words(rule.after)}: {rule.reason}.
                    </span>
                    {mend(rule.before, rule.after)}
                </li>
            ))}
            {order.unmet.map((unmet) => (
                <li key={unmet.rule}>
                    <details>
                        <summary className="cursor-pointer leading-snug">
                            <strong>{capital(unmet.rule)}</strong>, {many(unmet.cases.length, 'time')}, worth about{' '}
                            {minutesWords(Math.max(1, Math.round(unmet.minutes)))}
                        </summary>
                        <ul className="flex flex-col gap-1 pl-4">
                            {unmet.cases.map((found) => (
                                <li key={`${found.before} ${found.after}`} className="flex items-start gap-2">
                                    <span className="flex-1 leading-snug">
                                        {words(found.before)} should come before {words(found.after)}: {found.reason}.
                                    </span>
                                    {mend(found.before, found.after)}
                                </li>
                            ))}
                        </ul>
                    </details>
                </li>
            ))}
        </ul>
    );
}

/** Safety is shown open once a session for each kind of step; after that it is one press away. */
const seen = new Map<string, string>();

function isNews(step: OrderStepProps): boolean {
    const first = seen.get(step.kind);
    if (first === undefined) seen.set(step.kind, step.id);
    return first === undefined || first === step.id;
}

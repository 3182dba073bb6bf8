import { useState } from 'react';
import { send } from '@/shared/lib/api';
import { url } from '@/shared/lib/url';
import { useAttempt } from '@/shared/lib/use-attempt';
import { Notice } from '@/shared/ui/notice';
import type { FactProps } from '@/types/generated';

/** What is known of a pot beside its colour. A default of its kind is shown as one until the painter says otherwise. */
export function Facts({ potId, facts: initial }: { potId: number; facts: FactProps[] }) {
    const [facts, setFacts] = useState(initial);
    const { said: problem, attempt } = useAttempt();

    const say = (key: string, value: string) =>
        attempt(async () => {
            setFacts(await send<FactProps[]>('PATCH', url('pots.facts', { paint: potId }), { [key]: value || null }));
        });

    return (
        <section aria-labelledby="facts" className="flex flex-col gap-2">
            <h2 id="facts" className="text-lg font-semibold">
                The pot
            </h2>
            {problem !== null && <Notice strong>{problem}</Notice>}
            <dl className="grid grid-cols-1 gap-x-6 sm:grid-cols-2">
                {facts.map((fact) => (
                    <div key={fact.key} className="flex items-center gap-3 border-t border-line py-1">
                        <dt className="flex-1 text-sm">
                            <label htmlFor={`fact-${fact.key}`}>{fact.label}</label>
                            {fact.isDefault && fact.value !== '' && (
                                <span className="block text-xs text-quiet">usual for its kind</span>
                            )}
                        </dt>
                        <dd>
                            <input
                                id={`fact-${fact.key}`}
                                key={`${fact.key} ${fact.value} ${String(fact.isDefault)}`}
                                className="min-h-9 w-36 rounded-sm border border-strong bg-raised px-2 text-sm placeholder:text-quiet placeholder:italic"
                                defaultValue={fact.isDefault ? '' : fact.value}
                                placeholder={fact.value || 'not said'}
                                onBlur={(event) => {
                                    const now = event.target.value.trim();
                                    if (now !== (fact.isDefault ? '' : fact.value)) void say(fact.key, now);
                                }}
                            />
                        </dd>
                    </div>
                ))}
            </dl>
        </section>
    );
}

import { useState } from 'react';
import { send } from '@/shared/lib/api';
import { url } from '@/shared/lib/url';
import { useAttempt } from '@/shared/lib/use-attempt';
import { Notice } from '@/shared/ui/notice';
import type { FactProps } from '@/types/generated';

const BOX = 'min-h-9 w-44 rounded-sm border border-strong bg-raised px-2 text-sm';

/** What is known of a pot beside its colour. A default of its kind is shown as one until the painter says otherwise. */
export function Facts({ potId, facts: initial }: { potId: number; facts: FactProps[] }) {
    const [facts, setFacts] = useState(initial);
    const { message: problem, attempt } = useAttempt();

    const state = (key: string, value: string) =>
        attempt(async () => {
            setFacts(await send<FactProps[]>('PATCH', url('pots.facts', { paint: potId }), { [key]: value || null }));
        });

    return (
        <section aria-labelledby="facts" className="flex flex-col gap-2">
            <h2 id="facts" className="text-lg font-semibold">
                Properties
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
                            <FactInput
                                key={`${fact.key} ${fact.value} ${String(fact.isDefault)}`}
                                fact={fact}
                                onState={(value) => void state(fact.key, value)}
                            />
                        </dd>
                    </div>
                ))}
            </dl>
        </section>
    );
}

function FactInput({ fact, onState }: { fact: FactProps; onState: (value: string) => void }) {
    const stated = fact.isDefault ? '' : fact.value;
    const choices = fact.type === 'yes or no' ? ['yes', 'no'] : fact.choices;
    if (choices.length > 0)
        return (
            <select
                id={`fact-${fact.key}`}
                className={BOX}
                defaultValue={stated}
                onChange={(event) => {
                    onState(event.target.value);
                }}
            >
                <option value="">{fact.isDefault && fact.value !== '' ? `${fact.value} (usual)` : 'usual'}</option>
                {choices.map((choice) => (
                    <option key={choice} value={choice}>
                        {choice}
                    </option>
                ))}
            </select>
        );
    return (
        <input
            id={`fact-${fact.key}`}
            className={`${BOX} placeholder:text-quiet placeholder:italic`}
            type={fact.type === 'day' ? 'date' : 'text'}
            inputMode={fact.type === 'whole' || fact.type === 'number' ? 'decimal' : 'text'}
            defaultValue={stated}
            placeholder={fact.value || 'not set'}
            onBlur={(event) => {
                const now = event.target.value.trim();
                if (now !== stated) onState(now);
            }}
        />
    );
}

import { Link } from '@inertiajs/react';
import { useState } from 'react';
import { openCup } from '@/features/cup/open-cup';
import { Shell } from '@/features/shell/shell';
import { minutesWords, one } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { useNow } from '@/shared/lib/use-now';
import { Button } from '@/shared/ui/button';
import { Field } from '@/shared/ui/field';
import { volumeWords } from '@/shared/lib/units';
import type { CupProps } from '@/types/generated';

/** The open cups of a painter. */
export default function CupsPage({ cups }: { cups: CupProps[] }) {
    const [name, setName] = useState('');
    const now = useNow(30_000);
    return (
        <Shell title="Cups">
            <div className="flex flex-col gap-4">
                <header className="flex flex-wrap items-end gap-3">
                    <h1 className="mr-auto text-2xl">Cups</h1>
                    <form
                        className="flex items-end gap-2"
                        onSubmit={(event) => {
                            event.preventDefault();
                            if (name.trim() !== '') void openCup({ name });
                        }}
                    >
                        <Field
                            label="New cup for"
                            value={name}
                            maxLength={80}
                            placeholder="oilskin, mid"
                            onChange={(event) => {
                                setName(event.target.value);
                            }}
                        />
                        <Button look="main" type="submit" disabled={name.trim() === ''}>
                            Open a cup
                        </Button>
                    </form>
                </header>
                {cups.length === 0 && (
                    <p className="text-base">No cup is open. Open one here, or from a layer of a finish.</p>
                )}
                <ul className="grid grid-cols-1 gap-3 sm:grid-cols-[repeat(auto-fill,minmax(17rem,1fr))]">
                    {cups.map((cup) => (
                        <li key={cup.id}>
                            <Link
                                href={url('cups.show', { cup: cup.id })}
                                className="flex flex-col border border-strong bg-raised hover:border-ink"
                            >
                                <span
                                    className="h-24 w-full border-b border-line"
                                    style={{ background: cup.dry?.hex ?? 'transparent' }}
                                    aria-hidden
                                />
                                <span className="flex flex-col gap-0.5 p-3">
                                    <span className="text-base font-semibold">{cup.name}</span>
                                    <span className="text-sm">{recipeWords(cup)}</span>
                                    <span className="text-xs text-quiet">
                                        {volumeWords(cup.millilitres.toFixed(2))}, open for{' '}
                                        {minutesWords(age(cup, now))}
                                        {cup.difference !== null && `, ΔE ${one(cup.difference)} from its target`}
                                    </span>
                                </span>
                            </Link>
                        </li>
                    ))}
                </ul>
            </div>
        </Shell>
    );
}

export function recipeWords(cup: CupProps): string {
    if (cup.parts.length === 0) return 'empty';
    return cup.parts
        .filter((part) => part.drops > 0)
        .map((part) => `${part.drops} ${part.pot?.name ?? 'thinner'}`)
        .join(' + ');
}

function age(cup: CupProps, now: number): number {
    return Math.max(0, Math.floor((now - Date.parse(cup.openedAt)) / 60_000));
}

import { useState } from 'react';
import { send } from '@/shared/lib/api';
import { one } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { DROP } from '@/shared/lib/units';
import { Button } from '@/shared/ui/button';
import { DropRow } from '@/shared/ui/drops';
import type { ColourProps } from '@/types/generated';
import type { TaskProps } from './index';

const MOST = 24;

/** A colour, some pots, and a cup that behaves as they do. */
export function MixTask({ round, onAnswer }: TaskProps) {
    const [added, setAdded] = useState<number[]>([]);
    const [cup, setCup] = useState<ColourProps | null>(null);
    const isDone = round.right !== null;

    async function put(next: number[]) {
        setAdded(next);
        setCup(
            next.length === 0
                ? null
                : await send<ColourProps>('POST', url('practice.cup', { practiceRound: round.id }), { added: next }),
        );
    }
    const drops = (id: number) => added.filter((other) => other === id).length;

    return (
        <div className="flex flex-col gap-4">
            {/* Edge to edge: a difference is seen where nothing lies between. */}
            <div className="flex h-40 max-w-3xl lg:h-56">
                <div className="flex flex-1 items-end p-2 text-sm" style={{ background: round.target?.hex }}>
                    <Label words="the colour" />
                </div>
                <div className="flex flex-1 items-end p-2 text-sm" style={{ background: cup?.hex ?? 'var(--sunk)' }}>
                    <Label words={cup === null ? 'the cup is empty' : 'your cup'} />
                </div>
            </div>
            <ul className="flex max-w-3xl flex-col gap-2">
                {round.pots.map((pot, i) => (
                    <li key={pot.id} className="flex flex-wrap items-center gap-3">
                        <span
                            aria-hidden
                            className="h-10 w-10 border border-strong"
                            style={{ background: pot.colour.hex }}
                        />
                        <span className="w-40 text-sm font-medium">{pot.name}</span>
                        {!isDone && (
                            <Button disabled={added.length >= MOST} onClick={() => void put([...added, pot.id])}>
                                Add a drop
                            </Button>
                        )}
                        {drops(pot.id) > 0 && (
                            <DropRow
                                drops={{
                                    paintId: pot.id,
                                    name: pot.name,
                                    maker: '',
                                    hex: pot.colour.hex,
                                    drops: drops(pot.id),
                                    dropMl: DROP,
                                }}
                            />
                        )}
                        {isDone && <span className="text-sm text-quiet">it was {round.drops[i]}</span>}
                    </li>
                ))}
            </ul>
            {!isDone && (
                <div className="flex gap-2">
                    <Button
                        look="main"
                        disabled={added.length === 0}
                        onClick={() => {
                            onAnswer(added);
                        }}
                    >
                        That is it
                    </Button>
                    <Button disabled={added.length === 0} onClick={() => void put(added.slice(0, -1))}>
                        Take the last drop back
                    </Button>
                    <Button disabled={added.length === 0} onClick={() => void put([])}>
                        Empty the cup
                    </Button>
                </div>
            )}
            {isDone && (
                <ol className="flex flex-wrap gap-x-4 gap-y-1 text-sm" aria-label="What each drop did">
                    {round.trail.map((difference, i) => (
                        <li key={i}>
                            {i + 1}. {round.pots.find((pot) => pot.id === added[i])?.name}: ΔE {one(difference)}
                        </li>
                    ))}
                </ol>
            )}
        </div>
    );
}

function Label({ words }: { words: string }) {
    return <span className="bg-room px-1 text-ink">{words}</span>;
}

import clsx from 'clsx';
import { useState, type Dispatch, type SetStateAction } from 'react';
import { many } from '@/shared/lib/format';
import { Button } from '@/shared/ui/button';
import { PotMark } from '@/shared/ui/pot-mark';
import { Sheet } from '@/shared/ui/sheet';
import type { PotProps } from '@/types/generated';

/** "Use only these": which pots proposals may use. */
export function PotChooser({
    pots,
    only,
    onOnly,
}: {
    pots: readonly PotProps[];
    only: number[] | null;
    onOnly: (only: number[] | null) => void;
}) {
    const [open, setOpen] = useState(false);
    const [chosen, setChosen] = useState<number[]>(only ?? []);
    const mixable = pots.filter((p) => p.isMixed);
    return (
        <>
            <Button
                onClick={() => {
                    setOpen(true);
                }}
            >
                {only === null ? 'Any pot on the shelf' : `Only ${many(only.length, 'pot')}`}
            </Button>
            <Sheet
                open={open}
                onClose={() => {
                    setOpen(false);
                }}
                side
                title="Use only these pots"
                description="Primers may always be used. Nothing is bought."
            >
                <ul className="grid grid-cols-2 gap-1">
                    {mixable.map((pot) => (
                        <MixablePot key={pot.id} pot={pot} chosen={chosen} setChosen={setChosen} />
                    ))}
                </ul>
                <Buttons chosen={chosen} onOnly={onOnly} setOpen={setOpen} setChosen={setChosen} />
            </Sheet>
        </>
    );
}

function Buttons({
    chosen,
    onOnly,
    setOpen,
    setChosen,
}: {
    chosen: number[];
    onOnly: (only: number[] | null) => void;
    setOpen: Dispatch<SetStateAction<boolean>>;
    setChosen: Dispatch<SetStateAction<number[]>>;
}) {
    return (
        <div className="sticky bottom-0 flex gap-2 bg-room py-3">
            <Button
                look="main"
                disabled={chosen.length === 0}
                onClick={() => {
                    onOnly(chosen);
                    setOpen(false);
                }}
            >
                Use only these {chosen.length}
            </Button>
            <Button
                onClick={() => {
                    setChosen([]);
                    onOnly(null);
                    setOpen(false);
                }}
            >
                Any pot
            </Button>
        </div>
    );
}

function MixablePot({
    pot,
    chosen,
    setChosen,
}: {
    pot: PotProps;
    chosen: number[];
    setChosen: Dispatch<SetStateAction<number[]>>;
}) {
    return (
        <li>
            <button
                type="button"
                aria-pressed={chosen.includes(pot.id)}
                className={clsx(
                    'flex min-h-9 w-full items-center gap-2 border px-2 text-left text-sm',
                    chosen.includes(pot.id) ? 'border-ink font-bold' : 'border-line',
                )}
                onClick={() => {
                    setChosen((now) => (now.includes(pot.id) ? now.filter((id) => id !== pot.id) : [...now, pot.id]));
                }}
            >
                <PotMark hex={pot.hex} />
                {pot.name}
            </button>
        </li>
    );
}

import clsx from 'clsx';
import { useState } from 'react';
import { one } from '@/shared/lib/format';
import { Button } from '@/shared/ui/button';
import type { TaskProps } from './index';

/** Two colours of which one is lighter, or several to be put in order. */
export function ShadesTask({ round, onAnswer }: TaskProps) {
    const [order, setOrder] = useState<number[]>([]);
    const isPair = round.exercise === 'lighter';
    const right = round.right;
    const press = (place: number) => {
        if (right !== null) return;
        if (isPair) {
            setOrder([place]);
            onAnswer([place]);
        } else setOrder((now) => (now.includes(place) ? now.filter((p) => p !== place) : [...now, place]));
    };
    return (
        <div className="flex flex-col gap-3">
            {!isPair && right === null && <p className="text-sm">Press them from dark to light; again takes back.</p>}
            <div className={clsx('grid gap-3', isPair ? 'max-w-3xl grid-cols-2' : 'grid-cols-5')}>
                {round.pots.map((pot, place) => (
                    <button
                        key={pot.id}
                        type="button"
                        aria-label={`Colour ${place + 1}`}
                        aria-pressed={order.includes(place)}
                        className={clsx(
                            'flex flex-col border-2 text-left',
                            order.includes(place) ? 'border-ink' : 'border-line',
                        )}
                        onClick={() => {
                            press(place);
                        }}
                    >
                        <span className="block h-40 w-full lg:h-64" style={{ background: pot.colour.hex }} />
                        <span className="min-h-14 p-2 text-sm">
                            {!isPair && order.includes(place) && <strong>{order.indexOf(place) + 1}. </strong>}
                            {right !== null && (
                                <>
                                    {pot.name}
                                    <span className="block text-quiet">
                                        L* {one(pot.colour.lab[0] ?? 0)}
                                        {!isPair && `, ${right.indexOf(place) + 1}. from dark`}
                                    </span>
                                </>
                            )}
                        </span>
                    </button>
                ))}
            </div>
            {isPair && right !== null && (
                <p className="text-sm">
                    {order[0] === right[1] ? 'Right' : 'No'}: colour {(right[1] ?? 0) + 1} is lighter.
                </p>
            )}
            {!isPair && right === null && (
                <Button
                    look="main"
                    className="self-start"
                    disabled={order.length < round.pots.length}
                    onClick={() => {
                        onAnswer(order);
                    }}
                >
                    That is the order
                </Button>
            )}
        </div>
    );
}

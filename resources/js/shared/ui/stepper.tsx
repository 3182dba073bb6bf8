import { Minus, Plus } from 'lucide-react';

/** A number counted up and down by whole or half steps. */
export function Stepper({
    label,
    value,
    min,
    max,
    step = 1,
    words,
    onChange,
}: {
    label: string;
    value: number;
    min: number;
    max: number;
    step?: number;
    words?: string;
    onChange: (value: number) => void;
}) {
    const button = 'border-strong bg-raised flex h-10 w-10 items-center justify-center border disabled:opacity-40';
    return (
        <div role="group" aria-label={label}>
            <span className="mb-1 block text-xs text-quiet">{label}</span>
            <div className="flex items-stretch">
                <button
                    type="button"
                    aria-label={`Less ${label.toLowerCase()}`}
                    disabled={value <= min}
                    className={`${button} rounded-l-sm`}
                    onClick={() => {
                        onChange(Math.max(min, value - step));
                    }}
                >
                    <Minus size={16} aria-hidden />
                </button>
                <output className="flex min-w-14 flex-1 items-center justify-center border-y border-strong bg-raised px-2 text-sm whitespace-nowrap">
                    {words ?? value}
                </output>
                <button
                    type="button"
                    aria-label={`More ${label.toLowerCase()}`}
                    disabled={value >= max}
                    className={`${button} rounded-r-sm`}
                    onClick={() => {
                        onChange(Math.min(max, value + step));
                    }}
                >
                    <Plus size={16} aria-hidden />
                </button>
            </div>
        </div>
    );
}

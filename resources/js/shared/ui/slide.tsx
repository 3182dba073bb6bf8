/** A slider that says its value, and is done when it is let go. */
export function Slide({
    label,
    said,
    min,
    max,
    step = 1,
    value,
    onSlide,
    onSet,
}: {
    label: string;
    /** The value in words, beside it. */
    said: string;
    min: number;
    max: number;
    step?: number;
    value: number;
    onSlide: (value: number) => void;
    onSet?: (value: number) => void;
}) {
    const done = () => {
        onSet?.(value);
    };
    return (
        <label className="flex items-center gap-2">
            <span className="w-24 shrink-0 tabular-nums">{said}</span>
            <input
                type="range"
                min={min}
                max={max}
                step={step}
                value={value}
                aria-label={label}
                aria-valuetext={said}
                className="h-6 min-w-0 flex-1"
                onChange={(event) => {
                    onSlide(Number(event.target.value));
                }}
                onPointerUp={done}
                onKeyUp={done}
            />
        </label>
    );
}

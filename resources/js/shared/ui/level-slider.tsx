import { Slider } from 'radix-ui';

/** A share of a whole, 0 to 100 by fives. */
export function LevelSlider({
    label,
    value,
    onChange,
}: {
    label: string;
    value: number;
    onChange: (value: number) => void;
}) {
    return (
        <div>
            <span className="mb-1 block text-xs text-quiet">
                {label}: {value} %
            </span>
            <Slider.Root
                min={0}
                max={100}
                step={5}
                value={[value]}
                onValueChange={([next]) => {
                    if (next !== undefined) onChange(next);
                }}
                className="relative flex h-8 touch-none items-center select-none"
            >
                <Slider.Track className="relative h-3 flex-1 border border-strong bg-raised">
                    <Slider.Range className="absolute h-full bg-strong" />
                </Slider.Track>
                <Slider.Thumb aria-label={label} className="block h-7 w-4 rounded-sm border-2 border-ink bg-raised" />
            </Slider.Root>
        </div>
    );
}

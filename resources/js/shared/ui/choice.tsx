import clsx from 'clsx';
import { ToggleGroup } from 'radix-ui';
import { useSettling } from '@/shared/lib/use-settling';

const ITEM =
    'border-strong data-[state=on]:border-ink data-[state=on]:bg-ink data-[state=on]:text-inverse bg-raised -ml-px min-h-10 border px-3 text-sm first:ml-0 first:rounded-l-sm last:rounded-r-sm';

type Common<T extends string> = {
    label: string;
    options: readonly { value: T; label: string }[];
    className?: string;
    grow?: boolean;
};

/** One of a few, all in sight. */
export function Choice<T extends string>({
    label,
    options,
    value,
    onChoose,
    className,
    grow,
}: Common<T> & {
    value: T;
    /** Answers with a promise where it takes a while until `value` follows. */
    onChoose: (value: T) => unknown;
}) {
    const [shown, settle] = useSettling(value);
    return (
        <ToggleGroup.Root
            type="single"
            aria-label={label}
            value={shown}
            onValueChange={(next) => {
                if (next !== '') settle(next as T, onChoose(next as T));
            }}
            className={clsx('flex', className)}
        >
            {options.map((option) => (
                <ToggleGroup.Item key={option.value} value={option.value} className={clsx(ITEM, grow && 'flex-1')}>
                    {option.label}
                </ToggleGroup.Item>
            ))}
        </ToggleGroup.Root>
    );
}

/** Some of a few, at least one. */
export function Choices<T extends string>({
    label,
    options,
    values,
    onChoose,
    className,
    grow,
}: Common<T> & { values: readonly T[]; onChoose: (values: T[]) => void }) {
    return (
        <ToggleGroup.Root
            type="multiple"
            aria-label={label}
            value={[...values]}
            onValueChange={(next) => {
                if (next.length > 0) onChoose(next as T[]);
            }}
            className={clsx('flex', className)}
        >
            {options.map((option) => (
                <ToggleGroup.Item key={option.value} value={option.value} className={clsx(ITEM, grow && 'flex-1 px-1')}>
                    {option.label}
                </ToggleGroup.Item>
            ))}
        </ToggleGroup.Root>
    );
}

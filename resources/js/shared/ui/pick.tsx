import { Check, ChevronDown } from 'lucide-react';
import { Select } from 'radix-ui';
import { useId, type ReactNode } from 'react';
import { useSettling } from '@/shared/lib/use-settling';

type Option<T extends string> = { value: T; label: string; mark?: ReactNode };

/** One of several, in a list that opens. */
export function Pick<T extends string>({
    label,
    value,
    options,
    onPick,
    hideLabel = false,
    placeholder,
}: {
    label: string;
    value: T | undefined;
    options: readonly Option<T>[];
    /** Answers with a promise where it takes a while until `value` follows. */
    onPick: (value: T) => unknown;
    hideLabel?: boolean;
    placeholder?: string;
}) {
    const id = useId();
    const [shown, settle] = useSettling(value);
    return (
        <div>
            <span id={id} className={hideLabel ? 'sr-only' : 'mb-1 block text-xs text-quiet'}>
                {label}
            </span>
            <Select.Root
                value={shown ?? ''}
                onValueChange={(next) => {
                    settle(next as T, onPick(next as T));
                }}
            >
                <Select.Trigger
                    aria-labelledby={id}
                    className="flex min-h-10 w-full items-center justify-between gap-2 rounded-sm border border-strong bg-raised px-2 text-left text-sm"
                >
                    <Select.Value placeholder={placeholder} />
                    <Select.Icon>
                        <ChevronDown size={16} aria-hidden />
                    </Select.Icon>
                </Select.Trigger>
                <Select.Portal>
                    <Select.Content
                        position="popper"
                        sideOffset={4}
                        className="z-50 max-h-[min(24rem,var(--radix-select-content-available-height))] min-w-[var(--radix-select-trigger-width)] rounded-sm border border-ink bg-raised text-ink"
                    >
                        <Select.Viewport className="p-1">
                            {options.map((option) => (
                                <Select.Item
                                    key={option.value}
                                    value={option.value}
                                    className="flex min-h-9 items-center gap-2 rounded-sm px-2 text-sm outline-none data-[highlighted]:bg-ink data-[highlighted]:text-inverse"
                                >
                                    {option.mark}
                                    <Select.ItemText>{option.label}</Select.ItemText>
                                    <Select.ItemIndicator className="ml-auto">
                                        <Check size={16} aria-hidden />
                                    </Select.ItemIndicator>
                                </Select.Item>
                            ))}
                        </Select.Viewport>
                    </Select.Content>
                </Select.Portal>
            </Select.Root>
        </div>
    );
}

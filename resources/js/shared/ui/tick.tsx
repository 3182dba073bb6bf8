import type { ReactNode } from 'react';
import { useSettling } from '@/shared/lib/use-settling';

/** A box that is ticked, large enough for a finger, with its words beside it. */
export function Tick({
    checked,
    onTick,
    className = '',
    children,
}: {
    checked: boolean;
    /** Answers with a promise where it takes a while until `checked` follows. */
    onTick: (isOn: boolean) => unknown;
    className?: string;
    children: ReactNode;
}) {
    const [shown, settle] = useSettling(checked);
    return (
        <label className={`flex items-center gap-2 ${className}`}>
            <input
                type="checkbox"
                className="h-6 w-6 shrink-0"
                checked={shown}
                onChange={(event) => {
                    // Read at once: by the time a change is sent, the box may show the old state again.
                    const isOn = event.target.checked;
                    settle(isOn, onTick(isOn));
                }}
            />
            {children}
        </label>
    );
}

/** A list with one thing in it or not. */
export function ticked<T>(list: readonly T[], one: T, isOn: boolean): T[] {
    return isOn ? [...list, one] : list.filter((other) => other !== one);
}

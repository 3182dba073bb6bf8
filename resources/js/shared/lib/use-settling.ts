import { useRef, useState } from 'react';

/**
 * What was last chosen, until it is settled: whoever chooses twice in a second goes on from what they see, however slow the
 * answer is, and a refusal shows what is stored.
 */
export function useSettling<T>(stored: T): [T, (chosen: T, doing: unknown) => void] {
    const [chosen, setChosen] = useState<{ value: T } | null>(null);
    const acts = useRef(0);
    return [
        chosen === null ? stored : chosen.value,
        (value, doing) => {
            if (!(doing instanceof Promise)) return;
            const act = ++acts.current;
            setChosen({ value });
            void doing.finally(() => {
                if (act === acts.current) setChosen(null);
            });
        },
    ];
}

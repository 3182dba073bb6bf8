import { useRef, useState } from 'react';

/**
 * The last choice, until the server has answered it. A second choice meanwhile goes on from what the page shows. A refusal shows
 * what is stored.
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

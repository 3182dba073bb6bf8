import { useEffect, useState } from 'react';

/** The time, renewed every so many milliseconds. */
export function useNow(every: number): number {
    const [now, setNow] = useState(() => Date.now());
    useEffect(() => {
        const timer = window.setInterval(() => {
            setNow(Date.now());
        }, every);
        return () => {
            window.clearInterval(timer);
        };
    }, [every]);
    return now;
}

import type { SettingsProps } from '@/types/generated';

let own: SettingsProps = { clockHours: null, firstWeekday: 1, length: 'mm', volume: 'mL' };

/** From now on all is written as the painter wants it; what a page does not tell stays. */
export function applySettings(of: unknown): void {
    if (typeof of === 'object' && of !== null && 'firstWeekday' in of) own = of as SettingsProps;
}

export function settings(): SettingsProps {
    return own;
}

/** A time of day, with a.m. and p.m. or without: as the painter wants it, or as this browser writes it. */
export function timeWords(at: Date, hour: 'numeric' | '2-digit' = 'numeric'): string {
    return at.toLocaleTimeString(undefined, {
        hour,
        minute: '2-digit',
        ...(own.clockHours === null ? {} : { hourCycle: own.clockHours === 12 ? 'h12' : 'h23' }),
    });
}

/** The days of a week, 1 for Monday, from the painter's first one on. */
export function weekdays(): number[] {
    return Array.from({ length: 7 }, (_, n) => ((own.firstWeekday - 1 + n) % 7) + 1);
}

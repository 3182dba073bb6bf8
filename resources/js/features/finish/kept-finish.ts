import { isRecord } from '@/shared/lib/api';
import type { Stack } from './layers';

/** A finish that was changed and is not yet acknowledged by the server: it outlives a closed tab, and comes back with the page. */
export type KeptFinish = { stack: Stack; version: number };

const place = (areaId: number) => `hyalin-finish-${areaId}`;

export function keptFinish(areaId: number): KeptFinish | null {
    try {
        const value: unknown = JSON.parse(localStorage.getItem(place(areaId)) ?? 'null');
        return isRecord(value) && Array.isArray(value['stack']) && typeof value['version'] === 'number'
            ? { stack: value['stack'] as Stack, version: value['version'] }
            : null;
    } catch {
        return null;
    }
}

export function keepFinish(areaId: number, kept: KeptFinish): void {
    localStorage.setItem(place(areaId), JSON.stringify(kept));
}

export function forgetFinish(areaId: number): void {
    localStorage.removeItem(place(areaId));
}

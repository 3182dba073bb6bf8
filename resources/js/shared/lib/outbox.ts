import { isRecord } from './api';

/** Something written down in this browser until the server has acknowledged it. */
export type Deed = { key: string };

const LETTERS = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';

/** 26 letters of Crockford's alphabet, by chance: the shape of a ULID. */
export function newKey(): string {
    return Array.from(crypto.getRandomValues(new Uint8Array(26)), (byte) => LETTERS[byte % 32]).join('');
}

/** Deeds in the order they were done; they outlive the page and the browser. */
export class Outbox<T extends Deed> {
    constructor(private readonly place: string) {}

    all(): readonly T[] {
        try {
            const value: unknown = JSON.parse(localStorage.getItem(this.place) ?? '[]');
            return Array.isArray(value) ? value.filter((v): v is T => isRecord(v) && typeof v['key'] === 'string') : [];
        } catch {
            return [];
        }
    }

    first(): T | undefined {
        return this.all()[0];
    }

    add(deed: T): void {
        this.keep([...this.all(), deed]);
    }

    /** Strikes out what was acknowledged, whatever was written down meanwhile. */
    strike(key: string): void {
        this.keep(this.all().filter((deed) => deed.key !== key));
    }

    change(each: (deed: T) => T): void {
        this.keep(this.all().map(each));
    }

    /** One window of this browser at a time sends what is written down. */
    async alone(act: () => Promise<void>): Promise<void> {
        // Browsers give locks to secure pages only; elsewhere two windows may send the same deed, which its key makes harmless.
        if ('locks' in navigator) await navigator.locks.request(this.place, act);
        else await act();
    }

    private keep(deeds: readonly T[]): void {
        if (deeds.length === 0) localStorage.removeItem(this.place);
        else localStorage.setItem(this.place, JSON.stringify(deeds));
    }
}

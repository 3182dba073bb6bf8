/** The two surrounds of the neutral room. */
export type Surround = 'day' | 'lamp';

const KEY = 'hyalin.surround';

export function restoreSurround(): void {
    applySurround(localStorage.getItem(KEY) === 'lamp' ? 'lamp' : 'day');
}

export function currentSurround(): Surround {
    return document.documentElement.dataset['surround'] === 'lamp' ? 'lamp' : 'day';
}

export function applySurround(surround: Surround): void {
    document.documentElement.dataset['surround'] = surround;
    localStorage.setItem(KEY, surround);
}

import type { OrderProps, OrderStepProps } from '@/types/generated';

export type Lane = { id: string; name: string };

/** A step moved to another place. */
export function moved(ids: readonly string[], id: string, to: number): string[] {
    const rest = ids.filter((other) => other !== id);
    const place = Math.max(0, Math.min(rest.length, to));
    return [...rest.slice(0, place), id, ...rest.slice(place)];
}

/** The steps of an order shelf order now, before the server has judged it. */
export function arranged(order: OrderProps, ids: readonly string[]): OrderStepProps[] {
    const by = new Map(order.steps.map((step) => [step.id, step]));
    return ids.flatMap((id) => by.get(id) ?? []);
}

/** A step in words, with where it is. */
export function stepWords(order: OrderProps, id: string): string {
    const step = order.steps.find((s) => s.id === id);
    if (!step) return id;
    return short(step.areaNames.length === 1 ? `${step.areaNames[0] ?? ''}: ${step.words}` : step.words);
}

export function short(words: string): string {
    return words.length > 60 ? `${words.slice(0, 58)}…` : words;
}

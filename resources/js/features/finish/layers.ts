import type { DropsProps, LayerProps, PotProps, Technique, TechniqueProps, Zone } from '@/types/generated';
import { dilutionWords } from '@/shared/lib/format';
import { mixWords } from '@/shared/ui/drops';

/** Pure changes of a stack of layers, bottom first. */
export type Stack = readonly LayerProps[];

export const MOST_DROPS = 99;

export function withLayer(stack: Stack, index: number, change: Partial<LayerProps>): Stack {
    return stack.map((layer, i) => (i === index ? { ...layer, ...change } : layer));
}

/** A new layer above the given one, with the defaults of its technique. */
export function withNewLayer(
    stack: Stack,
    above: number,
    technique: TechniqueProps,
    pot: PotProps,
    key: string,
): Stack {
    const layer: LayerProps = {
        key,
        technique: technique.technique,
        zones: technique.usualZones,
        thinner: technique.usualThinner,
        coats: 1,
        mix: [dropsOf(pot, 1)],
        note: null,
    };
    return [...stack.slice(0, above + 1), layer, ...stack.slice(above + 1)];
}

export function withoutLayer(stack: Stack, index: number): Stack {
    return stack.filter((_, i) => i !== index);
}

export function withMoved(stack: Stack, index: number, by: 1 | -1): Stack {
    const other = index + by;
    const here = stack[index];
    const there = stack[other];
    if (!here || !there) return stack;
    return stack.map((layer, i) => (i === index ? there : i === other ? here : layer));
}

/** Another technique brings its usual zones and dilution. */
export function withTechnique(stack: Stack, index: number, technique: TechniqueProps): Stack {
    return withLayer(stack, index, {
        technique: technique.technique,
        zones: technique.usualZones,
        thinner: technique.usualThinner,
    });
}

export function withDrops(mix: readonly DropsProps[], paintId: number, drops: number): DropsProps[] {
    const kept = Math.max(0, Math.min(MOST_DROPS, drops));
    const changed = mix.map((entry) => (entry.paintId === paintId ? { ...entry, drops: kept } : entry));
    const left = changed.filter((entry) => entry.drops > 0);
    // The last pot of a mix stays: a layer without paint is no layer.
    return left.length > 0 ? left : [...mix];
}

export function withPot(mix: readonly DropsProps[], pot: PotProps): DropsProps[] {
    return mix.some((entry) => entry.paintId === pot.id)
        ? withDrops(mix, pot.id, (mix.find((entry) => entry.paintId === pot.id)?.drops ?? 0) + 1)
        : [...mix, dropsOf(pot, 1)];
}

export function dropsOf(pot: PotProps, drops: number): DropsProps {
    return { paintId: pot.id, maker: pot.maker, name: pot.name, hex: pot.hex, dropMl: pot.dropMl, drops };
}

/** What is sent to the server: pots by number, drops whole. */
export function wire(stack: Stack): unknown {
    return stack.map((layer) => ({
        key: layer.key,
        technique: layer.technique,
        zones: layer.zones,
        thinner: layer.thinner,
        coats: layer.coats,
        note: layer.note,
        mix: layer.mix.map((entry) => ({ paintId: entry.paintId, drops: entry.drops })),
    }));
}

export function layerNote(layer: LayerProps): string {
    const extra = [
        layer.coats > 1 ? `${layer.coats} coats` : '',
        layer.thinner > 0 ? dilutionWords(layer.thinner) : '',
    ].filter((words) => words !== '');
    return [mixWords(layer.mix), ...extra].join(', ');
}

/** Layers of other techniques change other zones: the one a painter would look at first. */
export function firstZone(technique: Technique, zones: readonly Zone[]): Zone {
    if (technique === 'wash' && zones.includes('shade')) return 'shade';
    if (technique === 'dry brush' && zones.includes('light')) return 'light';
    if (zones.includes('mid')) return 'mid';
    return zones[0] ?? 'mid';
}

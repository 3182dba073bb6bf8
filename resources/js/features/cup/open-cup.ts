import { router } from '@inertiajs/react';
import { send } from '@/shared/lib/api';
import { url } from '@/shared/lib/url';
import type { CupProps, DropsProps } from '@/types/generated';

/** Puts a mix into a new cup and goes there. */
export async function openCup(cup: {
    name: string;
    areaId?: number;
    runStepId?: number;
    target?: readonly number[] | null;
    /** Parts by volume: the server counts them out, each pot from its own dropper. */
    mix?: readonly Pick<DropsProps, 'paintId' | 'drops'>[];
    /** Whole drops that are counted already. */
    drops?: readonly Pick<DropsProps, 'paintId' | 'drops'>[] | undefined;
}): Promise<void> {
    const made = await send<CupProps>('POST', url('cups.store'), {
        name: cup.name.slice(0, 80),
        areaId: cup.areaId ?? null,
        runStepId: cup.runStepId ?? null,
        target: cup.target ?? null,
        mix: cup.drops
            ? cup.drops.map(({ paintId, drops }) => ({ paintId, drops }))
            : (cup.mix ?? []).map(({ paintId, drops }) => ({ paintId, parts: drops })),
    });
    router.visit(url('cups.show', { cup: made.id }));
}

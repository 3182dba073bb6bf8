import { router } from '@inertiajs/react';
import { useEffect, useState } from 'react';
import { wire } from '@/features/finish/layers';
import { ApiError, send } from '@/shared/lib/api';
import { newKey } from '@/shared/lib/outbox';
import { capital, dilutionWords, many, one, zonesWords } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { Button } from '@/shared/ui/button';
import { MixList } from '@/shared/ui/drops';
import { Notice } from '@/shared/ui/notice';
import type { LayerProps, TouchUpProps } from '@/types/generated';

/** The smallest remedy from the shelf, with its predicted result. */
export function TouchUpAdvice({ figureId, areaId, photoId }: { figureId: number; areaId: number; photoId: number }) {
    const [advice, setAdvice] = useState<TouchUpProps | null>(null);
    const [problem, setProblem] = useState<string | null>(null);

    useEffect(() => {
        const question = new AbortController();
        send<TouchUpProps>(
            'GET',
            url('findings.touch-up', { figure: figureId, area: areaId, photo: photoId }),
            undefined,
            question.signal,
        )
            .then(setAdvice)
            .catch((error: unknown) => {
                if (error instanceof ApiError) setProblem(error.message);
            });
        return () => {
            question.abort();
        };
    }, [figureId, areaId, photoId]);

    async function add(layer: LayerProps, version: number, runId: number | null) {
        try {
            const at = { figure: figureId, area: areaId };
            const now = await send<LayerProps[]>('GET', url('finishes.layers', at));
            await send('PUT', url('finishes.update', at), { layers: wire([...now, layer]), version });
            // The run of this figure takes it over as its next step; without one it waits in the finish.
            if (runId === null) {
                router.visit(url('figures.finishes', at));
                return;
            }
            await send('POST', url('runs.follow', { run: runId }), {}, undefined, newKey());
            router.visit(url('runs.show', { run: runId }));
        } catch (error) {
            if (!(error instanceof ApiError)) throw error;
            setProblem(error.isConflict ? 'This finish was changed elsewhere. Reload the page first.' : error.message);
        }
    }

    if (problem !== null) return <Notice>{problem}</Notice>;
    if (advice === null)
        return (
            <p role="status" className="text-sm text-quiet">
                Searching for the smallest fix
            </p>
        );
    const { layer } = advice;
    return (
        <div role="status" className="border border-strong bg-raised p-3 text-sm">
            {layer === null ? (
                <p>
                    {advice.isWithin
                        ? `Nothing to do: ΔE ${one(advice.before)} is within tolerance.`
                        : `No single layer from this shelf improves on ΔE ${one(advice.before)}.`}
                </p>
            ) : (
                <TouchUpLayer advice={advice} layer={layer} add={add} />
            )}
        </div>
    );
}

function TouchUpLayer({
    advice,
    layer,
    add,
}: {
    advice: TouchUpProps;
    layer: LayerProps;
    add: (layer: LayerProps, version: number, runId: number | null) => Promise<void>;
}) {
    return (
        <>
            <p>
                <strong>
                    {advice.startOver ? 'Start over: base coat' : capital(layer.technique)}, {many(layer.coats, 'coat')}
                </strong>{' '}
                on {zonesWords(layer.zones)}, {dilutionWords(layer.thinner)}
            </p>
            <MixList mix={layer.mix} />
            <div className="my-2 flex">
                {advice.wanted.map((colour, i) => (
                    <span key={i} className="flex-1">
                        <span className="block h-5" style={{ background: colour.hex }} />
                        <span className="block h-5" style={{ background: advice.colours[i]?.hex }} />
                    </span>
                ))}
            </div>
            <p>
                From {one(advice.before)} to about <strong>{one(advice.after)}</strong> (estimate)
                {advice.isWithin ? ', within tolerance.' : ', the best a single layer can do.'}
            </p>
            <Button size="small" className="mt-2" onClick={() => void add(layer, advice.version, advice.runId)}>
                {advice.runId !== null ? 'Add this layer as the next step' : 'Add this layer to the finish'}
            </Button>
        </>
    );
}

import { useEffect, useState } from 'react';
import { ApiError, send } from '@/shared/lib/api';
import { one } from '@/shared/lib/format';
import { Button } from '@/shared/ui/button';
import { Notice } from '@/shared/ui/notice';
import { lengthWords } from '@/shared/lib/units';
import type { GlowProps, LitAreaProps } from '@/types/generated';

/** What a lamp gives to the areas around it, in numbers, and the layer that paints it. */
export function Glow({
    lamp,
    sharesUrl,
    onAgain,
    onAdd,
}: {
    lamp: LitAreaProps | undefined;
    /** Of the lamp, once they are calculated; another one when the areas change. */
    sharesUrl: string | null;
    /** Calculates it after it was stopped; null where it was not. */
    onAgain: (() => void) | null;
    onAdd: () => unknown;
}) {
    const [glow, setGlow] = useState<GlowProps | null>(null);
    const [problem, setProblem] = useState<string | null>(null);
    useEffect(() => {
        if (sharesUrl === null) return;
        const loading = new AbortController();
        send<GlowProps>('GET', sharesUrl, undefined, loading.signal)
            .then((found) => {
                setGlow(found);
                setProblem(null);
            })
            .catch((error: unknown) => {
                if (error instanceof ApiError) {
                    setGlow(null);
                    setProblem(error.message);
                }
            });
        return () => {
            loading.abort();
        };
    }, [sharesUrl]);
    if (!lamp) return <p>Choose the area that shines: a lamp, a fire, an eye.</p>;
    if (onAgain !== null)
        return (
            <Button className="self-start" onClick={onAgain}>
                Calculate the glow of {lamp.name}
            </Button>
        );
    if (problem !== null) return <Notice strong>{problem}</Notice>;
    if (glow === null) return <p className="text-quiet">Calculating what {lamp.name} lights.</p>;
    return (
        <section aria-label={`Glow of ${lamp.name}`} className="flex flex-col gap-2 bg-sunk p-2">
            <p>
                {lamp.name} lights fully what faces it within {lengthWords(one(glow.fullMm))}, half of that at{' '}
                {lengthWords(one(glow.halfMm))}, a tenth at {lengthWords(one(glow.tenthMm))} (estimate).
            </p>
            {glow.areas.length === 0 ? (
                <p>It reaches no other area.</p>
            ) : (
                <>
                    <table className="w-full text-right">
                        <thead className="text-xs text-quiet">
                            <tr>
                                <th className="text-left font-normal">% of full light</th>
                                {['recess', 'shade', 'mid', 'light', 'edge'].map((zone) => (
                                    <th key={zone} className="font-normal">
                                        {zone}
                                    </th>
                                ))}
                            </tr>
                        </thead>
                        <tbody>
                            {glow.areas.map((area) => (
                                <tr key={area.name} className="border-t border-line">
                                    <th scope="row" className="text-left font-normal">
                                        {area.name}
                                    </th>
                                    {area.shares.map((share, zone) => (
                                        <td key={zone}>{share === null ? '' : Math.round(100 * share)}</td>
                                    ))}
                                </tr>
                            ))}
                        </tbody>
                    </table>
                    <Button className="self-start" onClick={() => void onAdd()}>
                        Add it as a layer
                    </Button>
                </>
            )}
        </section>
    );
}

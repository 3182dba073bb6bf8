import { lazy, Suspense, useEffect, useState } from 'react';
import { ApiError, send } from '@/shared/lib/api';
import { url } from '@/shared/lib/url';
import type { CameraProps, LightProps } from '@/types/generated';
import type { View } from './colours';
import type { MeshViewer } from './viewer';

// three.js is large: it is fetched where a mesh is looked at, and only then.
const MeshView = lazy(async () => ({ default: (await import('./mesh-view')).MeshView }));

/** The show mesh other work, from where the painter looks at it: kept for this picture, or for the figure. */
export function MeshPanel({
    figureId,
    view,
    chosen,
    camera,
    label,
    onViewer,
}: {
    figureId: number;
    view: View;
    chosen: number | null;
    /** Kept for what it stands beside; null takes the one of the figure. */
    camera: CameraProps | null;
    label: string;
    onViewer?: (viewer: MeshViewer | null, size: number) => void;
}) {
    const [light, setLight] = useState<LightProps | null>(null);
    const [problem, setProblem] = useState<string | null>(null);
    useEffect(() => {
        const loading = new AbortController();
        send<LightProps>('GET', url('light.shown', { figure: figureId }), undefined, loading.signal)
            .then(setLight)
            .catch((error: unknown) => {
                if (error instanceof ApiError) setProblem(error.message);
            });
        return () => {
            loading.abort();
        };
    }, [figureId]);
    const size = light?.sizeMm ?? 0;
    if (problem !== null) return <p className="p-3 text-sm">{problem}</p>;
    if (light === null) return <p className="p-3 text-sm text-quiet">Loading the mesh.</p>;
    if (light.dataUrl === null || light.areasUrl === null)
        return <p className="p-3 text-sm">Lighting is not calculated for this figure yet.</p>;
    return (
        <Suspense fallback={<p className="p-3 text-sm text-quiet">Loading the mesh.</p>}>
            <MeshView
                dataUrl={light.dataUrl}
                areasUrl={light.areasUrl}
                glowUrl={null}
                light={light}
                view={view}
                areas={light.areas}
                step={99}
                chosen={chosen}
                isLit
                camera={camera ?? light.camera}
                label={label}
                onViewer={(made) => {
                    onViewer?.(made, size);
                }}
            />
        </Suspense>
    );
}

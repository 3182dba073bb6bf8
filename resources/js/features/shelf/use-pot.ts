import { useEffect, useState } from 'react';
import { ApiError, isRecord, send } from '@/shared/lib/api';
import { url } from '@/shared/lib/url';
import type { ColourProps, PaintProps, PotFieldProps } from '@/types/generated';
import { describedBy, type Described } from './pot-fields';

type Estimate = { overBlack: ColourProps; overWhite: ColourProps; coatsToHide: number | null };

/** A pot that is being described: what follows from it, and saving it over what others saved. */
export function usePot(paint: PaintProps | null, fields: readonly PotFieldProps[], onSaved: () => void) {
    const [described, setDescribed] = useState<Described>(() => describedBy(paint, fields));
    const [version, setVersion] = useState(paint?.version ?? 1);
    const [failure, setFailure] = useState<ApiError | null>(null);
    const [theirs, setTheirs] = useState<PaintProps | null>(null);
    const [busy, setBusy] = useState(false);

    async function save(basedOn: number) {
        setBusy(true);
        setFailure(null);
        try {
            if (paint === null) await send('POST', url('paints.store'), described);
            else await send('PATCH', url('paints.update', { paint: paint.id }), { ...described, version: basedOn });
            onSaved();
        } catch (error) {
            if (!(error instanceof ApiError)) throw error;
            if (error.isConflict && isRecord(error.body)) setTheirs(error.body['theirs'] as PaintProps);
            else setFailure(error);
        } finally {
            setBusy(false);
        }
    }

    const settle = (by: (stored: PaintProps) => void) => {
        if (theirs === null) return;
        setVersion(theirs.version);
        by(theirs);
        setTheirs(null);
    };

    return {
        described,
        estimate: useEstimate(described),
        failure,
        theirs,
        busy,
        put: (key: string, value: string | number) => {
            setDescribed((now) => ({ ...now, [key]: value }));
        },
        save: () => void save(version),
        keepMine: () => {
            settle((stored) => void save(stored.version));
        },
        takeTheirs: () => {
            settle((stored) => {
                setDescribed(describedBy(stored, fields));
            });
        },
    };
}

/** What a pot that is described so would look like; asked for when nothing was typed for a moment. */
function useEstimate(described: Described): Estimate | null {
    const [estimate, setEstimate] = useState<Estimate | null>(null);
    useEffect(() => {
        const controller = new AbortController();
        const timer = window.setTimeout(() => {
            const asked = { ...described, maker: described['maker'] || '-', name: described['name'] || '-' };
            send<Estimate>('POST', url('paints.estimate'), asked, controller.signal)
                .then(setEstimate)
                .catch((error: unknown) => {
                    // A question given up for a newer one takes nothing away.
                    if (error instanceof ApiError) setEstimate(null);
                });
        }, 150);
        return () => {
            window.clearTimeout(timer);
            controller.abort();
        };
    }, [described]);
    return estimate;
}

import { router } from '@inertiajs/react';
import { useState, type SyntheticEvent } from 'react';
import { isRecord, send } from '@/shared/lib/api';
import { many } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { useAttempt } from '@/shared/lib/use-attempt';
import { Button } from '@/shared/ui/button';
import { Choice } from '@/shared/ui/choice';
import { Notice } from '@/shared/ui/notice';
import { Pick } from '@/shared/ui/pick';
import { Sheet } from '@/shared/ui/sheet';
import { Stepper } from '@/shared/ui/stepper';
import { Tick, ticked } from '@/shared/ui/tick';
import type { AreaProps, CopySourceProps, FigureProps, PotProps, Technique, TechniqueProps } from '@/types/generated';
import { LIMITS } from '@/types/limits';

type ActsProps = {
    figure: FigureProps;
    areas: readonly AreaProps[];
    pots: readonly PotProps[];
    techniques: readonly TechniqueProps[];
    sources: readonly CopySourceProps[] | undefined;
};

type What = 'top' | 'beneath' | 'copy';

/** One act over many areas: prime, wash, varnish or dust them in one go, or give them the finish of another area. */
export function Acts(props: ActsProps) {
    const [open, setOpen] = useState(false);
    return (
        <>
            <Button
                size="small"
                className="w-full"
                onClick={() => {
                    setOpen(true);
                }}
            >
                Several areas at once
            </Button>
            <Sheet
                open={open}
                onClose={() => {
                    setOpen(false);
                }}
                title="Several areas at once"
                description="What each area had is kept as a version, and comes back in one press."
            >
                <ActForm {...props} />
            </Sheet>
        </>
    );
}

function ActForm({ figure, areas, pots, techniques, sources }: ActsProps) {
    const [what, setWhat] = useState<What>('top');
    const [chosen, setChosen] = useState(() => areas.map((a) => a.id));
    const [technique, setTechnique] = useState<Technique>('varnish');
    const spec = techniques.find((t) => t.technique === technique);
    const [potId, setPotId] = useState<number | null>(null);
    const [coats, setCoats] = useState(1);
    const [from, setFrom] = useState<number | null>(null);
    const { message, attempt } = useAttempt();
    const pot = potId ?? spec?.potId ?? pots[0]?.id;

    function body(): [string, Record<string, unknown>] {
        if (what === 'copy') return [url('acts.copy', { figure: figure.id }), { fromAreaId: from, areaIds: chosen }];
        const layer = {
            technique,
            zones: spec?.usualZones ?? [],
            thinner: spec?.usualThinner ?? 0,
            coats,
            mix: [{ paintId: pot, drops: 1 }],
        };
        return [url('acts.layer', { figure: figure.id }), { areaIds: chosen, isOnTop: what === 'top', layer }];
    }

    async function act(event: SyntheticEvent) {
        event.preventDefault();
        const [path, asked] = body();
        await attempt(async () => {
            const done = await send<{ kept: number }>('POST', path, asked);
            router.visit(url('figures.finishes', { figure: figure.id, kept: done.kept }));
        });
    }

    return (
        <form className="flex flex-col gap-3" onSubmit={(event) => void act(event)}>
            <Choice<What>
                label="What"
                value={what}
                options={[
                    { value: 'top', label: 'a layer on top' },
                    { value: 'beneath', label: 'a layer beneath' },
                    { value: 'copy', label: 'the finish of another area' },
                ]}
                onChoose={setWhat}
            />
            {what === 'copy' ? (
                <Pick
                    label="Finish of"
                    placeholder={sources ? 'Choose an area' : 'Looking for finishes'}
                    value={from === null ? undefined : String(from)}
                    options={(sources ?? []).map((s) => ({ value: String(s.areaId), label: `${s.area}, ${s.figure}` }))}
                    onPick={(id) => {
                        setFrom(Number(id));
                    }}
                />
            ) : (
                <div className="grid grid-cols-1 gap-3 sm:grid-cols-3">
                    <Pick<Technique>
                        label="Technique"
                        value={technique}
                        options={techniques.map((t) => ({ value: t.technique, label: t.technique }))}
                        onPick={(next) => {
                            setTechnique(next);
                            setPotId(null);
                        }}
                    />
                    <Pick
                        label="Pot"
                        value={pot === undefined ? undefined : String(pot)}
                        options={pots.map((p) => ({ value: String(p.id), label: p.name }))}
                        onPick={(id) => {
                            setPotId(Number(id));
                        }}
                    />
                    <Stepper label="Coats" value={coats} {...LIMITS.coats} onChange={setCoats} />
                </div>
            )}
            <AreaChoice areas={areas} chosen={chosen} setChosen={setChosen} />
            {message !== null && <Notice strong>{message}</Notice>}
            <Button
                look="main"
                type="submit"
                className="self-start"
                disabled={chosen.length === 0 || (what === 'copy' ? from === null : pot === undefined)}
            >
                {what === 'copy' ? 'Copy it to' : 'Put it on'} {many(chosen.length, 'area')}
            </Button>
        </form>
    );
}

function AreaChoice({
    areas,
    chosen,
    setChosen,
}: {
    areas: readonly AreaProps[];
    chosen: readonly number[];
    setChosen: (ids: number[]) => void;
}) {
    const isAll = chosen.length === areas.length;
    return (
        <fieldset>
            <legend className="mb-1 flex w-full items-center gap-3 text-xs text-quiet">
                On these areas
                <button
                    type="button"
                    className="underline"
                    onClick={() => {
                        setChosen(isAll ? [] : areas.map((a) => a.id));
                    }}
                >
                    {isAll ? 'none' : 'all'}
                </button>
            </legend>
            <div className="grid max-h-56 grid-cols-1 gap-x-4 overflow-y-auto sm:grid-cols-2">
                {areas.map((area) => (
                    <Tick
                        key={area.id}
                        className="min-h-8 text-sm"
                        checked={chosen.includes(area.id)}
                        onTick={(isOn) => {
                            setChosen(ticked(chosen, area.id, isOn));
                        }}
                    >
                        {area.name}
                    </Tick>
                ))}
            </div>
        </fieldset>
    );
}

/** After an act: what was there before comes back in one press. */
export function Kept({ figureId, areaId }: { figureId: number; areaId: number }) {
    const [kept] = useState(() => Number(new URLSearchParams(window.location.search).get('kept')));
    const { message, attempt } = useAttempt();
    if (!kept) return null;

    async function undo() {
        const done = await attempt(async () => {
            const answer = await send('POST', url('versions.restore', { figure: figureId, version: kept }));
            return isRecord(answer) ? {} : null;
        });
        if (done) router.visit(url('figures.finishes', { figure: figureId, area: areaId }));
    }

    return (
        <Notice>
            <span className="flex flex-wrap items-center gap-3">
                {message ?? 'Done. What was there before is kept as a version.'}
                <Button size="small" onClick={() => void undo()}>
                    Undo it
                </Button>
            </span>
        </Notice>
    );
}

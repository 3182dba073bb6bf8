import { useState } from 'react';
import { send } from '@/shared/lib/api';
import { url } from '@/shared/lib/url';
import { Button } from '@/shared/ui/button';
import { Pick } from '@/shared/ui/pick';
import { Removable } from '@/shared/ui/removable';
import { Tick } from '@/shared/ui/tick';
import { lengthWords } from '@/shared/lib/units';
import { LengthField } from '@/shared/ui/length-field';
import type { BoundaryProps, FigureProps } from '@/types/generated';

type Option = { value: string; label: string };

/** How long two areas meet, which is what a mask has to follow. */
export function Boundaries({
    figure,
    boundaries,
    areas,
    attempt,
    of,
}: {
    figure: FigureProps;
    boundaries: readonly BoundaryProps[];
    areas: readonly Option[];
    attempt: (act: () => Promise<unknown>) => Promise<boolean>;
    /** Only those of this area. */
    of?: number;
}) {
    const areaName = (id: number) => areas.find((a) => a.value === String(id))?.label ?? '';
    return (
        <section>
            <h2 className="mb-2 text-lg font-semibold">Where {of === undefined ? 'areas meet' : 'it meets others'}</h2>
            <ul className="text-sm">
                {boundaries
                    .filter((b) => of === undefined || b.areaId === of || b.otherId === of)
                    .map((b) => (
                        <Removable
                            key={b.id}
                            words={`${areaName(b.areaId)} and ${areaName(b.otherId)}: ${b.mm === 0 ? 'do not meet' : `${lengthWords(b.mm)}, ${b.isCurved ? 'curved' : 'straight'}`}`}
                            onRemove={() =>
                                void attempt(() =>
                                    send('DELETE', url('boundaries.destroy', { figure: figure.id, boundary: b.id })),
                                )
                            }
                        />
                    ))}
            </ul>
            {areas.length > 1 && (
                <AddBoundary
                    areas={areas}
                    of={of}
                    onAdd={(body) =>
                        void attempt(() => send('POST', url('boundaries.store', { figure: figure.id }), body))
                    }
                />
            )}
        </section>
    );
}

function AddBoundary({
    areas,
    of,
    onAdd,
}: {
    areas: readonly Option[];
    of: number | undefined;
    onAdd: (body: Record<string, unknown>) => void;
}) {
    const others = areas.filter((option) => option.value !== String(of));
    const [a, setA] = useState(of === undefined ? (areas[0]?.value ?? '') : String(of));
    const [b, setB] = useState((of === undefined ? areas[1] : others[0])?.value ?? '');
    const [mm, setMm] = useState('');
    const [curved, setCurved] = useState(true);
    return (
        <div className="mt-2 grid grid-cols-2 items-end gap-2 bg-sunk p-3 sm:grid-cols-[1fr_1fr_5rem_auto_auto]">
            {of === undefined && <Pick label="Area" value={a} options={areas} onPick={setA} />}
            <Pick label={of === undefined ? 'and' : 'With'} value={b} options={others} onPick={setB} />
            <LengthField label="" mm={mm} onMm={setMm} />
            <Tick
                className="min-h-10 text-sm"
                checked={curved}
                onTick={(isOn) => {
                    setCurved(isOn);
                }}
            >
                curved
            </Tick>
            <Button
                disabled={mm === ''}
                onClick={() => {
                    onAdd({
                        areaId: Number(a),
                        otherId: Number(b),
                        mm: Number(mm.replace(',', '.')),
                        isCurved: curved,
                    });
                    setMm('');
                }}
            >
                Add
            </Button>
        </div>
    );
}

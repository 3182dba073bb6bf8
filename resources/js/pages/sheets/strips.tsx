import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { many } from '@/shared/lib/format';
import { Button } from '@/shared/ui/button';
import { Pick } from '@/shared/ui/pick';
import { Stepper } from '@/shared/ui/stepper';
import type { SheetPotProps, Technique } from '@/types/generated';

export type Strip = { paintId: number; technique: Technique; coats: number };

/** Fields for one's own hand: a technique as one always paints it, over black and paper. */
export function Strips({
    techniques,
    pots,
    strips,
    onStrips,
}: {
    techniques: Technique[];
    pots: SheetPotProps[];
    strips: Strip[];
    onStrips: (strips: Strip[]) => void;
}) {
    return (
        <details className="border border-line p-2">
            <summary className="min-h-8 cursor-pointer text-base font-semibold">
                Strips of your own technique{' '}
                <span className="text-sm font-normal text-quiet">
                    {strips.length === 0
                        ? 'how thick your wash, glaze or drybrush really is'
                        : many(strips.length, 'strip')}
                </span>
            </summary>
            <ul className="flex flex-col">
                {strips.map((strip, n) => (
                    <li key={n} className="flex items-center gap-2 text-sm">
                        <span className="flex-1">
                            {strip.technique}, {many(strip.coats, 'coat')} of{' '}
                            {pots.find((pot) => pot.id === strip.paintId)?.name}
                        </span>
                        <Button
                            look="quiet"
                            size="small"
                            aria-label={`Remove strip ${n + 1}`}
                            onClick={() => {
                                onStrips(strips.filter((_, m) => m !== n));
                            }}
                        >
                            <Trash2 size={15} aria-hidden />
                        </Button>
                    </li>
                ))}
            </ul>
            {pots.length > 0 && (
                <NewStrip
                    techniques={techniques}
                    pots={pots}
                    onAdd={(strip) => {
                        onStrips([...strips, strip]);
                    }}
                />
            )}
        </details>
    );
}

function NewStrip({
    techniques,
    pots,
    onAdd,
}: {
    techniques: Technique[];
    pots: SheetPotProps[];
    onAdd: (strip: Strip) => void;
}) {
    const [technique, setTechnique] = useState<Technique>('wash');
    const [paint, setPaint] = useState(String(pots[0]?.id ?? 0));
    const [coats, setCoats] = useState(1);
    return (
        <div className="flex flex-wrap items-end gap-3">
            <div className="w-44">
                <Pick<Technique>
                    label="Technique"
                    value={technique}
                    options={techniques.map((t) => ({ value: t, label: t }))}
                    onPick={setTechnique}
                />
            </div>
            <div className="w-52">
                <Pick
                    label="Pot of the strip"
                    value={paint}
                    options={pots.map((pot) => ({ value: String(pot.id), label: pot.name }))}
                    onPick={setPaint}
                />
            </div>
            <Stepper label="Coats" value={coats} min={1} max={6} onChange={setCoats} />
            <Button
                onClick={() => {
                    onAdd({ paintId: Number(paint), technique, coats });
                }}
            >
                Add strip
            </Button>
        </div>
    );
}

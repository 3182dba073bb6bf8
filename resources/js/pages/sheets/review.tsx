import { useState } from 'react';
import { many, one } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { Button } from '@/shared/ui/button';
import { Tick, ticked } from '@/shared/ui/tick';
import { Term } from '@/shared/ui/term';
import type { SheetFieldProps, SheetFieldReadingProps, SheetPlaceProps, SheetReviewProps } from '@/types/generated';
import { expectedWords } from './show';

const PLACES: Record<string, string> = {
    overBlack: 'over black',
    overWhite: 'over paper',
    thick: 'thick',
    tint: 'tint',
};

type Props = {
    sheetId: number;
    fields: SheetFieldProps[];
    review: SheetReviewProps;
    keptAt: string | null;
    onKeep: (positions: number[]) => Promise<unknown>;
};

/** Each field as it was seen, what was taken of it and what it says of its pot; nothing is used before the painter says so. */
export function Review({ sheetId, fields, review, keptAt, onKeep }: Props) {
    const usable = review.fields.filter((field) => field.problem === null).map((field) => field.position);
    const [chosen, setChosen] = useState(usable);
    const [busy, setBusy] = useState(false);
    const keep = () => {
        setBusy(true);
        void onKeep(chosen).finally(() => {
            setBusy(false);
        });
    };
    const flat = url('sheets.flat', { sheet: sheetId, photo: review.photoId });
    return (
        <section aria-labelledby="read" className="flex flex-col gap-3">
            <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
                <h2 id="read" className="text-lg font-semibold">
                    What was read
                </h2>
                <p className="flex-1 text-sm">
                    {expectedWords(review)} {review.marks} of 7 marks.
                    {review.together > 1 && ` ${many(review.together, 'photo')} averaged.`}
                </p>
                <Print review={review} />
                <Button look="main" disabled={busy || chosen.length === 0} onClick={keep}>
                    {keptAt === null ? 'Use' : 'Use again'} {many(chosen.length, 'field')}
                </Button>
            </div>
            <p className="text-sm text-quiet">
                Each place: as photographed on the left, the colour that was taken of it on the right, ± what holds it
                two out of three times (estimate).
            </p>
            <ul className="grid grid-cols-1 gap-3 sm:grid-cols-2 xl:grid-cols-3 2xl:grid-cols-4">
                {review.fields.map((reading) => {
                    const field = fields.find((f) => f.position === reading.position);
                    return (
                        field && (
                            <FieldCard
                                key={reading.position}
                                field={field}
                                reading={reading}
                                flat={flat}
                                isChosen={chosen.includes(reading.position)}
                                onTick={(isOn) => {
                                    setChosen(ticked(chosen, reading.position, isOn));
                                }}
                            />
                        )
                    );
                })}
            </ul>
        </section>
    );
}

/** Paper and black as this printer made them: what the coats lie on. */
function Print({ review }: { review: SheetReviewProps }) {
    return (
        <p className="flex items-center gap-1 text-xs text-quiet">
            <span
                className="inline-block h-6 w-6 border border-ink"
                style={{ background: review.paper.hex }}
                aria-hidden
            />
            paper <Term name="L*" /> {one(review.paper.lab[0] ?? 0)}
            <span
                className="ml-2 inline-block h-6 w-6 border border-ink"
                style={{ background: review.black.hex }}
                aria-hidden
            />
            black L* {one(review.black.lab[0] ?? 0)}
        </p>
    );
}

function FieldCard({
    field,
    reading,
    flat,
    isChosen,
    onTick,
}: {
    field: SheetFieldProps;
    reading: SheetFieldReadingProps;
    flat: string;
    isChosen: boolean;
    onTick: (isOn: boolean) => void;
}) {
    const title = (
        <span className="min-w-0 leading-tight">
            <span className="block truncate text-base font-semibold">
                {field.code} {field.pot.name}
            </span>
            {field.strip !== null && <span className="block text-xs text-quiet">{field.strip}</span>}
        </span>
    );
    return (
        <li className="flex flex-col gap-2 border border-strong bg-raised p-2">
            {reading.problem === null ? (
                <Tick className="min-h-10" checked={isChosen} onTick={onTick}>
                    {title}
                </Tick>
            ) : (
                <div className="flex min-h-10 items-center">{title}</div>
            )}
            <ul className="flex gap-2">
                {reading.places.map((place) => (
                    <Place key={place.place} place={place} flat={flat} />
                ))}
            </ul>
            <Says reading={reading} isStrip={field.strip !== null} />
        </li>
    );
}

/** The place as it was photographed, and the colour that was taken of it, edge to edge. */
function Place({ place, flat }: { place: SheetPlaceProps; flat: string }) {
    const [left = 0, top = 0, width = 1, height = 1] = place.box;
    return (
        <li className="min-w-0 flex-1 text-xs">
            <span className="flex h-14 w-full" aria-hidden>
                <span
                    className="h-full flex-1"
                    style={{
                        backgroundImage: `url(${flat})`,
                        backgroundSize: `${100 / width}% ${100 / height}%`,
                        backgroundPosition: `${(100 * left) / (1 - width)}% ${(100 * top) / (1 - height)}%`,
                    }}
                />
                <span className="h-full flex-1" style={{ background: place.colour.hex }} />
            </span>
            <span className="block truncate">{PLACES[place.place] ?? place.place}</span>
            <span className="block text-quiet">
                L* {one(place.colour.lab[0] ?? 0)} ±&nbsp;{one(place.radius)}
            </span>
            {place.taken < 0.95 && <span className="block text-quiet">{Math.round(100 * place.taken)} % taken</span>}
        </li>
    );
}

function Says({ reading, isStrip }: { reading: SheetFieldReadingProps; isStrip: boolean }) {
    return (
        <div className="flex flex-col gap-1 text-sm">
            {reading.problem !== null && <p className="font-semibold">{reading.problem}</p>}
            {reading.sure !== null && reading.before !== null && (
                <p>
                    {reading.quality}: one coat over grey within <strong>ΔE {one(reading.sure)}</strong>, was{' '}
                    {one(reading.before)} (estimate)
                    {reading.moved !== null && `; it moves by ΔE ${one(reading.moved)}`}.
                </p>
            )}
            {isStrip && reading.problem === null && <p>Two chips for your technique.</p>}
            {reading.changed !== null && (
                <p className="font-semibold">Changed by ΔE {one(reading.changed)} since the photo you used.</p>
            )}
            {reading.remarks.map((remark) => (
                <p key={remark} className="border-l-4 border-strong pl-2">
                    {remark}
                </p>
            ))}
        </div>
    );
}

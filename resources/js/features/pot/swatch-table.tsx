import { useState, type ReactNode } from 'react';
import { create } from 'zustand';
import { send } from '@/shared/lib/api';
import { many, one } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { useAttempt } from '@/shared/lib/use-attempt';
import { Button } from '@/shared/ui/button';
import { Field } from '@/shared/ui/field';
import { Notice } from '@/shared/ui/notice';
import { Pick } from '@/shared/ui/pick';
import { PotMark } from '@/shared/ui/pot-mark';
import type { MeasurementProps, PaintProps, PotProps, ReadingProps, Swatch } from '@/types/generated';

type Source = 'reader' | 'typed' | 'file' | 'photo';

type Readings = Partial<Record<Swatch, ReadingProps>>;

const SWATCHES: readonly { swatch: Swatch; label: string; needed: boolean }[] = [
    { swatch: 'black', label: 'Black card, bare', needed: true },
    { swatch: 'white', label: 'White card, bare', needed: true },
    { swatch: 'overBlack', label: 'One coat over black', needed: true },
    { swatch: 'overWhite', label: 'One coat over white', needed: true },
    { swatch: 'thick', label: 'Thick swatch', needed: false },
    { swatch: 'tint', label: 'Tint, 1 in 5 of white', needed: false },
];

type SwatchTableProps = {
    pot: PaintProps;
    whites: readonly PotProps[];
    /** Standard deviation of reflectance; null for that of the device or the source. */
    readerNoise: number | null;
    /** How much one coat differs from the next, relative. */
    coatSpread: number;
    /** The way to take readings from a photo of the card. */
    photo?: (onReadings: (readings: ReadingProps[]) => void) => ReactNode;
    onKept: () => void;
};

/** Where a pot is measured: swatches are read, what they say is shown, and kept when the painter says so. */
export function SwatchTable(props: SwatchTableProps) {
    const table = useSwatches(props);
    const { whites, white, setWhite, measured, problem } = table;

    return (
        <section aria-labelledby="swatch-table" className="flex flex-col gap-3">
            <Head table={table} />
            <p className="text-xs text-quiet">
                The colour reader here is simulated. A typed colour is as good as the eye that chose it; a photo is as
                good as its light: even, from the side, no flash.
            </p>
            <SwatchRows table={table} />
            <Evenness table={table} />
            {whites.length > 0 && (
                <Pick
                    label="White for the tint"
                    value={String(white)}
                    options={whites.map((w) => ({
                        value: String(w.id),
                        label: w.name,
                        mark: <PotMark hex={w.hex} />,
                    }))}
                    onPick={(id) => {
                        setWhite(Number(id));
                    }}
                />
            )}
            {problem !== null && <Notice strong>{problem}</Notice>}
            {measured !== null && <Measured measured={measured} table={table} />}
        </section>
    );
}

type Table = ReturnType<typeof useSwatches>;

type SwatchesState = ReturnType<typeof useSwatchesState>;

function useSwatchesState({ pot, whites, readerNoise, coatSpread, photo, onKept }: SwatchTableProps) {
    // A store and no state: what is read while another reading is still on its way is added to it.
    const [useReadings] = useState(() => create<Readings>(() => ({})));
    const readings = useReadings();
    const [source, setSource] = useState<Source>('reader');
    const [white, setWhite] = useState(whites[0]?.id ?? 0);
    const [noise, setNoise] = useState(readerNoise === null ? '' : String(readerNoise * 100));
    const [spread, setSpread] = useState(String(Math.round(coatSpread * 100)));
    const [measured, setMeasured] = useState<MeasurementProps | null>(null);
    const { message: problem, attempt: doing } = useAttempt();
    const [busy, setBusy] = useState(false);
    return {
        pot,
        whites,
        photo,
        onKept,
        useReadings,
        readings,
        source,
        setSource,
        white,
        setWhite,
        noise,
        setNoise,
        spread,
        setSpread,
        measured,
        setMeasured,
        problem,
        doing,
        busy,
        setBusy,
    };
}

function useSwatches(props: SwatchTableProps) {
    const state = useSwatchesState(props);
    const actions = useReading(state);

    return { ...state, ...actions };
}

function valuesOf(readings: Readings): Partial<Record<Swatch, number[]>> {
    return Object.fromEntries(Object.entries(readings).map(([swatch, reading]) => [swatch, reading.values]));
}

/** A pot that misses a reading of its own by more is not called measured. */
const GIVEN_BACK = 1;

function times(coats: number | undefined): string {
    return `${Math.round((coats ?? 1) * 100)} % of a usual coat`;
}

function rowNote(table: Table, swatch: Swatch, needed: boolean): string {
    const { readings, measured } = table;
    const residual = measured?.residuals[swatch];
    if (residual !== undefined) return `ΔE ${one(residual)} from all readings together`;
    return (
        readings[swatch]?.colour.name ??
        (swatch === 'tint' && measured?.needsTint
            ? 'needed: it shows how strong the pot is in mixes'
            : needed
              ? 'not read yet'
              : 'optional, more precise')
    );
}

/** How far readings and coats can be trusted: the painter's own, kept for the next pot. */
function Evenness({ table }: { table: Table }) {
    const { noise, setNoise, spread, setSpread, attempt, judgeAgain } = table;
    return (
        <div className="grid grid-cols-2 gap-3">
            <Field
                label="Noise of a reading, % reflectance"
                inputMode="decimal"
                placeholder="of the reader"
                value={noise}
                onChange={(event) => {
                    setNoise(event.target.value);
                }}
                onBlur={() => void attempt(judgeAgain)}
            />
            <Field
                label="One coat differs from the next, ± %"
                inputMode="decimal"
                value={spread}
                onChange={(event) => {
                    setSpread(event.target.value);
                }}
                onBlur={() => void attempt(judgeAgain)}
            />
        </div>
    );
}

function Measured({ table, measured }: { table: Table; measured: MeasurementProps }) {
    const { busy, attempt, keep } = table;
    const worst = Math.max(0, ...Object.values(measured.residuals));
    return (
        <div role="status" className="flex flex-col gap-2 border border-strong bg-raised p-3 text-sm">
            <p>
                <strong>{measured.quality}</strong>: scattering known well in {Math.round(measured.known * 36)} of 36
                bands. Your coats came out {times(measured.coats.overBlack)} over black and{' '}
                {times(measured.coats.overWhite)} over white.
            </p>
            {worst > GIVEN_BACK && (
                <p>
                    One reading is ΔE {one(worst)} from what all of them together give, so the pot is not called
                    measured. Read that swatch again; a dark paint needs a reader with less noise.
                </p>
            )}
            <p>
                Contrast ratio of one coat: {measured.contrastRatio.toFixed(3)};{' '}
                {measured.coatsToHide === null ? 'never opaque' : `opaque in ${many(measured.coatsToHide, 'coat')}`}. A
                half tint with white changes by ΔE {one(measured.moved)} from the earlier prediction.
            </p>
            {measured.needsTint && (
                <p>
                    Its strength in mixes is not known well: the coat is nearly opaque, or your coats differ much. Mix 1
                    drop into 5 of white and read that tint.
                </p>
            )}
            <Button
                look="main"
                disabled={busy}
                onClick={() => {
                    void attempt(keep);
                }}
            >
                Save measurement
            </Button>
        </div>
    );
}

function SwatchRow({
    table,
    swatch,
    label,
    needed,
}: {
    table: Table;
    swatch: 'black' | 'white' | 'overBlack' | 'overWhite' | 'thick' | 'tint';
    label: string;
    needed: boolean;
}) {
    const { readings, attempt, typed, busy, white, read } = table;
    return (
        <tr className="border-t border-line">
            <td className="w-20 py-1.5">
                <span
                    className="block h-9 w-16 border border-line"
                    style={{ background: readings[swatch]?.colour.hex ?? 'transparent' }}
                    aria-hidden
                />
            </td>
            <th scope="row" className="font-normal">
                {label}
                <span className="block text-xs text-quiet">{rowNote(table, swatch, needed)}</span>
            </th>
            <td>
                <input
                    type="color"
                    aria-label={`${label}, as a colour`}
                    className="h-9 w-12 border border-strong"
                    value={readings[swatch]?.colour.hex ?? '#808080'}
                    onChange={(event) => {
                        const hex = event.target.value;
                        void attempt(() => typed(swatch, hex));
                    }}
                />
            </td>
            <td className="w-20 text-right">
                <Button
                    size="small"
                    disabled={busy || (swatch === 'tint' && white === 0)}
                    aria-label={`Read: ${label}`}
                    onClick={() => {
                        void attempt(() => read([swatch]));
                    }}
                >
                    Read
                </Button>
            </td>
        </tr>
    );
}

function SwatchRows({ table }: { table: Table }) {
    return (
        <table className="w-full text-left text-sm">
            <thead className="text-xs text-quiet">
                <tr>
                    <th className="font-normal">as read</th>
                    <th className="font-normal">swatch</th>
                    <th className="font-normal">typed</th>
                    <th className="text-right font-normal">reader</th>
                </tr>
            </thead>
            <tbody>
                {SWATCHES.map(({ swatch, label, needed }) => (
                    <SwatchRow key={swatch} swatch={swatch} table={table} label={label} needed={needed} />
                ))}
            </tbody>
        </table>
    );
}

function Head({ table }: { table: Table }) {
    const { attempt, fromFile, photo, take, busy, read } = table;
    return (
        <div className="flex flex-wrap items-end gap-3">
            <h2 id="swatch-table" className="mr-auto text-lg font-semibold">
                Swatch table
            </h2>
            <label className="inline-flex min-h-10 cursor-pointer items-center rounded-sm border border-strong bg-raised px-3 text-sm focus-within:border-ink">
                From a CGATS file
                <input
                    type="file"
                    accept=".cgats,.txt,text/plain"
                    className="sr-only"
                    onChange={(event) => {
                        const file = event.target.files?.[0];
                        event.target.value = '';
                        if (file) void attempt(() => fromFile(file));
                    }}
                />
            </label>
            {photo?.((found) => void attempt(() => take(found, 'photo')))}
            <Button
                look="main"
                disabled={busy}
                onClick={() => {
                    void attempt(() => read(['black', 'white', 'overBlack', 'overWhite', 'thick']));
                }}
            >
                Read all five
            </Button>
        </div>
    );
}

function useReading(state: SwatchesState) {
    const { setBusy, doing, pot, white, source, readings, onKept } = state;
    const { add, judge } = useJudging(state);

    /** With other noise or other coats the same readings say something else. */
    async function judgeAgain() {
        if (state.measured !== null) await judge(source);
    }

    function attempt(act: () => Promise<void>): Promise<boolean> {
        setBusy(true);
        return doing(act).finally(() => {
            setBusy(false);
        });
    }

    async function read(swatches: readonly Swatch[]) {
        for (const swatch of swatches) {
            add([
                await send<ReadingProps>('POST', url('pots.read', { paint: pot.id, swatch }), {
                    whiteId: white,
                }),
            ]);
        }
        await judge(source === 'typed' ? 'typed' : 'reader');
    }

    async function typed(swatch: Swatch, hex: string) {
        add([await send<ReadingProps>('POST', url('pots.typed', { paint: pot.id, swatch }), { hex })]);
        await judge('typed');
    }

    async function fromFile(file: File) {
        const data = new FormData();
        data.append('file', file);
        await take(await send<ReadingProps[]>('POST', url('pots.file', { paint: pot.id }), data), 'file');
    }

    async function take(found: readonly ReadingProps[], from: Source) {
        add(found);
        await judge(from);
    }

    async function keep() {
        await send('POST', url('pots.measure', { paint: pot.id }), {
            readings: valuesOf(readings),
            source,
            whiteId: readings.tint ? white : null,
            ...trust(state),
            keep: true,
            version: pot.version,
        });
        onKept();
    }

    return { attempt, read, typed, fromFile, take, keep, judgeAgain };
}

/** As fractions; what is not typed is the usual. */
function trust({ noise, spread }: SwatchesState) {
    return {
        noise: fraction(noise),
        coatSpread: fraction(spread),
    };
}

/** What is no number is sent as it was typed, to be refused by name. */
function fraction(percent: string): number | string | null {
    if (percent.trim() === '') return null;
    const value = Number(percent) / 100;
    return Number.isFinite(value) ? value : percent;
}

/** What is read is added to what is there, and judged once there is enough of it. */
function useJudging(state: SwatchesState) {
    const { useReadings, setMeasured, setSource, pot, white } = state;

    function add(found: readonly ReadingProps[]) {
        useReadings.setState(Object.fromEntries(found.map((r) => [r.swatch, r])));
        setMeasured(null);
    }

    async function judge(from: Source) {
        const next = useReadings.getState();
        setSource(from);
        if (SWATCHES.every(({ swatch, needed }) => !needed || next[swatch])) {
            const answer = await send<{ measurement: MeasurementProps }>(
                'POST',
                url('pots.measure', { paint: pot.id }),
                {
                    readings: valuesOf(next),
                    source: from,
                    whiteId: next.tint ? white : null,
                    ...trust(state),
                },
            );
            setMeasured(answer.measurement);
        }
    }

    return { add, judge };
}

import { Link, router } from '@inertiajs/react';
import { Check, Trash2, X } from 'lucide-react';
import { useState, type Dispatch, type SetStateAction } from 'react';
import { Shell } from '@/features/shell/shell';
import { ApiError, send } from '@/shared/lib/api';
import { ZONES, labWords, one } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { Button } from '@/shared/ui/button';
import { Choice } from '@/shared/ui/choice';
import { Notice } from '@/shared/ui/notice';
import { Pick } from '@/shared/ui/pick';
import { Empty } from '@/shared/ui/empty';
import type {
    BalanceAreaProps,
    BalanceKind,
    BalancePageProps,
    FigureProps,
    Illuminant,
    BalancePreferenceProps,
} from '@/types/generated';

type View = 'colour' | 'lightness';

const LIGHTS: readonly { value: Illuminant; label: string }[] = [
    { value: 'D65', label: 'daylight' },
    { value: 'A', label: 'warm lamp' },
    { value: 'LED', label: 'LED' },
];

const KINDS: readonly { value: BalanceKind; label: string; words: string }[] = [
    { value: 'stand apart', label: 'stands apart from', words: 'ΔE or L* between them, at least' },
    { value: 'sit together', label: 'sits together with', words: 'ΔE between them, at most' },
    { value: 'as bright as', label: 'is as bright as', words: 'L* between them, at most' },
    { value: 'focal point', label: 'is the focal point', words: 'L* of contrast more than all others, at least' },
];

/** All areas of a figure beside each other: in colour, in plain lightness, under other lights. */
export default function BalanceView({ figure, page }: { figure: FigureProps; page: BalancePageProps }) {
    const [view, setView] = useState<View>('colour');
    const names = new Map(page.areas.map((area) => [area.id, area.name]));
    return (
        <Shell title={`Balance of ${figure.name}`} figure={figure}>
            <div className="grid gap-6 lg:grid-cols-[minmax(0,1fr)_23rem]">
                <section className="flex min-w-0 flex-col gap-3">
                    <Head figure={figure} view={view} setView={setView} page={page} />
                    {page.areas.length === 0 && (
                        <Empty act="Name the areas" to={url('figures.brief', { figure: figure.id })}>
                            No areas yet: there is nothing to weigh against each other.
                        </Empty>
                    )}
                    <Table areas={page.areas} view={view} light={page.light} />
                </section>
                <aside className="flex flex-col gap-5">
                    <Preferences page={page} names={names} figure={figure} />
                    <Mismatches page={page} />
                </aside>
            </div>
        </Shell>
    );
}

function Table({ areas, view, light }: { areas: readonly BalanceAreaProps[]; view: View; light: Illuminant }) {
    if (areas.length === 0) return null;
    return (
        <table className="w-full table-fixed border-collapse text-left">
            <thead className="text-xs text-quiet">
                <tr>
                    <th className="w-36 font-normal">area</th>
                    {ZONES.map((zone) => (
                        <th key={zone} className="text-center font-normal">
                            {zone}
                        </th>
                    ))}
                    <th className="w-20 text-right font-normal">contrast, L*</th>
                    {light !== 'D65' && <th className="w-20 text-right font-normal">changes by</th>}
                </tr>
            </thead>
            <tbody>
                {areas.map((area) => (
                    <tr key={area.id}>
                        <th scope="row" className="pr-2 text-sm leading-tight font-normal">
                            {area.name}
                        </th>
                        {area.zones.map((colour, i) => (
                            <td
                                key={ZONES[i]}
                                className="h-11 p-0"
                                style={{ background: view === 'colour' ? colour.hex : area.greys[i] }}
                                title={`${colour.name}, ${labWords(colour)}`}
                            />
                        ))}
                        <td className="text-right text-sm">{one(area.contrast)}</td>
                        {light !== 'D65' && <td className="text-right text-sm">{one(area.moved)}</td>}
                    </tr>
                ))}
            </tbody>
        </table>
    );
}

function NewPreference({ figureId, areas }: { figureId: number; areas: readonly BalanceAreaProps[] }) {
    const [kind, setKind] = useState<BalanceKind>('stand apart');
    const [area, setArea] = useState(areas[0]?.id ?? 0);
    const [other, setOther] = useState(areas[1]?.id ?? 0);
    const [problem, setProblem] = useState<string | null>(null);
    const options = areas.map((a) => ({ value: String(a.id), label: a.name }));
    if (areas.length < 2) return null;
    return (
        <form
            className="mt-2 flex flex-col gap-2 border border-strong bg-raised p-3"
            onSubmit={(event) => {
                event.preventDefault();
                send('POST', url('balances.store', { figure: figureId }), {
                    kind,
                    areaId: area,
                    otherId: kind === 'focal point' ? null : other,
                })
                    .then(() => {
                        setProblem(null);
                        router.reload();
                    })
                    .catch((error: unknown) => {
                        if (error instanceof ApiError) setProblem(error.message);
                    });
            }}
        >
            <Pick
                label="Area"
                value={String(area)}
                options={options}
                onPick={(id) => {
                    setArea(Number(id));
                }}
            />
            <Pick<BalanceKind> label="How" value={kind} options={KINDS} onPick={setKind} />
            {kind !== 'focal point' && (
                <Pick
                    label="Other area"
                    value={String(other)}
                    options={options}
                    onPick={(id) => {
                        setOther(Number(id));
                    }}
                />
            )}
            {problem !== null && <Notice strong>{problem}</Notice>}
            <Button type="submit">Add preference</Button>
        </form>
    );
}

function Mismatches({ page }: { page: BalancePageProps }) {
    return (
        <section aria-labelledby="mismatches" className="flex flex-col gap-2">
            <h2 id="mismatches" className="text-lg font-semibold">
                Under this light
            </h2>
            {page.light === 'D65' ? (
                <p className="text-sm text-quiet">
                    Choose the warm lamp or the LED to see which matching areas stop matching.
                </p>
            ) : page.mismatches.length === 0 ? (
                <p className="text-sm">All areas that match in daylight still match.</p>
            ) : (
                <ul className="flex flex-col">
                    {page.mismatches.slice(0, 8).map((mismatch) => (
                        <li
                            key={`${mismatch.one} ${mismatch.other} ${mismatch.zone}`}
                            className="border-t border-line py-1.5 text-sm"
                        >
                            <strong>
                                {mismatch.one} and {mismatch.other}
                            </strong>
                            , {mismatch.zone}: {one(mismatch.daylight)} in daylight, {one(mismatch.light)} here
                        </li>
                    ))}
                </ul>
            )}
        </section>
    );
}

function Preference({
    preference,
    names,
    figure,
}: {
    preference: BalancePreferenceProps;
    names: Map<number, string>;
    figure: FigureProps;
}) {
    return (
        <li className="flex items-center gap-2 border-t border-line py-1.5 text-sm">
            {preference.holds ? (
                <Check size={18} aria-label="holds" />
            ) : (
                <X size={18} strokeWidth={3} aria-label="not met" />
            )}
            <span className={preference.holds ? 'flex-1' : 'flex-1 font-semibold'}>
                {names.get(preference.areaId)} {KINDS.find((k) => k.value === preference.kind)?.label}{' '}
                {preference.otherId === null ? '' : names.get(preference.otherId)}
                <span className="block text-xs font-normal text-quiet">
                    {one(preference.value)}; {KINDS.find((k) => k.value === preference.kind)?.words}{' '}
                    {one(preference.limit)}
                </span>
            </span>
            <Button
                size="small"
                aria-label="Remove preference"
                onClick={() => {
                    void send('DELETE', url('balances.destroy', { figure: figure.id, balance: preference.id })).then(
                        () => {
                            router.reload();
                        },
                    );
                }}
            >
                <Trash2 size={14} aria-hidden />
            </Button>
        </li>
    );
}

function Preferences({
    page,
    names,
    figure,
}: {
    page: BalancePageProps;
    names: Map<number, string>;
    figure: FigureProps;
}) {
    return (
        <section aria-labelledby="preferences" className="flex flex-col gap-2">
            <h2 id="preferences" className="text-lg font-semibold">
                Preferences between areas
            </h2>
            {page.preferences.length === 0 && (
                <p className="text-sm">No preferences yet. Add what must not compete and what must be seen first.</p>
            )}
            <ul className="flex flex-col">
                {page.preferences.map((preference) => (
                    <Preference key={preference.id} preference={preference} names={names} figure={figure} />
                ))}
            </ul>
            <NewPreference figureId={figure.id} areas={page.areas} />
        </section>
    );
}

function Head({
    figure,
    view,
    setView,
    page,
}: {
    figure: FigureProps;
    view: 'colour' | 'lightness';
    setView: Dispatch<SetStateAction<View>>;
    page: BalancePageProps;
}) {
    return (
        <header className="flex flex-wrap items-end gap-3">
            <div className="mr-auto">
                <p className="text-xs text-quiet">
                    <Link
                        href={url('figures.finishes', { figure: figure.id })}
                        className="underline underline-offset-2"
                    >
                        Finishes
                    </Link>
                </p>
                <h1 className="text-xl">Balance</h1>
            </div>
            <Choice<View>
                label="View"
                value={view}
                options={[
                    { value: 'colour', label: 'colour' },
                    { value: 'lightness', label: 'lightness only' },
                ]}
                onChoose={setView}
            />
            <Choice<Illuminant>
                label="Light"
                value={page.light}
                options={LIGHTS}
                onChoose={(light) => {
                    router.get(url('figures.balance', { figure: figure.id }), { light });
                }}
            />
        </header>
    );
}

import { Link, useForm } from '@inertiajs/react';
import { ArrowRight } from 'lucide-react';
import { useState } from 'react';
import { BenchFile } from '@/features/bench-file/bench-file';
import { Shell } from '@/features/shell/shell';
import { many } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { useKeys } from '@/shared/lib/use-keys';
import { Button } from '@/shared/ui/button';
import { Field } from '@/shared/ui/field';
import { PotMark } from '@/shared/ui/pot-mark';
import { Sheet } from '@/shared/ui/sheet';
import { Tick } from '@/shared/ui/tick';
import type { HomePageProps, FigureInProgressProps, TonightProps } from '@/types/generated';
import { Tonight } from './tonight';
import { lengthWords } from '@/shared/lib/units';
import { LengthField } from '@/shared/ui/length-field';

const KEYS = [['n', 'new figure']] as const;

export default function HomePage({ page, tonight }: { page: HomePageProps; tonight?: TonightProps }) {
    const [starting, setStarting] = useState(false);
    useKeys({
        n: () => {
            setStarting(true);
        },
    });
    return (
        <Shell title="Home" keys={KEYS}>
            <div className="mx-auto flex max-w-6xl flex-col gap-5">
                <header className="flex flex-wrap items-end justify-between gap-3">
                    <h1 className="text-2xl">In progress</h1>
                    <Button
                        look="main"
                        onClick={() => {
                            setStarting(true);
                        }}
                    >
                        New figure
                    </Button>
                </header>
                <Tonight tonight={tonight} />
                {page.figures.length === 0 && (
                    <p className="text-base">
                        Nothing is in progress. Create a figure: from a picture of it, Hyalin proposes areas, colours,
                        finishes from your pots and the order of work.
                    </p>
                )}
                <ul className="grid grid-cols-1 gap-4 md:grid-cols-2">
                    {page.figures.map((figure) => (
                        <li key={figure.id}>
                            <FigureCard figure={figure} />
                        </li>
                    ))}
                </ul>
                <section className="border-t border-line pt-4">
                    <h2 className="text-lg">
                        <Link href={url('shelf')} className="underline underline-offset-4">
                            Shelf
                        </Link>{' '}
                        <span className="text-sm font-normal text-quiet">{many(page.potCount, 'pot')}</span>
                    </h2>
                    {page.runningOut.length > 0 && (
                        <p className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-1 text-sm">
                            <strong>Running low:</strong>
                            {page.runningOut.map((pot) => (
                                <span key={pot.id} className="inline-flex items-center gap-1.5">
                                    <PotMark hex={pot.hex} /> {pot.name}
                                </span>
                            ))}
                        </p>
                    )}
                </section>
                <BenchFile />
                <p className="flex flex-wrap gap-x-5 gap-y-2 text-sm">
                    <Link className="underline underline-offset-4" href={url('practice')}>
                        Practice
                    </Link>
                    <Link className="underline underline-offset-4" href={url('how-it-works')}>
                        How it works
                    </Link>
                    <Link className="underline underline-offset-4" href={url('account')}>
                        Account
                    </Link>
                </p>
            </div>
            <StartFigure
                open={starting}
                onClose={() => {
                    setStarting(false);
                }}
            />
        </Shell>
    );
}

function FigureCard({ figure }: { figure: FigureInProgressProps }) {
    const facts = [
        figure.heightMm === null ? '' : lengthWords(figure.heightMm),
        figure.copies > 1 ? `${figure.copies} alike` : '',
        `${figure.planned} of ${many(figure.areas, 'area')} planned`,
    ].filter((fact) => fact !== '');
    return (
        <article className="flex h-full gap-4 border border-strong bg-raised p-4">
            {figure.pictureUrl !== null && (
                <img
                    src={figure.pictureUrl}
                    alt={`Reference of ${figure.name}`}
                    className="h-36 w-28 shrink-0 object-cover"
                />
            )}
            <div className="flex min-w-0 flex-1 flex-col gap-2">
                <h2 className="text-lg leading-tight">
                    <Link
                        href={url('figures.brief', { figure: figure.id })}
                        className="underline-offset-4 hover:underline"
                    >
                        {figure.name}
                    </Link>
                </h2>
                <p className="text-xs text-quiet">{facts.join(', ')}</p>
                {figure.ramps.length > 0 ? (
                    <div role="img" aria-label="Predicted colours of the planned areas" className="flex flex-col">
                        {figure.ramps.slice(0, 12).map((ramp, i) => (
                            <div key={i} className="flex h-1.5 md:h-2">
                                {ramp.map((colour, j) => (
                                    <span key={j} className="flex-1" style={{ background: colour.hex }} />
                                ))}
                            </div>
                        ))}
                    </div>
                ) : (
                    <p className="text-xs">No finish yet.</p>
                )}
                <Link
                    href={figure.nextUrl}
                    className="mt-auto flex items-center justify-between gap-2 rounded-sm border border-strong px-3 py-2 hover:border-ink"
                >
                    <span className="min-w-0">
                        <span className="block text-xs text-quiet">Next</span>
                        <span className="line-clamp-2 font-medium">{figure.next}</span>
                    </span>
                    <ArrowRight size={18} aria-hidden className="shrink-0" />
                </Link>
            </div>
        </article>
    );
}

function StartFigure({ open, onClose }: { open: boolean; onClose: () => void }) {
    const form = useForm({ name: '', heightMm: '', isGuided: true });
    return (
        <Sheet open={open} onClose={onClose} title="New figure" description="A name is enough to start.">
            <form
                className="flex flex-col gap-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    form.post(url('figures.store'));
                }}
            >
                <Field
                    label="Name"
                    required
                    autoFocus
                    maxLength={120}
                    value={form.data.name}
                    error={form.errors.name}
                    onChange={(event) => {
                        form.setData('name', event.target.value);
                    }}
                />
                <LengthField
                    label="Height in"
                    leastMm={5}
                    mostMm={3000}
                    mm={form.data.heightMm}
                    error={form.errors.heightMm}
                    onMm={(heightMm) => {
                        form.setData('heightMm', heightMm);
                    }}
                />
                <Tick
                    className="min-h-10 text-sm"
                    checked={form.data.isGuided}
                    onTick={(isOn) => {
                        form.setData('isGuided', isOn);
                    }}
                >
                    <span>Guide me from a picture to the first session. It can be left at any point.</span>
                </Tick>
                <Button look="main" type="submit" disabled={form.processing}>
                    Create
                </Button>
            </form>
        </Sheet>
    );
}

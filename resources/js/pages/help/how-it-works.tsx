import { Link } from '@inertiajs/react';
import { Shell } from '@/features/shell/shell';
import { TERMS } from '@/shared/lib/terms';
import type { ModelPartProps, ModelRowProps, SampleTaskProps } from '@/types/generated';

/** The model in pictures that it computes itself, what to try, and what the words mean. */
export default function HowItWorksPage({ parts, tasks }: { parts: ModelPartProps[]; tasks: SampleTaskProps[] }) {
    return (
        <Shell title="How it works">
            <div className="mx-auto flex max-w-4xl flex-col gap-8">
                <header>
                    <h1 className="text-2xl">How it works</h1>
                    <p className="max-w-prose">
                        Hyalin computes what paint does to light. Every strip on this page is computed as it is opened,
                        by what also computes your finishes.
                    </p>
                </header>
                {tasks.length > 0 && <Tasks tasks={tasks} />}
                {parts.map((part) => (
                    <section key={part.title} className="flex flex-col gap-3">
                        <h2 className="text-lg font-semibold">{part.title}</h2>
                        <p className="max-w-prose">{part.words}</p>
                        {part.rows.map((row) => (
                            <Row key={row.words} row={row} />
                        ))}
                        <p className="text-xs text-quiet">{part.source}.</p>
                    </section>
                ))}
                <section>
                    <h2 className="text-lg font-semibold">How sure it is</h2>
                    <p className="max-w-prose">
                        A pot that nobody measured is estimated from its colour and how it covers. Wherever a number
                        rests on that, it is called an estimate, and the two colours between which a result lies two of
                        three times are shown. A photo of a swatch sheet or of a painted piece makes both narrower.
                    </p>
                </section>
                <section>
                    <h2 className="mb-2 text-lg font-semibold">What the words mean</h2>
                    <dl className="grid gap-x-6 gap-y-2 sm:grid-cols-[9rem_1fr]">
                        {Object.entries(TERMS).map(([name, words]) => (
                            <div key={name} className="contents">
                                <dt className="font-semibold">{name}</dt>
                                <dd className="max-w-prose text-sm">{words}</dd>
                            </div>
                        ))}
                    </dl>
                </section>
            </div>
        </Shell>
    );
}

function Row({ row }: { row: ModelRowProps }) {
    return (
        <figure>
            <div className="flex h-14">
                {row.hexes.map((hex, i) => (
                    <span key={i} className="flex-1" style={{ background: hex }} />
                ))}
            </div>
            {row.labels.length > 0 && (
                <div aria-hidden className="flex text-xs text-quiet">
                    {row.labels.map((label) => (
                        <span key={label} className="flex-1">
                            {label}
                        </span>
                    ))}
                </div>
            )}
            <figcaption className="text-sm">{row.words}</figcaption>
        </figure>
    );
}

function Tasks({ tasks }: { tasks: readonly SampleTaskProps[] }) {
    return (
        <section className="border border-strong bg-raised p-4">
            <h2 className="mb-2 text-lg font-semibold">Try with this bench</h2>
            <ul className="flex flex-col gap-2">
                {tasks.map((task) => (
                    <li key={task.url}>
                        <Link href={task.url} className="font-semibold underline underline-offset-4">
                            {task.title}
                        </Link>
                        <span className="block text-sm">{task.words}</span>
                    </li>
                ))}
            </ul>
        </section>
    );
}

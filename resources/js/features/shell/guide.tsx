import { Link, router, usePage } from '@inertiajs/react';
import { send } from '@/shared/lib/api';
import { url } from '@/shared/lib/url';
import { Button } from '@/shared/ui/button';
import type { FigureProps, GuideActProps, GuideProps } from '@/types/generated';

const LINK = 'inline-flex min-h-10 items-center rounded-sm border px-3 text-sm font-medium';

/** The next act on the way to the first session, above the real screen that it fills. It can be left at any point. */
export function Guide({ figure }: { figure: FigureProps }) {
    return figure.guide === null ? null : <Strip figure={figure} guide={figure.guide} />;
}

function Strip({ figure, guide }: { figure: FigureProps; guide: GuideProps }) {
    // What an act was refused for: a plan that is stopped does not start.
    const refused = Object.values(usePage().props.errors);
    return (
        <section
            aria-label="The way to the first session"
            className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-strong bg-raised px-4 py-2 print:hidden"
        >
            <ol aria-hidden className="flex gap-1">
                {Array.from({ length: guide.steps }, (_, i) => (
                    <li
                        key={i}
                        className={`h-3 w-3 border border-strong ${i < guide.step ? 'bg-ink' : 'bg-transparent'}`}
                    />
                ))}
            </ol>
            <p className="min-w-0 flex-1 basis-64 text-sm leading-snug">
                <strong>
                    {guide.step} of {guide.steps}, {guide.title.toLowerCase()}.
                </strong>{' '}
                {guide.words}
                {refused.map((words) => (
                    <strong key={words} role="alert" className="block">
                        {words}
                    </strong>
                ))}
            </p>
            <div className="flex flex-wrap items-center gap-2">
                {guide.acts.map((act, i) => (
                    <Act key={act.label} act={act} isMain={i === 0} />
                ))}
                <Button
                    look="quiet"
                    className="text-quiet underline underline-offset-4"
                    onClick={() => {
                        void send('PUT', url('figures.guide', { figure: figure.id }), { on: false }).then(() => {
                            router.reload({ only: ['figure'] });
                        });
                    }}
                >
                    Leave the guide
                </Button>
            </div>
        </section>
    );
}

function Act({ act, isMain }: { act: GuideActProps; isMain: boolean }) {
    const look = isMain ? 'border-ink bg-ink text-inverse' : 'border-strong hover:border-ink';
    return act.isPost ? (
        <Button
            look={isMain ? 'main' : 'plain'}
            onClick={() => {
                router.post(act.url);
            }}
        >
            {act.label}
        </Button>
    ) : (
        <Link
            href={act.url}
            className={`${LINK} ${look}`}
            onClick={(event) => {
                if (pressedHere(act)) event.preventDefault();
            }}
        >
            {act.label}
        </Link>
    );
}

/** Where the screen that an act leads to is open already, its own control of that name is what is meant. */
function pressedHere(act: GuideActProps): boolean {
    if (new URL(act.url, window.location.href).pathname !== window.location.pathname) return false;
    const own = [...document.querySelectorAll<HTMLElement>('main button, main input[type="file"]')].find(
        (control) => (control.getAttribute('aria-label') ?? control.textContent).trim() === act.label,
    );
    own?.click();
    return own !== undefined;
}

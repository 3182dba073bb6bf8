import { Head } from '@inertiajs/react';

const WORDS: Record<number, readonly [title: string, words: string]> = {
    404: ['This is not here', 'It may have been removed, or the address is mistyped. Nothing was changed.'],
    419: ['This page was open too long', 'Nothing was changed. Go back, reload the page, and do it again.'],
    429: ['That was too often', 'Nothing was changed. Wait a minute and try again.'],
    500: ['Something went wrong on our side', 'What was saved before is safe. Go back and try again.'],
    503: ['Hyalin is down for maintenance', 'What was saved is safe. Try again in a minute.'],
};

export default function ErrorPage({ status }: { status: number }) {
    const [title, words] = WORDS[status] ?? ['This is not allowed here', 'Nothing was changed.'];
    return (
        <main className="flex min-h-full flex-col items-center justify-center gap-4 p-6 text-center">
            <Head title={title} />
            <h1 className="text-2xl">{title}</h1>
            <p className="max-w-md text-base">{words}</p>
            <a
                href="/"
                className="inline-flex min-h-10 items-center rounded-sm border border-strong bg-raised px-4 font-medium"
            >
                Go to Home
            </a>
        </main>
    );
}
